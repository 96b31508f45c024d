package drevik.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import drevik.MixWords;
import drevik.RandomMix;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavReader;
import drevik.audio.WavWriter;
import drevik.deliver.Shape;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.StemSet;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.lifecycle.AfterContainer;
import net.jqwik.api.lifecycle.BeforeContainer;

/** What a null test says is what is left when somebody adds the files up. */
class NullMeasuredTest {
  private static final int FRAMES = 500;

  private static Path folder;

  @BeforeContainer
  static void noise() throws IOException {
    folder = Files.createTempDirectory("drevik-null");
    for (Layout layout : RandomMix.LAYOUTS) {
      Random random = new Random(layout.ordinal());
      float[][] audio = new float[layout.channels()][FRAMES];
      for (float[] channel : audio) {
        for (int i = 0; i < FRAMES; i++) {
          channel[i] = random.nextFloat() * 2 - 1;
        }
      }
      try (WavWriter writer =
          WavWriter.create(
              folder.resolve(layout + ".wav"), SampleFormat.FLOAT_32, 48_000, layout)) {
        writer.write(audio, 0, FRAMES);
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

  @Property(tries = 60)
  void aNullIsTheSumOfTheFiles(@ForAll long seed) throws IOException {
    Mix mix =
        RandomMix.of(seed)
            .withEndFrame((long) FRAMES)
            .mapChannels(
                c ->
                    c.kind() == ChannelKind.SEAT
                        ? c.withClips(List.of(MixWords.clip(c.layout() + ".wav", FRAMES)))
                        : c);
    if (mix.outputs().isEmpty()) {
      return;
    }
    List<String> ids = mix.outputs().stream().map(Output::id).toList();
    Mix one = mix.withStemSets(List.of(new StemSet("set", "Set", ids.get(0), ids)));
    PrintReport report =
        Printer.print(
            one,
            ref -> folder.resolve(ref.name()),
            PrintOptions.all(),
            folder.resolve("print"),
            Progress.NONE);
    boolean silent =
        report.files().stream()
            .allMatch(f -> f.samplePeakDbfs() == null || f.samplePeakDbfs() <= Shape.SILENCE_DBFS);
    if (report.nullTests().isEmpty()) {
      assertThat(silent).isTrue();
      assertThat(report.notCompared())
          .containsExactly(new PrintReport.NotCompared("set", "Set", List.of()));
      return;
    }
    PrintReport.NullTest test = report.nullTests().get(0);
    assertThat(silent && test.why() == null).as("compared with nothing").isFalse();
    boolean sameLayout =
        mix.outputs().stream().allMatch(o -> o.layout() == mix.outputs().get(0).layout());
    assertThat(test.why() == null).isEqualTo(sameLayout);
    if (sameLayout) {
      double left = left(report);
      double said = test.residualDbfs() == null ? 0 : Math.pow(10, test.residualDbfs() / 20);
      assertThat(said).isCloseTo(left, within(1e-6));
      assertThat(test.passes()).isEqualTo(said <= Math.pow(10, test.limitDbfs() / 20));
    }
  }

  /** The first file is the mix, and all of them, itself too, are its stems. */
  private static double left(PrintReport report) throws IOException {
    double[][] sum = new double[12][FRAMES];
    for (int i = 0; i < report.files().size(); i++) {
      String file = "print/" + report.files().get(i).file();
      try (WavReader reader = WavReader.open(folder.resolve(file))) {
        float[][] audio = new float[reader.header().channels()][FRAMES];
        reader.read(0, audio, 0, FRAMES);
        for (int channel = 0; i > 0 && channel < audio.length; channel++) {
          for (int k = 0; k < FRAMES; k++) {
            sum[channel][k] += audio[channel][k];
          }
        }
      }
    }
    double most = 0;
    for (double[] channel : sum) {
      for (double x : channel) {
        most = Math.max(most, Math.abs(x));
      }
    }
    return most;
  }
}
