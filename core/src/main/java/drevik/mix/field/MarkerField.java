package drevik.mix.field;

import static drevik.mix.field.Traits.FRAMES;

import drevik.mix.Marker;

/** What can be said of a marker. */
public final class MarkerField {
  private static final Fields.Builder<Marker> FIELDS =
      new Fields.Builder<>(Marker.class, "a named place: a section, a song, a scene", "");

  public static final ValueField<Marker, String> NAME =
      FIELDS.value("name", "Name", String.class, Marker::name);
  public static final ValueField<Marker, Long> START =
      FIELDS.value("startFrame", "Start", Long.class, Marker::startFrame, FRAMES);

  /** All of them, in the order in which they are shown. */
  public static final Fields<Marker> ALL = FIELDS.build();

  private MarkerField() {}
}
