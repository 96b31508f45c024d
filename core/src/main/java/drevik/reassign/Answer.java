package drevik.reassign;

import drevik.mix.MapEntry;
import drevik.mix.MapSend;
import drevik.mix.Slot;
import drevik.mix.Taken;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * What is to stand in one slot of a channel: what was taken over, else what the category map says.
 *
 * @param value in the form of {@link SlotValues}; null for none
 * @param by the entry that says it; null for what was taken over
 * @param taken what was taken over; null for what the map says
 */
public record Answer(
    Slot slot, @Nullable Object value, @Nullable MapEntry by, @Nullable Taken taken) {
  /** What an entry of the map says. */
  static Answer of(Slot slot, @Nullable Object value, MapEntry by) {
    return new Answer(slot, value, by, null);
  }

  /** What was taken over. */
  static Answer of(Slot slot, Taken taken) {
    return new Answer(slot, SlotValues.of(slot, taken.value()), null, taken);
  }

  /** The value of what is an id or a colour. */
  public String text() {
    return (String) Objects.requireNonNull(value);
  }

  /** Where the send goes that it speaks of. */
  List<String> destinations() {
    return Objects.requireNonNull(by).sends().stream()
        .filter(send -> Slot.send(send.destinations()).equals(slot))
        .findFirst()
        .map(MapSend::destinations)
        .orElseThrow();
  }

  /** “from the category map: drums, of Ada”. */
  public String words() {
    if (by != null) {
      return "from the category map: " + nameOf(by);
    }
    return taken == null || taken.from() == null ? "taken over" : "taken over from " + taken.from();
  }

  /** What an entry asks for beside its category, in words; empty for nothing. */
  public static String asksBeside(MapEntry entry) {
    return entry.asksForCategoryAlone()
        ? ""
        : nameOf(entry).substring(entry.category().length() + 2);
  }

  /** What an entry is called: its category, and what else it asks for. */
  public static String nameOf(MapEntry entry) {
    StringBuilder words = new StringBuilder(entry.category());
    if (entry.person() != null) {
      words.append(", of ").append(entry.person());
    }
    if (entry.words() != null) {
      words.append(", named “").append(entry.words()).append("”");
    }
    if (entry.position() != null) {
      words.append(", microphone ").append(entry.position());
    }
    if (entry.deliveredBy() != null) {
      words.append(", from ").append(entry.deliveredBy());
    }
    if (entry.layout() != null) {
      words.append(", ").append(entry.layout());
    }
    return words.toString();
  }
}
