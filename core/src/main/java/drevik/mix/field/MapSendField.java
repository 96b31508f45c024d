package drevik.mix.field;

import static drevik.mix.field.Traits.PLAIN;

import drevik.mix.MapSend;
import drevik.mix.Tap;
import drevik.mix.field.Field.Target;
import java.util.Set;

/** What can be said of a send that a category map gives. */
public final class MapSendField {
  private static final Fields.Builder<MapSend> FIELDS = new Fields.Builder<>(MapSend.class);

  public static final ListField<MapSend, String> DESTINATIONS =
      FIELDS.words(
          "destinations",
          "To",
          MapSend::destinations,
          Set.of(Target.CHANNEL),
          true,
          PLAIN.meaning("ids of channels; several make a fan"));
  public static final ValueField<MapSend, Tap> TAP =
      FIELDS.value("tap", "Tap", Tap.class, MapSend::tap);
  public static final ValueField<MapSend, Double> LEVEL =
      FIELDS.figure("levelDb", "Level", MapSend::levelDb, Places.LEVEL);
  public static final ValueField<MapSend, Boolean> NONE =
      FIELDS.flag(
          "none",
          "None",
          MapSend::none,
          PLAIN.or(false).meaning("true: there is to be no such send, whatever a parent says"));

  /** All of them, in the order in which they are shown. */
  public static final Fields<MapSend> ALL = FIELDS.build();

  private MapSendField() {}
}
