package drevik.outline;

import drevik.mix.Tap;
import drevik.outline.Mark.Option;
import drevik.outline.Mark.Ref;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Takes one line apart: a name, then marks. Knows nothing of what they stand for. */
final class LineScanner {
  private static final Pattern ORDINAL = Pattern.compile("\\s+~(\\d{1,5})$");
  private static final char QUOTE = '"';

  private final String text;
  private final int number;
  private final List<OutlineFault> faults;
  private int at;

  /**
   * @param number of the line, for faults
   */
  LineScanner(String text, int number, List<OutlineFault> faults) {
    this.text = text;
    this.number = number;
    this.faults = faults;
  }

  /** What a line says. {@code quoted}: its name stands as it is, brackets and all. */
  record Scanned(Ref ref, boolean quoted, boolean control, List<Mark> marks, int from, int to) {
    String name() {
      return ref.name();
    }
  }

  Scanned scan() {
    skipBlanks();
    int from = at;
    boolean control = at < text.length() && text.charAt(at) == Sign.CONTROL.character();
    if (control) {
      at++;
    }
    boolean quoted = isQuote();
    Ref name = control || !beginsMark(at) ? ref(false) : new Ref("", 0, at, at);
    int to = at;
    List<Mark> marks = new ArrayList<>();
    for (skipBlanks(); at < text.length(); skipBlanks()) {
      if (marks.isEmpty() && !beginsMark(at)) {
        fault(at, text.length(), "Put a blank and a mark behind the name, or quotes around all.");
        break;
      }
      if (!beginsMark(at)) {
        fault(
            at,
            text.length(),
            "“"
                + text.substring(at).strip()
                + "” is no mark; the name stands in front, and what is none goes into it.");
        break;
      }
      marks.add(mark());
    }
    return new Scanned(name, quoted, control, marks, from, to);
  }

  private void fault(int from, int to, String says) {
    faults.add(new OutlineFault(number, from, to, says));
  }

  private void skipBlanks() {
    while (at < text.length() && Character.isWhitespace(text.charAt(at))) {
      at++;
    }
  }

  private boolean isQuote() {
    return at < text.length() && text.charAt(at) == QUOTE;
  }

  /** True where a sign begins a mark: behind a blank, or at the beginning of what is scanned. */
  private boolean beginsMark(int place) {
    boolean free = place == 0 || Character.isWhitespace(text.charAt(place - 1));
    return free
        && place < text.length()
        && Sign.of(text.charAt(place))
            .filter(sign -> sign.begins(text.substring(place + 1)))
            .isPresent();
  }

  private Mark mark() {
    int from = at;
    Sign sign = Sign.of(text.charAt(at)).orElseThrow();
    int signs = 0;
    while (at < text.length()
        && text.charAt(at) == sign.character()
        && (sign.taps() || signs == 0)) {
      signs++;
      at++;
    }
    if (signs > Tap.values().length) {
      fault(from, at, "“" + sign.character() + "” stands up to three times in front of a name.");
      signs = Tap.values().length;
    }
    Tap tap = MarkTexts.tapOf(signs);
    List<Ref> refs = new ArrayList<>();
    List<Option> options = new ArrayList<>();
    if (sign.names()) {
      names(sign, from, refs);
      skipBlanks();
      if (at < text.length() && text.charAt(at) == '@') {
        at++;
        options(options);
      }
    } else {
      int start = at;
      while (at < text.length() && !Character.isWhitespace(text.charAt(at))) {
        at++;
      }
      refs.add(new Ref(text.substring(start, at), 0, from, at));
    }
    return new Mark(sign, tap, refs, options, text.substring(from, at).strip(), from, at);
  }

  private void names(Sign sign, int from, List<Ref> refs) {
    boolean more = true;
    while (more) {
      skipBlanks();
      Ref one = ref(sign == Sign.SEND);
      if (one.name().isEmpty()) {
        fault(from, Math.max(at, from + 1), "“" + sign.character() + "” needs a name behind it.");
      }
      refs.add(one);
      int here = at;
      skipBlanks();
      more = sign == Sign.SEND && isPlus(at);
      at = more ? at + 1 : here;
    }
  }

