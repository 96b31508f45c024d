package drevik.intake.seat;

import drevik.intake.conform.DeliveredFile;
import drevik.intake.measure.CleanNames;
import drevik.mix.Limits;
import drevik.mix.Refused;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * How seats are named after the files that they take: a pattern of text with {@code {file}} (the
 * file's clean name), {@code {seat}} (what the template calls the seat) and {@code {category}} (the
 * last word of the category).
 */
public final class SeatNames {
  public static final String BY_FILE = "{file}";

  private static final Pattern PLACEHOLDER = Pattern.compile("\\{([^{}]*)\\}");
  private static final List<String> KNOWN = List.of("file", "seat", "category");
  private static final int LONGEST = 80;

  private final CleanNames clean;
  private final String pattern;

  private SeatNames(CleanNames clean, String pattern) {
    this.clean = clean;
    this.pattern = pattern;
  }

  /**
   * How seats are named that a delivery brings.
   *
   * @param pattern null for {@link #BY_FILE}
   * @param names of all files of the delivery
   */
  public static SeatNames of(@Nullable String pattern, List<String> names) {
    return new SeatNames(CleanNames.of(names), pattern == null ? BY_FILE : pattern);
  }

  /**
   * Patterns that may be used.
   *
   * @throws Refused if a pattern has a placeholder that means nothing, or none at all
   */
  public static void requireSound(String pattern) {
    if (pattern.length() > LONGEST || pattern.chars().anyMatch(Character::isISOControl)) {
      throw new Refused("A pattern of names has at most " + LONGEST + " characters.");
    }
    Matcher matcher = PLACEHOLDER.matcher(pattern);
    Set<String> used = new HashSet<>();
    while (matcher.find()) {
      if (!KNOWN.contains(matcher.group(1))) {
        throw new Refused(
            "“{"
                + matcher.group(1)
                + "}” means nothing in a pattern of names; use {file}, {seat} or {category}.");
      }
      used.add(matcher.group(1));
    }
    if (!used.contains("file") && !used.contains("seat")) {
      throw new Refused(
          "A pattern of names needs {file} or {seat}, or all seats would be called the same.");
    }
  }

  /** What files are called without what tells none of them from the others. */
  CleanNames clean() {
    return clean;
  }

  /**
   * @param seat what the seat is called now; null for a new one
   */
  String of(DeliveredFile file, @Nullable String seat) {
    String own = clean.of(file.title());
    String fileName = file.joined() == null ? own : own.replaceFirst(SIDE_AT_END, "");
    String category = file.category().substring(file.category().indexOf('/') + 1);
    String name =
        pattern
            .replace("{seat}", seat == null ? fileName : seat)
            .replace("{category}", category)
            .replace("{file}", fileName)
            .strip();
    return Limits.shortened(name.isEmpty() ? fileName : name, Limits.NAME);
  }

  private static final String SIDE_AT_END = "(?i)(?<=\\S)[ ._\\-(]+\\p{L}+\\)?$";

  /**
   * Gives a name that no other channel has: the wanted one, or what the seat is called already, or
   * the wanted one with the first number that makes it so.
   */
  static final class Unique {
    private final Set<String> taken = new HashSet<>();

    void take(String name) {
      taken.add(name.toLowerCase(Locale.ROOT));
    }

    String of(String name, @Nullable String before) {
      boolean isFree = !taken.contains(name.toLowerCase(Locale.ROOT));
      if (!isFree && before != null && taken.add(before.toLowerCase(Locale.ROOT))) {
        return before;
      }
      String candidate = name;
      for (int number = 2; !taken.add(candidate.toLowerCase(Locale.ROOT)); number++) {
        candidate = Limits.numbered(name, " ", number);
      }
      return candidate;
    }
  }
}
