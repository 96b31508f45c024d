package drevik.mix.field;

import drevik.audio.Layout;
import drevik.mix.Insert;
import drevik.mix.MapEntry;
import drevik.mix.MapSend;
import drevik.mix.field.Field.Target;
import drevik.mix.field.Field.Unit;
import java.util.Set;

/** What an entry of a category map can ask for and say. */
public final class MapEntryField {
  private static final Fields.Builder<MapEntry> FIELDS = new Fields.Builder<>(MapEntry.class);

  public static final ValueField<MapEntry, String> CATEGORY =
      FIELDS.value("category", "Category", String.class, MapEntry::category);
  public static final ValueField<MapEntry, String> PERSON =
      FIELDS.value("person", "Person", String.class, MapEntry::person);
  public static final ValueField<MapEntry, Layout> LAYOUT =
      FIELDS.value("layout", "If its layout is", Layout.class, MapEntry::layout);
  public static final ValueField<MapEntry, String> WORDS =
      FIELDS.value("words", "Words of the name", String.class, MapEntry::words);
  public static final ValueField<MapEntry, String> POSITION =
      FIELDS.value("position", "Microphone", String.class, MapEntry::position);
  public static final ValueField<MapEntry, String> DELIVERED_BY =
      FIELDS.value("deliveredBy", "Delivered by", String.class, MapEntry::deliveredBy);
  public static final ValueField<MapEntry, String> DESTINATION =
      FIELDS.reference("destination", "Sent to", MapEntry::destination, Target.CHANNEL);
  public static final ValueField<MapEntry, String> GROUP =
      FIELDS.reference("group", "Shown with", MapEntry::group, Target.CHANNEL);
  public static final ValueField<MapEntry, String> COLOUR =
      FIELDS.value("colour", "Colour", String.class, MapEntry::colour);
  public static final ValueField<MapEntry, Integer> ORDER =
      FIELDS.value("order", "Order", Integer.class, MapEntry::order);
  public static final ValueField<MapEntry, Layout> WANTED_LAYOUT =
      FIELDS.value("wantedLayout", "Layout", Layout.class, MapEntry::wantedLayout);
  public static final ValueField<MapEntry, Double> TRIM =
      FIELDS.value("trimDb", "Trim", Double.class, MapEntry::trimDb, Unit.DECIBELS);
  public static final ValueField<MapEntry, Double> GUIDE =
      FIELDS.value("guideLufs", "Level guide", Double.class, MapEntry::guideLufs, Unit.LUFS);
  public static final ListField<MapEntry, Insert> CHAIN =
      FIELDS.list("chain", "Chain", MapEntry::chain, Insert::id, InsertField.ALL);
  public static final ListField<MapEntry, MapSend> SENDS =
      FIELDS.list("sends", "Sends", MapEntry::sends, MapSend::id, MapSendField.ALL);
  public static final ListField<MapEntry, String> CONTROLS =
      FIELDS.words("controls", "Controls", MapEntry::controls, Set.of(Target.CONTROL), false);
  public static final ValueField<MapEntry, String> STEM =
      FIELDS.reference("stem", "Stem", MapEntry::stem, Target.OUTPUT);

  /** All of them, in the order in which they are shown. */
  public static final Fields<MapEntry> ALL = FIELDS.build();

  private MapEntryField() {}
}
