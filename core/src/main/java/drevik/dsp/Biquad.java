package drevik.dsp;

/**
 * Coefficients of a second-order section, normalised so that a0 = 1. The designs are those of R.
 * Bristow-Johnson, “Audio EQ Cookbook” (W3C Working Group Note, 2021).
 */
public record Biquad(double b0, double b1, double b2, double a1, double a2) {

  private static double omega(double frequency, int sampleRate) {
    // Just below Nyquist at most, so that a high corner at a low rate stays stable.
    return 2 * Math.PI * Math.min(frequency, 0.49 * sampleRate) / sampleRate;
  }

  private static Biquad normalised(
      double b0, double b1, double b2, double a0, double a1, double a2) {
    return new Biquad(b0 / a0, b1 / a0, b2 / a0, a1 / a0, a2 / a0);
  }

  /** High-pass; q = 0.7071 is maximally flat. */
  public static Biquad highPass(double frequency, double q, int sampleRate) {
    double w = omega(frequency, sampleRate);
    double cos = Math.cos(w);
    double alpha = Math.sin(w) / (2 * q);
    return normalised((1 + cos) / 2, -(1 + cos), (1 + cos) / 2, 1 + alpha, -2 * cos, 1 - alpha);
  }

  /** Low-pass; q = 0.7071 is maximally flat. */
  public static Biquad lowPass(double frequency, double q, int sampleRate) {
    double w = omega(frequency, sampleRate);
    double cos = Math.cos(w);
    double alpha = Math.sin(w) / (2 * q);
    return normalised((1 - cos) / 2, 1 - cos, (1 - cos) / 2, 1 + alpha, -2 * cos, 1 - alpha);
  }

  /** Bell of {@code gainDb} dB at {@code frequency} Hz. */
  public static Biquad bell(double frequency, double gainDb, double q, int sampleRate) {
    double w = omega(frequency, sampleRate);
    double cos = Math.cos(w);
    double a = Math.pow(10, gainDb / 40);
    double alpha = Math.sin(w) / (2 * q);
    return normalised(
        1 + alpha * a, -2 * cos, 1 - alpha * a, 1 + alpha / a, -2 * cos, 1 - alpha / a);
  }

  /** Low shelf of slope 1: {@code gainDb} dB far below {@code frequency} Hz, half of it there. */
  public static Biquad lowShelf(double frequency, double gainDb, int sampleRate) {
    return shelf(frequency, gainDb, sampleRate, 1);
  }

  /** High shelf of slope 1: {@code gainDb} dB far above {@code frequency} Hz, half of it there. */
  public static Biquad highShelf(double frequency, double gainDb, int sampleRate) {
    return shelf(frequency, gainDb, sampleRate, -1);
  }

  private static Biquad shelf(double frequency, double gainDb, int sampleRate, int side) {
    double w = omega(frequency, sampleRate);
    // The cookbook's two shelves differ in nothing but the sign of every cosine.
    double cos = side * Math.cos(w);
    double a = Math.pow(10, gainDb / 40);
    double root = 2 * Math.sqrt(a) * Math.sin(w) / 2 * Math.sqrt(2);
    return normalised(
        a * (a + 1 - (a - 1) * cos + root),
        side * 2 * a * (a - 1 - (a + 1) * cos),
        a * (a + 1 - (a - 1) * cos - root),
        a + 1 + (a - 1) * cos + root,
        side * -2 * (a - 1 + (a + 1) * cos),
        a + 1 + (a - 1) * cos - root);
  }

  /** Gain in dB at {@code frequency} Hz, from the transfer function. */
  public double responseDb(double frequency, int sampleRate) {
    double w = 2 * Math.PI * frequency / sampleRate;
    double c1 = Math.cos(w);
    double s1 = Math.sin(w);
    double c2 = Math.cos(2 * w);
    double s2 = Math.sin(2 * w);
    double num = square(b0 + b1 * c1 + b2 * c2) + square(b1 * s1 + b2 * s2);
    double den = square(1 + a1 * c1 + a2 * c2) + square(a1 * s1 + a2 * s2);
    return 10 * Math.log10(num / den);
  }

  private static double square(double x) {
    return x * x;
  }
}
