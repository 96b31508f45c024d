package drevik.intake;

import java.util.Locale;

/**
 * How two microphones of one source agree.
 *
 * @param correlation as delivered, −1 to 1
 * @param mended with the second one's polarity flipped if {@code flipped}, and moved by {@code
 *     −lagFrames}
 * @param lagFrames how much later the second one hears the source
 * @param sampleRate Hz
 * @param flipped the second one is upside down against the first
 */
public record PairFinding(
    double correlation, double mended, int lagFrames, int sampleRate, boolean flipped) {
  /** Moving is worth while from here on: less than 0.1 ms only dulls the highest octave. */
  private static final double LEAST_LAG_SECONDS = 1e-4;

  private static final double LEAST_GAIN = 0.1;

  /** A correlation in words, with its sign. */
  static String shown(double correlation) {
    return String.format(Locale.ROOT, "%s%.2f", correlation < 0 ? "−" : "+", Math.abs(correlation));
  }

  public double lagMilliseconds() {
    return 1000.0 * lagFrames / sampleRate;
  }

  /** True if moving the second one would make the two agree better. */
  public boolean late() {
    return Math.abs(lagFrames) >= LEAST_LAG_SECONDS * sampleRate
        && Math.abs(mended) - Math.abs(correlation) >= LEAST_GAIN;
  }
}
