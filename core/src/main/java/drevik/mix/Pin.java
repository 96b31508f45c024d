package drevik.mix;

import org.jspecify.annotations.Nullable;

/**
 * A hand-made exception on one field of one channel. The category map leaves it alone until it is
 * taken out.
 *
 * @param id of the {@link Slot} that it holds
 * @param by the act that it came from, in words; null where that is not known
 * @param at when, as ISO 8601 in UTC; null where that is not known
 */
public record Pin(String id, @Nullable String by, @Nullable String at) {
  /** One of which nobody knows yet where it came from. */
  public static Pin on(Slot slot) {
    return new Pin(slot.id(), null, null);
  }
}
