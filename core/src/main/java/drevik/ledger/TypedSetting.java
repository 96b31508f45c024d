package drevik.ledger;

import drevik.dsp.Parameter;
import drevik.mix.Refused;
import drevik.mix.field.Field.Unit;
import java.util.List;
import java.util.Locale;

/** What a text stands for that somebody typed as the setting of a processor. */
public final class TypedSetting {
  private static final List<String> OFF = List.of("off", "none", "no");

  private TypedSetting() {}

  /**
   * The value, in the unit of the parameter: a number with or without the unit, the name of a
   * choice, or off.
   *
   * @throws Refused if any of the text means nothing there, or it is out of range
   */
  public static double of(Parameter parameter, String typed) {
    String text = typed.strip().toLowerCase(Locale.ROOT);
    for (Parameter.Choice choice : parameter.choices()) {
      if (choice.label().toLowerCase(Locale.ROOT).equals(text)) {
        return choice.value();
      }
    }
    if (parameter.canBeOff() && OFF.contains(text)) {
      return parameter.least();
    }
    double value = number(parameter, typed, text);
    boolean off = parameter.canBeOff() && value == parameter.least();
    if (!off && (value < parameter.smallest() || value > parameter.most())) {
      throw new Refused(
          parameter.label()
              + " is "
              + FieldText.plain(parameter.smallest(), 3)
              + " to "
              + FieldText.plain(parameter.most(), 3)
              + unit(parameter)
              + (parameter.canBeOff() ? ", or off" : "")
              + "; "
              + FieldText.plain(value, 3)
              + " is not.");
    }
    if (parameter.onlyChoices()
        && parameter.choices().stream().noneMatch(choice -> choice.value() == value)) {
      throw new Refused(
          parameter.label()
              + " is "
              + String.join(
                  " or ", parameter.choices().stream().map(Parameter.Choice::label).toList())
              + "; "
              + FieldText.plain(value, 3)
              + " is not.");
    }
    return value;
  }

  private static String unit(Parameter parameter) {
    return parameter.unit().isEmpty() ? "" : " " + parameter.unit();
  }

  private static double number(Parameter parameter, String typed, String text) {
    if (parameter.unit().equals("Hz")) {
      return TypedNumber.of(Unit.HERTZ, text.endsWith("k") ? text + "hz" : text);
    }
    String unit = parameter.unit().toLowerCase(Locale.ROOT);
    boolean seconds = unit.equals("ms") && text.endsWith("s") && !text.endsWith("ms");
    String bare =
        seconds
            ? text.substring(0, text.length() - 1)
            : text.endsWith(unit) ? text.substring(0, text.length() - unit.length()) : text;
    try {
      return (seconds ? 1000 : 1) * TypedNumber.of(Unit.NONE, bare);
    } catch (Refused e) {
      throw new Refused(
          "“"
              + typed.strip()
              + "” is no "
              + parameter.label().toLowerCase(Locale.ROOT)
              + "; write a number"
              + (parameter.unit().isEmpty() ? "" : " in " + parameter.unit())
              + ".");
    }
  }
}
