package drevik.merge;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Something that two people made otherwise, or that cannot be together. What ours says stays.
 *
 * @param at the way to it, by ids and fields: {@code channels, kick, faderDb}
 * @param ours what stands there by ours; null for nothing, or where a whole thing is meant
 * @param theirs what theirs wanted
 * @param why in words, where neither value is at fault by itself; null where both changed one field
 */
public record Clash(
    Cause cause,
    List<String> at,
    @Nullable Object ours,
    @Nullable Object theirs,
    @Nullable String why) {

  /** Why they cannot both be. */
  public enum Cause {
    /** One field has two new values. */
    BOTH_CHANGED,
    /** One side changed what the other removed. */
    CHANGED_AND_REMOVED,
    /** Both added something of one id, otherwise. */
    BOTH_ADDED,
    /** Both put one list in order, otherwise. */
    BOTH_ORDERED,
    /** Each is well by itself, and the Mix with both is not: a send to what went, a loop. */
    NOT_SOUND
  }

  public Clash {
    at = List.copyOf(at);
  }
}
