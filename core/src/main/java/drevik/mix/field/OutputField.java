package drevik.mix.field;

import static drevik.mix.field.Traits.PLAIN;

import drevik.audio.Dither;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Tap;
import drevik.mix.field.Field.Target;
import java.util.Set;

/** What can be said of an output. */
public final class OutputField {
  private static final Fields.Builder<Output> FIELDS = new Fields.Builder<>(Output.class);

  public static final ValueField<Output, String> NAME =
      FIELDS.value("name", "Name", String.class, Output::name);
  public static final ValueField<Output, OutputKind> KIND =
      FIELDS.value("kind", "Kind", OutputKind.class, Output::kind);
  public static final ValueField<Output, String> CHANNEL =
      FIELDS.neededReference("channel", "Taken from", Output::channel, Target.CHANNEL);
  public static final ValueField<Output, Tap> TAP =
      FIELDS.value("tap", "Tap", Tap.class, Output::tap);
  public static final ValueField<Output, Layout> LAYOUT =
      FIELDS.value("layout", "Layout", Layout.class, Output::layout);
  public static final ValueField<Output, SampleFormat> FORMAT =
      FIELDS.value(
          "format",
          "Format",
          SampleFormat.class,
          Output::format,
          PLAIN.oneOf(SampleFormat.written()));
  public static final ValueField<Output, Dither> DITHER =
      FIELDS.value(
          "dither",
          "Dither",
          Dither.class,
          Output::dither,
          PLAIN
              .or(Dither.BY_FORMAT)
              .meaning(
                  "before samples are rounded to the format; by format is flat at 16 bits and none above"));
  public static final ValueField<Output, String> NAME_PATTERN =
      FIELDS.value(
          "namePattern",
          "File name",
          String.class,
          Output::namePattern,
          PLAIN.meaning(
              "of the file, without ending; tokens {project} {output} {layout} {rate} {revision} {date}"));
  public static final ListField<Output, String> WITHOUT =
      FIELDS.words(
          "without",
          "Without",
          Output::without,
          Set.of(),
          false,
          PLAIN.meaning("categories that must not be heard in it"));
  public static final ValueField<Output, String> SPECIFICATION =
      FIELDS.reference(
          "specification",
          "Specification",
          Output::specification,
          Target.SPECIFICATION,
          PLAIN.meaning("the id of what the buyer asks of it"));
  public static final ValueField<Output, Boolean> MAY_BE_SILENT =
      FIELDS.flag(
          "mayBeSilent",
          "May be silent",
          Output::mayBeSilent,
          PLAIN.or(false).meaning("true if nobody minds that nothing is heard in it"));

  /** All of them, in the order in which they are shown. */
  public static final Fields<Output> ALL = FIELDS.build();

  private OutputField() {}
}
