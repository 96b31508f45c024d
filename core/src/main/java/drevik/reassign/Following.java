package drevik.reassign;

import drevik.mix.Channel;
import drevik.mix.FreshIds;
import drevik.mix.Mix;
import drevik.mix.Pin;
import drevik.mix.Slot;
import drevik.mix.Taken;
import drevik.mix.field.Field;
import drevik.mix.field.Field.Target;
import drevik.mix.field.Slots;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/**
 * How channels follow the category map. What a channel says in a slot is, from the strongest: its
 * pin, what was taken over, the map's answer, what it said before the map did. A Mix holds what
 * comes of that, so that whoever reads it need not ask a map.
 */
public final class Following {
  private final MapAnswers answers;
  private final Memberships members;
  private final FreshIds fresh;

  private Following(Mix mix, MapAnswers answers, FreshIds fresh) {
    this.answers = answers;
    this.members = new Memberships(mix);
    this.fresh = fresh;
  }

  /**
   * A changed Mix with what follows from the change. Where the map now says something else of a
   * channel, because the map or the channel's category is another, the channel follows, pins apart.
   * Where somebody has changed what the map decides, who it was says what becomes of it: see {@link
   * Actor.Kind}. Whatever the change does not touch stays as it is.
   */
  @SuppressWarnings("ReferenceEquality") // the same object is unchanged
  public static Mix after(Mix before, Mix changed, Actor actor) {
    boolean sameMap =
        before.categoryMap().equals(changed.categoryMap())
            && (before.outputs().equals(changed.outputs()) || !hasStems(changed));
    boolean unused =
        before.categoryMap().saysNothing()
            && changed.categoryMap().saysNothing()
            && nothingTaken(before)
            && nothingTaken(changed);
    boolean sameControls = before.controls() == changed.controls();
    if (unused || (sameMap && sameControls && before.channels() == changed.channels())) {
      return changed;
    }
    MapAnswers was = MapAnswers.of(before);
    Memberships wasIn = new Memberships(before);
    Following is = new Following(changed, MapAnswers.of(changed), new FreshIds(changed));
    Map<String, Channel> old = before.channelsById();
    List<Channel> channels = new ArrayList<>();
    for (Channel channel : changed.channels()) {
      Channel then = old.get(channel.id());
      boolean untouched = then == channel && sameMap && sameControls;
      channels.add(
          untouched || !MapAnswers.decidesOf(channel)
              ? channel
              : is.followed(
                  then, then == null ? Map.of() : was.answers(then), wasIn, channel, actor));
    }
    return is.with(changed, channels);
  }

  private static boolean nothingTaken(Mix mix) {
    return mix.channels().stream().allMatch(channel -> channel.taken().isEmpty());
  }

  private static boolean hasStems(Mix mix) {
    return mix.categoryMap().entries().stream().anyMatch(entry -> entry.stem() != null);
  }

  private Channel followed(
      @Nullable Channel then,
      Map<Slot, Answer> before,
      Memberships wasIn,
      Channel channel,
      Actor actor) {
    Map<Slot, Answer> now = answers.answers(channel);
    Set<Slot> slots = new LinkedHashSet<>(before.keySet());
    slots.addAll(now.keySet());
    SlotWriter writer = new SlotWriter(members, fresh, answers, channel, now.keySet());
    Channel after = channel;
    for (Slot slot : SlotWriter.inPlace(channel, slots)) {
      boolean seated = slot.equals(Slot.LAYOUT) && !channel.awaitsAudio();
      if (seated || channel.isPinned(slot)) {
        continue;
      }
      Object value = SlotValues.of(channel, slot, members);
      Answer answer = now.get(slot);
      boolean byHand =
          then == null
              ? !SlotValues.isUnsaid(slot, value)
              : !Objects.equals(SlotValues.of(then, slot, wasIn), value) && !isLost(then, slot);
      if (byHand) {
        // That somebody has not said where it goes is no decision.
        boolean nowhere = slot.equals(Slot.OUTPUT) && value == null;
        if (!nowhere && answer != null && !Objects.equals(answer.value(), value)) {
          after = departed(after, slot, answer, writer, actor);
        }
      } else if (answer == null || !says(before.get(slot), answer)) {
        after = set(after, slot, answer, writer, true);
      }
    }
    return after;
  }

