package drevik.edit;

import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Slot;
import drevik.mix.field.Slots;
import drevik.reassign.Following;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Pins what channels say, so that the category map leaves it alone.
 *
 * @param slots their ids, see {@link Slot}
 */
public record PinSlots(List<String> channels, List<String> slots) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    ChannelsById.known(mix, channels);
    Set<Slot> wanted = new LinkedHashSet<>();
    slots.forEach(id -> wanted.add(known(id)));
    if (wanted.isEmpty()) {
      throw new Refused("Nothing is to be pinned; say what.");
    }
    Map<String, Set<Slot>> pins = new LinkedHashMap<>();
    mix.channels().stream()
        .filter(channel -> channels.contains(channel.id()))
        .forEach(channel -> pins.put(channel.id(), wanted));
    return Soundness.require(mix, Following.pinned(mix, pins));
  }

  static Slot known(String id) {
    return Slots.byId(id)
        .orElseThrow(
            () -> new Refused("The category map does not decide “" + id + "”; pin another field."));
  }

  static String labels(List<String> slots) {
    return slots.stream()
        .map(id -> Slots.labelOf(known(id)).toLowerCase(Locale.ROOT))
        .distinct()
        .collect(Collectors.joining(", "));
  }

  @Override
  public String says(Mix before) {
    return "pin " + labels(slots) + " of " + ChannelsById.names(before, channels);
  }
}
