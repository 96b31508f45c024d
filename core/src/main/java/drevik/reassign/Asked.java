package drevik.reassign;

import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.Fallback;
import drevik.mix.Slot;
import org.jspecify.annotations.Nullable;

/**
 * What a category map is asked by: all that its entries may ask for.
 *
 * @param layout its own, not the one that the map wants of it
 */
public record Asked(
    String category,
    String name,
    Layout layout,
    @Nullable String person,
    @Nullable String deliveredBy) {

  /** Anything of a category. */
  public static Asked anyOf(String category) {
    return new Asked(category, "", Layout.MONO, null, null);
  }

  /** What a channel is asked by. */
  public static Asked of(Channel channel) {
    Layout own =
        channel.fallbacks().stream()
            .filter(one -> one.id().equals(Slot.LAYOUT.id()) && one.text() != null)
            .map(Fallback::text)
            .map(SlotValues::layout)
            .findFirst()
            .orElse(channel.layout());
    return new Asked(
        channel.category(), channel.name(), own, channel.person(), channel.deliveredBy());
  }
}