  /** What becomes of a slot that somebody has changed against what stands over it. */
  private Channel departed(
      Channel channel, Slot slot, Answer answer, SlotWriter writer, Actor actor) {
    return switch (actor.kind()) {
      case HAND -> pinned(channel, slot);
      case MERGE ->
          taken(channel, new Taken(SlotValues.kept(channel, slot, members), actor.from()));
      case MAP, IMPORT -> set(channel, slot, answer, writer, true);
    };
  }

  private static Channel taken(Channel channel, Taken taken) {
    List<Taken> all = new ArrayList<>(channel.taken());
    all.removeIf(one -> one.id().equals(taken.id()));
    all.add(taken);
    return channel.withTaken(all);
  }

  /** True if what stood there was removed, which is nobody's exception. */
  private boolean isLost(Channel then, Slot slot) {
    Field<Channel, ?> field = Slots.kindOf(slot).field();
    return field != null
        && field.targets().contains(Target.CHANNEL)
        && field.get(then) instanceof String id
        && !answers.knows(id);
  }

  private static boolean says(@Nullable Answer before, Answer now) {
    return before != null && Objects.equals(before.value(), now.value());
  }

  /** Channels as the map wants them, wherever they departed from it without a pin. */
  public static Mix all(Mix mix, Collection<String> channels) {
    return following(mix, channels, slot -> true, false);
  }

  /**
   * Channels in the order that the map says: of those that go to the same bus and have a place in
   * it, they take each other's places.
   */
  public static Mix inOrder(Mix mix, Collection<String> ids) {
    MapAnswers answers = MapAnswers.of(mix);
    Set<String> wanted = new HashSet<>(ids);
    Map<String, List<Integer>> places = new LinkedHashMap<>();
    Map<Integer, Integer> orders = new HashMap<>();
    List<Channel> channels = new ArrayList<>(mix.channels());
    for (int i = 0; i < channels.size(); i++) {
      Channel channel = channels.get(i);
      if (wanted.contains(channel.id()) && MapAnswers.decidesOf(channel)) {
        int place = i;
        answers
            .orderOf(channel)
            .ifPresent(
                order -> {
                  orders.put(place, order);
                  places
                      .computeIfAbsent(String.valueOf(channel.output()), to -> new ArrayList<>())
                      .add(place);
                });
      }
    }
    for (List<Integer> among : places.values()) {
      List<Integer> sorted =
          among.stream()
              .sorted(Comparator.comparing(place -> orders.getOrDefault(place, 0)))
              .toList();
      for (int i = 0; i < among.size(); i++) {
        channels.set(among.get(i), mix.channels().get(sorted.get(i)));
      }
    }
    return channels.equals(mix.channels()) ? mix : mix.withChannels(channels);
  }

