package drevik.dsp;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import drevik.audio.Layout;
import drevik.audio.Speaker;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The same room at every rate and in every layout. */
class ReverberationTest {
  private static float[][] response(
      int rate, Layout layout, int input, double seconds, Map<String, Double> settings) {
    Reverberation type = new Reverberation();
    Map<String, Double> all = new HashMap<>(Map.of("pre-delay", 0.0, "low-cut", 20.0));
    all.putAll(settings);
    Processor room =
        type.create(
            new Settings(type.parameters(), all),
            new ProcessorType.Surroundings(rate, layout, 120));
    float[][] audio = new float[layout.channels()][(int) (seconds * rate)];
    audio[input][0] = 1;
    room.process(audio, null, audio[0].length);
    return audio;
  }

  private static double energy(float[] x, double from, double to, int rate) {
    double sum = 0;
    for (int i = (int) (from * rate); i < to * rate; i++) {
      sum += x[i] * x[i];
    }
    return sum;
  }

  /** Seconds for 60 dB in the band around a frequency, from what is lost between two moments. */
  private static double decayAt(double hertz, float[] response, double from, double to, int rate) {
    float[] band = response.clone();
    Biquad low = Biquad.highPass(hertz / 1.15, Biquad.BUTTERWORTH, rate);
    Biquad high = Biquad.lowPass(hertz * 1.15, Biquad.BUTTERWORTH, rate);
    new BiquadCascade(List.of(low, low, low, high, high, high)).process(band, band.length);
    double window = 0.15;
    double lost =
        10
            * Math.log10(
                energy(band, from, from + window, rate) / energy(band, to, to + window, rate));
    return 60 * (to - from) / lost;
  }

  @Test
  void highsAreDrawnAsASmallRoomGivesThem() {
    Map<String, Double> settings = Map.of("decay", 1.0, "decay-high", 5.0, "size", 2.0);
    Reverberation type = new Reverberation();
    Map<String, Double> all = new HashMap<>(Map.of("pre-delay", 0.0));
    all.putAll(settings);
    double drawn =
        type.picture(
                new Settings(type.parameters(), all),
                new ProcessorType.Surroundings(48_000, Layout.STEREO, 120))
            .lines()
            .get(1)
            .points()
            .get(1)
            .x();
    float[] response = response(48_000, Layout.STEREO, 0, 0.6, settings)[0];
    double measured = decayAt(8_000, response, 0.05, 0.2, 48_000);
    assertThat(drawn).isGreaterThan(0.1).isCloseTo(measured, within(0.2 * measured));
  }

  @ParameterizedTest
  @ValueSource(ints = {44_100, 48_000, 96_000, 192_000})
  void lowsAndHighsDecayInTheirTimesAtEveryRate(int rate) {
    Map<String, Double> settings = Map.of("decay", 2.0, "decay-high", 40.0);
    float[] response = response(rate, Layout.STEREO, 0, 1.4, settings)[0];
    assertThat(decayAt(300, response, 0.25, 1.2, rate)).isCloseTo(2.0, within(0.25));
    assertThat(decayAt(8_000, response, 0.2, 0.7, rate)).isCloseTo(0.8, within(0.1));
  }

  @ParameterizedTest
  @EnumSource(Layout.class)
  void everyInputIsHeardAlikeAndInEveryChannelButTheLfe(Layout layout) {
    double[] heard = new double[layout.channels()];
    for (int input = 0; input < layout.channels(); input++) {
      float[][] out = response(48_000, layout, input, 1.5, Map.of());
      double total = 0;
      for (int channel = 0; channel < out.length; channel++) {
        double one = energy(out[channel], 0, 1.5, 48_000);
        boolean silent =
            layout.speakers().get(channel) == Speaker.LFE
                || layout.speakers().get(input) == Speaker.LFE;
        if (silent) {
          assertThat(one).isZero();
        } else {
          assertThat(one).as("%d into %d", input, channel).isGreaterThan(0.05);
        }
        total += one;
      }
      heard[input] = total;
    }
    double[] sounding = Arrays.stream(heard).filter(one -> one > 0).toArray();
    double spread =
        10
            * Math.log10(
                Arrays.stream(sounding).max().orElseThrow()
                    / Arrays.stream(sounding).min().orElseThrow());
    assertThat(spread).isLessThan(0.8);
    for (int a = 0; a < layout.channels(); a++) {
      float[][] out = response(48_000, layout, 0, 0.3, Map.of());
      for (int b = 0; b < a; b++) {
        assertThat(out[a]).as("%d and %d", a, b).isNotEqualTo(out[b]);
      }
    }
  }

  @ParameterizedTest
  @ValueSource(doubles = {2, 14, 60})
  void noRoomRingsAndNoneIsSilentFirst(double size) {
    int rate = 48_000;
    float[] out =
        response(rate, Layout.STEREO, 0, 1.2, Map.of("size", size, "decay-high", 100.0))[0];
    // What is loudest of the late spectrum, against its mean: noise has about 10 dB.
    int from = (int) (0.3 * rate);
    int length = 1 << 14;
    double mean = 0;
    double most = 0;
    int bins = 0;
    for (double hertz = 300; hertz < 10_000; hertz += (double) rate / length) {
      double power = goertzel(out, from, length, hertz / rate);
      mean += power;
      most = Math.max(most, power);
      bins++;
    }
    assertThat(10 * Math.log10(most / (mean / bins))).as("ringing").isLessThan(14);
    assertThat(10 * Math.log10(energy(out, 0, 0.04, rate) / energy(out, 0.2, 0.24, rate)))
        .as("the beginning against what follows")
        .isBetween(-3.0, 14.0);
  }

  private static double goertzel(float[] x, int from, int length, double frequency) {
    double c = 2 * Math.cos(2 * Math.PI * frequency);
    double s1 = 0;
    double s2 = 0;
    for (int i = 0; i < length; i++) {
      double s = x[from + i] * (0.5 - 0.5 * Math.cos(2 * Math.PI * i / length)) + c * s1 - s2;
      s2 = s1;
      s1 = s;
    }
    return s1 * s1 + s2 * s2 - c * s1 * s2;
  }

  @Test
  void itTellsHowLongItIsHeard() {
    Reverberation type = new Reverberation();
    long frames =
        type.tail(
            new Settings(type.parameters(), Map.of("decay", 1.0, "decay-high", 100.0)),
            new ProcessorType.Surroundings(48_000, Layout.MONO, 120));
    float[] out = response(48_000, Layout.MONO, 0, 3, Map.of("decay", 1.0, "decay-high", 100.0))[0];
    double tail = frames / 48_000.0;
    double late = 10 * Math.log10(energy(out, tail - 0.05, tail, 48_000));
    double early = 10 * Math.log10(energy(out, 0.05, 0.1, 48_000));
    assertThat(early - late).isBetween(85.0, 115.0);
  }
}
