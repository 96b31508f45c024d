package drevik.outline;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * Which line of an edited outline is which line of the one before. The same name is the same
 * channel, wherever it stands now. What is left stands between lines that are known: there, the
 * names that are most alike belong together, in their order.
 */
final class LineMatching {
  /** More pairs than these are not compared; such a text is another one altogether. */
  private static final long MOST_PAIRS = 250_000;

  /** A line of either outline; {@code parent} is an index among its own kind, or −1. */
  record Node(String name, int parent, boolean hasLinesUnder) {}

  private final List<Node> before;
  private final List<Node> after;
  private final int[] matched;
  private final Set<Integer> taken = new HashSet<>();

  private LineMatching(List<Node> before, List<Node> after) {
    this.before = before;
    this.after = after;
    this.matched = new int[after.size()];
    Arrays.fill(matched, -1);
  }

  /** For each line after, the index of the line before that it was; −1 for a new one. */
  static int[] of(List<Node> before, List<Node> after) {
    LineMatching matching = new LineMatching(before, after);
    matching.byName();
    matching.betweenKnown();
    return matching.matched;
  }

  private void match(int was, int is) {
    matched[is] = was;
    taken.add(was);
  }

  private void byName() {
    Map<String, List<Integer>> old = places(before);
    places(after)
        .forEach(
            (name, now) -> {
              List<Integer> was = new ArrayList<>(old.getOrDefault(name, List.of()));
              List<Integer> is = new ArrayList<>(now);
              if (was.size() != 1 || is.size() != 1) {
                underTheSame(was, is);
              }
              for (int i = 0; i < Math.min(was.size(), is.size()); i++) {
                match(was.get(i), is.get(i));
              }
            });
  }

  /** Of several of one name, those under lines of one name belong together first. */
  private void underTheSame(List<Integer> was, List<Integer> is) {
    for (Integer now : List.copyOf(is)) {
      was.stream()
          .filter(old -> nameAbove(before, old).equals(nameAbove(after, now)))
          .findFirst()
          .ifPresent(
              old -> {
                match(old, now);
                was.remove(old);
                is.remove(now);
              });
    }
  }

  private static String nameAbove(List<Node> lines, int line) {
    int parent = lines.get(line).parent();
    return parent < 0 ? "" : lines.get(parent).name();
  }

  private static Map<String, List<Integer>> places(List<Node> lines) {
    Map<String, List<Integer>> places = new LinkedHashMap<>();
    for (int i = 0; i < lines.size(); i++) {
      places.computeIfAbsent(lines.get(i).name(), name -> new ArrayList<>()).add(i);
    }
    return places;
  }

  /** Lines that are in question, by the last known line in front of them. */
  private void betweenKnown() {
    Map<Integer, List<Integer>> old = new HashMap<>();
    int known = -1;
    for (int i = 0; i < before.size(); i++) {
      if (taken.contains(i)) {
        known = i;
      } else {
        old.computeIfAbsent(known, gap -> new ArrayList<>()).add(i);
      }
    }
    Map<Integer, List<Integer>> now = new LinkedHashMap<>();
    known = -1;
    for (int i = 0; i < after.size(); i++) {
      if (matched[i] >= 0) {
        known = matched[i];
      } else {
        now.computeIfAbsent(known, gap -> new ArrayList<>()).add(i);
      }
    }
    now.forEach((gap, is) -> align(old.getOrDefault(gap, List.of()), is));
  }

  /** The best way to pair some of both in their order, by dynamic programming. */
  private void align(List<Integer> was, List<Integer> is) {
    if (was.isEmpty() || (long) was.size() * is.size() > MOST_PAIRS) {
      return;
    }
    double[][] best = new double[was.size() + 1][is.size() + 1];
    double[][] alike = new double[was.size()][is.size()];
    for (int i = was.size() - 1; i >= 0; i--) {
      for (int j = is.size() - 1; j >= 0; j--) {
        alike[i][j] = alike(was.get(i), is.get(j));
        double skipped = Math.max(best[i + 1][j], best[i][j + 1]);
        best[i][j] = Math.max(skipped, alike[i][j] + best[i + 1][j + 1]);
      }
    }
    int i = 0;
    int j = 0;
    while (i < was.size() && j < is.size()) {
      if (alike[i][j] > 0 && best[i][j] == alike[i][j] + best[i + 1][j + 1]) {
        match(was.get(i++), is.get(j++));
      } else if (best[i][j] == best[i + 1][j]) {
        i++;
      } else {
        j++;
      }
    }
  }

  /** 0 for what cannot be the same, up to 2. */
  private double alike(int was, int is) {
    Node old = before.get(was);
    Node now = after.get(is);
    double names = similarity(old.name(), now.name());
    boolean sameRole = old.hasLinesUnder() == now.hasLinesUnder();
    if (!sameRole && names < 0.5) {
      return 0;
    }
    return 0.1 + names + (sameRole ? 0.4 : 0) + (isUnderTheSame(old, now) ? 0.4 : 0);
  }

  private boolean isUnderTheSame(Node old, Node now) {
    return (now.parent() < 0 || old.parent() < 0)
        ? now.parent() == old.parent()
        : matched[now.parent()] == old.parent();
  }

  /** 1 for the same, 0 for names that share nothing: pairs of letters, as Dice counts them. */
  private static double similarity(String one, String other) {
    Set<String> pairs = pairs(one);
    Set<String> others = pairs(other);
    int all = pairs.size() + others.size();
    pairs.retainAll(others);
    return all == 0 ? 0 : 2.0 * pairs.size() / all;
  }

  private static Set<String> pairs(String name) {
    Set<String> pairs = new HashSet<>();
    String text = name.toLowerCase(Locale.ROOT);
    for (int i = 0; i + 1 < text.length(); i++) {
      pairs.add(text.substring(i, i + 2));
    }
    return pairs;
  }
}
