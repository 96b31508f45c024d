package drevik.render;

import static drevik.MixWords.clip;
import static drevik.MixWords.mix;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.MixWords;
import drevik.audio.Dither;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import drevik.deliver.Check;
import drevik.deliver.Check.Verdict;
import drevik.deliver.Shape;
import drevik.edit.TurnOutput;
import drevik.mix.ChannelKind;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Specification;
import drevik.mix.StemSet;
import drevik.mix.Tap;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.IntToDoubleFunction;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Every verdict of a print can fail: faults that only the samples show. */
class PrintProofTest {
  private static final int RATE = 48_000;
  private static final int FRAMES = 2 * RATE;

  @TempDir Path folder;

  private void write(String name, Layout layout, int frames, IntToDoubleFunction... channels)
      throws IOException {
    float[][] audio = new float[channels.length][frames];
    for (int channel = 0; channel < channels.length; channel++) {
      for (int i = 0; i < frames; i++) {
        audio[channel][i] = (float) channels[channel].applyAsDouble(i);
      }
    }
    try (WavWriter writer =
        WavWriter.create(folder.resolve(name), SampleFormat.FLOAT_32, RATE, layout)) {
      writer.write(audio, 0, frames);
    }
  }

  private static IntToDoubleFunction noise(long seed, double level) {
    Random random = new Random(seed);
    return i -> level * random.nextGaussian();
  }

  private PrintReport print(Mix mix, PrintOptions options) {
    return Printer.print(
        mix, ref -> folder.resolve(ref.name()), options, folder.resolve("out"), Progress.NONE);
  }

  private Check check(Mix mix, String what) {
    return print(mix, PrintOptions.all()).files().get(0).checks().stream()
        .filter(check -> check.what().equals(what))
        .findFirst()
        .orElse(null);
  }

  /** One seat into one file. */
  private static Mix heard(
      String file, Layout layout, int frames, OutputKind kind, UnaryOperator<Output> more) {
    Mix mix =
        mix()
            .channel(
                ChannelKind.SEAT,
                "seat",
                layout,
                "mix",
                c -> c.withClips(List.of(clip(file, frames))))
            .channel(ChannelKind.BUS, "mix", layout, null, c -> c)
            .output("mix")
            .build();
    return mix.withOutputs(
        List.of(
            more.apply(
                mix.outputs()
                    .get(0)
                    .withKind(kind)
                    .withLayout(layout)
                    .withFormat(SampleFormat.PCM_24))));
  }

  @Test
  void silenceFailsWhereNothingSaysThatItMayBe() throws IOException {
    write("nothing.wav", Layout.MONO, FRAMES, i -> 0);
    write("apart.wav", Layout.STEREO, FRAMES, noise(1, 0.1), i -> 0);
    Random one = new Random(2);
    float[] x = new float[FRAMES];
    for (int i = 0; i < FRAMES; i++) {
      x[i] = (float) (0.1 * one.nextGaussian());
    }
    write("cancelled.wav", Layout.STEREO, FRAMES, i -> x[i], i -> -x[i]);
    Mix empty = heard("nothing.wav", Layout.MONO, FRAMES, OutputKind.STEM, o -> o);
    Mix cancelled =
        heard(
            "cancelled.wav", Layout.STEREO, FRAMES, OutputKind.MIX, o -> o.withLayout(Layout.MONO));
    for (Mix mix : List.of(empty, cancelled)) {
      PrintReport report = print(mix, PrintOptions.all());
      assertThat(report.files().get(0).verdict()).isEqualTo(Verdict.FAIL);
      assertThat(report.passes()).isFalse();
    }
    Mix allowed =
        heard("nothing.wav", Layout.MONO, FRAMES, OutputKind.STEM, o -> o.withMayBeSilent(true));
    assertThat(print(allowed, PrintOptions.all()).passes()).isTrue();
  }

  @Test
  void aLongHoleFailsInAMixAndNotInAStem() throws IOException {
    int frames = 14 * RATE;
    IntToDoubleFunction noise = noise(3, 0.1);
    write(
        "hole.wav",
        Layout.MONO,
        frames,
        i -> i > RATE && i < 12 * RATE ? 0 : noise.applyAsDouble(i));
    Mix mix = heard("hole.wav", Layout.MONO, frames, OutputKind.MIX, o -> o);
    Check hole = check(mix, "Silence");
    assertThat(hole.verdict()).isEqualTo(Verdict.FAIL);
    assertThat(hole.measured()).isEqualTo("11 s from 1 s");
    Mix stem = heard("hole.wav", Layout.MONO, frames, OutputKind.STEM, o -> o);
    assertThat(check(stem, "Silence")).isNull();
    Shape shape = print(stem, PrintOptions.all()).files().get(0).shape();
    assertThat(shape.longestSilenceSeconds()).isBetween(10.99, 11.01);
  }

