package drevik.reassign;

import drevik.category.CategoryTree;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.MapEntry;
import drevik.mix.MapSend;
import drevik.mix.Mix;
import drevik.mix.Send;
import drevik.mix.Slot;
import drevik.mix.field.ChannelField;
import drevik.mix.field.Field;
import drevik.mix.field.MapEntryField;
import drevik.mix.field.Slots;
import drevik.reassign.SlotValues.Sent;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * A map of what most channels of a category do: of what more than half of a family do the family
 * speaks, and a category below it of what more than half of its own do otherwise. What a Mix's map
 * says beyond where channels stand (guides, order, wanted layouts, entries that ask for more than a
 * category) stays.
 */
public final class MapProposal {
  /** What one channel does alone is no habit, but for where it goes and what it looks like. */
  private static final Set<Slot> OF_ONE = Set.of(Slot.OUTPUT, Slot.COLOUR);

  private final Memberships members;
  private final Map<String, List<Channel>> families = new TreeMap<>();
  private final Map<Slot, List<String>> destinations = new LinkedHashMap<>();

  private MapProposal(Mix mix) {
    members = new Memberships(mix);
    for (Channel channel : mix.channels()) {
      if (MapAnswers.decidesOf(channel) && !channel.category().equals(CategoryTree.UNKNOWN)) {
        families
            .computeIfAbsent(CategoryTree.topOf(channel.category()), top -> new ArrayList<>())
            .add(channel);
      }
    }
  }

  public static CategoryMap of(Mix mix) {
    MapProposal proposal = new MapProposal(mix);
    Map<String, MapEntry> entries = new LinkedHashMap<>();
    for (MapEntry entry : mix.categoryMap().entries()) {
      entries.put(
          entry.id(),
          entry.asksForCategoryAlone()
              ? MapEntry.of(entry.category())
                  .withOrder(entry.order())
                  .withWantedLayout(entry.wantedLayout())
                  .withGuideLufs(entry.guideLufs())
              : entry);
    }
    proposal.families.forEach((top, channels) -> proposal.propose(mix, top, channels, entries));
    return new CategoryMap(
        entries.values().stream().filter(entry -> !entry.saysNothing()).toList());
  }

  private void propose(Mix mix, String top, List<Channel> family, Map<String, MapEntry> entries) {
    Map<Slot, Object> said = habits(mix, family, Map.of());
    put(top, said, entries);
    Map<String, List<Channel>> below = new TreeMap<>();
    for (Channel channel : family) {
      if (!channel.category().equals(top)) {
        below.computeIfAbsent(channel.category(), leaf -> new ArrayList<>()).add(channel);
      }
    }
    below.forEach((leaf, channels) -> put(leaf, habits(mix, channels, said), entries));
  }

  /** What more than half of them do, and nothing has said yet. */
  private Map<Slot, Object> habits(Mix mix, List<Channel> channels, Map<Slot, Object> said) {
    Map<Slot, Object> habits = new LinkedHashMap<>();
    for (Slot slot : slots(mix, channels)) {
      if (channels.size() == 1 && !OF_ONE.contains(slot)) {
        continue;
      }
      most(channels, slot)
          .filter(value -> !SlotValues.isUnsaid(slot, value))
          .filter(value -> !Objects.equals(said.get(slot), value))
          .ifPresent(value -> habits.put(slot, value));
    }
    return habits;
  }

  private Set<Slot> slots(Mix mix, List<Channel> channels) {
    Set<Slot> slots = new LinkedHashSet<>();
    Slots.kinds().stream()
        .filter(kind -> !kind.ofMany() && kind.field() != ChannelField.LAYOUT)
        .forEach(kind -> slots.add(Slot.of(kind.id())));
    for (Channel channel : channels) {
      for (Send send : channel.sends()) {
        Slot slot = Slot.send(send.destinations());
        destinations.put(slot, send.destinations());
        slots.add(slot);
      }
    }
    mix.controls().forEach(control -> slots.add(Slot.control(control.id())));
    return slots;
  }

  private Optional<Object> most(List<Channel> channels, Slot slot) {
    Map<Object, Integer> counts = new LinkedHashMap<>();
    for (Channel channel : channels) {
      Object value = SlotValues.of(channel, slot, members);
      if (value != null) {
        counts.merge(value, 1, Integer::sum);
      }
    }
    return counts.entrySet().stream()
        .filter(count -> count.getValue() * 2 > channels.size())
        .map(Map.Entry::getKey)
        .findFirst();
  }

  private void put(String category, Map<Slot, Object> habits, Map<String, MapEntry> entries) {
    MapEntry entry = entries.getOrDefault(category, MapEntry.of(category));
    for (Map.Entry<Slot, Object> habit : habits.entrySet()) {
      entry = saying(entry, habit.getKey(), habit.getValue());
    }
    entries.put(category, entry);
  }

  private MapEntry saying(MapEntry entry, Slot slot, Object value) {
    Slots.Kind kind = Slots.kindOf(slot);
    if (!kind.ofMany()) {
      return with(entry, kind.saidBy(), value);
    }
    if (value instanceof Sent sent) {
      return sent.on() ? withSend(entry, slot, sent) : entry;
    }
    List<String> controls = new ArrayList<>(entry.controls());
    controls.add(Objects.requireNonNull(slot.of()));
    return entry.withControls(controls);
  }

  @SuppressWarnings("unchecked") // the value is one of the field
  private static <V> MapEntry with(MapEntry entry, Field<MapEntry, V> field, Object value) {
    return MapEntryField.ALL.with(entry, field, (V) value);
  }

  private MapEntry withSend(MapEntry entry, Slot slot, Sent sent) {
    List<MapSend> sends = new ArrayList<>(entry.sends());
    sends.add(MapSend.of(destinations.getOrDefault(slot, List.of()), sent.tap(), sent.levelDb()));
    return entry.withSends(sends);
  }
}