  private boolean isPlus(int place) {
    return place < text.length()
        && text.charAt(place) == '+'
        && (place + 1 == text.length() || Character.isWhitespace(text.charAt(place + 1)));
  }

  /** A name, in quotes or up to what cannot belong to it. */
  private Ref ref(boolean several) {
    int from = at;
    if (isQuote()) {
      String name = quoted();
      Matcher ordinal = Pattern.compile("\\s+~(\\d{1,5})(?=\\s|$)").matcher(text);
      if (ordinal.find(at) && ordinal.start() == at) {
        at = ordinal.end();
        return new Ref(name, Integer.parseInt(ordinal.group(1)), from, at);
      }
      return new Ref(name, 0, from, at);
    }
    int end = at;
    while (end < text.length() && !endsName(end, several)) {
      end++;
    }
    String name = text.substring(at, end).stripTrailing();
    at += name.length();
    Matcher ordinal = ORDINAL.matcher(name);
    return ordinal.find()
        ? new Ref(name.substring(0, ordinal.start()), Integer.parseInt(ordinal.group(1)), from, at)
        : new Ref(name, 0, from, at);
  }

  private boolean endsName(int place, boolean several) {
    return place > at
        && Character.isWhitespace(text.charAt(place - 1))
        && (text.charAt(place) == '@' || (several && isPlus(place)) || beginsMark(place));
  }

  private String quoted() {
    int from = at;
    StringBuilder name = new StringBuilder();
    for (at++; at < text.length(); at++) {
      char character = text.charAt(at);
      if (character == QUOTE) {
        at++;
        return name.toString();
      }
      if (character == '\\' && at + 1 < text.length()) {
        at++;
      }
      name.append(text.charAt(at));
    }
    fault(from, at, "A quote is opened and not closed; put another behind the name.");
    return name.toString();
  }

  private void options(List<Option> options) {
    int from = at;
    while (true) {
      boolean ends = at >= text.length() || (at > from && beginsMark(at));
      boolean comma =
          !ends
              && text.charAt(at) == ','
              && !(at + 1 < text.length() && Character.isDigit(text.charAt(at + 1)));
      if (ends || comma) {
        String option = text.substring(from, at);
        int lead = option.length() - option.stripLeading().length();
        options.add(
            new Option(option.strip(), from + lead, from + option.stripTrailing().length()));
        from = at + 1;
      }
      if (ends) {
        return;
      }
      if (text.charAt(at) == QUOTE) {
        quoted();
      } else {
        at++;
      }
    }
  }

  /** The name as it stands in an outline: in quotes where it would be read as something else. */
  static String written(String name) {
    boolean plain = !name.startsWith(String.valueOf(QUOTE)) && isReadAs(name);
    return plain ? name : QUOTE + name.replace("\\", "\\\\").replace("\"", "\\\"") + QUOTE;
  }

  private static boolean isReadAs(String name) {
    List<OutlineFault> faults = new ArrayList<>();
    // A line with a mark, as the name must end where the mark begins.
    Scanned line = new LineScanner(name + " >> " + name + " + " + name, 0, faults).scan();
    return faults.isEmpty()
        && !line.control()
        && line.name().equals(name)
        && line.marks().size() == 1
        && line.marks().get(0).refs().stream()
            .allMatch(ref -> ref.name().equals(name) && ref.ordinal() == 0)
        && line.marks().get(0).options().isEmpty()
        && !name.contains("[");
  }

  /** A name inside of options: quotes keep commas in it. */
  static String writtenInOption(String name) {
    return name.contains(",")
        ? QUOTE + name.replace("\\", "\\\\").replace("\"", "\\\"") + QUOTE
        : written(name);
  }

  /** A name out of an option, its quotes taken off. */
  static String unquoted(String text) {
    if (text.isEmpty() || text.charAt(0) != QUOTE) {
      return text;
    }
    return new LineScanner(text, 0, new ArrayList<>()).quoted();
  }
}
