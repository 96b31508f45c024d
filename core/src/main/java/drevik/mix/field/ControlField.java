package drevik.mix.field;

import static drevik.mix.field.Traits.PLAIN;

import drevik.mix.Control;
import drevik.mix.Limits;
import drevik.mix.field.Field.Target;
import java.util.Set;

/** What can be said of a control. */
public final class ControlField {
  private static final Fields.Builder<Control> FIELDS = new Fields.Builder<>(Control.class);

  public static final ValueField<Control, String> NAME =
      FIELDS.value("name", "Name", String.class, Control::name);
  public static final ValueField<Control, Double> GAIN =
      FIELDS.figure("gainDb", "Gain", Control::gainDb, Places.LEVEL);
  public static final ListField<Control, String> MEMBERS =
      FIELDS.words(
          "members",
          "Members",
          Control::members,
          Set.of(Target.CHANNEL, Target.CONTROL),
          false,
          PLAIN.upTo(Limits.CHANNELS));
  public static final ValueField<Control, Boolean> DIP =
      FIELDS.flag(
          "dip",
          "Dip",
          Control::dip,
          PLAIN.or(false).meaning("true if it is ridden to make room for a voice"));

  /** All of them, in the order in which they are shown. */
  public static final Fields<Control> ALL = FIELDS.build();

  private ControlField() {}
}
