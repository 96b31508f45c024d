package drevik.category;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Words that nearly all names of a delivery have: a song's name, a trailer's or an episode's code.
 * They tell nothing of any one file, even where one of them is an instrument (“Golden Horn -
 * Kick”), and a department may stand behind them (“TRLR_MX_choir”).
 */
final class SharedWords {
  private static final Pattern PIECE = Pattern.compile("[\\p{L}\\p{M}\\p{Nd}]+");

  /** Of fewer names, several may have a word in common by chance. */
  private static final int FEWEST = 8;

  private static final double SHARE = 0.7;

  /** A delivery of one choir has its word in common as well; one of so many families has not. */
  private static final int FEWEST_FAMILIES = 4;

  private final List<String> names;

  private SharedWords(List<String> names) {
    this.names = names;
  }

  /**
   * The names, in their order, without the words that they share and without endings: all of them,
   * and then those of each folder, as the songs of an album have.
   */
  static List<String> without(List<String> names) {
    List<String> read = new ArrayList<>(withoutOfAll(names));
    Map<String, List<Integer>> folders = new LinkedHashMap<>();
    for (int i = 0; i < names.size(); i++) {
      folders.computeIfAbsent(FileName.folderOf(names.get(i)), folder -> new ArrayList<>()).add(i);
    }
    if (folders.size() > 1) {
      for (List<Integer> in : folders.values()) {
        List<String> rest = withoutOfAll(in.stream().map(read::get).toList());
        for (int i = 0; i < in.size(); i++) {
          read.set(in.get(i), rest.get(i));
        }
      }
    }
    return List.copyOf(read);
  }

  private static List<String> withoutOfAll(List<String> names) {
    if (names.size() < FEWEST) {
      return names;
    }
    SharedWords shared = new SharedWords(names);
    Set<String> words = new HashSet<>();
    for (String word : shared.shared()) {
      if (saysNothing(word) || shared.isToldWithout(word)) {
        words.add(word);
      }
    }
    return words.isEmpty() ? names : names.stream().map(name -> without(name, words)).toList();
  }

  private Set<String> shared() {
    Map<String, Integer> counts = new HashMap<>();
    for (String name : names) {
      Set<String> words = new HashSet<>();
      Matcher pieces = PIECE.matcher(NameTokens.file(name));
      while (pieces.find()) {
        words.add(pieces.group());
      }
      words.forEach(word -> counts.merge(word, 1, Integer::sum));
    }
    counts.values().removeIf(count -> count < SHARE * names.size());
    return counts.keySet();
  }

  private static boolean saysNothing(String word) {
    List<String> tokens = NameTokens.of(word);
    return Departments.headOf(tokens).isEmpty() && NameSorter.sort(word).confidence() == 0;
  }

  /** True if the other words of the names say enough, and many different things. */
  private boolean isToldWithout(String word) {
    List<Sorting> sure =
        names.stream()
            .map(name -> NameSorter.sort(without(name, Set.of(word))))
            .filter(one -> one.confidence() >= Sorting.SURE)
            .toList();
    long families = sure.stream().map(one -> CategoryTree.topOf(one.category())).distinct().count();
    return sure.size() >= SHARE * names.size() && families >= FEWEST_FAMILIES;
  }

  /** A name that is nothing else keeps it. */
  private static String without(String name, Set<String> words) {
    String rest =
        PIECE
            .matcher(NameTokens.file(name))
            .replaceAll(
                piece ->
                    words.contains(piece.group()) ? "" : Matcher.quoteReplacement(piece.group()));
    return NameTokens.of(rest).isEmpty() ? name : FileName.folderOf(name) + rest;
  }
}