  @Test
  void deadAndEqualChannelsOffsetsPeaksAndCutEndsAreTold() throws IOException {
    write(
        "two of six.wav",
        Layout.SURROUND_5_1,
        FRAMES,
        noise(1, 0.1),
        noise(2, 0.1),
        i -> 0,
        i -> 0,
        i -> 0,
        i -> 0);
    Mix surround = heard("two of six.wav", Layout.SURROUND_5_1, FRAMES, OutputKind.MIX, o -> o);
    Check dead = check(surround, "Channels");
    assertThat(dead.verdict()).isEqualTo(Verdict.WARN);
    assertThat(dead.measured()).isEqualTo("nothing in C, Ls, Rs");
    Specification asks =
        new Specification("s", "S", "", null, null, null, null, null, Layout.SURROUND_5_1);
    Mix asked =
        heard(
                "two of six.wav",
                Layout.SURROUND_5_1,
                FRAMES,
                OutputKind.MIX,
                o -> o.withSpecification("s"))
            .withSpecifications(List.of(asks));
    assertThat(check(asked, "Channels").verdict()).isEqualTo(Verdict.FAIL);
    Mix folded = asked.withOutputs(List.of(asked.outputs().get(0).withLayout(Layout.MONO)));
    assertThat(check(folded, "Layout").verdict()).isEqualTo(Verdict.FAIL);

    IntToDoubleFunction same = noise(5, 0.1);
    float[] x = new float[FRAMES];
    for (int i = 0; i < FRAMES; i++) {
      x[i] = (float) same.applyAsDouble(i);
    }
    write("twice.wav", Layout.STEREO, FRAMES, i -> x[i], i -> x[i]);
    Mix twice = heard("twice.wav", Layout.STEREO, FRAMES, OutputKind.MIX, o -> o);
    assertThat(check(twice, "Channels").measured()).isEqualTo("all the same");
    assertThat(check(twice, "End").measured()).endsWith("dBFS");
    write("offset.wav", Layout.MONO, FRAMES, i -> 0.3 + x[i] / 10);
    Mix offset = heard("offset.wav", Layout.MONO, FRAMES, OutputKind.STEM, o -> o);
    assertThat(check(offset, "DC").measured()).startsWith("30");
    write("hot.wav", Layout.MONO, FRAMES, i -> Math.sin(i * Math.PI / 2 + Math.PI / 4) * 1.3);
    Mix hot = heard("hot.wav", Layout.MONO, FRAMES, OutputKind.STEM, o -> o);
    Check peak = check(hot, "True peak");
    assertThat(peak.verdict()).isEqualTo(Verdict.WARN);
    assertThat(peak.asked()).contains("nobody asks");
    Mix floats = hot.withOutputs(List.of(hot.outputs().get(0).withFormat(SampleFormat.FLOAT_32)));
    assertThat(check(floats, "True peak")).isNull();
  }

  @Test
  void aSoftPartThatIsMissingFromManyStemsShowsInTheirPower() throws IOException {
    int stems = 24;
    MixWords words = mix();
    for (int i = 0; i < stems; i++) {
      write("s" + i + ".wav", Layout.MONO, FRAMES, noise(i, i == 0 ? 0.000_2 : 0.01));
      String name = "s" + i;
      words.seat(name, "bus " + i, c -> c.withClips(List.of(clip(name + ".wav", FRAMES))));
      words.bus("bus " + i, "mix");
    }
    words.bus("mix", null).output("mix");
    List<String> all = new ArrayList<>();
    for (int i = 0; i < stems; i++) {
      words.output("bus " + i);
      all.add("out bus " + i);
    }
    Mix whole = words.build();
    whole =
        whole.withOutputs(
            whole.outputs().stream()
                .map(o -> o.withFormat(SampleFormat.PCM_16).withDither(Dither.FLAT))
                .toList());
    Mix complete = whole.withStemSets(List.of(new StemSet("set", "Stems", "out mix", all)));
    PrintReport.NullTest passes = print(complete, PrintOptions.all()).nullTests().get(0);
    assertThat(passes.passes()).as("%s", passes).isTrue();
    Mix short1 =
        whole.withStemSets(List.of(new StemSet("set", "Stems", "out mix", all.subList(1, stems))));
    PrintReport.NullTest misses = print(short1, PrintOptions.all()).nullTests().get(0);
    assertThat(misses.residualDbfs())
        .as("by its peaks it would pass")
        .isLessThan(misses.limitDbfs());
    assertThat(misses.passes()).as("%s", misses).isFalse();
  }

