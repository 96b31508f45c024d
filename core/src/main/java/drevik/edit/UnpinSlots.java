package drevik.edit;

import drevik.mix.Mix;
import drevik.mix.Pin;
import drevik.mix.Refused;
import drevik.mix.Taken;
import drevik.reassign.Following;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Takes pins out; what they held returns to what was taken over, else follows the category map.
 * What was taken over goes where no pin stands over it.
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
            .flatMap(
                channel ->
                    Stream.concat(
                        channel.pins().stream().map(Pin::id),
                        channel.taken().stream().map(Taken::id)))
            .anyMatch(id -> slots == null || slots.contains(id));
    if (!any) {
      throw new Refused("Nothing of that is pinned or was taken over.");
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
