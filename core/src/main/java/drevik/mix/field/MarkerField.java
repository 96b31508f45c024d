package drevik.mix.field;

import drevik.mix.Marker;
import drevik.mix.field.Field.Unit;

/** What can be said of a marker. */
public final class MarkerField {
  private static final Fields.Builder<Marker> FIELDS = new Fields.Builder<>(Marker.class);

  public static final ValueField<Marker, String> NAME =
      FIELDS.value("name", "Name", String.class, Marker::name);
  public static final ValueField<Marker, Long> START =
      FIELDS.value("startFrame", "Start", Long.class, Marker::startFrame, Unit.FRAMES);

  /** All of them, in the order in which they are shown. */
  public static final Fields<Marker> ALL = FIELDS.build();

  private MarkerField() {}
}
