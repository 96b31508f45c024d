package drevik.edit;

import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.reassign.Following;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Takes pins out; what they held follows the category map again.
 *
 * @param slots ids of {@link drevik.mix.Slot}s; null for all
 */
public record UnpinSlots(List<String> channels, @Nullable List<String> slots) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    Set<String> known = ChannelsById.known(mix, channels);
    if (slots != null) {
      slots.forEach(PinSlots::known);
    }
    boolean any =
        mix.channels().stream()
            .filter(channel -> known.contains(channel.id()))
            .flatMap(channel -> channel.pins().stream())
            .anyMatch(pin -> slots == null || slots.contains(pin.id()));
    if (!any) {
      throw new Refused("Nothing of that is pinned.");
    }
    Set<String> ids = slots == null ? null : Set.copyOf(slots);
    return Soundness.require(mix, Following.unpinned(mix, channels, ids));
  }

  @Override
  public String says(Mix before) {
    return "unpin "
        + (slots == null ? "everything" : PinSlots.labels(slots))
        + " of "
        + ChannelsById.names(before, channels);
  }
}
