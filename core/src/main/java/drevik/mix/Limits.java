package drevik.mix;

import java.util.Collection;
import org.jspecify.annotations.Nullable;

/** How long texts and how many things a Mix holds: far above any work, far below any harm. */
public final class Limits {
  /** Characters of a name or an id. */
  public static final int NAME = 200;

  /** Characters of a comment on a channel. */
  public static final int COMMENT = 2_000;

  /** Characters of the description of a Mix. */
  public static final int DESCRIPTION = 4_000;

  /** Channels of a Mix. */
  public static final int CHANNELS = 10_000;

  /** Anything else of which something has many: sends, inserts, outputs, controls, sections. */
  public static final int OTHERS = 2_000;

  private Limits() {}

  /**
   * Null is no text, and short enough.
   *
   * @throws Refused naming what is too long, and by how much
   */
  public static void requireText(@Nullable String text, int longest, String what) {
    if (text != null && text.length() > longest) {
      throw new Refused(
          what + " has at most " + longest + " characters; this one has " + text.length() + ".");
    }
  }

  /**
   * The same for a number of things.
   *
   * @throws Refused naming what there are too many of
   */
  public static void requireCount(Collection<?> things, int most, String what, String of) {
    if (things.size() > most) {
      throw new Refused(
          what + " has at most " + most + " " + of + "; this one has " + things.size() + ".");
    }
  }
}
