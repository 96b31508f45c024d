package drevik.mix;

import java.util.Map;
import java.util.Objects;

/** Looks up what must be there; that it is not is a mistake of the program. */
public final class Lookup {
  private Lookup() {}

  /**
   * What must be there.
   *
   * @throws NullPointerException with the key's name if nothing is there
   */
  public static <K, V> V in(Map<K, V> map, K key) {
    return Objects.requireNonNull(map.get(key), () -> "nothing is known of " + key);
  }
}
