package drevik.intake.measure;

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
 * @param spaced the second one stands some way off on purpose, so that a delay is no fault
 */
public record PairFinding(
    double correlation,
    double mended,
    int lagFrames,
    int sampleRate,
    boolean flipped,
    boolean spaced) {
  /** Moving is worth while from here on: less than 0.1 ms only dulls the highest octave. */
  private static final double LEAST_LAG_SECONDS = 1e-4;

  private static final double LEAST_GAIN = 0.1;

  /** A correlation in words, with its sign. */
  public static String shown(double correlation) {
    return String.format(Locale.ROOT, "%s%.2f", correlation < 0 ? "−" : "+", Math.abs(correlation));
  }

  public double lagMilliseconds() {
    return 1000.0 * lagFrames / sampleRate;
  }

  /** True if moving the second one would make the two agree better. */
  public boolean late() {
    return !spaced
        && Math.abs(lagFrames) >= LEAST_LAG_SECONDS * sampleRate
        && Math.abs(mended) - Math.abs(correlation) >= LEAST_GAIN;
  }

  /**
   * How the two stand to each other, whether that is a fault or not.
   *
   * @param first name of the first
   */
  public String says(String first) {
    String when =
        lagFrames == 0
            ? "at the same time as"
            : String.format(
                Locale.ROOT,
                "%.2f ms %s than",
                Math.abs(lagMilliseconds()),
                lagFrames > 0 ? "later" : "earlier");
    String mend =
        lagFrames == 0 && !flipped
            ? ""
            : ", and "
                + shown(mended)
                + (flipped ? " flipped" : "")
                + (flipped && lagFrames != 0 ? " and" : "")
                + (lagFrames != 0 ? " aligned" : "");
    return "hears it " + when + " “" + first + "”: correlation " + shown(correlation) + mend;
  }
}
