package drevik.mix.field;

import static drevik.mix.field.Traits.FRAMES;
import static drevik.mix.field.Traits.PLAIN;

import drevik.mix.AudioRef;
import drevik.mix.Clip;
import drevik.mix.field.Field.Unit;
import java.util.List;
import java.util.Set;

/** What can be said of a clip. */
public final class ClipField {
  private static final Fields.Builder<Clip> FIELDS = new Fields.Builder<>(Clip.class);

  public static final ValueField<Clip, AudioRef> AUDIO =
      FIELDS.value("audio", "Audio", AudioRef.class, Clip::audio);
  public static final ValueField<Clip, Long> START =
      FIELDS.value("startFrame", "Start", Long.class, Clip::startFrame, FRAMES);
  public static final ValueField<Clip, Long> SOURCE_IN =
      FIELDS.value("sourceIn", "From", Long.class, Clip::sourceIn, FRAMES);
  public static final ValueField<Clip, Long> SOURCE_OUT =
      FIELDS.value("sourceOut", "To", Long.class, Clip::sourceOut, FRAMES);
  public static final ValueField<Clip, Double> GAIN =
      FIELDS.figure(
          "gainDb", "Gain", Clip::gainDb, PLAIN.in(Unit.DECIBELS).within(-200, 60).or(0.0));
  public static final ValueField<Clip, Boolean> KEEP =
      FIELDS.flag(
          "keep",
          "Kept on purpose",
          Clip::keep,
          PLAIN.or(false).meaning("kept on purpose when a template is made"));
  public static final ValueField<Clip, Integer> FADE_IN =
      FIELDS.value(
          "fadeIn",
          "Fade in",
          Integer.class,
          Clip::fadeIn,
          FRAMES.or(0).meaning("frames over which it rises from silence"));
  public static final ValueField<Clip, Integer> FADE_OUT =
      FIELDS.value(
          "fadeOut",
          "Fade out",
          Integer.class,
          Clip::fadeOut,
          FRAMES.or(0).meaning("frames over which it falls to silence"));
  public static final ListField<Clip, String> DELIVERED =
      FIELDS.words(
          "delivered",
          "Delivered as",
          Clip::delivered,
          Set.of(),
          false,
          PLAIN.or(List.of()).meaning("ids of the delivered files that it plays"));

  /** All of them, in the order in which they are shown. */
  public static final Fields<Clip> ALL = FIELDS.build();

  private ClipField() {}
}
