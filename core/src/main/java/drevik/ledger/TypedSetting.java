package drevik.ledger;

import drevik.dsp.Parameter;
import drevik.mix.Refused;
import drevik.mix.field.Field.Unit;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What a text stands for that somebody typed as the setting of a processor. */
public final class TypedSetting {
  private static final List<String> OFF = List.of("off", "none", "no");

  private static final Pattern NOTE =
      Pattern.compile("([1-9]\\d?)\\s*/\\s*([1-9]\\d?)\\s*(dotted|dot|d|\\.|triplet|trip|t)?");

  private static final List<String> DOTTED = List.of("dotted", "dot", "d", ".");
  private static final Pattern TIME = Pattern.compile("(\\d+\\.?\\d*|\\.\\d+)\\s*(ms|s)");

  private TypedSetting() {}

  /**
   * The value, in the unit of the parameter: a number with or without the unit, the name of a
   * choice, or off. A time is understood as seconds, milliseconds or a note, whatever the unit.
   *
   * @param tempo of the Mix, beats (quarter notes) a minute
   * @throws Refused if any of the text means nothing there, or it is out of range
   */
  public static double of(Parameter parameter, String typed, double tempo) {
    String text = typed.strip().toLowerCase(Locale.ROOT);
    for (Parameter.Choice choice : parameter.choices()) {
      if (choice.label().toLowerCase(Locale.ROOT).equals(text)) {
        return choice.value();
      }
    }
    if (parameter.canBeOff() && OFF.contains(text)) {
      return parameter.least();
    }
    double value = number(parameter, typed, text, tempo);
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

  /**
   * Seconds that a note or a time with its unit takes; empty for anything else. A dotted note is
   * half as long again, three triplets are as long as two notes.
   */
  private static OptionalDouble seconds(String text, double tempo) {
    Matcher note = NOTE.matcher(text);
    if (note.matches()) {
      double whole = Double.parseDouble(note.group(1)) / Double.parseDouble(note.group(2));
      String kind = note.group(3) == null ? "" : note.group(3);
      double longer = DOTTED.contains(kind) ? 1.5 : kind.isEmpty() ? 1 : 2 / 3.0;
      return OptionalDouble.of(4 * whole * longer * 60 / tempo);
    }
    Matcher time = TIME.matcher(text.replace(',', '.'));
    return time.matches()
        ? OptionalDouble.of(
            Double.parseDouble(time.group(1)) / (time.group(2).equals("ms") ? 1000 : 1))
        : OptionalDouble.empty();
  }

  private static double number(Parameter parameter, String typed, String text, double tempo) {
    // How many of the unit are a second; 0 where it is no time.
    double ofSecond =
        switch (parameter.unit()) {
          case "s" -> 1;
          case "ms" -> 1000;
          case "beats" -> tempo / 60;
          default -> 0;
        };
    OptionalDouble seconds = ofSecond == 0 ? OptionalDouble.empty() : seconds(text, tempo);
    if (seconds.isPresent()) {
      return seconds.getAsDouble() * ofSecond;
    }
    if (parameter.unit().equals("Hz")) {
      return TypedNumber.of(Unit.HERTZ, text.endsWith("k") ? text + "hz" : text);
    }
    String unit = parameter.unit().toLowerCase(Locale.ROOT);
    String bare = text.endsWith(unit) ? text.substring(0, text.length() - unit.length()) : text;
    try {
      return TypedNumber.of(Unit.NONE, bare);
    } catch (Refused e) {
      throw new Refused(
          "“"
              + typed.strip()
              + "” is no "
              + parameter.label().toLowerCase(Locale.ROOT)
              + "; write a number"
              + (parameter.unit().isEmpty() ? "" : " in " + parameter.unit())
              + (ofSecond == 0 ? "" : ", a time such as 120 ms, or a note such as 1/8 dotted")
              + ".");
    }
  }
}
