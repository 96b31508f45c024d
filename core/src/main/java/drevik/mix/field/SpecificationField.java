package drevik.mix.field;

import static drevik.mix.field.Traits.PLAIN;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.mix.Specification;
import drevik.mix.field.Field.Unit;

/** What can be said of a specification. */
public final class SpecificationField {
  private static final Fields.Builder<Specification> FIELDS =
      new Fields.Builder<>(Specification.class);

  public static final ValueField<Specification, String> NAME =
      FIELDS.value("name", "Name", String.class, Specification::name);
  public static final ValueField<Specification, String> SOURCE =
      FIELDS.value(
          "source",
          "Source",
          String.class,
          Specification::source,
          PLAIN.or("").meaning("the standard with its clause, or the buyer's paper"));
  public static final ValueField<Specification, Double> LOUDNESS =
      FIELDS.figure(
          "loudness",
          "Loudness",
          Specification::loudness,
          PLAIN.in(Unit.LUFS).within(-70, 0).meaning("integrated, LUFS"));
  public static final ValueField<Specification, Double> TOLERANCE =
      FIELDS.figure(
          "tolerance",
          "Tolerance",
          Specification::tolerance,
          PLAIN.in(Unit.LOUDNESS_UNITS).within(0, 20).meaning("LU"));
  public static final ValueField<Specification, Double> TRUE_PEAK =
      FIELDS.figure(
          "truePeak",
          "True peak",
          Specification::truePeak,
          PLAIN.in(Unit.DBTP).within(-40, 6).meaning("dBTP"));
  public static final ValueField<Specification, Integer> SAMPLE_RATE =
      FIELDS.value(
          "sampleRate",
          "Sample rate",
          Integer.class,
          Specification::sampleRate,
          MixField.SAMPLE_RATES);
  public static final ValueField<Specification, SampleFormat> FORMAT =
      FIELDS.value("format", "Format", SampleFormat.class, Specification::format);
  public static final ValueField<Specification, Layout> LAYOUT =
      FIELDS.value(
          "layout",
          "Layout",
          Layout.class,
          Specification::layout,
          PLAIN.meaning("with its order of channels"));

  /** All of them, in the order in which they are shown. */
  public static final Fields<Specification> ALL = FIELDS.build();

  private SpecificationField() {}
}
