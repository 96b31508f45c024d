package drevik.outline;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * Lists as people have them, made lines of an outline: rows of a spreadsheet, a mail with its
 * quoting, a numbered list of stage inputs, points with bullets. What is an outline already stays
 * as it is.
 */
public final class PastedList {
  /**
   * Lines of an outline.
   *
   * @param leftOut what was not taken over, in plain words; empty if everything was
   */
  public record Lines(String text, List<String> leftOut) {}

  private static final Pattern NUMBERED = Pattern.compile("(\\s*)(\\d{1,4})\\s*[.):]?\\s+(\\S.*)");
  private static final Pattern BULLET = Pattern.compile("(\\s*)[-*•–·]\\s+(\\S.*)");
  private static final Pattern QUOTED = Pattern.compile("(?:> ?)+(.*)");

  private static final Set<String> NAMES =
      Set.of("name", "names", "track", "channel", "source", "instrument", "input", "description");
  private static final Set<String> LAYOUTS = Set.of("layout", "format", "width");

  private PastedList() {}

  public static Lines lines(String pasted) {
    List<String> lines =
        Arrays.stream(pasted.split("\\r\\n|\\r|\\n", -1)).map(String::stripTrailing).toList();
    List<String> full = lines.stream().filter(line -> !line.isBlank()).toList();
    if (full.stream().anyMatch(line -> line.strip().contains("\t"))) {
      return table(full);
    }
    List<String> bare = mostly(full, QUOTED) ? all(lines, QUOTED, 1) : lines;
    bare = mostly(bare, BULLET) ? indented(bare, BULLET, 2) : bare;
    bare = counts(bare) ? indented(bare, NUMBERED, 3) : bare;
    return new Lines(String.join("\n", bare), List.of());
  }

  /** True of nearly all lines: one that is none may be a heading. */
  private static boolean mostly(List<String> lines, Pattern pattern) {
    List<String> full = lines.stream().filter(line -> !line.isBlank()).toList();
    long matching = full.stream().filter(line -> pattern.matcher(line).matches()).count();
    return matching > 1 && matching * 5 >= full.size() * 4L;
  }

  private static List<String> all(List<String> lines, Pattern pattern, int group) {
    return lines.stream()
        .map(
            line -> {
              Matcher matcher = pattern.matcher(line);
              return matcher.matches() ? matcher.group(group) : line;
            })
        .toList();
  }

  private static List<String> indented(List<String> lines, Pattern pattern, int group) {
    return lines.stream()
        .map(
            line -> {
              Matcher matcher = pattern.matcher(line);
              return matcher.matches() ? matcher.group(1) + matcher.group(group) : line;
            })
        .toList();
  }

  /** Numbers in front of lines count them only if they rise by one. */
  private static boolean counts(List<String> lines) {
    if (!mostly(lines, NUMBERED)) {
      return false;
    }
    List<Integer> numbers = new ArrayList<>();
    for (String line : lines) {
      Matcher matcher = NUMBERED.matcher(line);
      if (matcher.matches()) {
        numbers.add(Integer.parseInt(matcher.group(2)));
      }
    }
    return IntStream.range(1, numbers.size())
        .allMatch(i -> numbers.get(i) == numbers.get(i - 1) + 1);
  }

  /** Blank cells in front of the name indent it. */
  private static Lines table(List<String> rows) {
    List<List<String>> cells =
        rows.stream()
            .map(row -> Arrays.stream(row.split("\t", -1)).map(String::strip).toList())
            .toList();
    Optional<List<String>> head = Optional.of(cells.get(0)).filter(PastedList::isHead);
    List<List<String>> body = head.isPresent() ? cells.subList(1, cells.size()) : cells;
    int columns = cells.stream().mapToInt(List::size).max().orElse(0);
    int name =
        head.map(row -> columnOf(row, NAMES))
            .filter(at -> at >= 0)
            .orElseGet(() -> names(body, columns));
    int layout =
        head.map(row -> columnOf(row, LAYOUTS))
            .filter(at -> at >= 0)
            .orElseGet(() -> layouts(body, columns, name));
    Set<Integer> used = new java.util.HashSet<>(Set.of(name, layout));
    StringBuilder text = new StringBuilder();
    for (List<String> row : body) {
      int at = name;
      if (head.isEmpty() && cell(row, name).isEmpty()) {
        // A tree in a spreadsheet: the deeper, the further to the right.
        at =
            IntStream.range(0, row.size())
                .filter(i -> !row.get(i).isEmpty())
                .findFirst()
                .orElse(-1);
        used.add(at);
      }
      if (at >= 0 && !cell(row, at).isEmpty()) {
        text.append("\t".repeat(Math.max(0, at - name)))
            .append(LineScanner.written(cell(row, at)))
            .append(
                ChannelReading.layout(cell(row, layout).toLowerCase(Locale.ROOT))
                    .map(is -> " " + Sign.WORD.character() + is)
                    .orElse(""))
            .append('\n');
      }
    }
    List<String> leftOut = new ArrayList<>();
    for (int i = 0; i < columns; i++) {
      int column = i;
      List<String> there =
          body.stream().map(row -> cell(row, column)).filter(one -> !one.isEmpty()).toList();
      if (!used.contains(i) && !there.isEmpty()) {
        String title = head.map(row -> cell(row, column)).filter(one -> !one.isEmpty()).orElse("");
        leftOut.add(
            "column " + (i + 1) + " (" + (title.isEmpty() ? there.get(0) + ", …" : title) + ")");
      }
    }
    return new Lines(text.toString(), leftOut);
  }

  private static String cell(List<String> row, int column) {
    return column >= 0 && column < row.size() ? row.get(column) : "";
  }

  private static boolean isHead(List<String> row) {
    return columnOf(row, NAMES) >= 0;
  }

  private static int columnOf(List<String> head, Set<String> titles) {
    return IntStream.range(0, head.size())
        .filter(i -> titles.contains(head.get(i).toLowerCase(Locale.ROOT)))
        .findFirst()
        .orElse(-1);
  }

  /** The first column with words in it. */
  private static int names(List<List<String>> rows, int columns) {
    return IntStream.range(0, columns)
        .filter(
            i ->
                rows.stream()
                    .anyMatch(row -> cell(row, i).codePoints().anyMatch(Character::isLetter)))
        .findFirst()
        .orElse(0);
  }

  /** A column with nothing but layouts; −1 for none. */
  private static int layouts(List<List<String>> rows, int columns, int name) {
    return IntStream.range(0, columns)
        .filter(i -> i != name)
        .filter(i -> rows.stream().anyMatch(row -> !cell(row, i).isEmpty()))
        .filter(
            i ->
                rows.stream()
                    .map(row -> cell(row, i).toLowerCase(Locale.ROOT))
                    .allMatch(one -> one.isEmpty() || ChannelReading.layout(one).isPresent()))
        .findFirst()
        .orElse(-1);
  }
}
