package drevik.render;

import static drevik.MixWords.insert;
import static drevik.MixWords.mix;
import static drevik.MixWords.send;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import drevik.MixWords;
import drevik.audio.AudioException;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavReader;
import drevik.audio.WavWriter;
import drevik.mix.Channel;
import drevik.mix.Clip;
import drevik.mix.Control;
import drevik.mix.Key;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Tap;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PrinterTest {
  private static final int FRAMES = 20_000;
  private static final Map<String, Double> LIMIT = Map.of("ceiling", -6.0);

  @TempDir Path folder;

  @BeforeEach
  void twoFiles() throws IOException {
    write("noise.wav", 48_000, new Random(1));
    write("other.wav", 48_000, new Random(2));
    write("slow.wav", 44_100, new Random(3));
  }

  private void write(String name, int rate, Random random) throws IOException {
    float[][] audio = new float[1][FRAMES];
    for (int i = 0; i < FRAMES; i++) {
      audio[0][i] = random.nextFloat() - 0.5f;
    }
    try (WavWriter writer =
        WavWriter.create(folder.resolve(name), SampleFormat.FLOAT_32, rate, Layout.MONO)) {
      writer.write(audio, 0, FRAMES);
    }
  }

  private static UnaryOperator<Channel> plays(String file) {
    return c -> c.withClips(List.of(MixWords.clip(file, FRAMES)));
  }

  private PrintReport print(Mix mix, PrintOptions options, String to) {
    return Printer.print(
        mix, ref -> folder.resolve(ref.name()), options, folder.resolve(to), Progress.NONE);
  }

  private float[][] read(String file) throws IOException {
    try (WavReader reader = WavReader.open(folder.resolve(file))) {
      float[][] audio = new float[reader.header().channels()][(int) reader.header().frames()];
      reader.read(0, audio, 0, audio[0].length);
      return audio;
    }
  }

  private Mix busy() {
    return mix()
        .seat(
            "a",
            "left",
            c ->
                plays("noise.wav")
                    .apply(c)
                    .withPan(-0.4)
                    .withChain(List.of(insert("limiter", LIMIT)))
                    .withSends(List.of(send("verb", Tap.POST_FADER, -6))))
        .seat("b", "right", c -> plays("other.wav").apply(c).withFaderDb(-3).withPan(0.5))
        .bus("left", "mix", c -> c.withPan(0.2))
        .bus("right", "mix", c -> c.withSends(List.of(send("verb", Tap.PRE_FADER, -3))))
        .bus(
            "verb", "mix", c -> c.withChain(List.of(insert("reverberation", Map.of("decay", 0.5)))))
        .bus("mix", null)
        .output("mix")
        .output("left")
        .output("right")
        .output("verb")
        .stems("mix", "left", "right", "verb")
        .build();
  }

  @ParameterizedTest
  @CsvSource({"1, 1", "64, 2", "333, 3", "4096, 1", "100000, 2"})
  void blockSizeAndThreadsChangeNoBit(int blockSize, int threads) throws IOException {
    print(busy(), new PrintOptions(Set.of(), 512, 1), "reference");
    print(busy(), new PrintOptions(Set.of(), blockSize, threads), "other");
    for (String file : List.of("mix.wav", "left.wav", "right.wav", "verb.wav")) {
      assertThat(
              Files.mismatch(folder.resolve("reference/" + file), folder.resolve("other/" + file)))
          .as(file)
          .isEqualTo(-1);
    }
  }

  @Test
  void partsOfOneFileStandWhereTheyStoodAndAreFadedAtTheirCuts() throws IOException {
    Clip whole = MixWords.clip("noise.wav", FRAMES);
    int cut = FRAMES / 2;
    Clip first = whole.with().id("1").sourceOut(cut).fadeOut(1_000).build();
    Clip second =
        whole.with().id("2").startFrame(cut + 500).sourceIn(cut + 500).fadeIn(200).build();
    Mix mix =
        mix()
            .seat("a", "mix", c -> c.withClips(List.of(first, second)).withPan(-1))
            .bus("mix", null)
            .output("mix")
            .build();
    print(mix, new PrintOptions(Set.of(), 333, 1), "cut");
    float[] original = read("noise.wav")[0];
    float[] printed = read("cut/mix.wav")[0];
    for (int i = 0; i < FRAMES; i++) {
      double gain = i < cut - 1_000 || i >= cut + 700 ? 1 : i >= cut && i < cut + 500 ? 0 : -1;
      if (gain < 0) {
        double nearer = i < cut ? (cut - i - 0.5) / 1_000 : (i - cut - 500 + 0.5) / 200;
        gain = 0.5 - 0.5 * Math.cos(Math.PI * nearer);
      }
      assertThat((double) printed[i]).isCloseTo(gain * original[i], within(1e-6));
    }
  }

  @Test
  void stemsAddUpToTheirMix() {
    PrintReport report = print(busy(), PrintOptions.all(), "out");
    assertThat(report.nullTests()).singleElement().matches(PrintReport.NullTest::passes);
    Mix broken =
        busy()
            .withStemSets(
                List.of(new drevik.mix.StemSet("s", "S", "out mix", List.of("out left"))));
    assertThat(print(broken, PrintOptions.all(), "out").nullTests())
        .singleElement()
        .matches(test -> !test.passes());
  }

  @Test
  void parallelPathsStayAlignedBehindLatency() throws IOException {
    // The same noise once straight and once through a limiter that never acts, one of them flipped.
    Map<String, Double> idle = Map.of("ceiling", 0.0);
    Mix mix =
        mix()
            .seat(
                "a",
                "straight",
                c -> plays("noise.wav").apply(c).withSends(List.of(send("late", Tap.PRE_FADER, 0))))
            .bus("straight", "mix")
            .bus(
                "late",
                "mix",
                c -> c.withInvertPolarity(true).withChain(List.of(insert("limiter", idle))))
            .bus("mix", null)
            .output("mix")
            .build();
    print(mix, PrintOptions.all(), "out");
    assertThat(read("out/mix.wav")[0]).containsOnly(0f);
  }

  @Test
  void printedFilesStartWhereTheirSoundStarts() throws IOException {
    Map<String, Double> idle = Map.of("ceiling", 0.0);
    Mix mix =
        mix()
            .seat(
                "a",
                null,
                c -> plays("noise.wav").apply(c).withChain(List.of(insert("limiter", idle))))
            .output("a")
            .build();
    print(mix, PrintOptions.all(), "out");
    float half = (float) Math.sqrt(0.5);
    float[] source = read("noise.wav")[0];
    float[] printed = read("out/a.wav")[0];
    assertThat(printed).hasSize(FRAMES);
    assertThat(printed[0]).isCloseTo(source[0] * half, within(1e-6f));
    assertThat(printed[FRAMES - 1]).isCloseTo(source[FRAMES - 1] * half, within(1e-6f));
  }

  @Test
  void levelsFollowTheSignalOrder() throws IOException {
    Mix mix =
        mix()
            .seat(
                "a",
                "bus",
                c ->
                    plays("noise.wav")
                        .apply(c)
                        .withTrimDb(-6)
                        .withFaderDb(-6)
                        .withSends(List.of(send("pre", Tap.PRE_FADER, -6))))
            .bus("bus", null)
            .bus("pre", null)
            .output("bus")
            .output("pre")
            .build()
            .withControls(
                List.of(
                    new Control("c", "C", -6, List.of("d")),
                    new Control("d", "D", -2, List.of("a"))));
    print(mix, PrintOptions.all(), "out");
    double source = read("noise.wav")[0][99];
    double centre = Math.sqrt(0.5);
    assertThat((double) read("out/bus.wav")[0][99])
        .isCloseTo(source * centre * Math.pow(10, -20 / 20.0), within(1e-6));
    assertThat((double) read("out/pre.wav")[0][99])
        .isCloseTo(source * centre * Math.pow(10, -12 / 20.0), within(1e-6));
    print(mix.mapChannels(c -> c.withMute(c.id().equals("a"))), PrintOptions.all(), "muted");
    assertThat(read("muted/bus.wav")[0]).containsOnly(0f);
    assertThat(read("muted/pre.wav")[0][99]).isNotZero();
  }

  @Test
  void aKeyDucksAndIsNotHeard() throws IOException {
    Mix mix =
        mix()
            .seat(
                "a",
                null,
                c ->
                    plays("noise.wav")
                        .apply(c)
                        .withChain(
                            List.of(
                                insert(
                                        "compressor",
                                        Map.of("threshold", -60.0, "ratio", 50.0, "attack", 0.05))
                                    .withKey(new Key("b", Tap.POST_FADER)))))
            .seat(
                "b",
                null,
                c -> plays("other.wav").apply(c).withChain(List.of(insert("limiter", LIMIT))))
            .output("a")
            .build();
    print(mix, PrintOptions.all(), "out");
    double before = energy(read("noise.wav")[0]);
    assertThat(energy(read("out/a.wav")[0])).isLessThan(before / 1000).isPositive();
  }

  private static double energy(float[] x) {
    double sum = 0;
    for (float v : x) {
      sum += v * v;
    }
    return sum;
  }

  @Test
  void onlyWhatIsAskedForIsPrinted() {
    PrintReport report = print(busy(), PrintOptions.only(Set.of("out left")), "some");
    assertThat(report.files()).extracting("file").containsExactly("left.wav");
    assertThat(folder.resolve("some")).isDirectoryContaining("glob:**left.wav");
    assertThat(folder.resolve("some/mix.wav")).doesNotExist();
  }

  @Test
  void whatCannotBePrintedIsRefusedAndLeavesNothing() {
    Mix slow = mix().seat("a", null, plays("slow.wav")).output("a").build();
    assertThatThrownBy(() -> print(slow, PrintOptions.all(), "out"))
        .isInstanceOf(AudioException.class)
        .hasMessageContaining("44100 Hz");
    Mix empty = mix().seat("a", null).output("a").build();
    assertThatThrownBy(() -> print(empty, PrintOptions.all(), "out"))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("nothing to print");
    Mix twice = mix().seat("a", null, plays("noise.wav")).output("a").output("a").build();
    assertThatThrownBy(() -> print(twice, PrintOptions.all(), "out"))
        .hasMessageContaining("both write");
    assertThat(folder.resolve("out")).doesNotExist();
    assertThat(folder.resolve("out.unfinished")).doesNotExist();
  }

  @Test
  void aCancelledRunLeavesNothing() {
    assertThatThrownBy(
            () ->
                Printer.print(
                    busy(),
                    ref -> folder.resolve(ref.name()),
                    PrintOptions.all(),
                    folder.resolve("out"),
                    done -> done < 0.3))
        .isInstanceOf(PrintCancelled.class);
    assertThat(folder.resolve("out")).doesNotExist();
    assertThat(folder.resolve("out.unfinished")).doesNotExist();
  }
}
