package drevik.mix.field;

import static drevik.mix.field.Traits.FRAMES;
import static drevik.mix.field.Traits.PLAIN;

import drevik.audio.PanLaw;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.Control;
import drevik.mix.JobKind;
import drevik.mix.Limits;
import drevik.mix.MapEntry;
import drevik.mix.Marker;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Origin;
import drevik.mix.Output;
import drevik.mix.Specification;
import drevik.mix.StemSet;
import drevik.mix.field.Field.Unit;

/** What can be said of a Mix: itself, and lists of everything in it. */
public final class MixField {
  private static final Fields.Builder<Mix> FIELDS =
      new Fields.Builder<>(
          Mix.class,
          "Everything between delivered audio and printed files. A template holds no clips.",
          "");

  static final Traits SAMPLE_RATES = PLAIN.in(Unit.HERTZ).within(8_000, 384_000).meaning("Hz");

  public static final ValueField<Mix, MixKind> KIND =
      FIELDS.value("kind", "Kind", MixKind.class, Mix::kind);
  public static final ValueField<Mix, String> NAME =
      FIELDS.value("name", "Name", String.class, Mix::name);
  public static final ValueField<Mix, String> DESCRIPTION =
      FIELDS.value(
          "description",
          "Description",
          String.class,
          Mix::description,
          PLAIN.upTo(Limits.DESCRIPTION).or(""));
  public static final ValueField<Mix, JobKind> JOB =
      FIELDS.value("job", "Kind of job", JobKind.class, Mix::job);
  public static final ValueField<Mix, Integer> SAMPLE_RATE =
      FIELDS.value("sampleRate", "Sample rate", Integer.class, Mix::sampleRate, SAMPLE_RATES);
  public static final ValueField<Mix, Double> TEMPO =
      FIELDS.figure(
          "tempo",
          "Tempo",
          Mix::tempo,
          PLAIN.in(Unit.BEATS_PER_MINUTE).within(20, 400).meaning("beats per minute"));
  public static final ValueField<Mix, PanLaw> PAN_LAW =
      FIELDS.value("panLaw", "Pan law", PanLaw.class, Mix::panLaw);
  public static final ValueField<Mix, Long> START =
      FIELDS.value(
          "startFrame",
          "Start",
          Long.class,
          Mix::startFrame,
          FRAMES.or(0L).meaning("first frame that is printed"));
  public static final ValueField<Mix, Long> END =
      FIELDS.value(
          "endFrame",
          "End",
          Long.class,
          Mix::endFrame,
          FRAMES.meaning("the frame after the last that is printed; absent: after the last clip"));
  public static final ValueField<Mix, Origin> ORIGIN =
      FIELDS.value("origin", "Came from", Origin.class, Mix::origin);
  public static final ListField<Mix, Channel> CHANNELS =
      FIELDS.list(
          "channels",
          "channel",
          Mix::channels,
          Channel::id,
          ChannelField.ALL,
          PLAIN.upTo(Limits.CHANNELS));
  public static final ListField<Mix, Control> CONTROLS =
      FIELDS.list("controls", "control", Mix::controls, Control::id, ControlField.ALL, PLAIN);
  public static final ListField<Mix, Output> OUTPUTS =
      FIELDS.list("outputs", "output", Mix::outputs, Output::id, OutputField.ALL, PLAIN);
  public static final ListField<Mix, StemSet> STEM_SETS =
      FIELDS.list("stemSets", "stem set", Mix::stemSets, StemSet::id, StemSetField.ALL, PLAIN);
  public static final ListField<Mix, Marker> MARKERS =
      FIELDS.list("markers", "section", Mix::markers, Marker::id, MarkerField.ALL, PLAIN);
  public static final ListField<Mix, Specification> SPECIFICATIONS =
      FIELDS.list(
          "specifications",
          "specification",
          Mix::specifications,
          Specification::id,
          SpecificationField.ALL,
          PLAIN);
  public static final ListField<Mix, MapEntry> CATEGORY_MAP =
      FIELDS.list(
          "categoryMap",
          "category map",
          mix -> mix.categoryMap().entries(),
          MapEntry::id,
          MapEntryField.ALL,
          PLAIN,
          CategoryMap::new);

  /** All of them, in the order in which they are shown. */
  public static final Fields<Mix> ALL = FIELDS.build();

  private MixField() {}
}
