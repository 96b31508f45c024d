package drevik.mix.field;

import drevik.category.MapEntry;
import drevik.mix.field.Field.Target;

/** What a category map can say of a category. */
public final class MapEntryField {
  private static final Fields.Builder<MapEntry> FIELDS = new Fields.Builder<>(MapEntry.class);

  public static final ValueField<MapEntry, String> DESTINATION =
      FIELDS.reference("destination", "Sent to", MapEntry::destination, Target.CHANNEL);
  public static final ValueField<MapEntry, String> COLOUR =
      FIELDS.value("colour", "Colour", String.class, MapEntry::colour);

  /** All of them, in the order in which they are shown. */
  public static final Fields<MapEntry> ALL = FIELDS.build();

  private MapEntryField() {}
}
