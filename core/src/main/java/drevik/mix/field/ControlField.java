package drevik.mix.field;

import drevik.mix.Control;
import drevik.mix.field.Field.Target;
import drevik.mix.field.Field.Unit;
import java.util.Set;

/** What can be said of a control. */
public final class ControlField {
  private static final Fields.Builder<Control> FIELDS = new Fields.Builder<>(Control.class);

  public static final ValueField<Control, String> NAME =
      FIELDS.value("name", "Name", String.class, Control::name);
  public static final ValueField<Control, Double> GAIN =
      FIELDS.value("gainDb", "Gain", Double.class, Control::gainDb, Unit.DECIBELS);
  public static final ListField<Control, String> MEMBERS =
      FIELDS.words(
          "members", "Members", Control::members, Set.of(Target.CHANNEL, Target.CONTROL), false);
  public static final ValueField<Control, Boolean> DIP =
      FIELDS.value("dip", "Dip", Boolean.class, Control::dip);

  /** All of them, in the order in which they are shown. */
  public static final Fields<Control> ALL = FIELDS.build();

  private ControlField() {}
}
