package drevik.mix.field;

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
      FIELDS.value("source", "Source", String.class, Specification::source);
  public static final ValueField<Specification, Double> LOUDNESS =
      FIELDS.value("loudness", "Loudness", Double.class, Specification::loudness, Unit.LUFS);
  public static final ValueField<Specification, Double> TOLERANCE =
      FIELDS.value(
          "tolerance", "Tolerance", Double.class, Specification::tolerance, Unit.LOUDNESS_UNITS);
  public static final ValueField<Specification, Double> TRUE_PEAK =
      FIELDS.value("truePeak", "True peak", Double.class, Specification::truePeak, Unit.DBTP);
  public static final ValueField<Specification, Integer> SAMPLE_RATE =
      FIELDS.value(
          "sampleRate", "Sample rate", Integer.class, Specification::sampleRate, Unit.HERTZ);
  public static final ValueField<Specification, SampleFormat> FORMAT =
      FIELDS.value("format", "Format", SampleFormat.class, Specification::format);
  public static final ValueField<Specification, Layout> LAYOUT =
      FIELDS.value("layout", "Layout", Layout.class, Specification::layout);

  /** All of them, in the order in which they are shown. */
  public static final Fields<Specification> ALL = FIELDS.build();

  private SpecificationField() {}
}
