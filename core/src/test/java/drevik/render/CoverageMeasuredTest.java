package drevik.render;

import static drevik.MixWords.clip;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import drevik.RandomMix;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavReader;
import drevik.audio.WavWriter;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.route.Coverage;
import drevik.route.Coverage.Way;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.lifecycle.AfterContainer;
import net.jqwik.api.lifecycle.BeforeContainer;

/** What coverage says is what the engine does: each seat in turn plays an impulse. */
class CoverageMeasuredTest {
  private static final int FRAMES = 8;

  private static Path folder;

  @BeforeContainer
  static void impulse() throws IOException {
    folder = Files.createTempDirectory("drevik-coverage");
    for (Layout layout : RandomMix.LAYOUTS) {
      for (int channel = 0; channel < layout.channels(); channel++) {
        float[][] audio = new float[layout.channels()][FRAMES];
        audio[channel][0] = 1;
        try (WavWriter writer =
            WavWriter.create(
                folder.resolve(file(layout, channel)), SampleFormat.FLOAT_32, 48_000, layout)) {
          writer.write(audio, 0, FRAMES);
        }
      }
    }
  }

  @AfterContainer
  static void remove() throws IOException {
    try (Stream<Path> files = Files.walk(folder)) {
      for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(file);
      }
    }
  }

  private static String file(Layout layout, int channel) {
    return layout + " " + channel + ".wav";
  }

  @Property(tries = 60)
  void coverageIsWhatTheEngineMeasures(@ForAll long seed) {
    Mix mix = RandomMix.of(seed).withEndFrame((long) FRAMES);
    Coverage coverage = Coverage.of(mix);
    for (Channel seat : mix.channels()) {
      if (seat.kind() != ChannelKind.SEAT) {
        continue;
      }
      Map<String, Double> power = new HashMap<>();
      for (int channel = 0; channel < seat.layout().channels(); channel++) {
        compare(mix, seat, channel, coverage, power);
      }
      for (Output output : mix.outputs()) {
        Coverage.Cell cell = coverage.cell(seat.id(), output.id());
        double heard = 10 * Math.log10(power.get(output.id()) / seat.layout().channels());
        if (cell == null || cell.gainDb() == null) {
          assertThat(heard).as("%s in %s", seat.id(), output.id()).isLessThan(-130);
        } else if (cell.gainDb() > -90) {
          assertThat(cell.gainDb())
              .as("%s in %s", seat.id(), output.id())
              .isCloseTo(heard, within(0.01));
        }
      }
    }
  }

  private static void compare(
      Mix mix, Channel seat, int channel, Coverage coverage, Map<String, Double> power) {
    String impulse = file(seat.layout(), channel);
    Mix playing =
        mix.mapChannels(
            c -> c.id().equals(seat.id()) ? c.withClips(List.of(clip(impulse, FRAMES))) : c);
    Path to = folder.resolve("print");
    Printer.print(
        playing, ref -> folder.resolve(ref.name()), PrintOptions.all(), to, Progress.NONE);
    for (Output output : mix.outputs()) {
      double[][] expected = coverage.gains(seat.id(), output.id(), EnumSet.allOf(Way.class));
      try (WavReader reader = WavReader.open(to.resolve(output.namePattern() + ".wav"))) {
        float[][] heard = new float[output.layout().channels()][FRAMES];
        reader.read(0, heard, 0, FRAMES);
        for (int row = 0; row < heard.length; row++) {
          assertThat((double) heard[row][0])
              .as("%s into %s, speaker %d", seat.id(), output.id(), row)
              .isCloseTo(expected[row][channel], within(1e-5));
          power.merge(output.id(), (double) heard[row][0] * heard[row][0], Double::sum);
        }
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }
}
