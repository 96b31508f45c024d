package drevik.dsp;

/**
 * Polyphase interpolation for finding peaks between samples (ITU-R BS.1770-5, annex 2): a windowed
 * sinc (Kaiser, β = 5, 24 taps per phase), four times oversampled up to 60 kHz, twice up to 120
 * kHz, not at all above.
 */
public final class Oversampler {
  /** Taps per phase; the filter looks at half of them on either side. */
  public static final int TAPS = 24;

  private static final double KAISER_BETA = 5;

  private Oversampler() {}

  public static int factor(int sampleRate) {
    return sampleRate <= 60_000 ? 4 : sampleRate <= 120_000 ? 2 : 1;
  }

  /**
   * Coefficients {@code [phase][tap]} of the phases between samples; the value between x[n] and
   * x[n+1] is Σ c[k]·x[n − TAPS/2 + 1 + k].
   */
  public static float[][] phases(int sampleRate) {
    int factor = factor(sampleRate);
    float[][] phases = new float[factor - 1][TAPS];
    for (int p = 0; p < factor - 1; p++) {
      double fraction = (p + 1.0) / factor;
      double sum = 0;
      double[] exact = new double[TAPS];
      for (int k = 0; k < TAPS; k++) {
        double distance = k - (TAPS / 2 - 1) - fraction;
        double sinc = Math.sin(Math.PI * distance) / (Math.PI * distance);
        double edge = distance / (TAPS / 2.0);
        exact[k] = sinc * bessel(KAISER_BETA * Math.sqrt(1 - edge * edge)) / bessel(KAISER_BETA);
        sum += exact[k];
      }
      for (int k = 0; k < TAPS; k++) {
        phases[p][k] = (float) (exact[k] / sum);
      }
    }
    return phases;
  }

  /** Modified Bessel function of the first kind, order 0, by its series. */
  private static double bessel(double x) {
    double sum = 1;
    double term = 1;
    for (int k = 1; k < 40; k++) {
      term *= x * x / (4.0 * k * k);
      sum += term;
    }
    return sum;
  }
}
