package drevik.intake.conform;

import drevik.mix.Refused;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * What counts as dead air in the files of a delivery, and how much of it stays where it is cut.
 *
 * @param belowDbfs peaks below this are dead air, dBFS; null for what is inaudible beside the
 *     file's own peak
 * @param shortestSeconds less than this between two sounds is not cut
 * @param headSeconds kept before the first sound of a part
 * @param tailSeconds kept behind the last sound of a part
 */
public record DeadAir(
    @Nullable Double belowDbfs, double shortestSeconds, double headSeconds, double tailSeconds) {

  /** What dies away goes on below the threshold: three times the head is kept behind a sound. */
  public static final DeadAir USUAL = new DeadAir(null, 3, 0.5, 1.5);

  /**
   * @throws Refused if a number is none that can be cut by
   */
  public DeadAir {
    if (belowDbfs != null) {
      require("The threshold", belowDbfs, -120, -20, "dBFS");
    }
    require("The shortest gap", shortestSeconds, 0.2, 600, "s");
    require("The head", headSeconds, 0, 10, "s");
    require("The tail", tailSeconds, 0, 30, "s");
    if (shortestSeconds <= headSeconds + tailSeconds) {
      throw new Refused(
          "A gap must be longer than the head and the tail that stay of it; give a shortest gap of"
              + " more than "
              + String.format(Locale.ROOT, "%.1f", headSeconds + tailSeconds)
              + " s.");
    }
  }

  private static void require(String what, double value, double least, double most, String unit) {
    // Written so that what is no number is refused too.
    if (!(value >= least && value <= most)) {
      throw new Refused(
          String.format(Locale.ROOT, "%s is from %.1f to %.1f %s.", what, least, most, unit)
              .replace('-', '−'));
    }
  }

  /** The least that is worth a cut once head and tail are left, in frames. */
  long leastFrames(int sampleRate) {
    return Math.round((shortestSeconds - headSeconds - tailSeconds) * sampleRate);
  }
}
