package drevik.category;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * The order in which the files of a folder stood in the session that they come from, if it can be
 * told: by the numbers in front of their names, or as they came, where that is not just the
 * alphabet. Sessions keep together what belongs together, so that those before and behind a file
 * tell something of it.
 */
final class SessionOrder {
  private static final Pattern NUMBER = Pattern.compile("^(\\d{1,3})(?=[ _.\\-])");

  /** Of the names this share begins with a number where they are numbered at all. */
  private static final double NUMBERED = 0.66;

  /** Fewer names are in some order by chance. */
  private static final int FEWEST = 6;

  /**
   * How much more often than by chance two neighbours must be of one family (Cohen's kappa) for the
   * order to be believed. Lists in the order of a session have 0.6 and more, the same in the order
   * of the alphabet half of that.
   */
  private static final double BELIEVED = 0.5;

  private SessionOrder() {}

  /**
   * Finds the order of the session in names.
   *
   * @param names in the order in which they came
   * @param families of each; empty where nothing is sure
   * @return places in {@code names}, in the session's order; empty if that cannot be told
   */
  static List<Integer> of(List<String> names, List<Optional<String>> families) {
    List<Integer> order = numbered(names);
    if (order.isEmpty()) {
      order = isAlphabetical(names) ? List.of() : IntStream.range(0, names.size()).boxed().toList();
    }
    return order.size() >= FEWEST && together(order, families) >= BELIEVED ? order : List.of();
  }

  private static List<Integer> numbered(List<String> names) {
    List<OptionalInt> numbers = names.stream().map(SessionOrder::number).toList();
    long found = numbers.stream().filter(OptionalInt::isPresent).count();
    return found < NUMBERED * names.size()
        ? List.of()
        : IntStream.range(0, names.size())
            .filter(i -> numbers.get(i).isPresent())
            .boxed()
            .sorted(Comparator.comparingInt(i -> numbers.get(i).getAsInt()))
            .toList();
  }

  private static OptionalInt number(String name) {
    Matcher matcher = NUMBER.matcher(FileName.baseOf(name));
    return matcher.find()
        ? OptionalInt.of(Integer.parseInt(matcher.group(1)))
        : OptionalInt.empty();
  }

  private static boolean isAlphabetical(List<String> names) {
    List<String> lower = names.stream().map(name -> name.toLowerCase(Locale.ROOT)).toList();
    return IntStream.range(1, lower.size())
        .allMatch(i -> lower.get(i - 1).compareTo(lower.get(i)) <= 0);
  }

  /** Cohen's kappa of each known family and the next one. */
  private static double together(List<Integer> order, List<Optional<String>> families) {
    List<String> known = order.stream().map(families::get).flatMap(Optional::stream).toList();
    Map<String, Integer> counts = new HashMap<>();
    known.forEach(family -> counts.merge(family, 1, Integer::sum));
    double chance =
        counts.values().stream()
            .mapToDouble(count -> Math.pow((double) count / known.size(), 2))
            .sum();
    long agree =
        IntStream.range(1, known.size()).filter(i -> known.get(i - 1).equals(known.get(i))).count();
    return known.size() < FEWEST || chance == 1
        ? 0
        : ((double) agree / (known.size() - 1) - chance) / (1 - chance);
  }
}
