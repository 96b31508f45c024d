package drevik.intake.measure;

import org.jspecify.annotations.Nullable;

/**
 * How the two sides of a stereo file belong together.
 *
 * @param correlation of left and right over the whole file, −1 to 1; null if a side is silent
 * @param differenceDbfs largest sample of L − R, dBFS; null if they are the same
 * @param rightMinusLeftDb level of the right side against the left, dB; null if a side is silent
 * @param deadSide {@code "left"} or {@code "right"} if that side is silent and the other is not
 */
public record Sides(
    @Nullable Double correlation,
    @Nullable Double differenceDbfs,
    @Nullable Double rightMinusLeftDb,
    @Nullable String deadSide) {

  /** Below this the sides differ by less than anybody hears: false stereo. */
  static final double SAME_BELOW_DBFS = -90;

  /** From here on the sides are one signal at two levels. */
  private static final double ONE_SIGNAL = 0.9999;

  /** One side is the other with its polarity flipped, or very nearly. */
  private static final double FLIPPED = -0.8;

  /** Both sides carry the same samples. */
  public boolean same() {
    return deadSide == null && (differenceDbfs == null || differenceDbfs < SAME_BELOW_DBFS);
  }

  /** One signal, panned: mono with a plain level offset between its sides. */
  public boolean onlyLevelDiffers() {
    return !same() && correlation != null && correlation >= ONE_SIGNAL;
  }

  public boolean flipped() {
    return correlation != null && correlation <= FLIPPED;
  }
}
