package drevik.reassign;

import org.jspecify.annotations.Nullable;

/**
 * Who changes a Mix, and so what becomes of a field that departs from the category map by it. Only
 * a hand pins.
 *
 * @param from where it comes from, in words; of a merge
 */
public record Actor(Kind kind, @Nullable String from) {
  /** The kinds of those who act. */
  public enum Kind {
    /** A person at this Mix: what departs is an exception, and is pinned. */
    HAND,
    /** The map itself: what departs follows. */
    MAP,
    /** Another Mix that is brought in: what departs stands under a pin and over the map. */
    MERGE,
    /** What a file or a delivery says: less than the map. */
    IMPORT
  }

  public static final Actor HAND = new Actor(Kind.HAND, null);
  public static final Actor MAP = new Actor(Kind.MAP, null);
  public static final Actor IMPORT = new Actor(Kind.IMPORT, null);

  /** Somebody's work on another state of the Mix, or on another Mix. */
  public static Actor merging(@Nullable String from) {
    return new Actor(Kind.MERGE, from);
  }
}
