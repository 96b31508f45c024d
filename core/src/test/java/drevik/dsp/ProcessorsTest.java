package drevik.dsp;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import drevik.audio.Layout;
import drevik.audio.Speaker;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Processors against the formula's curve. */
class ProcessorsTest {
  private static final int RATE = 48_000;

  private static Processor make(ProcessorType type, Map<String, Double> settings, int channels) {
    return type.create(
        new Settings(type.parameters(), settings),
        new ProcessorType.Surroundings(RATE, Layout.ofChannels(channels), 120));
  }

  private static float[] sine(double hertz, double amplitude, int frames) {
    float[] x = new float[frames];
    for (int i = 0; i < frames; i++) {
      x[i] = (float) (amplitude * Math.sin(2 * Math.PI * hertz * i / RATE));
    }
    return x;
  }

  private static double levelDb(float[] x, int from) {
    double sum = 0;
    for (int i = from; i < x.length; i++) {
      sum += x[i] * x[i];
    }
    return 10 * Math.log10(2 * sum / (x.length - from));
  }

  static Stream<ProcessorType> all() {
    return Processors.all().stream();
  }

  @ParameterizedTest
  @MethodSource("all")
  void blocksOfAnySizeGiveTheSameBits(ProcessorType type) {
    Random random = new Random(5);
    float[][] whole = new float[2][9_000];
    for (int i = 0; i < 9_000; i++) {
      whole[0][i] = random.nextFloat() * 2 - 1;
      whole[1][i] = i < 3_000 ? whole[0][i] : 0;
    }
    Map<String, Double> settings =
        Map.of("low-cut", 90.0, "bell-1-gain", 4.0, "high-shelf-gain", 2.0, "drive", 6.0);
    float[][] cut = {whole[0].clone(), whole[1].clone()};
    make(type, settings, 2).process(whole, null, 9_000);
    Processor second = make(type, settings, 2);
    for (int at = 0, size = 1;
        at < 9_000;
        at += size, size = Math.min(9_000 - at, size * 3 % 701 + 1)) {
      float[][] block = {
        java.util.Arrays.copyOfRange(cut[0], at, at + size),
        java.util.Arrays.copyOfRange(cut[1], at, at + size)
      };
      second.process(block, null, size);
      System.arraycopy(block[0], 0, cut[0], at, size);
      System.arraycopy(block[1], 0, cut[1], at, size);
    }
    assertThat(cut[0]).isEqualTo(whole[0]);
    assertThat(cut[1]).isEqualTo(whole[1]);
  }

  @ParameterizedTest
  @CsvSource({
    "bell-1-frequency, 1000, bell-1-gain, 6, 1000, 6.0",
    "bell-2-frequency, 500, bell-2-gain, -9, 500, -9.0",
    "low-cut, 100, low-cut-slope, 12, 100, -3.01",
    "low-cut, 100, low-cut-slope, 24, 100, -3.01",
    "low-cut, 200, low-cut-slope, 24, 100, -24.1",
    "high-shelf-frequency, 5000, high-shelf-gain, 8, 5000, 4.0",
    "low-shelf-frequency, 200, low-shelf-gain, -8, 30, -8.0",
    "high-cut, 5000, high-shelf-gain, 0, 5000, -3.01"
  })
  void theEqualiserFollowsItsCurve(
      String a, double aValue, String b, double bValue, double hertz, double expectedDb) {
    float[][] x = {sine(hertz, 0.2, RATE)};
    double before = levelDb(x[0], RATE / 2);
    make(new Equaliser(), Map.of(a, aValue, b, bValue), 1).process(x, null, RATE);
    assertThat(levelDb(x[0], RATE / 2) - before).isCloseTo(expectedDb, within(0.15));
  }

  @Test
  void sectionsAnswerAsTheirTransferFunctionSays() {
    Biquad bell = Biquad.bell(2_000, 5, 1.3, RATE);
    for (double hertz : new double[] {200, 1_500, 2_000, 2_600, 9_000}) {
      float[] x = sine(hertz, 0.2, RATE);
      double before = levelDb(x, RATE / 2);
      new BiquadCascade(java.util.List.of(bell)).process(x, RATE);
      assertThat(levelDb(x, RATE / 2) - before)
          .isCloseTo(bell.responseDb(hertz, RATE), within(0.02));
    }
  }

  @ParameterizedTest
  @CsvSource({"-40, -40", "-20, -20", "-10, -17.5", "0, -15"})
  void theCompressorsCurveHasItsRatio(double in, double out) {
    assertThat(Compressor.curve(in, -20, 4, 0)).isCloseTo(out, within(1e-9));
  }

  static Stream<Arguments> ratesAndLayouts() {
    return Stream.of(44_100, 48_000, 96_000, 192_000)
        .flatMap(rate -> Stream.of(Layout.values()).map(layout -> Arguments.of(rate, layout)));
  }

