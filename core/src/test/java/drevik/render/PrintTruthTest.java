package drevik.render;

import static drevik.MixWords.insert;
import static drevik.MixWords.mix;
import static drevik.MixWords.send;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import drevik.FineTruePeak;
import drevik.MixWords;
import drevik.audio.Dither;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavReader;
import drevik.audio.WavWriter;
import drevik.deliver.Check;
import drevik.mix.Channel;
import drevik.mix.Clip;
import drevik.mix.Key;
import drevik.mix.Marker;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Specification;
import drevik.mix.Tap;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What the report says is what somebody finds who reads the files. */
class PrintTruthTest {
  private static final int FRAMES = 48_000;

  @TempDir Path folder;

  @BeforeEach
  void noise() throws IOException {
    for (int seed = 1; seed <= 2; seed++) {
      Random random = new Random(seed);
      float[] x = new float[FRAMES];
      for (int i = 0; i < FRAMES; i++) {
        x[i] = random.nextFloat() - 0.5f;
      }
      write("noise " + seed + ".wav", x);
    }
  }

  private void write(String name, float[] x) throws IOException {
    Path file = folder.resolve(name);
    try (WavWriter writer = WavWriter.create(file, SampleFormat.FLOAT_32, 48_000, Layout.MONO)) {
      writer.write(new float[][] {x}, 0, x.length);
    }
  }

  private static UnaryOperator<Channel> plays(String file) {
    return c -> c.withClips(List.of(MixWords.clip(file, FRAMES)));
  }

  private PrintReport print(Mix mix, String to) {
    return Printer.print(
        mix,
        ref -> folder.resolve(ref.name()),
        PrintOptions.all(),
        folder.resolve(to),
        Progress.NONE);
  }

  private float[][] read(String file) throws IOException {
    try (WavReader reader = WavReader.open(folder.resolve(file))) {
      float[][] audio = new float[reader.header().channels()][(int) reader.header().frames()];
      reader.read(0, audio, 0, audio[0].length);
      return audio;
    }
  }

  private static MixWords twoStems(double faderDb) {
    return mix()
        .seat("a", "left", c -> plays("noise 1.wav").apply(c).withFaderDb(faderDb))
        .seat("b", "right", c -> plays("noise 2.wav").apply(c).withFaderDb(faderDb))
        .bus("left", "mix")
        .bus("right", "mix")
        .bus("mix", null)
        .output("mix")
        .output("left")
        .output("right")
        .stems("mix", "left", "right");
  }

  private static Mix written(Mix mix, SampleFormat format, Dither dither) {
    return mix.withOutputs(
        mix.outputs().stream().map(o -> o.withFormat(format).withDither(dither)).toList());
  }

  /** The largest sample of the mix minus its stems, as they are on the disk. */
  private double leftOver(String to) throws IOException {
    float[][] whole = read(to + "/mix.wav");
    float[][] left = read(to + "/left.wav");
    float[][] right = read(to + "/right.wav");
    double most = 0;
    for (int channel = 0; channel < whole.length; channel++) {
      for (int i = 0; i < whole[0].length; i++) {
        double stems = (double) left[channel][i] + right[channel][i];
        most = Math.max(most, Math.abs(stems - whole[channel][i]));
      }
    }
    return 20 * Math.log10(most);
  }

  @ParameterizedTest
  @EnumSource(Dither.class)
  void theNullIsThatOfTheFilesInEveryFormat(Dither dither) throws IOException {
    for (SampleFormat format : SampleFormat.written()) {
      Mix mix = written(twoStems(-3).build(), format, dither);
      PrintReport.NullTest test = print(mix, "out").nullTests().get(0);
      String what = format + ", " + dither;
      if (test.residualDbfs() != null) {
        assertThat(test.residualDbfs()).as(what).isCloseTo(leftOver("out"), within(0.01));
        assertThat(test.residualDbfs()).as(what).isLessThan(test.limitDbfs());
      }
      assertThat(test.passes()).as(what).isTrue();
    }
  }