  /**
   * Slots of channels as they were before a change, pinned where the map says otherwise.
   *
   * @param left by channel; an empty set leaves all of the channel as it was
   */
  public static Mix holding(Mix before, Mix after, Map<String, Set<Slot>> left) {
    Memberships was = new Memberships(before);
    Memberships members = new Memberships(after);
    FreshIds fresh = new FreshIds(after);
    MapAnswers answers = MapAnswers.of(after);
    Map<String, Channel> old = before.channelsById();
    List<Channel> channels = new ArrayList<>();
    for (Channel channel : after.channels()) {
      Channel then = old.get(channel.id());
      Set<Slot> slots = left.get(channel.id());
      Channel held = channel;
      if (then != null && slots != null) {
        held = slots.isEmpty() ? then : held;
        Set<Slot> all = new LinkedHashSet<>(slots);
        if (slots.isEmpty()) {
          before.controls().forEach(control -> all.add(Slot.control(control.id())));
        }
        SlotWriter writer = new SlotWriter(members, fresh, answers, then, all);
        for (Slot slot : all) {
          held = writer.restored(held, slot, SlotValues.kept(then, slot, was));
          held = SlotWriter.withFallbackOf(then, held, slot);
        }
      }
      channels.add(held);
    }
    Mix back = after.withChannels(channels).withControls(members.controls());
    Map<String, Set<Slot>> pins = departures(back);
    pins.keySet().retainAll(left.keySet());
    pins.forEach(
        (id, slots) -> {
          Set<Slot> of = left.getOrDefault(id, Set.of());
          slots.removeIf(slot -> !of.isEmpty() && !of.contains(slot));
        });
    return pinned(back, pins);
  }

  /**
   * Pins go, and what they held returns to what stands below: what was taken over, else the map.
   * Where no pin stands over it, what was taken over goes.
   *
   * @param ids of slots; null for all pins of these channels
   */
  public static Mix unpinned(Mix mix, Collection<String> channels, @Nullable Set<String> ids) {
    return following(mix, channels, slot -> ids == null || ids.contains(slot.id()), true);
  }

  private static Mix following(
      Mix mix, Collection<String> ids, Predicate<Slot> which, boolean unpin) {
    Following is = new Following(mix, MapAnswers.of(mix), new FreshIds(mix));
    Set<String> wanted = new HashSet<>(ids);
    List<Channel> channels = new ArrayList<>();
    for (Channel channel : mix.channels()) {
      boolean asked = wanted.contains(channel.id());
      channels.add(asked ? is.following(channel, which, unpin) : channel);
    }
    return is.with(mix, channels);
  }

  private Channel following(Channel channel, Predicate<Slot> which, boolean unpin) {
    Set<Slot> slots = new LinkedHashSet<>();
    Channel after = unpin ? withoutTaken(channel, which, slots) : channel;
    Map<Slot, Answer> now = answers.answers(after);
    if (unpin) {
      List<Pin> left = new ArrayList<>();
      for (Pin pin : channel.pins()) {
        Slot slot = Slots.byId(pin.id()).orElse(null);
        if (slot == null || which.test(slot)) {
          slots.add(slot);
        } else {
          left.add(pin);
        }
      }
      slots.remove(null);
      after = after.withPins(left);
    } else {
      slots.addAll(now.keySet());
      channel.fallbacks().forEach(one -> Slots.byId(one.id()).ifPresent(slots::add));
      slots.removeIf(channel::isPinned);
    }
    SlotWriter writer = new SlotWriter(members, fresh, answers, channel, now.keySet());
    for (Slot slot : SlotWriter.inPlace(channel, slots)) {
      if (!slot.equals(Slot.LAYOUT) || channel.awaitsAudio()) {
        after = set(after, slot, now.get(slot), writer, !unpin);
      }
    }
    return after;
  }

  private static Channel withoutTaken(Channel channel, Predicate<Slot> which, Set<Slot> slots) {
    List<Taken> left = new ArrayList<>();
    for (Taken taken : channel.taken()) {
      Slot slot = Slots.byId(taken.id()).orElse(null);
      if (slot != null && which.test(slot) && !channel.isPinned(slot)) {
        slots.add(slot);
      } else {
        left.add(taken);
      }
    }
    return channel.withTaken(left);
  }

  private Mix with(Mix mix, List<Channel> channels) {
    Mix after = mix.channels().equals(channels) ? mix : mix.withChannels(channels);
    return after.withControls(members.controls());
  }

  private static Channel pinned(Channel channel, Slot slot) {
    List<Pin> pins = new ArrayList<>(channel.pins());
    pins.add(Pin.on(slot));
    return channel.withPins(pins);
  }

