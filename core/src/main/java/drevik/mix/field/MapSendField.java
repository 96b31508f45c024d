package drevik.mix.field;

import drevik.mix.MapSend;
import drevik.mix.Tap;
import drevik.mix.field.Field.Target;
import drevik.mix.field.Field.Unit;
import java.util.Set;

/** What can be said of a send that a category map gives. */
public final class MapSendField {
  private static final Fields.Builder<MapSend> FIELDS = new Fields.Builder<>(MapSend.class);

  public static final ListField<MapSend, String> DESTINATIONS =
      FIELDS.words("destinations", "To", MapSend::destinations, Set.of(Target.CHANNEL), true);
  public static final ValueField<MapSend, Tap> TAP =
      FIELDS.value("tap", "Tap", Tap.class, MapSend::tap);
  public static final ValueField<MapSend, Double> LEVEL =
      FIELDS.value("levelDb", "Level", Double.class, MapSend::levelDb, Unit.DECIBELS);
  public static final ValueField<MapSend, Boolean> NONE =
      FIELDS.value("none", "None", Boolean.class, MapSend::none);

  /** All of them, in the order in which they are shown. */
  public static final Fields<MapSend> ALL = FIELDS.build();

  private MapSendField() {}
}