  @Test
  void stemsOfAClippedMixDoNotAddUpAndTheReportSaysWhere() throws IOException {
    Mix mix = written(twoStems(9).build(), SampleFormat.PCM_24, Dither.BY_FORMAT);
    PrintReport report = print(mix, "out");
    PrintReport.NullTest test = report.nullTests().get(0);
    assertThat(test.passes()).isFalse();
    assertThat(test.residualDbfs()).isCloseTo(leftOver("out"), within(0.01));
    float[][] whole = read("out/mix.wav");
    assertThat(Math.abs(whole[0][(int) Math.round(test.atSeconds() * 48_000)]))
        .isGreaterThan(0.99f);
    PrintReport.Printed printed = report.files().get(0);
    long full = 0;
    for (float[] channel : whole) {
      for (float x : channel) {
        full += x >= 0.9999999f || x <= -1 ? 1 : 0;
      }
    }
    assertThat(printed.clippedSamples()).isBetween(full - 5, full).isPositive();
    assertThat(printed.samplePeakDbfs()).isLessThanOrEqualTo(0);
    assertThat(printed.truePeakDbtp()).isCloseTo(FineTruePeak.of(whole), within(0.2));
    assertThat(printed.verdict()).isEqualTo(Check.Verdict.WARN);
  }

  @Test
  void aStemOfAnotherLayoutCannotBeComparedAndFails() {
    Mix mix = twoStems(-6).build();
    Mix mono =
        mix.withOutputs(
            mix.outputs().stream()
                .map(o -> o.name().equals("left") ? o.withLayout(Layout.MONO) : o)
                .toList());
    PrintReport.NullTest test = print(mono, "out").nullTests().get(0);
    assertThat(test.passes()).isFalse();
    assertThat(test.why()).contains("“left” is mono and “mix” stereo");
  }

  @Test
  void filesOfOnePrintHaveNoNoiseInCommonAndTheSamePrintHasTheSame() throws IOException {
    Mix mix =
        written(twoStems(-120).build(), SampleFormat.PCM_16, Dither.FLAT).withEndFrame(48_000L);
    print(mix, "out");
    print(mix, "again");
    assertThat(Files.mismatch(folder.resolve("out/left.wav"), folder.resolve("again/left.wav")))
        .isEqualTo(-1);
    float[][] left = read("out/left.wav");
    float[][] right = read("out/right.wav");
    assertThat(correlation(left[0], right[0])).isBetween(-0.03, 0.03);
    assertThat(correlation(left[0], left[1])).isBetween(-0.03, 0.03);
    print(written(mix, SampleFormat.PCM_16, Dither.SHAPED), "shaped");
    float[] shaped = read("shaped/left.wav")[0];
    assertThat(lows(shaped)).isLessThan(lows(left[0]) / 3);
    print(written(mix, SampleFormat.PCM_24, Dither.FLAT), "deep");
    assertThat(read("deep/left.wav")[0]).contains(1f / (1 << 23));
  }

  private static double correlation(float[] a, float[] b) {
    double ab = 0, aa = 0, bb = 0;
    for (int i = 0; i < a.length; i++) {
      ab += a[i] * b[i];
      aa += a[i] * a[i];
      bb += b[i] * b[i];
    }
    return ab / Math.sqrt(aa * bb);
  }

  /** Energy of what is left when neighbours are averaged. */
  private static double lows(float[] x) {
    double sum = 0;
    for (int i = 0; i + 16 < x.length; i += 16) {
      double mean = 0;
      for (int k = 0; k < 16; k++) {
        mean += x[i + k];
      }
      sum += mean * mean;
    }
    return sum;
  }

  private static MixWords ringing() {
    return mix()
        .seat(
            "a",
            "mix",
            c -> plays("noise 1.wav").apply(c).withSends(List.of(send("verb", Tap.POST_FADER, 0))))
        .bus(
            "verb", "mix", c -> c.withChain(List.of(insert("reverberation", Map.of("decay", 1.0)))))
        .bus(
            "mix",
            null,
            c ->
                c.withChain(
                    List.of(
                        insert("compressor", Map.of("threshold", -30.0)),
                        insert("limiter", Map.of("ceiling", -3.0)))))
        .output("mix");
  }