  /** A Mix with slots of channels pinned at what stands in them. */
  public static Mix pinned(Mix mix, Map<String, Set<Slot>> slots) {
    return mix.mapChannels(
        channel -> {
          Channel after = channel;
          for (Slot slot : slots.getOrDefault(channel.id(), Set.of())) {
            after = after.isPinned(slot) ? after : pinned(after, slot);
          }
          return after;
        });
  }

  /**
   * Pins that a change has set, with where they come from.
   *
   * @param by the act, in words
   * @param at ISO 8601 in UTC
   */
  @SuppressWarnings("ReferenceEquality") // the same object is unchanged
  public static Mix stamped(Mix before, Mix after, String by, String at) {
    if (before.channels() == after.channels()) {
      return after;
    }
    Map<String, Channel> was = before.channelsById();
    List<Channel> channels = new ArrayList<>();
    boolean any = false;
    for (Channel channel : after.channels()) {
      Channel then = was.get(channel.id());
      boolean pinned = then != channel && channel.pins().stream().anyMatch(pin -> isNew(pin, then));
      any |= pinned;
      channels.add(
          pinned
              ? channel.withPins(
                  channel.pins().stream()
                      .map(pin -> isNew(pin, then) ? new Pin(pin.id(), by, at) : pin)
                      .toList())
              : channel);
    }
    return any ? after.withChannels(channels) : after;
  }

  private static boolean isNew(Pin pin, @Nullable Channel then) {
    return pin.by() == null
        && pin.at() == null
        && (then == null || then.pins().stream().noneMatch(old -> old.id().equals(pin.id())));
  }

  /**
   * What the map answers, or, if it is silent, what was there before it spoke.
   *
   * @param keeps whether what stands there now is what it returns to
   */
  private static Channel set(
      Channel channel, Slot slot, @Nullable Answer answer, SlotWriter writer, boolean keeps) {
    if (answer == null) {
      return writer.restored(channel, slot);
    }
    return answer.taken() == null
        ? writer.answered(channel, answer, keeps)
        : writer.restored(channel, slot, answer.taken().value());
  }

  /**
   * A Mix in step with its map: what departs from it is an exception and is pinned, but for colours
   * of which nobody has said anything.
   */
  public static Mix settled(Mix mix) {
    Slot colour = Slot.COLOUR;
    Map<String, Set<Slot>> departures = departures(mix);
    for (Channel channel : mix.channels()) {
      Set<Slot> slots = departures.get(channel.id());
      if (slots != null && channel.colour() == null) {
        slots.remove(colour);
      }
    }
    return all(pinned(mix, departures), departures.keySet());
  }

  /** What a Mix departs from its map in, by channel, pins apart. */
  public static Map<String, Set<Slot>> departures(Mix mix) {
    MapAnswers answers = MapAnswers.of(mix);
    Memberships members = new Memberships(mix);
    Map<String, Set<Slot>> found = new HashMap<>();
    for (Channel channel : mix.channels()) {
      Map<Slot, Answer> says = answers.answers(channel);
      Set<Slot> slots = new LinkedHashSet<>();
      says.forEach(
          (slot, answer) -> {
            if (!Objects.equals(answer.value(), SlotValues.of(channel, slot, members))) {
              slots.add(slot);
            }
          });
      // The map is silent, and what was there before it spoke has not come back.
      channel.fallbacks().stream()
          .flatMap(fallback -> Slots.byId(fallback.id()).stream())
          .filter(slot -> !says.containsKey(slot))
          .filter(slot -> !slot.equals(Slot.LAYOUT) || channel.awaitsAudio())
          .forEach(slots::add);
      slots.removeIf(channel::isPinned);
      if (!slots.isEmpty()) {
        found.put(channel.id(), slots);
      }
    }
    return found;
  }
}