  @Test
  void whatWasNotComparedIsListed() throws IOException {
    write("n.wav", Layout.MONO, FRAMES, noise(1, 0.1));
    Mix mix =
        mix()
            .seat("a", "left", c -> c.withClips(List.of(clip("n.wav", FRAMES))))
            .bus("left", "mix")
            .bus("mix", null)
            .output("mix")
            .output("left")
            .stems("mix", "left")
            .build();
    PrintReport part = print(mix, PrintOptions.only(Set.of("out left")));
    assertThat(part.nullTests()).isEmpty();
    assertThat(part.notCompared())
        .containsExactly(new PrintReport.NotCompared("stems", "Stems", List.of("mix")));
    assertThat(print(mix, PrintOptions.all()).notCompared()).isEmpty();
    write("n.wav", Layout.MONO, FRAMES, noise(1, 0));
    PrintReport silent = print(mix, PrintOptions.all());
    assertThat(silent.nullTests()).as("silence adds up to silence, which proves nothing").isEmpty();
    assertThat(silent.notCompared())
        .containsExactly(new PrintReport.NotCompared("stems", "Stems", List.of()));
  }

  @Test
  void aMissedLoudnessIsTurnedToWhereItWasMeasured() throws IOException {
    write("n.wav", Layout.STEREO, 4 * RATE, noise(1, 0.05), noise(2, 0.05));
    Specification asks = new Specification("s", "S", "", -23.0, 0.1, null, null, null);
    Mix mix =
        heard("n.wav", Layout.STEREO, 4 * RATE, OutputKind.MIX, o -> o.withSpecification("s"))
            .withSpecifications(List.of(asks));
    Check missed = check(mix, "Loudness");
    assertThat(missed.verdict()).isEqualTo(Verdict.FAIL);
    TurnOutput turn = new TurnOutput(mix.outputs().get(0).id(), missed.turnDb());
    assertThat(turn.says(mix)).matches("turn “mix” (up|down) by [\\d.]+ dB");
    Mix turned = turn.applyTo(mix);
    assertThat(check(turned, "Loudness").verdict()).isNotEqualTo(Verdict.FAIL);
    Mix before = mix.withOutputs(List.of(mix.outputs().get(0).withTap(Tap.PRE_FADER)));
    Mix trimmed = turn.applyTo(before);
    assertThat(trimmed.channel("mix").orElseThrow().faderDb()).isZero();
    assertThat(check(trimmed, "Loudness").verdict()).isNotEqualTo(Verdict.FAIL);
  }

  @Test
  void whatALimiterHoldsIsTurnedUpBeforeItSoThatItsPeaksStayUnderTheCeiling() throws IOException {
    IntToDoubleFunction noise = noise(1, 0.1);
    IntToDoubleFunction clicking = i -> i % 9_600 == 0 ? 0.8 : noise.applyAsDouble(i);
    write("n.wav", Layout.STEREO, 4 * RATE, clicking, clicking);
    Specification asks = new Specification("s", "S", "", -9.0, 1.0, -1.0, null, null);
    Insert limiter = new Insert("l", "limiter", true, false, Map.of(), null);
    Mix held =
        heard("n.wav", Layout.STEREO, 4 * RATE, OutputKind.MIX, o -> o.withSpecification("s"))
            .withSpecifications(List.of(asks))
            .mapChannels(c -> c.id().equals("mix") ? c.withChain(List.of(limiter)) : c);
    Output whole = held.outputs().get(0);
    Mix mix =
        held.withOutputs(
            List.of(
                whole,
                whole
                    .with()
                    .id("pre")
                    .name("Unlimited")
                    .namePattern("pre")
                    .tap(Tap.PRE_CHAIN)
                    .build(),
                whole.with().id("twin").name("Twin").namePattern("twin").build()));
    Check missed = check(mix, "Loudness");
    assertThat(missed.turnDb()).isGreaterThan(3);
    TurnOutput turn = new TurnOutput(whole.id(), missed.turnDb());
    assertThat(turn.says(mix))
        .matches("drive the limiter of “mix” by [\\d.]+ dB more, and with it “Twin”");
    Mix turned = turn.applyTo(mix);
    assertThat(turned.channel("mix").orElseThrow().faderDb()).isZero();
    assertThat(check(turned, "True peak").verdict()).isNotEqualTo(Verdict.FAIL);
    assertThatThrownBy(() -> new TurnOutput(whole.id(), 30).applyTo(mix))
        .hasMessageContaining("24 dB is the most");
    assertThat(new TurnOutput(whole.id(), -2).applyTo(mix).channel("mix").orElseThrow().faderDb())
        .isEqualTo(-2);
    assertThat(new TurnOutput(whole.id(), -2).says(mix))
        .isEqualTo("turn “mix” down by 2.00 dB, and with it “Twin”");
  }
}