  @Test
  void aPrintThatBeginsInsideSoundIsTheSliceOfTheWhole() throws IOException {
    Mix whole = ringing().build().withEndFrame(60_000L);
    print(whole, "whole");
    print(whole.withStartFrame(30_011L), "slice");
    float[][] all = read("whole/mix.wav");
    float[][] slice = read("slice/mix.wav");
    assertThat(slice[0]).isEqualTo(Arrays.copyOfRange(all[0], 30_011, 60_000));
    assertThat(slice[1]).isEqualTo(Arrays.copyOfRange(all[1], 30_011, 60_000));
  }

  @Test
  void aPrintWithoutAnEndGoesOnUntilTheTailHasDied() throws IOException {
    PrintReport report = print(ringing().build(), "out");
    float[] x = read("out/mix.wav")[0];
    assertThat(report.seconds()).isBetween(2.4, 3.2);
    assertThat(x.length).isGreaterThan(FRAMES + 60_000);
    float late = 0;
    for (int i = x.length - 2_400; i < x.length; i++) {
      late = Math.max(late, Math.abs(x[i]));
    }
    assertThat(20 * Math.log10(late)).isLessThan(-75);
    assertThat(late).isPositive();
    assertThat(print(ringing().build().withEndFrame(50_000L), "cut").files().get(0).frames())
        .isEqualTo(50_000);
  }

  @Test
  void nothingThatIsPlayedIsOverwrittenNorAFolderOfSomebodyElse() throws IOException {
    Mix mix = twoStems(0).build();
    Mix over =
        mix.withOutputs(List.of(mix.outputs().get(0).withNamePattern("noise 1")))
            .withStemSets(List.of());
    byte[] before = Files.readAllBytes(folder.resolve("noise 1.wav"));
    assertThatThrownBy(() -> print(over, "."))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("“noise 1.wav” in this folder is audio that the session plays");
    assertThat(Files.readAllBytes(folder.resolve("noise 1.wav"))).isEqualTo(before);
    Path own = Files.createDirectory(folder.resolve("out.unfinished"));
    Path note = Files.writeString(own.resolve("notes.txt"), "mine");
    assertThatThrownBy(() -> print(mix, "out")).hasMessageContaining("is in the way");
    assertThat(note).exists();
  }

  @Test
  void whatIsWrongWithTheSourcesIsTold() throws IOException {
    float[] x = new float[30_000];
    Arrays.fill(x, 0.25f);
    write("short.wav", x);
    Path file = folder.resolve("short.wav");
    byte[] bytes = Files.readAllBytes(file);
    Arrays.fill(bytes, bytes.length - 400, bytes.length - 392, (byte) 0xFF);
    Files.write(file, bytes);
    Mix mix =
        mix()
            .seat(
                "a",
                "mix",
                c ->
                    plays("short.wav")
                        .apply(c)
                        .withChain(List.of(insert("warmer of mine", Map.of("warmth", 3.0)))))
            .bus("mix", null)
            .output("mix")
            .build();
    PrintReport report = print(mix, "out");
    assertThat(report.sources())
        .containsExactly(new PrintReport.SourceFault("a", "short.wav", 2, FRAMES - 30_000));
    assertThat(report.passedBy()).containsExactly(new PrintReport.StandIn("a", "warmer of mine"));
    for (float[] channel : read("out/mix.wav")) {
      for (float y : channel) {
        assertThat(Float.isFinite(y)).isTrue();
      }
    }
  }

