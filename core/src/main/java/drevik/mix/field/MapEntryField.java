package drevik.mix.field;

import static drevik.mix.field.Traits.PLAIN;

import drevik.audio.Layout;
import drevik.mix.Insert;
import drevik.mix.MapEntry;
import drevik.mix.MapSend;
import drevik.mix.field.Field.Target;
import drevik.mix.field.Field.Unit;
import java.util.List;
import java.util.Set;

/** What an entry of a category map can ask for and say. */
public final class MapEntryField {
  private static final Fields.Builder<MapEntry> FIELDS =
      new Fields.Builder<>(
          MapEntry.class,
          "Of which channels it speaks, and what it says of them; what is absent a less specific entry decides.",
          "an entry that asks for a category alone has the category's path");

  public static final ValueField<MapEntry, String> CATEGORY =
      FIELDS.value(
          "category",
          "Category",
          String.class,
          MapEntry::category,
          PLAIN.meaning("a path of the category tree, such as drums/kick"));
  public static final ValueField<MapEntry, String> PERSON =
      FIELDS.value("person", "Person", String.class, MapEntry::person);
  public static final ValueField<MapEntry, Layout> LAYOUT =
      FIELDS.value("layout", "If its layout is", Layout.class, MapEntry::layout);
  public static final ValueField<MapEntry, String> WORDS =
      FIELDS.value(
          "words",
          "Words of the name",
          String.class,
          MapEntry::words,
          PLAIN.meaning("all of which the name has"));
  public static final ValueField<MapEntry, String> POSITION =
      FIELDS.value(
          "position",
          "Microphone",
          String.class,
          MapEntry::position,
          PLAIN.meaning("of the microphone, a word of the name"));
  public static final ValueField<MapEntry, String> DELIVERED_BY =
      FIELDS.value("deliveredBy", "Delivered by", String.class, MapEntry::deliveredBy);
  public static final ValueField<MapEntry, String> DESTINATION =
      FIELDS.reference(
          "destination",
          "Sent to",
          MapEntry::destination,
          Target.CHANNEL,
          PLAIN.deciding(ChannelField.OUTPUT).meaning("id of a channel"));
  public static final ValueField<MapEntry, String> GROUP =
      FIELDS.reference(
          "group",
          "Shown with",
          MapEntry::group,
          Target.CHANNEL,
          PLAIN.deciding(ChannelField.GROUP).meaning("id of a channel"));
  public static final ValueField<MapEntry, String> COLOUR =
      FIELDS.value(
          "colour", "Colour", String.class, MapEntry::colour, PLAIN.deciding(ChannelField.COLOUR));
  public static final ValueField<MapEntry, Integer> ORDER =
      FIELDS.value(
          "order",
          "Order",
          Integer.class,
          MapEntry::order,
          PLAIN
              .within(-9_999, 9_999)
              .meaning("place among those that go to the same bus; low comes first"));
  public static final ValueField<MapEntry, Layout> WANTED_LAYOUT =
      FIELDS.value(
          "wantedLayout",
          "Layout",
          Layout.class,
          MapEntry::wantedLayout,
          PLAIN.deciding(ChannelField.LAYOUT));
  public static final ValueField<MapEntry, Double> TRIM =
      FIELDS.figure(
          "trimDb",
          "Trim",
          MapEntry::trimDb,
          PLAIN
              .in(Unit.DECIBELS)
              .within(ChannelField.TRIM.range().orElseThrow())
              .deciding(ChannelField.TRIM));
  public static final ValueField<MapEntry, Double> GUIDE =
      FIELDS.figure(
          "guideLufs",
          "Level guide",
          MapEntry::guideLufs,
          PLAIN
              .in(Unit.LUFS)
              .within(-70, 0)
              .meaning("how loud what is seated begins, LUFS integrated"));
  public static final ListField<MapEntry, Insert> CHAIN =
      FIELDS.list(
          "chain",
          "Chain",
          MapEntry::chain,
          Insert::id,
          InsertField.ALL,
          PLAIN.or(List.of()).deciding(ChannelField.CHAIN));
  public static final ListField<MapEntry, MapSend> SENDS =
      FIELDS.list(
          "sends",
          "Sends",
          MapEntry::sends,
          MapSend::id,
          MapSendField.ALL,
          PLAIN.or(List.of()).deciding(ChannelField.SENDS));
  public static final ListField<MapEntry, String> CONTROLS =
      FIELDS.words(
          "controls",
          "Controls",
          MapEntry::controls,
          Set.of(Target.CONTROL),
          false,
          PLAIN.or(List.of()).meaning("ids of controls that it is a member of"));
  public static final ValueField<MapEntry, String> STEM =
      FIELDS.reference(
          "stem", "Stem", MapEntry::stem, Target.OUTPUT, PLAIN.meaning("id of an output"));

  /** All of them, in the order in which they are shown. */
  public static final Fields<MapEntry> ALL = FIELDS.build();

  private MapEntryField() {}
}
