package drevik.mix.field;

import drevik.mix.Insert;
import drevik.mix.Key;
import drevik.mix.field.Field.Target;
import java.util.List;

/** What can be said of a processor in a chain. */
public final class InsertField {
  private static final Fields.Builder<Insert> FIELDS = new Fields.Builder<>(Insert.class);

  public static final ValueField<Insert, String> PROCESSOR =
      FIELDS.value("processor", "Processor", String.class, Insert::processor);
  public static final ValueField<Insert, Boolean> ON =
      FIELDS.value("on", "On", Boolean.class, Insert::on);
  public static final ValueField<Insert, Boolean> POST_FADER =
      FIELDS.value("postFader", "Behind the fader", Boolean.class, Insert::postFader);
  public static final FiguresField<Insert> SETTINGS =
      FIELDS.figures("settings", "Settings", Insert::settings);
  public static final ValueField<Insert, Key> KEY =
      FIELDS.pointer(
          "key",
          "Key",
          Key.class,
          Insert::key,
          Target.CHANNEL,
          false,
          key -> List.of(key.source()));

  /** All of them, in the order in which they are shown. */
  public static final Fields<Insert> ALL = FIELDS.build();

  private InsertField() {}
}
