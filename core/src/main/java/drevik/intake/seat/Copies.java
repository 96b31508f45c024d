package drevik.intake.seat;

import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.function.Function;

/** Files of one content under several names: which of them is taken for the original. */
public final class Copies {
  private Copies() {}

  /**
   * By hash the file with the shortest name, since copies are called “… copy” and “… (1)”; of
   * equally long names the first.
   *
   * @param hash of a file's content; empty text where it is not known
   */
  public static <T> Map<String, T> originals(
      Collection<T> files, Function<T, String> hash, Function<T, String> name) {
    Map<String, T> originals = new HashMap<>();
    for (T file : files) {
      if (!hash.apply(file).isEmpty()) {
        originals.merge(
            hash.apply(file),
            file,
            (one, other) -> name.apply(other).length() < name.apply(one).length() ? other : one);
      }
    }
    return originals;
  }
}