  @Test
  void aStowedKeySaysNothing() throws IOException {
    Mix mix =
        mix()
            .seat(
                "a",
                "mix",
                c ->
                    plays("noise 1.wav")
                        .apply(c)
                        .withChain(
                            List.of(
                                insert("compressor", Map.of("threshold", -60.0, "ratio", 50.0))
                                    .withKey(new Key("b", Tap.POST_FADER)))))
            .seat("b", "mix", c -> plays("noise 2.wav").apply(c).withStowed(true))
            .bus("mix", null)
            .output("mix")
            .build();
    print(mix, "out");
    float[] source = read("noise 1.wav")[0];
    assertThat(read("out/mix.wav")[0][777])
        .isCloseTo(source[777] * (float) Math.sqrt(0.5), within(1e-6f));
  }

  @Test
  void everyOutputIsHeldAgainstWhatIsAskedOfIt() {
    Specification asked =
        new Specification("buyer", "Buyer", "", -23.0, 0.5, -1.0, 44_100, SampleFormat.PCM_16);
    Mix mix = twoStems(0).build();
    Mix asking =
        mix.withSpecifications(List.of(asked))
            .withOutputs(mix.outputs().stream().map(o -> o.withSpecification("buyer")).toList());
    PrintReport report = print(asking, "out");
    PrintReport.Printed printed = report.files().get(0);
    assertThat(printed.verdict()).isEqualTo(Check.Verdict.FAIL);
    assertThat(printed.checks())
        .extracting(Check::what)
        .contains("Loudness", "Sample rate", "Format");
    Check loudness = printed.checks().get(0);
    assertThat(loudness.asked()).isEqualTo("−23 ± 0.5 LUFS");
    assertThat(loudness.says()).startsWith("Turn it down by");
    assertThat(report.passes()).isFalse();
    double off = -23 - printed.integratedLufs();
    Specification met = new Specification("buyer", "Buyer", "", -23 - off, 0.5, 6.0, null, null);
    PrintReport fine = print(asking.withSpecifications(List.of(met)), "out");
    assertThat(fine.files().get(0).verdict()).isEqualTo(Check.Verdict.PASS);
    assertThat(fine.files().get(0).maxShortTermLufs()).isNull();
    assertThat(fine.files().get(0).maxMomentaryLufs())
        .isCloseTo(fine.files().get(0).integratedLufs(), within(0.3));
  }

  @Test
  void differentRecordingsMeetAtEqualPowerAndOneRecordingAtEqualGain() throws IOException {
    float[] ones = new float[FRAMES];
    Arrays.fill(ones, 0.5f);
    write("ones.wav", ones);
    write("other ones.wav", ones);
    int cut = 20_000;
    int fade = 4_000;
    for (String second : List.of("ones.wav", "other ones.wav")) {
      Clip first =
          MixWords.clip("ones.wav", FRAMES).with().sourceOut(cut + fade).fadeOut(fade).build();
      Clip then =
          MixWords.clip(second, FRAMES)
              .with()
              .id("then")
              .startFrame(cut)
              .sourceIn(cut)
              .fadeIn(fade)
              .build();
      Mix mix =
          mix()
              .seat("a", "mix", c -> c.withClips(List.of(first, then)).withPan(-1))
              .bus("mix", null)
              .output("mix")
              .build();
      print(mix, "out");
      double middle = second.equals("ones.wav") ? 0.5 : 0.5 * Math.sqrt(2);
      assertThat((double) read("out/mix.wav")[0][cut + fade / 2]).isCloseTo(middle, within(1e-3));
    }
  }

