package drevik.intake;

import drevik.category.FileName;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A delivery against those before it: which files are new, which came already, which are a new
 * version of one that came, and which did not come again.
 *
 * @param states by the id of the new file
 * @param missing names of the delivery before this one that are not in it; empty for the first
 */
public record DeliveryComparison(Map<String, Against> states, List<String> missing) {
  /** A file by what it is called and what it holds. */
  public record Known(String id, String name, String sha256) {}

  /** How a file stands to the deliveries before. */
  public enum State {
    NEW,
    SAME,
    CHANGED;

    @Override
    public String toString() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /**
   * How a file stands to what came before.
   *
   * @param earlier id of the file that it is the same as, or a new version of; null for a new one
   */
  public record Against(State state, @Nullable String earlier) {}

  private static final Pattern ENDING = Pattern.compile("\\.[A-Za-z0-9]{2,4}$");

  /** Versions and dates at the end of a name, which change from one delivery to the next. */
  private static final Pattern VERSION =
      Pattern.compile(
          "(?i)[ _.\\-]*(v\\d{1,3}|rev\\d{1,3}|\\d{4}-\\d{2}-\\d{2}|\\d{8}|fixed|new)$");

  /**
   * Compares files with those of earlier deliveries.
   *
   * @param earlier deliveries before, the newest first
   */
  public static DeliveryComparison of(List<Known> files, List<List<Known>> earlier) {
    Map<String, Known> byContent = new HashMap<>();
    Map<String, Known> byName = new HashMap<>();
    for (List<Known> delivery : earlier) {
      for (Known known : delivery) {
        byContent.putIfAbsent(known.sha256(), known);
        byName.putIfAbsent(nameOf(known), known);
      }
    }
    Map<String, Against> states = new LinkedHashMap<>();
    Set<String> met = new HashSet<>();
    for (Known file : files) {
      Known same = byContent.get(file.sha256());
      Known before = byName.get(nameOf(file));
      if (same != null) {
        states.put(file.id(), new Against(State.SAME, same.id()));
        met.add(nameOf(same));
      } else if (before != null) {
        states.put(file.id(), new Against(State.CHANGED, before.id()));
      } else {
        states.put(file.id(), new Against(State.NEW, null));
      }
      met.add(nameOf(file));
    }
    List<String> missing =
        earlier.isEmpty()
            ? List.of()
            : earlier.get(0).stream()
                .filter(known -> !met.contains(nameOf(known)))
                .map(Known::name)
                .sorted()
                .toList();
    return new DeliveryComparison(states, missing);
  }

  /** The name without folder, ending and version; folders change from one zip to the next. */
  private static String nameOf(Known file) {
    String name = ENDING.matcher(FileName.baseOf(file.name())).replaceFirst("");
    String plain = VERSION.matcher(name).replaceFirst("");
    return (plain.isBlank() ? name : plain)
        .toLowerCase(Locale.ROOT)
        .replaceAll("[ _.\\-]+", " ")
        .strip();
  }
}
