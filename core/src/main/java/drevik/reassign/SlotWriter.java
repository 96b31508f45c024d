package drevik.reassign;

import drevik.mix.Channel;
import drevik.mix.Fallback;
import drevik.mix.FreshIds;
import drevik.mix.Insert;
import drevik.mix.Send;
import drevik.mix.Slot;
import drevik.mix.field.ChannelField;
import drevik.mix.field.Field;
import drevik.mix.field.Slots;
import drevik.reassign.SlotValues.Sent;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Writes what a map says into slots of channels, and what was there before back again.
 *
 * @param answers which know the channels that are there
 * @param before the channel before anything of it was written, for the places of its sends
 * @param order all slots that the map speaks of, in the order in which new sends stand
 */
record SlotWriter(
    Memberships members, FreshIds fresh, MapAnswers answers, Channel before, Set<Slot> order) {

  /** Slots so that sends that come back find their places, the first one first. */
  static List<Slot> inPlace(Channel channel, Set<Slot> slots) {
    Map<String, Double> places = new HashMap<>();
    for (Fallback fallback : channel.fallbacks()) {
      // What goes makes room first.
      places.put(fallback.id(), fallback.figure() == null ? -1 : fallback.figure());
    }
    return slots.stream()
        .sorted(Comparator.comparingDouble(slot -> places.getOrDefault(slot.id(), 1e9)))
        .toList();
  }

  /**
   * The channel with the map's value.
   *
   * @param keeps whether what it had until now is what it returns to
   */
  Channel answered(Channel channel, Answer answer, boolean keeps) {
    Slot slot = answer.slot();
    if (Objects.equals(SlotValues.of(channel, slot, members), answer.value())) {
      return channel;
    }
    boolean known = fallback(channel, slot).isPresent();
    Channel from =
        keeps && !known ? keeping(channel, SlotValues.kept(before, slot, members)) : channel;
    Channel after = written(from, answer);
    // What would be returned to is there: there is nothing to remember.
    return fallback(after, slot)
        .filter(before -> isThere(after, slot, before))
        .map(before -> without(after, before))
        .orElse(after);
  }

  private boolean isThere(Channel channel, Slot slot, Fallback fallback) {
    Fallback now = SlotValues.kept(channel, slot, members);
    return slot.field().equals(Slot.SENDS)
        ? Objects.equals(fallback.send(), now.send())
        : fallback.equals(now);
  }

  @SuppressWarnings("unchecked") // values are what SlotValues makes them
  private Channel written(Channel channel, Answer answer) {
    Slot slot = answer.slot();
    Object value = answer.value();
    Field<Channel, ?> field = Slots.kindOf(slot).field();
    if (field == null) {
      members.set(slot.of(), channel.id(), Boolean.TRUE.equals(value));
      return channel;
    }
    if (field == ChannelField.SENDS) {
      return withSend(channel, answer, (Sent) value);
    }
    if (field != ChannelField.CHAIN) {
      return with(channel, field, value);
    }
    List<Insert> wanted = (List<Insert>) Objects.requireNonNull(value);
    return fallback(channel, slot)
        .map(Fallback::chain)
        .filter(before -> SlotValues.bare(before).equals(wanted))
        .map(channel::withChain)
        .orElseGet(() -> withChain(channel, wanted));
  }

  @SuppressWarnings("unchecked") // the value is one of the field
  static <V> Channel with(Channel channel, Field<Channel, V> field, @Nullable Object value) {
    return ChannelField.ALL.with(channel, field, (V) value);
  }

  /** What listened to a key still does, if it is of the same kind and in the same place. */
  private Channel withChain(Channel channel, List<Insert> chain) {
    List<Insert> before = channel.chain();
    before.forEach(insert -> fresh.free(insert.id()));
    List<Insert> after = new ArrayList<>();
    for (int i = 0; i < chain.size(); i++) {
      Insert wanted = chain.get(i);
      Insert there = i < before.size() ? before.get(i) : null;
      Insert one = wanted.withId(fresh.of(channel.id(), wanted.processor()));
      after.add(
          there != null && there.processor().equals(wanted.processor())
              ? one.withKey(there.key())
              : one);
    }
    return channel.withChain(after);
  }

  private Channel withSend(Channel channel, Answer answer, @Nullable Sent sent) {
    Slot slot = answer.slot();
    List<Send> sends = new ArrayList<>(channel.sends());
    int at = indexOf(sends, slot);
    if (sent == null) {
      sends.remove(at);
      return channel.withSends(sends);
    }
    if (at >= 0) {
      Send there = sends.get(at);
      sends.set(at, there.withTap(sent.tap()).withLevelDb(sent.levelDb()).withOn(sent.on()));
      return channel.withSends(sends);
    }
    Fallback gone = fallback(channel, slot).orElse(null);
    if (gone != null && gone.send() != null) {
      Send again = gone.send().withTap(sent.tap()).withLevelDb(sent.levelDb()).withOn(sent.on());
      sends.add(placeOf(gone, sends), again);
      return channel.withSends(sends);
    }
    List<String> destinations = answer.destinations();
    sends.add(
        placeOf(sends, slot),
        Send.of(
                fresh.of(channel.id(), destinations.get(0)),
                destinations,
                sent.tap(),
                sent.levelDb())
            .placedAs(channel)
            .withOn(sent.on()));
    return channel.withSends(sends);
  }

  /** Where a send stood. */
  private static int placeOf(Fallback fallback, List<Send> sends) {
    int place = fallback.figure() == null ? sends.size() : fallback.figure().intValue();
    return Math.max(0, Math.min(place, sends.size()));
  }

  private static int indexOf(List<Send> sends, Slot slot) {
    for (int i = 0; i < sends.size(); i++) {
      if (Slot.send(sends.get(i).destinations()).equals(slot)) {
        return i;
      }
    }
    return -1;
  }

  /** Before those that the map names behind it, else at the end. */
  private int placeOf(List<Send> sends, Slot slot) {
    Set<Slot> behind =
        order.stream().dropWhile(one -> !one.equals(slot)).skip(1).collect(Collectors.toSet());
    for (int i = 0; i < sends.size(); i++) {
      if (behind.contains(Slot.send(sends.get(i).destinations()))) {
        return i;
      }
    }
    return sends.size();
  }

  /** The channel with what was there before the map spoke; unchanged if that is not known. */
  Channel restored(Channel channel, Slot slot) {
    Fallback fallback = fallback(channel, slot).orElse(null);
    if (fallback == null) {
      return channel;
    }
    return restored(without(channel, fallback), slot, fallback);
  }

  /** The channel with a value that it had once; as it is where that can no longer be. */
  Channel restored(Channel from, Slot slot, Fallback fallback) {
    Field<Channel, ?> field = Slots.kindOf(slot).field();
    if (field == null) {
      members.set(slot.of(), from.id(), fallback.text() != null);
      return from;
    }
    if (field == ChannelField.SENDS) {
      return withSend(from, slot, fallback);
    }
    if (field == ChannelField.CHAIN) {
      return from.withChain(fallback.chain());
    }
    Object kept = SlotValues.of(slot, fallback);
    Object value = field.targets().isEmpty() ? kept : ifThere((String) kept);
    return value == null && !ChannelField.ALL.isNullable(field) ? from : with(from, field, value);
  }

  /** What a field returns to may have been removed meanwhile. */
  private @Nullable String ifThere(@Nullable String channel) {
    return channel != null && answers.knows(channel) ? channel : null;
  }

  private Channel withSend(Channel channel, Slot slot, Fallback fallback) {
    List<Send> sends = new ArrayList<>(channel.sends());
    int at = indexOf(sends, slot);
    if (at >= 0 && fallback.send() == null) {
      sends.remove(at);
    } else if (at >= 0) {
      sends.set(at, fallback.send());
    } else if (fallback.send() != null) {
      sends.add(placeOf(fallback, sends), fallback.send());
    }
    return channel.withSends(sends);
  }

  private static Optional<Fallback> fallback(Channel channel, Slot slot) {
    return channel.fallbacks().stream().filter(one -> one.id().equals(slot.id())).findFirst();
  }

  /** A channel that returns in a slot to what another one returns to. */
  static Channel withFallbackOf(Channel other, Channel channel, Slot slot) {
    List<Fallback> all = new ArrayList<>(channel.fallbacks());
    all.removeIf(one -> one.id().equals(slot.id()));
    fallback(other, slot).ifPresent(all::add);
    return channel.withFallbacks(all);
  }

  private static Channel without(Channel channel, Fallback fallback) {
    List<Fallback> left = new ArrayList<>(channel.fallbacks());
    left.remove(fallback);
    return channel.withFallbacks(left);
  }

  private static Channel keeping(Channel channel, Fallback fallback) {
    List<Fallback> all = new ArrayList<>(channel.fallbacks());
    all.add(fallback);
    return channel.withFallbacks(all);
  }
}
