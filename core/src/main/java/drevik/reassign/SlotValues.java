package drevik.reassign;

import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.Fallback;
import drevik.mix.Insert;
import drevik.mix.Send;
import drevik.mix.Slot;
import drevik.mix.Tap;
import drevik.mix.field.ChannelField;
import drevik.mix.field.Field;
import drevik.mix.field.Slots;
import drevik.mix.field.ValueField;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What stands in a slot of a channel, in a form that can be compared with what a map says: an id or
 * a colour as text, a layout, dB, a chain without ids and keys, a {@link Sent} or null, and whether
 * it is a member of a control.
 */
public final class SlotValues {
  /** What a map can say of a send. */
  public record Sent(Tap tap, double levelDb, boolean on) {}

  private static final String MEMBER = "member";

  private SlotValues() {}

  /**
   * What a channel says in a slot.
   *
   * @param members who is in which control
   */
  static @Nullable Object of(Channel channel, Slot slot, Memberships members) {
    Field<Channel, ?> field = Slots.kindOf(slot).field();
    if (field == null) {
      return members.has(slot.of(), channel.id());
    }
    if (field == ChannelField.SENDS) {
      return sendOf(channel, slot).map(SlotValues::sent).orElse(null);
    }
    return field == ChannelField.CHAIN ? bare(channel.chain()) : field.get(channel);
  }

  /**
   * The same, of a channel that is a member of controls.
   *
   * @param controls channel → controls that it is a member of
   */
  public static @Nullable Object of(Channel channel, Slot slot, Map<String, Set<String>> controls) {
    return slot.field().equals(Slot.CONTROLS)
        ? controls.getOrDefault(channel.id(), Set.of()).contains(slot.of())
        : of(channel, slot, Memberships.NONE);
  }

  /** True for what a channel has of which nobody has said anything. */
  static boolean isUnsaid(Slot slot, @Nullable Object value) {
    Field<Channel, ?> field = Slots.kindOf(slot).field();
    if (field == null) {
      return Boolean.FALSE.equals(value);
    }
    return value == null || field.byDefault().filter(unsaid -> unsaid.equals(value)).isPresent();
  }

  static Optional<Send> sendOf(Channel channel, Slot slot) {
    return channel.sends().stream()
        .filter(send -> Slot.send(send.destinations()).equals(slot))
        .findFirst();
  }

  static Sent sent(Send send) {
    return new Sent(send.tap(), send.levelDb(), send.on());
  }

  /** A chain as it can stand on any channel. */
  static List<Insert> bare(List<Insert> chain) {
    return chain.stream().map(insert -> insert.withId("").withKey(null)).toList();
  }

  /** What the slot returns to when the map no longer speaks of it. */
  static Fallback kept(Channel channel, Slot slot, Memberships members) {
    Field<Channel, ?> field = Slots.kindOf(slot).field();
    if (field == null) {
      String member = members.has(slot.of(), channel.id()) ? MEMBER : null;
      return new Fallback(slot.id(), member, null, List.of(), null);
    }
    if (field == ChannelField.SENDS) {
      Send send = sendOf(channel, slot).orElse(null);
      Double place = send == null ? null : (Double) (double) channel.sends().indexOf(send);
      return new Fallback(slot.id(), null, place, List.of(), send);
    }
    if (field == ChannelField.CHAIN) {
      return new Fallback(slot.id(), null, null, channel.chain(), null);
    }
    Object value = field.get(channel);
    return value instanceof Number figure
        ? new Fallback(slot.id(), null, figure.doubleValue(), List.of(), null)
        : new Fallback(slot.id(), value == null ? null : value.toString(), null, List.of(), null);
  }

  /** A value that is kept, in the form in which a channel has it; null for none. */
  static @Nullable Object of(Slot slot, Fallback kept) {
    Field<Channel, ?> field = Slots.kindOf(slot).field();
    if (field == null) {
      return kept.text() != null;
    }
    if (field == ChannelField.SENDS) {
      return kept.send() == null ? null : sent(kept.send());
    }
    return field == ChannelField.CHAIN
        ? bare(kept.chain())
        : read(((ValueField<Channel, ?>) field).type(), kept);
  }

  /** A value of a type, as {@link #kept} has written it. */
  private static @Nullable Object read(Class<?> type, Fallback kept) {
    if (type == Double.class) {
      return kept.figure();
    }
    if (type == Boolean.class) {
      return Boolean.parseBoolean(kept.text());
    }
    return type.isEnum() ? choice(type, kept.text()) : kept.text();
  }

  private static @Nullable Object choice(Class<?> type, @Nullable String text) {
    return Arrays.stream(type.getEnumConstants())
        .filter(one -> one.toString().equals(text))
        .findFirst()
        .orElse(null);
  }

  static @Nullable Layout layout(@Nullable String text) {
    return (Layout) choice(Layout.class, text);
  }
}
