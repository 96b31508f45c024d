package drevik.category;

import java.util.regex.Pattern;

/** The parts of a delivered file's name; folders are told apart by either slash. */
public final class FileName {
  private static final Pattern PICTURE = Pattern.compile("(?i)\\.(mp4|m4v|mov)$");

  private FileName() {}

  /** The name without the folders above it. */
  public static String baseOf(String name) {
    return name.substring(start(name));
  }

  /** The folders above it, with the last slash; empty if there are none. */
  public static String folderOf(String name) {
    return name.substring(0, start(name));
  }

  /** True for a file that holds a picture as well, by its ending. */
  public static boolean holdsPicture(String name) {
    return PICTURE.matcher(name).find();
  }

  private static int start(String name) {
    return Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1;
  }
}
