package drevik.category;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Sorts a delivered file into the category tree by its name.
 *
 * <p>The name is taken apart into words; phrases of up to four words are looked up, longest first;
 * each gives votes. Votes are added within a family; the family with most wins, then its
 * best-supported child. A word of five letters or more may have one letter wrong. Confidence falls
 * with the runner-up's share; below a half the answer is {@code unknown}: asking is better than
 * guessing.
 */
public final class NameSorter {
  private static final String WORDS = "sorting-words.tsv";
  private static final int LONGEST_PHRASE = 4;
  private static final double UNSURE = 0.5;
  private static final double MISSPELT = 0.75;
  private static final double ENOUGH = 0.9;

  private record Vote(String category, double weight, String word) {}

  private record Entry(String category, double weight) {}

  private static final Map<String, List<Entry>> DICTIONARY = load();

  private NameSorter() {}

  public static Sorting sort(String name) {
    List<Vote> votes = votes(NameTokens.of(name));
    if (votes.isEmpty()) {
      return new Sorting(CategoryTree.UNKNOWN, 0, List.of("no word of the name says a category"));
    }
    Map<String, Double> families = new LinkedHashMap<>();
    votes.forEach(v -> families.merge(CategoryTree.topOf(v.category()), v.weight(), Double::sum));
    List<Map.Entry<String, Double>> ranked = new ArrayList<>(families.entrySet());
    ranked.sort(Map.Entry.<String, Double>comparingByValue().reversed());
    String family = ranked.get(0).getKey();
    double best = ranked.get(0).getValue();
    double second = ranked.size() > 1 ? ranked.get(1).getValue() : 0;
    double confidence =
        Math.min(1, best / ENOUGH) * (0.5 + 0.48 * Math.min(1, (best - second) / best));
    String category = bestChild(family, votes);
    List<String> because = reasons(family, votes);
    if (confidence < UNSURE) {
      because.add(
          ranked.size() > 1
              ? "it may be " + family + " or " + ranked.get(1).getKey()
              : "that alone is not enough");
      return new Sorting(CategoryTree.UNKNOWN, round(confidence), because);
    }
    return new Sorting(category, round(confidence), because);
  }

  /** The child with most votes, or the family itself where no child stands out. */
  private static String bestChild(String family, List<Vote> votes) {
    Map<String, Double> children = new LinkedHashMap<>();
    for (Vote vote : votes) {
      if (CategoryTree.isWithin(vote.category(), family)) {
        children.merge(vote.category(), vote.weight(), Double::sum);
      }
    }
    return children.entrySet().stream()
        .filter(e -> !e.getKey().equals(family))
        .max(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey)
        .orElse(family);
  }

  private static List<String> reasons(String family, List<Vote> votes) {
    List<String> because = new ArrayList<>();
    votes.stream()
        .filter(v -> CategoryTree.isWithin(v.category(), family))
        .sorted(Comparator.comparingDouble(Vote::weight).reversed())
        .map(v -> "“" + v.word() + "” says " + v.category())
        .distinct()
        .limit(3)
        .forEach(because::add);
    return because;
  }

  private static List<Vote> votes(List<String> tokens) {
    List<Vote> votes = new ArrayList<>();
    int at = 0;
    while (at < tokens.size()) {
      int used = 0;
      for (int length = Math.min(LONGEST_PHRASE, tokens.size() - at); length > 0; length--) {
        String phrase = String.join(" ", tokens.subList(at, at + length));
        List<Entry> entries = DICTIONARY.get(phrase);
        if (entries != null) {
          entries.forEach(e -> votes.add(new Vote(e.category(), e.weight(), phrase)));
          used = length;
          break;
        }
      }
      if (used == 0) {
        misspelt(tokens.get(at), votes);
        used = 1;
      }
      at += used;
    }
    return votes;
  }

  private static void misspelt(String token, List<Vote> votes) {
    if (token.length() < 5) {
      return;
    }
    String singular = token.endsWith("s") ? token.substring(0, token.length() - 1) : token;
    for (Map.Entry<String, List<Entry>> entry : DICTIONARY.entrySet()) {
      String word = entry.getKey();
      if (word.length() >= 5
          && word.indexOf(' ') < 0
          && (word.equals(singular) || isOneEditAway(token, word))) {
        entry.getValue().stream()
            .filter(e -> e.weight() >= ENOUGH)
            .forEach(e -> votes.add(new Vote(e.category(), e.weight() * MISSPELT, token)));
        return;
      }
    }
  }

  /** One letter more, less or other, or two neighbours swapped. */
  static boolean isOneEditAway(String a, String b) {
    if (Math.abs(a.length() - b.length()) > 1) {
      return false;
    }
    int from = 0;
    int shorter = Math.min(a.length(), b.length());
    while (from < shorter && a.charAt(from) == b.charAt(from)) {
      from++;
    }
    int endA = a.length();
    int endB = b.length();
    while (endA > from && endB > from && a.charAt(endA - 1) == b.charAt(endB - 1)) {
      endA--;
      endB--;
    }
    int leftA = endA - from;
    int leftB = endB - from;
    boolean swapped =
        leftA == 2
            && leftB == 2
            && a.charAt(from) == b.charAt(from + 1)
            && a.charAt(from + 1) == b.charAt(from);
    return leftA <= 1 && leftB <= 1 || swapped;
  }

  private static double round(double confidence) {
    return Math.round(confidence * 100) / 100.0;
  }

  private static Map<String, List<Entry>> load() {
    Map<String, List<Entry>> dictionary = new HashMap<>();
    Set<String> seen = new HashSet<>();
    try (InputStream in = NameSorter.class.getResourceAsStream(WORDS);
        BufferedReader lines =
            new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8))) {
      for (String line = lines.readLine(); line != null; line = lines.readLine()) {
        if (line.isBlank() || line.startsWith("#")) {
          continue;
        }
        String[] columns = line.split("\t");
        Entry entry = new Entry(columns[0], Double.parseDouble(columns[1]));
        if (!CategoryTree.has(entry.category())) {
          throw new IllegalStateException(WORDS + " names no category: " + line);
        }
        for (String word : columns[2].split(",")) {
          if (seen.add(entry.category() + " " + word)) {
            dictionary.computeIfAbsent(word, key -> new ArrayList<>()).add(entry);
          }
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return dictionary;
  }
}
