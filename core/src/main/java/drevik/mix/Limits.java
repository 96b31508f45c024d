package drevik.mix;

import java.util.Collection;
import java.util.Set;
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

  /** The first {@code most} characters (UTF-16 units) at most, and no half of one. */
  public static String shortened(String text, int most) {
    if (text.length() <= most) {
      return text;
    }
    return text.substring(0, Character.isHighSurrogate(text.charAt(most - 1)) ? most - 1 : most);
  }

  /** A name with a number behind it, as long as a name may be. */
  public static String numbered(String name, String between, int number) {
    String end = between + number;
    return shortened(name, NAME - end.length()) + end;
  }

  /**
   * The name, or with the first number that makes it one that is not taken yet; it is taken then.
   */
  public static String firstFree(String name, String between, Set<String> taken) {
    String candidate = shortened(name, NAME);
    for (int number = 2; !taken.add(candidate); number++) {
      candidate = numbered(name, between, number);
    }
    return candidate;
  }

  /**
   * The name under which something is kept on the shelf, without blanks around it.
   *
   * @throws Refused if there is none, or it is too long
   */
  public static String keptName(@Nullable String name, String what) {
    String clean = name == null ? "" : name.strip();
    if (clean.isEmpty() || clean.chars().anyMatch(Character::isISOControl)) {
      throw new Refused(what + " is kept under a name; write one.");
    }
    requireText(clean, NAME, "A name");
    return clean;
  }

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
