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

  /** So many that have a word of their folder's name do not have it by chance. */
  private static final int FEWEST_OF_FOLDER = 4;

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
    List<String> read = new ArrayList<>(withoutOfAll(names, Set.of()));
    Map<String, List<Integer>> folders = new LinkedHashMap<>();
    for (int i = 0; i < names.size(); i++) {
      folders.computeIfAbsent(FileName.folderOf(names.get(i)), folder -> new ArrayList<>()).add(i);
    }
    folders.forEach(
        (folder, in) -> {
          List<String> rest =
              withoutOfAll(in.stream().map(read::get).toList(), wordsOfFolder(folder));
          for (int i = 0; i < in.size(); i++) {
            read.set(in.get(i), rest.get(i));
          }
        });
    return List.copyOf(read);
  }

  /** Words of the name of the innermost folder of a path. */
  private static Set<String> wordsOfFolder(String path) {
    return pieces(FileName.baseOf(path.replaceFirst("[/\\\\]+$", "")));
  }

  /**
   * @param titles words that are the files' together if only a few of them have them
   */
  private static List<String> withoutOfAll(List<String> names, Set<String> titles) {
    if (names.size() < (titles.isEmpty() ? FEWEST : FEWEST_OF_FOLDER)) {
      return names;
    }
    SharedWords shared = new SharedWords(names);
    Set<String> words = new HashSet<>();
    for (String word : shared.shared()) {
      boolean many = names.size() >= FEWEST || titles.contains(word);
      if (many && (saysNothing(word) || shared.isToldWithout(word))) {
        words.add(word);
      }
    }
    return words.isEmpty() ? names : names.stream().map(name -> without(name, words)).toList();
  }

  private Set<String> shared() {
    Map<String, Integer> counts = new HashMap<>();
    for (String name : names) {
      pieces(NameTokens.file(name)).forEach(word -> counts.merge(word, 1, Integer::sum));
    }
    counts.values().removeIf(count -> count < SHARE * names.size());
    return counts.keySet();
  }

  private static Set<String> pieces(String text) {
    Set<String> words = new HashSet<>();
    Matcher pieces = PIECE.matcher(text);
    while (pieces.find()) {
      words.add(pieces.group());
    }
    return words;
  }

  private static boolean saysNothing(String word) {
    List<String> tokens = NameTokens.of(word);
    return Departments.headOf(tokens).isEmpty() && NameSorter.sort(word).confidence() == 0;
  }

  /** True if the other words of the names say enough, and many different things. */
  private boolean isToldWithout(String word) {
    List<String> rest = names.stream().map(name -> without(name, Set.of(word))).toList();
    return Variety.isIn(rest, SHARE, FEWEST_FAMILIES);
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