  @Test
  void filesSayWhatTheyAre() throws Exception {
    // Without the highest band, in which every measure of true peaks cuts elsewhere.
    for (int seed = 1; seed <= 2; seed++) {
      float[] x = read("noise " + seed + ".wav")[0];
      for (int i = x.length - 1; i > 3; i--) {
        x[i] = (x[i] + x[i - 1] + x[i - 2] + x[i - 3]) / 2;
      }
      write("noise " + seed + ".wav", x);
    }
    Mix mix =
        twoStems(-10)
            .build()
            .withMarkers(List.of(new Marker("m", "Bridge & out", 24_000)))
            .withStartFrame(0L);
    PrintReport report = print(mix, "out");
    Path file = folder.resolve("out/mix.wav");
    String probed =
        output(
            "ffprobe",
            "-v",
            "error",
            "-show_format",
            "-show_streams",
            "-show_chapters",
            file.toString());
    assertThat(probed)
        .contains("codec_name=pcm_f32le", "sample_rate=48000", "channels=2", "duration_ts=48000")
        .contains("time_reference=0", "encoded_by=Drevik");
    assertThat(probed).contains("coding_history=A=IEEE FLOAT,F=48000,W=32,M=stereo,T=Drevik");
    assertThat(output("sox", "--i", "-s", file.toString()).strip())
        .as("no warning")
        .isEqualTo("48000");
    try (WavReader reader = WavReader.open(file)) {
      assertThat(reader.header().timeReference()).hasValue(0);
      assertThat(reader.notes().markers()).extracting("label").containsExactly("Bridge & out");
    }
    String text =
        new String(Files.readAllBytes(file), java.nio.charset.StandardCharsets.ISO_8859_1);
    assertThat(text).contains("fact", "<NAME>mix L</NAME>", "<FUNCTION>RIGHT</FUNCTION>");
    int bext = text.indexOf("bext") + 8;
    byte[] bytes = Files.readAllBytes(file);
    int loudness = (short) (bytes[bext + 412] & 0xFF | bytes[bext + 413] << 8);
    assertThat(loudness / 100.0).isCloseTo(report.files().get(0).integratedLufs(), within(0.006));
    String measured =
        output(
            "ffmpeg",
            "-hide_banner",
            "-nostats",
            "-i",
            file.toString(),
            "-af",
            "ebur128=peak=true",
            "-f",
            "null",
            "-");
    String summary = measured.substring(measured.indexOf("Summary:"));
    assertThat(figure(summary, "I:")).isCloseTo(loudness / 100.0, within(0.1));
    assertThat(figure(summary, "Peak:"))
        .isCloseTo(report.files().get(0).truePeakDbtp(), within(0.2));
  }

  @ParameterizedTest
  @EnumSource(Layout.class)
  void otherProgramsReadEveryLayoutAndFormat(Layout layout) throws Exception {
    for (SampleFormat format : SampleFormat.written()) {
      Mix mix = written(twoStems(-10).build(), format, Dither.BY_FORMAT);
      Mix wide =
          mix.withStemSets(List.of()).withOutputs(List.of(mix.outputs().get(0).withLayout(layout)));
      print(wide, "out");
      String file = folder.resolve("out/mix.wav").toString();
      String probed = output("ffprobe", "-v", "error", "-show_streams", file);
      assertThat(probed)
          .as("%s, %s", layout, format)
          .contains("channels=" + layout.channels() + "\n", "duration_ts=48000\n")
          .contains("bits_per_sample=" + format.bits() + "\n");
      String named =
          switch (layout) {
            case LCR -> "3.0";
            case QUAD -> "quad(side)";
            case SURROUND_5_0 -> "5.0(side)";
            case SURROUND_5_1 -> "5.1(side)";
            case SURROUND_7_1_4 -> "12 channels (FL+FR+FC+LFE+BL+BR+SL+SR+TFL+TFR+TBL+TBR)";
            default -> layout.toString();
          };
      // A plain header has no mask: two channels are left and right to everybody.
      boolean plain = layout == Layout.STEREO && format == SampleFormat.FLOAT_32;
      if (layout != Layout.MONO && !plain) {
        assertThat(probed).contains("channel_layout=" + named + "\n");
      }
      assertThat(output("sox", "--i", "-s", file).lines()).endsWith("48000");
      assertThat(output("sox", "--i", "-c", file).lines()).endsWith("" + layout.channels());
    }
  }

  private static double figure(String text, String label) {
    String behind = text.substring(text.indexOf(label) + label.length()).strip();
    return Double.parseDouble(behind.substring(0, behind.indexOf(' ')));
  }

  private static String output(String... command) throws IOException, InterruptedException {
    Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
    String said = new String(process.getInputStream().readAllBytes());
    assertThat(process.waitFor()).as(said).isZero();
    return said;
  }
}
