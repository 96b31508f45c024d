package drevik.meter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import drevik.audio.Layout;
import drevik.dsp.Biquad;
import drevik.dsp.Oversampler;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Conformance signals of EBU Tech 3341 and 3342, and of ITU-R BS.1770-5. */
class MetersTest {
  private static LoudnessMeter sines(int rate, Layout layout, double[]... levelsAndSeconds) {
    LoudnessMeter meter = new LoudnessMeter(rate, layout);
    long at = 0;
    for (double[] part : levelsAndSeconds) {
      int frames = (int) Math.round(part[part.length - 1] * rate);
      float[][] audio = new float[layout.channels()][frames];
      for (int channel = 0; channel < audio.length; channel++) {
        double level = part[Math.min(channel, part.length - 2)];
        double amplitude = Math.pow(10, level / 20);
        for (int i = 0; i < frames; i++) {
          audio[channel][i] = (float) (amplitude * Math.sin(2 * Math.PI * 1000 * (at + i) / rate));
        }
      }
      for (int from = 0; from < frames; from += 7001) {
        meter.add(audio, from, Math.min(7001, frames - from));
      }
      at += frames;
    }
    return meter;
  }

  private static double[] part(double... levelThenSeconds) {
    return levelThenSeconds;
  }

  @Test
  void coefficientsAtFortyEightKilohertzAreTheStandards() {
    Biquad shelf = KWeighting.shelf(48_000);
    assertThat(shelf.b0()).isCloseTo(1.53512485958697, within(1e-9));
    assertThat(shelf.a1()).isCloseTo(-1.69065929318241, within(1e-9));
    Biquad highPass = KWeighting.highPass(48_000);
    assertThat(highPass.a1()).isCloseTo(-1.99004745483398, within(1e-9));
    assertThat(highPass.a2()).isCloseTo(0.99007225036621, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({"44100, -23", "48000, -23", "48000, -33", "96000, -23"})
  void aSteadySineHasItsLevel(int rate, double level) {
    double lufs = sines(rate, Layout.STEREO, part(level, 20)).integratedLufs();
    assertThat(lufs).isCloseTo(level, within(0.1));
  }

  @Test
  void quietPartsAreGated() {
    LoudnessMeter relative =
        sines(48_000, Layout.STEREO, part(-36, 10), part(-23, 60), part(-36, 10));
    assertThat(relative.integratedLufs()).isCloseTo(-23, within(0.1));
    LoudnessMeter absolute =
        sines(
            48_000,
            Layout.STEREO,
            part(-72, 10),
            part(-36, 10),
            part(-23, 60),
            part(-36, 10),
            part(-72, 10));
    assertThat(absolute.integratedLufs()).isCloseTo(-23, within(0.1));
    LoudnessMeter steps =
        sines(48_000, Layout.STEREO, part(-26, 20), part(-20, 20.1), part(-26, 20));
    assertThat(steps.integratedLufs()).isCloseTo(-23, within(0.1));
  }

  @Test
  void surroundsWeighMore() {
    LoudnessMeter meter = sines(48_000, Layout.SURROUND_5_0, part(-28, -28, -24, -30, -30, 20));
    assertThat(meter.integratedLufs()).isCloseTo(-23, within(0.1));
  }

  @ParameterizedTest
  @CsvSource({"-20, -30, 10", "-20, -15, 5", "-40, -20, 20"})
  void theRangeIsTheDistance(double first, double second, double range) {
    LoudnessMeter meter = sines(48_000, Layout.STEREO, part(first, 20), part(second, 20));
    assertThat(meter.rangeLu()).isCloseTo(range, within(1.0));
  }

  @Test
  void silenceHasNoLoudness() {
    LoudnessMeter meter = new LoudnessMeter(48_000, Layout.MONO);
    meter.add(new float[1][48_000], 0, 48_000);
    assertThat(meter.integratedLufs()).isEqualTo(Double.NEGATIVE_INFINITY);
    assertThat(meter.rangeLu()).isZero();
  }

  @ParameterizedTest
  @CsvSource({"4, 45, 0.5, -6.0", "6, 60, 0.5, -6.0", "8, 67.5, 0.5, -6.0", "4, 45, 1.41, 3.0"})
  void truePeaksBetweenSamplesAreFound(int divider, double phase, double amplitude, double dbtp) {
    float[][] audio = new float[1][48_000];
    for (int i = 0; i < audio[0].length; i++) {
      double fade = Math.min(1, Math.min(i, audio[0].length - i) / 4800.0);
      audio[0][i] =
          (float) (fade * amplitude * Math.sin(2 * Math.PI * i / divider + Math.toRadians(phase)));
    }
    PeakMeter meter = new PeakMeter(1);
    for (int from = 0; from < 48_000; from += 1009) {
      meter.add(audio, from, Math.min(1009, 48_000 - from));
    }
    assertThat(meter.truePeakDbtp()).isBetween(dbtp - 0.4, dbtp + 0.2);
    assertThat(meter.truePeakDbtp()).isGreaterThanOrEqualTo(meter.samplePeakDbfs());
  }

  /** What the meter passes over must never be what would have raised the peak. */
  @Test
  void noPeakIsPassedOver() {
    for (int seed = 0; seed < 60; seed++) {
      Random random = new Random(seed);
      float[] x = soundOf(seed, random);
      PeakMeter meter = new PeakMeter(1);
      for (int at = 0; at < x.length; ) {
        int count = Math.min(x.length - at, 1 + random.nextInt(500));
        meter.add(new float[][] {x}, at, count);
        at += count;
      }
      assertThat(meter.truePeakDbtp())
          .as("sound %d", seed)
          .isCloseTo(20 * Math.log10(peakOfAll(x)), within(1e-5));
    }
  }

  /**
   * Hiss, rumble, lone clicks; or a quiet stretch that is all that the interpolator likes least.
   */
  private static float[] soundOf(int seed, Random random) {
    float[] x = new float[1_500 + random.nextInt(50)];
    float[][] phases = Oversampler.OF_METERS.get(0).phases();
    double rumble = 0;
    for (int i = 0; i < x.length; i++) {
      rumble = 0.99 * rumble + 0.02 * random.nextGaussian();
      x[i] =
          switch (seed % 4) {
            case 0 -> (float) (0.1 * random.nextGaussian());
            case 1 -> (float) rumble;
            case 2 -> random.nextInt(40) == 0 ? random.nextFloat() - 0.5f : 0;
            default -> i < 100 ? 0.5f : 0;
          };
    }
    if (seed % 4 == 3 && phases.length > 0) {
      float[] phase = phases[random.nextInt(phases.length)];
      int at = 200 + random.nextInt(1_000);
      for (int k = 0; k < phase.length; k++) {
        x[at + k] = 0.3f * Math.signum(phase[k]);
      }
    }
    return x;
  }

  /** The largest magnitude of all samples and of all that lies between them. */
  private static double peakOfAll(float[] x) {
    double peak = 0;
    for (Oversampler seen : Oversampler.OF_METERS) {
      int taps = seen.taps();
      float[][] phases = seen.phases();
      for (int i = 1 - taps; i < x.length - taps / 2; i++) {
        peak = Math.max(peak, i >= 0 ? Math.abs(x[i]) : 0);
        for (float[] phase : phases) {
          double y = 0;
          for (int k = Math.max(0, -i); k < Math.min(taps, x.length - i); k++) {
            y += phase[k] * x[i + k];
          }
          peak = Math.max(peak, Math.abs(y));
        }
      }
    }
    return peak;
  }

  @Test
  void thePeakOfTheLastSamplesIsThatOfTheFirst() {
    float[] burst = {0.9f, 0.9f, -0.9f, -0.9f, 0.9f, 0.9f};
    float[] first = Arrays.copyOf(burst, 500);
    float[] last = new float[500];
    System.arraycopy(burst, 0, last, 500 - burst.length, burst.length);
    double[] peaks = new double[2];
    for (int i = 0; i < 2; i++) {
      PeakMeter meter = new PeakMeter(1);
      meter.add(new float[][] {i == 0 ? first : last}, 0, 500);
      peaks[i] = meter.truePeakDbtp();
    }
    assertThat(peaks[1]).isCloseTo(peaks[0], within(0.01)).isGreaterThan(1);
  }
}
