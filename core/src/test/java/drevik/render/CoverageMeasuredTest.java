package drevik.render;

import static drevik.MixWords.clip;
import static drevik.MixWords.mix;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import drevik.MixWords;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavReader;
import drevik.audio.WavWriter;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Control;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Send;
import drevik.mix.Tap;
import drevik.route.Coverage;
import drevik.route.Coverage.Way;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.lifecycle.AfterContainer;
import net.jqwik.api.lifecycle.BeforeContainer;

/** What coverage says is what the engine does: each seat in turn plays an impulse. */
class CoverageMeasuredTest {
  private static final int FRAMES = 8;
  private static final List<Layout> LAYOUTS =
      List.of(Layout.MONO, Layout.STEREO, Layout.LCR, Layout.SURROUND_5_1);

  private static Path folder;

  @BeforeContainer
  static void impulse() throws IOException {
    folder = Files.createTempDirectory("drevik-coverage");
    for (Layout layout : LAYOUTS) {
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

  /** Random routing that cannot loop: what stands later feeds only what stands earlier. */
  private static Mix random(Random random) {
    MixWords words = mix();
    List<String> earlier = new ArrayList<>();
    int count = 4 + random.nextInt(5);
    for (int i = 0; i < count; i++) {
      boolean seat = i >= count - 3;
      String name = (seat ? "seat " : "bus ") + i;
      Layout layout = LAYOUTS.get(random.nextInt(LAYOUTS.size()));
      ChannelKind kind =
          seat ? ChannelKind.SEAT : random.nextInt(4) == 0 ? ChannelKind.RETURN : ChannelKind.BUS;
      String to = earlier.isEmpty() ? null : earlier.get(random.nextInt(earlier.size()));
      List<Send> sends = new ArrayList<>();
      for (String destination : earlier) {
        if (random.nextInt(4) == 0) {
          double level = random.nextInt(5) == 0 ? -144 : -random.nextInt(20);
          Tap tap = Tap.values()[random.nextInt(3)];
          boolean on = random.nextInt(6) > 0;
          double pan = random.nextDouble() * 2 - 1;
          sends.add(new Send("to " + destination, List.of(destination), tap, level, pan, on));
        }
      }
      // What an output taps must not be stowed: the first and the last bus.
      boolean stowed = i > 0 && i < count - 4 && random.nextInt(6) == 0;
      words.channel(
          kind,
          name,
          layout,
          to,
          c ->
              c.withSends(sends)
                  .withPan(random.nextDouble() * 2 - 1)
                  .withFaderDb(-random.nextInt(12))
                  .withTrimDb(random.nextInt(7) - 3)
                  .withMute(random.nextInt(8) == 0)
                  .withStowed(stowed)
                  .withInvertPolarity(random.nextInt(4) == 0));
      if (!seat) {
        earlier.add(name);
      }
    }
    Mix mix = words.output("bus 0").output(earlier.get(earlier.size() - 1)).build();
    List<Output> outputs = new ArrayList<>();
    for (Output output : mix.outputs()) {
      boolean first = outputs.isEmpty();
      outputs.add(
          output
              .withId("out " + outputs.size())
              .withNamePattern("out " + outputs.size())
              .withLayout(LAYOUTS.get(random.nextInt(LAYOUTS.size())))
              .withTap(first ? Tap.POST_FADER : Tap.values()[random.nextInt(3)]));
    }
    Control control =
        new Control("control", "Control", -4, List.of("bus 0", "seat " + (count - 1)));
    return mix.withOutputs(outputs).withControls(List.of(control)).withEndFrame((long) FRAMES);
  }

  @Property(tries = 60)
  void coverageIsWhatTheEngineMeasures(@ForAll long seed) {
    Mix mix = random(new Random(seed));
    Coverage coverage = Coverage.of(mix);
    for (Channel seat : mix.channels()) {
      if (seat.kind() != ChannelKind.SEAT) {
        continue;
      }
      for (int channel = 0; channel < seat.layout().channels(); channel++) {
        compare(mix, seat, channel, coverage);
      }
    }
  }

  private static void compare(Mix mix, Channel seat, int channel, Coverage coverage) {
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
        }
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }
}
