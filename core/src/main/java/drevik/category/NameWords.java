package drevik.category;

import java.text.Normalizer;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;

/** Words of a name as people see them, numbers too, for questions such as “is “take 2” in it”. */
public final class NameWords {
  private static final Pattern MARKS = Pattern.compile("\\p{M}+");
  private static final Pattern BREAKS =
      Pattern.compile(
          "[^\\p{L}\\d]+|(?<=\\p{Ll})(?=\\p{Lu})|(?<=\\p{L})(?=\\d)|(?<=\\d)(?=\\p{L})");

  /** Where a microphone stands → how people write it. */
  private static final Map<String, Set<String>> POSITIONS =
      Map.ofEntries(
          Map.entry("in", Set.of("in", "inside", "inner")),
          Map.entry("out", Set.of("out", "outside", "outer")),
          Map.entry("top", Set.of("top", "upper")),
          Map.entry("bottom", Set.of("bottom", "btm", "bot", "under", "lower")),
          Map.entry("front", Set.of("front", "frnt")),
          Map.entry("back", Set.of("back", "rear", "bck")),
          Map.entry("close", Set.of("close", "near", "spot", "cl")),
          Map.entry("far", Set.of("far", "distant")),
          Map.entry("room", Set.of("room", "rm", "amb")),
          Map.entry("over", Set.of("over", "oh", "overhead", "overheads")),
          Map.entry("direct", Set.of("direct", "di")),
          Map.entry("amp", Set.of("amp", "cab")),
          Map.entry("boom", Set.of("boom", "bm")),
          Map.entry("body", Set.of("lav", "lavalier", "lapel", "body", "clip")));

  private NameWords() {}

  /** {@code KickIn_take02} gives kick, in, take, 02. */
  public static Set<String> of(String name) {
    String plain = MARKS.matcher(Normalizer.normalize(name, Normalizer.Form.NFD)).replaceAll("");
    Set<String> words = new LinkedHashSet<>();
    for (String word : BREAKS.split(plain, 0)) {
      if (!word.isEmpty()) {
        words.add(word.toLowerCase(Locale.ROOT));
      }
    }
    return words;
  }

  /** Where microphones can stand, as an entry of a category map asks for it. */
  public static List<String> positions() {
    return POSITIONS.keySet().stream().sorted().toList();
  }

  /** True if a name says that its microphone stands there. */
  public static boolean standsAt(String name, String position) {
    Set<String> words = of(name);
    String asked = position.strip().toLowerCase(Locale.ROOT);
    return POSITIONS.getOrDefault(asked, Set.of(asked)).stream().anyMatch(words::contains);
  }
}
