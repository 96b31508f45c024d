package drevik.mix;

import org.jspecify.annotations.Nullable;

/**
 * What a slot of a channel holds because it was taken over from another Mix, or came with a merge.
 * The category map leaves it alone, and a hand stands over it: it comes back where a pin is taken
 * out.
 *
 * @param value what was taken
 * @param from where it came from, in words; null where that is not known
 */
public record Taken(Fallback value, @Nullable String from) {
  /** Of the {@link Slot}. */
  public String id() {
    return value.id();
  }
}
