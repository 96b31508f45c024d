package drevik.naming;

import drevik.mix.Refused;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Names as they are typed or pasted in lines: each line is one, or as many as its square brackets
 * say. {@code Guitar [1-4]} are four, {@code Dialogue [01-10]} ten with two digits, {@code OH
 * [L,R]} two.
 */
public final class NameLines {
  private static final Pattern RANGE = Pattern.compile("(.*)\\[(\\d{1,4})-(\\d{1,4})](.*)");
  private static final Pattern LIST = Pattern.compile("(.*)\\[([^\\[\\]]*,[^\\[\\]]*)](.*)");
  private static final int MOST = 1000;

  private NameLines() {}

  /**
   * All names that lines stand for.
   *
   * @throws Refused if a range runs backwards, a list has a gap, there is no name or too many
   */
  public static List<String> expand(List<String> lines) {
    List<String> names = new ArrayList<>();
    lines.stream().filter(line -> !line.isBlank()).forEach(line -> names.addAll(expand(line)));
    if (names.isEmpty()) {
      throw new Refused("There is no name; write one on each line, or a range such as Bus [1-9].");
    }
    if (names.size() > MOST) {
      throw new Refused(
          names.size() + " channels at once are too many; create up to " + MOST + ".");
    }
    return names;
  }

  private static List<String> expand(String line) {
    Matcher range = RANGE.matcher(line);
    if (range.matches()) {
      return counted(line, range);
    }
    Matcher list = LIST.matcher(line);
    if (!list.matches()) {
      return List.of(line.strip());
    }
    List<String> parts = Arrays.stream(list.group(2).split(",", -1)).map(String::strip).toList();
    if (parts.contains("")) {
      throw new Refused(
          "“" + line.strip() + "” lists nothing between two commas; write it as in OH [L,R].");
    }
    return parts.stream().map(part -> (list.group(1) + part + list.group(3)).strip()).toList();
  }

  private static List<String> counted(String line, Matcher range) {
    int first = Integer.parseInt(range.group(2));
    int last = Integer.parseInt(range.group(3));
    if (last < first || last - first >= MOST) {
      throw new Refused(
          "“"
              + line.strip()
              + "” counts from "
              + first
              + " to "
              + last
              + "; give a range of 1 to "
              + MOST
              + " numbers that runs forwards.");
    }
    int digits = range.group(2).length();
    List<String> names = new ArrayList<>();
    for (int number = first; number <= last; number++) {
      String shown = String.format("%0" + digits + "d", number);
      names.add((range.group(1) + shown + range.group(4)).strip());
    }
    return names;
  }
}
