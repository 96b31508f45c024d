package drevik.ledger;

import drevik.audio.Decibels;
import drevik.mix.Refused;
import drevik.mix.field.Field.Unit;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What a text stands for that somebody typed as a number: all of it, or it is refused. The one
 * place that says so, for cells, fields and forms.
 */
public final class TypedNumber {
  private static final Pattern NUMBER = Pattern.compile("[+-]?(\\d+\\.?\\d*|\\.\\d+)");
  private static final List<String> SILENT =
      List.of("off", "silent", "silence", "-inf", "-∞", "-infinity");
  private static final Pattern SIDE =
      Pattern.compile("(?:(l|left|r|right)(\\d.*)?)|(\\d.*?)(l|left|r|right)");
  private static final Pattern BACK = Pattern.compile("(?:(b|back)(\\d.*)?)|(\\d.*?)(b|back|%)?");
  private static final List<String> FRONT = List.of("f", "front");
  private static final Pattern UP =
      Pattern.compile("(?:(u|up|top|above)(\\d.*)?)|(\\d.*?)(u|up|%)?");
  private static final List<String> LEVEL = List.of("level", "ear");

  private TypedNumber() {}

  /**
   * The number, in the unit of documents: dB, frames as seconds, pan −1 to 1, front to back and
   * height 0 to 1.
   *
   * @throws Refused if any of the text means nothing there
   */
  public static double of(Unit unit, String typed) {
    String text = typed.strip().toLowerCase(Locale.ROOT).replace('−', '-').replace(',', '.');
    String plain = text.replaceAll("\\s+", "");
    return switch (unit) {
      case PAN -> pan(typed, plain);
      case FRONT_BACK -> way(typed, plain, BACK, FRONT, "F for front, or B with 0 to 100 for back");
      case HEIGHT -> way(typed, plain, UP, LEVEL, "a height: level, or U with 0 to 100");
      case DECIBELS ->
          SILENT.contains(plain.replaceAll("db$", ""))
              ? Decibels.SILENCE
              : number(typed, plain, "db", "a level in dB, such as −3.5, or off");
      case FRAMES -> seconds(typed, plain);
      case HERTZ -> hertz(typed, plain);
      case BEATS_PER_MINUTE -> number(typed, plain, "bpm", "a tempo in bpm, such as 96.5");
      case LUFS -> number(typed, plain, "lufs", "a loudness in LUFS, such as −23");
      case LOUDNESS_UNITS -> number(typed, plain, "lu", "a figure in LU, such as 0.5");
      case DBTP -> number(typed, plain, "dbtp", "a peak in dBTP, such as −1");
      case NONE -> number(typed, plain, "", "a number");
    };
  }

  private static double pan(String typed, String plain) {
    String wanted = "a pan: C, or L or R with 0 to 100";
    if (plain.isEmpty() || List.of("c", "centre", "center").contains(plain)) {
      return 0;
    }
    Matcher side = SIDE.matcher(plain);
    if (!side.matches()) {
      throw not(typed, wanted);
    }
    String word = side.group(1) == null ? side.group(4) : side.group(1);
    double there = percent(typed, side.group(1) == null ? side.group(3) : side.group(2), wanted);
    return word.startsWith("l") ? -there : there;
  }

  /** How far something has gone from one end, where nothing is said, to another. */
  private static double way(
      String typed, String plain, Pattern far, List<String> near, String wanted) {
    if (plain.isEmpty() || near.contains(plain)) {
      return 0;
    }
    Matcher there = far.matcher(plain);
    if (!there.matches()) {
      throw not(typed, wanted);
    }
    return percent(typed, there.group(1) == null ? there.group(3) : there.group(2), wanted);
  }

  private static double percent(String typed, String digits, String wanted) {
    return digits == null ? 1 : number(typed, digits, "", wanted) / 100;
  }

  /** Seconds, or minutes and seconds: {@code 83.5}, {@code 1:23.5}. */
  private static double seconds(String typed, String plain) {
    String wanted = "a time in seconds, such as 83.5 or 1:23.5";
    int colon = plain.indexOf(':');
    if (colon < 0) {
      return number(typed, plain, "s", wanted);
    }
    double minutes = number(typed, plain.substring(0, colon), "", wanted);
    double seconds = number(typed, plain.substring(colon + 1), "s", wanted);
    if (minutes < 0 || minutes != Math.rint(minutes) || seconds < 0 || seconds >= 60) {
      throw not(typed, wanted);
    }
    return minutes * 60 + seconds;
  }

  private static double hertz(String typed, String plain) {
    String wanted = "a frequency in Hz, such as 80 or 2.5 kHz";
    return plain.endsWith("khz")
        ? 1000 * number(typed, plain, "khz", wanted)
        : number(typed, plain, "hz", wanted);
  }

  private static double number(String typed, String plain, String unit, String wanted) {
    String bare =
        !unit.isEmpty() && plain.endsWith(unit)
            ? plain.substring(0, plain.length() - unit.length())
            : plain;
    if (!NUMBER.matcher(bare).matches()) {
      throw not(typed, wanted);
    }
    return Double.parseDouble(bare);
  }

  private static Refused not(String typed, String wanted) {
    return new Refused("“" + typed.strip() + "” is not " + wanted + ".");
  }
}
