package drevik.mix.field;

import static drevik.mix.field.Traits.PLAIN;

import drevik.mix.Insert;
import drevik.mix.Key;
import drevik.mix.field.Field.Target;
import java.util.List;

/** What can be said of a processor in a chain. */
public final class InsertField {
  private static final Fields.Builder<Insert> FIELDS = new Fields.Builder<>(Insert.class);

  public static final ValueField<Insert, String> PROCESSOR =
      FIELDS.value(
          "processor",
          "Processor",
          String.class,
          Insert::processor,
          PLAIN.meaning("id of the processor type; one that is not known is a stand-in"));
  public static final ValueField<Insert, Boolean> ON = FIELDS.flag("on", "On", Insert::on, PLAIN);
  public static final ValueField<Insert, Boolean> POST_FADER =
      FIELDS.flag("postFader", "Behind the fader", Insert::postFader, PLAIN.or(false));
  public static final FiguresField<Insert> SETTINGS =
      FIELDS.figures(
          "settings",
          "Settings",
          Insert::settings,
          PLAIN.meaning("parameter id to value in the parameter's unit"));
  public static final ValueField<Insert, Key> KEY =
      FIELDS.pointer(
          "key",
          "Key",
          Key.class,
          Insert::key,
          Target.CHANNEL,
          false,
          PLAIN,
          key -> List.of(key.source()));

  /** All of them, in the order in which they are shown. */
  public static final Fields<Insert> ALL = FIELDS.build();

  private InsertField() {}
}
