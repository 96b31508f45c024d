package drevik;

import java.util.List;

/**
 * The largest magnitude at and between samples, by a measure of the tests' own: 32 points for each
 * sample, each from 320 samples; once with all of the band, and once as resamplers see it, which
 * have cut everything by the Nyquist frequency. Shares nothing with the meter or the limiter.
 */
public final class FineTruePeak {
  private static final int POINTS = 32;
  private static final int HALF = 160;
  private static final double[][] WHOLE_BAND = kernels(1);
  private static final double[][] RESAMPLED = kernels(0.955);
  private static final double[][] OF_ANOTHER_PLAYER = kernels(0.97);

  private FineTruePeak() {}

  private static double[][] kernels(double cutoff) {
    double[][] kernels = new double[POINTS][2 * HALF];
    for (int point = 0; point < POINTS; point++) {
      for (int k = 0; k < 2 * HALF; k++) {
        double t = k - HALF + 1 - (double) point / POINTS;
        double angle = Math.PI * cutoff * t;
        double sinc = t == 0 ? cutoff : cutoff * Math.sin(angle) / angle;
        // Blackman and Harris' window of four terms.
        double w = Math.PI * t / HALF;
        kernels[point][k] =
            sinc
                * (0.35875
                    + 0.48829 * Math.cos(w)
                    + 0.14128 * Math.cos(2 * w)
                    + 0.01168 * Math.cos(3 * w));
      }
    }
    return kernels;
  }

  /** In dBTP, of all channels; what lies outside is silence. */
  public static double of(float[]... audio) {
    return of(List.of(WHOLE_BAND, RESAMPLED), audio);
  }

  /** The same, and as a player sees it that cuts between the two. */
  public static double ofAnyPlayer(float[]... audio) {
    return of(List.of(WHOLE_BAND, RESAMPLED, OF_ANOTHER_PLAYER), audio);
  }

  private static double of(List<double[][]> seenThrough, float[]... audio) {
    double most = 0;
    for (float[] channel : audio) {
      most = Math.max(most, magnitude(seenThrough, channel));
    }
    return 20 * Math.log10(most);
  }

  private static double magnitude(List<double[][]> seenThrough, float[] x) {
    double[] padded = new double[x.length + 2 * HALF];
    double most = 0;
    for (int i = 0; i < x.length; i++) {
      padded[HALF - 1 + i] = x[i];
      most = Math.max(most, Math.abs(x[i]));
    }
    // A peak between samples has large ones beside it.
    double worthALook = 0.5 * most;
    for (int i = 0; i < x.length; i++) {
      if (around(x, i) < worthALook) {
        continue;
      }
      for (double[][] kernels : seenThrough) {
        most = Math.max(most, between(kernels, padded, i));
      }
    }
    return most;
  }

  private static double between(double[][] kernels, double[] padded, int at) {
    double most = 0;
    for (double[] kernel : kernels) {
      double a = 0, b = 0;
      for (int k = 0; k < kernel.length; k += 2) {
        a += kernel[k] * padded[at + k];
        b += kernel[k + 1] * padded[at + k + 1];
      }
      most = Math.max(most, Math.abs(a + b));
    }
    return most;
  }

  private static double around(float[] x, int i) {
    double most = 0;
    for (int k = Math.max(0, i - 1); k < Math.min(x.length, i + 3); k++) {
      most = Math.max(most, Math.abs(x[k]));
    }
    return most;
  }
}
