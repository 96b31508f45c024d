package drevik.reassign;

import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.Fallback;
import drevik.mix.Insert;
import drevik.mix.Send;
import drevik.mix.Slot;
import drevik.mix.Tap;
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

  private SlotValues() {}

  /**
   * @param members who is in which control
   */
  static @Nullable Object of(Channel channel, Slot slot, Memberships members) {
    return switch (slot.kind()) {
      case OUTPUT -> channel.output();
      case GROUP -> channel.group();
      case COLOUR -> channel.colour();
      case LAYOUT -> channel.layout();
      case TRIM -> channel.trimDb();
      case CHAIN -> bare(channel.chain());
      case SENDS -> sendOf(channel, slot).map(SlotValues::sent).orElse(null);
      case CONTROLS -> members.has(slot.of(), channel.id());
    };
  }

  /**
   * The same, of a channel that is a member of controls.
   *
   * @param controls channel → controls that it is a member of
   */
  public static @Nullable Object of(Channel channel, Slot slot, Map<String, Set<String>> controls) {
    return slot.kind() == Slot.Kind.CONTROLS
        ? controls.getOrDefault(channel.id(), Set.of()).contains(slot.of())
        : of(channel, slot, Memberships.NONE);
  }

  /** True for what a channel has of which nobody has said anything. */
  static boolean isUnsaid(Slot slot, @Nullable Object value) {
    return switch (slot.kind()) {
      case OUTPUT, GROUP, COLOUR, SENDS -> value == null;
      case TRIM -> Double.valueOf(0).equals(value);
      case CHAIN -> List.of().equals(value);
      case CONTROLS -> Boolean.FALSE.equals(value);
      case LAYOUT -> false;
    };
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
    String text =
        switch (slot.kind()) {
          case OUTPUT -> channel.output();
          case GROUP -> channel.group();
          case COLOUR -> channel.colour();
          case LAYOUT -> channel.layout().toString();
          case CONTROLS -> members.has(slot.of(), channel.id()) ? "member" : null;
          case TRIM, CHAIN, SENDS -> null;
        };
    Send send = slot.kind() == Slot.Kind.SENDS ? sendOf(channel, slot).orElse(null) : null;
    Double figure =
        switch (slot.kind()) {
          case TRIM -> channel.trimDb();
          case SENDS -> send == null ? null : (Double) (double) channel.sends().indexOf(send);
          default -> null;
        };
    return new Fallback(
        slot.id(),
        text,
        figure,
        slot.kind() == Slot.Kind.CHAIN ? channel.chain() : List.of(),
        send);
  }

  /** A value that is kept, in the form in which a channel has it. */
  static @Nullable Object of(Slot slot, Fallback kept) {
    return switch (slot.kind()) {
      case OUTPUT, GROUP, COLOUR -> kept.text();
      case LAYOUT -> layout(kept.text());
      case TRIM -> kept.figure();
      case CHAIN -> bare(kept.chain());
      case SENDS -> kept.send() == null ? null : sent(kept.send());
      case CONTROLS -> kept.text() != null;
    };
  }

  static @Nullable Layout layout(@Nullable String text) {
    return Arrays.stream(Layout.values())
        .filter(layout -> layout.toString().equals(text))
        .findFirst()
        .orElse(null);
  }
}
