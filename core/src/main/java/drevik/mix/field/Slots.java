package drevik.mix.field;

import drevik.mix.Channel;
import drevik.mix.MapEntry;
import drevik.mix.Slot;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What a category map can decide of channels, and people can pin: whatever a field of its entries
 * says that it {@linkplain Field#decides() decides}, and membership of controls.
 */
public final class Slots {
  /**
   * One kind of slot.
   *
   * @param id its name in documents
   * @param label what people call one of it
   * @param ofMany true if a channel has several, each for itself
   * @param saidBy the field of an entry that says it
   * @param field the field of a channel that holds it; null for controls, which hold channels
   */
  public record Kind(
      String id,
      String label,
      boolean ofMany,
      Field<MapEntry, ?> saidBy,
      @Nullable Field<Channel, ?> field) {}

  private static final Map<String, Kind> BY_ID = new LinkedHashMap<>();

  static {
    for (Field<MapEntry, ?> field : MapEntryField.ALL.all()) {
      field
          .decides()
          .flatMap(id -> ChannelField.ALL.byId(id))
          .ifPresent(
              decided -> {
                boolean many = decided == ChannelField.SENDS;
                put(new Kind(decided.id(), many ? "Send" : decided.label(), many, field, decided));
              });
    }
    put(new Kind(Slot.CONTROLS, "Control", true, MapEntryField.CONTROLS, null));
  }

  private static final List<Kind> ALL = List.copyOf(BY_ID.values());

  private Slots() {}

  private static void put(Kind kind) {
    BY_ID.put(kind.id(), kind);
  }

  /** All kinds, in the order in which they are shown. */
  public static List<Kind> kinds() {
    return ALL;
  }

  /**
   * The kind of a slot.
   *
   * @throws IllegalArgumentException if no map decides it
   */
  public static Kind kindOf(Slot slot) {
    Kind kind = BY_ID.get(slot.field());
    if (kind == null) {
      throw new IllegalArgumentException("no category map decides " + slot);
    }
    return kind;
  }

  /** What people call it: “Sent to”, “Send”. */
  public static String labelOf(Slot slot) {
    return kindOf(slot).label();
  }

  /** The slot of a name in documents; empty if no map decides it. */
  public static Optional<Slot> byId(String id) {
    Slot slot = Slot.named(id);
    Kind kind = BY_ID.get(slot.field());
    return kind != null && kind.ofMany() == (slot.of() != null)
        ? Optional.of(slot)
        : Optional.empty();
  }
}
