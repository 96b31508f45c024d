package drevik.dsp;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Polyphase interpolation for finding peaks between samples (ITU-R BS.1770-5, annex 2): a windowed
 * sinc (Kaiser).
 *
 * <p>The standard asks for four times at 48 kHz, where a sine of 20 kHz may stand 0.6 dB higher
 * between the points that are looked at; sixteen times leave 0.04 dB at any frequency. How wide the
 * band is that is seen depends on the number of taps and not on the rate, so every rate has the
 * same.
 */
public final class Oversampler {
  /** What a limiter looks through at first. */
  static final List<Oversampler> OF_LIMITERS = List.of(new Oversampler(16, 64, 7, 1));

  /**
   * What it looks through at what it has limited. Where sound goes up to the Nyquist frequency,
   * what stands between the samples depends on how sharply, and how early, whoever plays or
   * measures it cuts there; the difference is half a decibel on bright programme. So all are asked.
   */
  static final List<Oversampler> AFTER_LIMITING =
      List.of(
          new Oversampler(16, 24, 5, 1),
          new Oversampler(16, 64, 7, 1),
          new Oversampler(16, 320, 8, 1),
          new Oversampler(16, 256, 10.5, 0.955),
          new Oversampler(16, 144, 10.5, 0.955));

  /** What meters look through: other points and other bands, so that both are not blind alike. */
  public static final List<Oversampler> OF_METERS =
      List.of(new Oversampler(20, 192, 8, 1), new Oversampler(20, 128, 8, 0.955));

  private final int factor;
  private final int taps;
  private final double beta;
  private final double cutoff;

  /** Computed once, as to do so takes longer than to scan some songs, and many look through it. */
  private float @Nullable [][] phases;

  /**
   * @param factor points looked at for each sample; a multiple of four
   * @param taps for each of them; half of them lie on either side; a multiple of four
   * @param beta of the Kaiser window
   * @param cutoff where it stands at −6 dB, as a part of the Nyquist frequency
   */
  private Oversampler(int factor, int taps, double beta, double cutoff) {
    this.factor = factor;
    this.taps = taps;
    this.beta = beta;
    this.cutoff = cutoff;
  }

  /** For each of the points; half of them lie on either side of it. */
  public int taps() {
    return taps;
  }

  /**
   * How many of the phases lie a quarter of a sample apart, so that nothing much stands between.
   */
  int quarters() {
    return cutoff < 1 ? 4 : 3;
  }

  /**
   * Coefficients {@code [phase][tap]} of the points between two samples; the value at {@code
   * fraction(phase)} between x[n] and x[n+1] is Σ c[k]·x[n − taps/2 + 1 + k]. First come those that
   * lie a quarter apart. With a cutoff below Nyquist the sample's own place is one of them: what
   * stands there is not the sample any more. They are not to be changed: all have the same.
   */
  public synchronized float[][] phases() {
    if (phases == null) {
      phases = computed();
    }
    return phases;
  }

  private float[][] computed() {
    int first = cutoff < 1 ? 0 : 1;
    float[][] all = new float[factor - first][];
    int next = quarters();
    for (int p = first; p < factor; p++) {
      boolean quarter = 4 * p % factor == 0;
      all[quarter ? 4 * p / factor - first : next++] = phase((double) p / factor);
    }
    return all;
  }

  private float[] phase(double fraction) {
    double[] exact = new double[taps];
    double sum = 0;
    for (int k = 0; k < taps; k++) {
      double distance = k - (taps / 2 - 1) - fraction;
      double angle = Math.PI * cutoff * distance;
      double sinc = angle == 0 ? 1 : Math.sin(angle) / angle;
      double edge = distance / (taps / 2.0);
      exact[k] = sinc * bessel(beta * Math.sqrt(Math.max(0, 1 - edge * edge)));
      sum += exact[k];
    }
    float[] phase = new float[taps];
    for (int k = 0; k < taps; k++) {
      phase[k] = (float) (exact[k] / sum);
    }
    return phase;
  }

  /** Modified Bessel function of the first kind, order 0, by its series. */
  private static double bessel(double x) {
    double sum = 1;
    double term = 1;
    // What is smaller changes no bit of the sum.
    for (int k = 1; term > 1e-17 * sum; k++) {
      term *= x * x / (4.0 * k * k);
      sum += term;
    }
    return sum;
  }
}
