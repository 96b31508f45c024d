package drevik.mix.field;

import drevik.mix.AudioRef;
import drevik.mix.Clip;
import drevik.mix.field.Field.Unit;
import java.util.Set;

/** What can be said of a clip. */
public final class ClipField {
  private static final Fields.Builder<Clip> FIELDS = new Fields.Builder<>(Clip.class);

  public static final ValueField<Clip, AudioRef> AUDIO =
      FIELDS.value("audio", "Audio", AudioRef.class, Clip::audio);
  public static final ValueField<Clip, Long> START =
      FIELDS.value("startFrame", "Start", Long.class, Clip::startFrame, Unit.FRAMES);
  public static final ValueField<Clip, Long> SOURCE_IN =
      FIELDS.value("sourceIn", "From", Long.class, Clip::sourceIn, Unit.FRAMES);
  public static final ValueField<Clip, Long> SOURCE_OUT =
      FIELDS.value("sourceOut", "To", Long.class, Clip::sourceOut, Unit.FRAMES);
  public static final ValueField<Clip, Double> GAIN =
      FIELDS.value("gainDb", "Gain", Double.class, Clip::gainDb, Unit.DECIBELS);
  public static final ValueField<Clip, Boolean> KEEP =
      FIELDS.value("keep", "Kept on purpose", Boolean.class, Clip::keep);
  public static final ValueField<Clip, Integer> FADE_IN =
      FIELDS.value("fadeIn", "Fade in", Integer.class, Clip::fadeIn, Unit.FRAMES);
  public static final ValueField<Clip, Integer> FADE_OUT =
      FIELDS.value("fadeOut", "Fade out", Integer.class, Clip::fadeOut, Unit.FRAMES);
  public static final ListField<Clip, String> DELIVERED =
      FIELDS.words("delivered", "Delivered as", Clip::delivered, Set.of(), false);

  /** All of them, in the order in which they are shown. */
  public static final Fields<Clip> ALL = FIELDS.build();

  private ClipField() {}
}