  @ParameterizedTest
  @MethodSource("ratesAndLayouts")
  void theCompressorSettlesOnItsCurveInEveryChannel(int rate, Layout layout) {
    Settings settings =
        new Settings(
            new Compressor().parameters(),
            Map.of("threshold", -20.0, "ratio", 4.0, "knee", 12.0, "attack", 10.0));
    for (double in : new double[] {-40, -23, -20, -16, -3}) {
      // The LFE is as loud as can be, and says nothing.
      float[][] x = new float[layout.channels()][rate];
      for (int channel = 0; channel < layout.channels(); channel++) {
        boolean lfe = layout.speakers().get(channel) == Speaker.LFE;
        java.util.Arrays.fill(x[channel], lfe ? 1 : (float) Math.pow(10, in / 20));
      }
      new Compressor()
          .create(settings, new ProcessorType.Surroundings(rate, layout, 120))
          .process(x, null, rate);
      double turnedDown = Compressor.curve(in, -20, 4, 12) - in;
      for (int channel = 0; channel < layout.channels(); channel++) {
        double before = layout.speakers().get(channel) == Speaker.LFE ? 0 : in;
        assertThat(20 * Math.log10(x[channel][rate - 1]))
            .as("%s at %s dBFS", layout.speakers().get(channel), in)
            .isCloseTo(before + turnedDown, within(0.01));
      }
    }
  }

  @ParameterizedTest
  @CsvSource({"44100, 5", "48000, 30", "96000, 30", "192000, 5"})
  void theCompressorTakesAsLongAsItsAttackSays(int rate, double attack) {
    float[][] x = {new float[rate]};
    java.util.Arrays.fill(x[0], 0.5f);
    Settings settings =
        new Settings(
            new Compressor().parameters(),
            Map.of("threshold", -20.0, "ratio", 4.0, "knee", 0.0, "attack", attack));
    new Compressor()
        .create(settings, new ProcessorType.Surroundings(rate, Layout.MONO, 120))
        .process(x, null, rate);
    double in = 20 * Math.log10(0.5);
    double whole = Compressor.curve(in, -20, 4, 0) - in;
    int after = (int) Math.round(attack / 1000 * rate);
    // One time constant: 1 − 1/e of the way.
    assertThat(20 * Math.log10(x[0][after - 1]) - in)
        .isCloseTo(whole * (1 - Math.exp(-1)), within(0.05));
  }

  @Test
  void aKeyTurnsDownWhatIsNotLoudItself() {
    float[][] quiet = {new float[RATE]};
    float[][] key = {new float[RATE]};
    java.util.Arrays.fill(quiet[0], 0.01f);
    java.util.Arrays.fill(key[0], 1f);
    make(new Compressor(), Map.of("threshold", -20.0, "ratio", 10.0), 1).process(quiet, key, RATE);
    assertThat(quiet[0][RATE - 1])
        .isCloseTo(0.01f * (float) Math.pow(10, -18 / 20.0), within(1e-5f));
  }

  @Test
  void theDelayRepeatsOnTheBeat() {
    float[][] x = {new float[RATE * 2]};
    x[0][0] = 1;
    make(new TempoDelay(), Map.of("beats", 0.5, "low-cut", 20.0, "high-cut", 20_000.0), 1)
        .process(x, null, RATE * 2);
    // Half a beat at 120 bpm is a quarter of a second.
    assertThat(loudest(x[0], 0, RATE / 2)).isEqualTo(RATE / 4);
    assertThat(loudest(x[0], RATE / 2 - 100, RATE / 2 + 100)).isEqualTo(RATE / 2);
  }

  private static int loudest(float[] x, int from, int to) {
    int at = from;
    for (int i = from; i < to; i++) {
      at = Math.abs(x[i]) > Math.abs(x[at]) ? i : at;
    }
    return at;
  }

  @ParameterizedTest
  @CsvSource({"0.8", "2.0"})
  void theReverberationLosesSixtyDecibelsInItsDecay(double decay) {
    int frames = (int) (RATE * (decay + 0.6));
    float[][] x = {new float[frames], new float[frames]};
    x[0][0] = 1;
    x[1][0] = 1;
    make(new Reverberation(), Map.of("decay", decay, "decay-high", 100.0, "pre-delay", 0.0), 2)
        .process(x, null, frames);
    int window = RATE / 10;
    int early = RATE / 5;
    int late = early + (int) (decay / 2 * RATE);
    double lost = windowDb(x[0], early, window) - windowDb(x[0], late, window);
    assertThat(lost).isCloseTo(30, within(3.0));
    assertThat(x[0]).isNotEqualTo(x[1]);
  }

  private static double windowDb(float[] x, int from, int count) {
    double sum = 0;
    for (int i = from; i < from + count; i++) {
      sum += x[i] * x[i];
    }
    return 10 * Math.log10(sum);
  }

  @Test
  void theLimiterOnlyDelaysWhatIsBelowItsCeiling() {
    float[][] x = {sine(440, 0.5, 5_000)};
    float[] before = x[0].clone();
    Processor limiter = make(new Limiter(), Map.of(), 1);
    limiter.process(x, null, 5_000);
    int late = limiter.latency();
    assertThat(java.util.Arrays.copyOfRange(x[0], late, 5_000))
        .isEqualTo(java.util.Arrays.copyOfRange(before, 0, 5_000 - late));
  }
}
