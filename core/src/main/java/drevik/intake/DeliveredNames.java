package drevik.intake;

import drevik.mix.Limits;
import drevik.mix.Refused;
import java.util.List;
import java.util.regex.Pattern;

/** Which names a delivered file may have, its folders included. */
public final class DeliveredNames {
  /** Characters, folders included. */
  public static final int LONGEST = 400;

  private static final Pattern DRIVE = Pattern.compile("^[A-Za-z]:.*");

  /** What computers leave in every folder, and nobody delivers. */
  private static final Pattern LITTER =
      Pattern.compile("(?i)(^|.*/)(\\.[^/]*|Thumbs\\.db|desktop\\.ini|__MACOSX(/.*)?)$");

  private DeliveredNames() {}

  /**
   * Names that a delivery may bring.
   *
   * @throws Refused if the name points outside its delivery or cannot be shown
   */
  public static void requireSound(String name) {
    if (name == null || name.isBlank() || name.length() > LONGEST) {
      throw new Refused("A file needs a name of 1 to " + LONGEST + " characters.");
    }
    boolean leavesFolder =
        name.startsWith("/")
            || name.startsWith("\\")
            || DRIVE.matcher(name).matches()
            || List.of(name.split("[/\\\\]")).contains("..");
    if (leavesFolder || name.chars().anyMatch(Character::isISOControl)) {
      throw new Refused(
          "“"
              + shown(name)
              + "” points outside the delivery's folder or holds control characters; rename the file.");
    }
  }

  public static boolean isLitter(String name) {
    return LITTER.matcher(name.replace('\\', '/')).matches();
  }

  /** The name as it may be shown and kept, whatever it holds. */
  public static String shown(String name) {
    String plain = name.replaceAll("\\p{Cntrl}", "?");
    return plain.length() <= LONGEST ? plain : Limits.shortened(plain, LONGEST - 1) + "…";
  }
}
