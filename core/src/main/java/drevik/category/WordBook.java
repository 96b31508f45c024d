package drevik.category;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;

/**
 * The words that tell a category, and the ways in which people write them: exactly, run together
 * (“snaretop”), with a letter wrong, without vowels (“mrmba”), cut short (“clarin”).
 */
final class WordBook {
  /** What a word says about one category: 1 says it by itself, below 0.7 only helps. */
  record Entry(String category, double weight) {
    /** Says little by itself, and does not speak against others. */
    boolean isSoft() {
      return weight < 0.7;
    }

    boolean isOfFamily(Entry other) {
      return CategoryTree.topOf(category).equals(CategoryTree.topOf(other.category()));
    }
  }

  /** A word of the book as somebody wrote it. */
  record Match(String written, String word, double likeness, List<Entry> entries) {}

  private static final String WORDS = "sorting-words.tsv";
  private static final String RARE = "rare-words.tsv";
  private static final String ORDINARY = "ordinary-words.txt";
  static final List<String> RESOURCES = List.of(WORDS, RARE, ORDINARY);
  private static final String SAYS_NOTHING = "-";
  static final int LONGEST_PHRASE = 4;

  private static final double RUN_TOGETHER = 0.96;
  // Of such readings a third was wrong on lists that nobody had looked at.
  private static final double MISSPELT = 0.69;
  private static final double WITHOUT_VOWELS = 0.82;
  private static final double CUT_SHORT = 0.69;
  private static final double COMPOUND = 0.69;
  private static final int SHORTEST_MISSPELT = 5;
  private static final int SHORTEST_TWICE_MISSPELT = 9;
  private static final int SHORTEST_CUT = 5;
  private static final int SHORTEST_PART = 3;

  /** Of a compound: the part that says what it is, and what stands in front of it. */
  private static final int SHORTEST_HEAD = 5;

  private static final int SHORTEST_BEFORE_HEAD = 3;

  private final Map<String, List<Entry>> entries = new HashMap<>();
  private final Set<String> sayNothing = new HashSet<>();

  /** Words that are read only where they are written exactly so. */
  private final Set<String> rare = new HashSet<>();

  /** Words that say another thing in work of one kind, in the place of what they say else. */
  private final Map<KindOfWork, Map<String, List<Entry>>> ofKind = new EnumMap<>(KindOfWork.class);

  /** Words of one piece that others can be a misspelling of. */
  private final List<String> single;

  private final Map<String, List<String>> byConsonants = new HashMap<>();

  /**
   * What tokens were read as. Names of a delivery repeat each other, each is sorted several times,
   * and a token that is no word is compared with all words; the answer is always the same.
   */
  private final Map<String, Optional<Match>> likeOthers = new ConcurrentHashMap<>();

  /** Some megabytes; what comes after is read each time. */
  private static final int MOST_REMEMBERED = 20_000;

  WordBook() {
    load();
    single =
        entries.keySet().stream()
            .filter(word -> word.indexOf(' ') < 0 && word.length() > SHORTEST_PART)
            .filter(word -> !rare.contains(word))
            .filter(word -> exactly(word).stream().anyMatch(e -> !e.isSoft()))
            .sorted(Comparator.comparingInt(String::length).thenComparing(word -> word))
            .toList();
    single.forEach(
        word -> byConsonants.computeIfAbsent(consonants(word), key -> new ArrayList<>()).add(word));
  }

  /** The entries of a word or phrase, written exactly so. */
  List<Entry> exactly(String phrase) {
    return entries.getOrDefault(phrase, List.of());
  }

  /** The same in work of one kind. */
  List<Entry> exactly(String phrase, KindOfWork kind) {
    Map<String, List<Entry>> words = ofKind.getOrDefault(kind, Map.of());
    List<Entry> own = words.getOrDefault(phrase, List.of());
    if (!own.isEmpty()) {
      return own;
    }
    List<Entry> plain = exactly(phrase);
    List<Entry> usual =
        kind.within()
            .filter(wider -> kind.replacesUsual() || plain.isEmpty())
            .map(wider -> exactly(phrase, wider))
            .orElse(plain);
    return usual.isEmpty() && phrase.endsWith("s")
        ? words.getOrDefault(phrase.substring(0, phrase.length() - 1), usual)
        : usual;
  }

  /** True for words such as “take”, which are no misspelling of anything. */
  boolean saysNothing(String token) {
    return token.length() < 2 || sayNothing.contains(token);
  }

  /** What a token that is no word of the book may mean; empty if that is not clear. */
  Optional<Match> nearly(String token, KindOfWork kind) {
    if (saysNothing(token)) {
      return Optional.empty();
    }
    return withoutUmlauts(token)
        .or(() -> plural(token))
        .or(() -> doubled(token))
        .or(() -> runTogether(token))
        .or(() -> compound(token, kind))
        .or(() -> likeAnother(token));
  }

  private Optional<Match> likeAnother(String token) {
    Optional<Match> before = likeOthers.get(token);
    if (before != null) {
      return before;
    }
    Optional<Match> found =
        misspelt(token, 1)
            .or(() -> withoutVowels(token))
            .or(() -> cutShort(token))
            .or(
                () ->
                    token.length() < SHORTEST_TWICE_MISSPELT
                        ? Optional.empty()
                        : misspelt(token, 2));
    if (likeOthers.size() < MOST_REMEMBERED) {
      likeOthers.put(token, found);
    }
    return found;
  }

  private Optional<Match> plural(String token) {
    for (String ending : List.of("s", "z", "es", "en", "n")) {
      if (token.length() > ending.length() + 2 && token.endsWith(ending)) {
        String one = token.substring(0, token.length() - ending.length());
        if (entries.containsKey(one) && ending.length() + one.length() > 3) {
          return Optional.of(new Match(token, one, 1, entries.get(one)));
        }
      }
    }
    return Optional.empty();
  }

  /** “floete”: the way to write “flöte” without a dot; the book has it without its marks. */
  private Optional<Match> withoutUmlauts(String token) {
    String plain = token.replace("ae", "a").replace("oe", "o").replace("ue", "u");
    return plain.equals(token) || !entries.containsKey(plain)
        ? Optional.empty()
        : Optional.of(new Match(token, plain, 1, entries.get(plain)));
  }

  /** “drumm”, “kiick”: a letter that was typed twice. */
  private Optional<Match> doubled(String token) {
    String single = token.replaceAll("(.)\\1", "$1");
    return single.equals(token) || !entries.containsKey(single)
        ? Optional.empty()
        : Optional.of(new Match(token, single, MISSPELT, entries.get(single)));
  }

  /**
   * “kickout”, “leadvox”, “ohl”: words of the book and words that say nothing, without gaps. The
   * fewest pieces win; their meaning is that of the phrase if the book has it.
   */
  private Optional<Match> runTogether(String token) {
    int length = token.length();
    if (length < SHORTEST_PART) {
      return Optional.empty();
    }
    for (int i = 1; i < length; i++) {
      String phrase = token.substring(0, i) + " " + token.substring(i);
      if (entries.containsKey(phrase)) {
        return Optional.of(new Match(token, phrase, RUN_TOGETHER, entries.get(phrase)));
      }
    }
    List<List<String>> best = new ArrayList<>(List.of(List.of()));
    for (int end = 1; end <= length; end++) {
      List<String> found = null;
      for (int start = 0; start < end; start++) {
        List<String> before = best.get(start);
        if (before == null || !isPiece(token, start, end)) {
          continue;
        }
        if (found == null || before.size() + 1 < found.size()) {
          found = new ArrayList<>(before);
          found.add(token.substring(start, end));
        }
      }
      best.add(found);
    }
    List<String> pieces = best.get(length);
    if (pieces == null || pieces.size() < 2 || pieces.size() > 3) {
      return Optional.empty();
    }
    List<Entry> said = new ArrayList<>(exactly(String.join(" ", pieces)));
    if (said.isEmpty()) {
      pieces.forEach(piece -> said.addAll(exactly(piece)));
    }
    long families =
        said.stream()
            .filter(entry -> !entry.isSoft())
            .map(entry -> CategoryTree.topOf(entry.category()))
            .distinct()
            .count();
    // Two instruments in one word are rather another word: “refrain” is no reference of rain.
    return families == 1
        ? Optional.of(new Match(token, String.join(" ", pieces), RUN_TOGETHER, said))
        : Optional.empty();
  }

  /** Short abbreviations that may be followed by a side or a number only. */
  private static final Set<String> TWO_LETTERS =
      Set.of("oh", "bd", "sn", "sd", "hh", "lv", "bv", "ep", "dx", "mx", "ld", "ac", "el", "bg");

  private static final Set<String> SIDES =
      Set.of("l", "r", "m", "s", "in", "out", "top", "bot", "btm", "up", "dn", "di", "hi", "lo");

  /** What people run together with an instrument; other words are too often part of a name. */
  private static final Set<String> BESIDE =
      Set.of(
          "top",
          "bottom",
          "left",
          "right",
          "mic",
          "mics",
          "amp",
          "close",
          "far",
          "near",
          "high",
          "low",
          "mono",
          "stereo",
          "comp",
          "edit",
          "dry",
          "wet",
          "loop",
          "take",
          "new",
          "old",
          "part",
          "clean",
          "inside",
          "outside",
          "center",
          "verse",
          "chorus",
          "bridge",
          "intro",
          "mikro",
          "mikrofon",
          "spur",
          "satz",
          "links",
          "rechts",
          "oben",
          "unten",
          "innen",
          "aussen",
          "gauche",
          "droite",
          "summe",
          "lead",
          "solo");

  private boolean isPiece(String token, int start, int end) {
    String piece = token.substring(start, end);
    if (entries.containsKey(piece) && !rare.contains(piece)) {
      return piece.length() >= SHORTEST_PART || (start == 0 && TWO_LETTERS.contains(piece));
    }
    boolean last = end == token.length();
    return (last && SIDES.contains(piece) && start >= 2) || BESIDE.contains(piece);
  }

  /** “barockharfe”, “kerkorgel”, “türglocke”: in Germanic languages the last part is what it is. */
  private Optional<Match> compound(String token, KindOfWork kind) {
    for (int start = SHORTEST_BEFORE_HEAD; start <= token.length() - SHORTEST_HEAD; start++) {
      String head = token.substring(start);
      List<Entry> said = exactly(head, kind);
      // Two instruments in one word are two instruments, not a kind of the second.
      boolean described =
          exactly(token.substring(0, start), kind).stream()
              .allMatch(entry -> entry.isSoft() || said.stream().anyMatch(entry::isOfFamily));
      if (described && said.stream().anyMatch(WordBook::saysAThing)) {
        return Optional.of(new Match(token, head, COMPOUND, said));
      }
    }
    return Optional.empty();
  }

  /** A compound names a thing; that one is printed or a reference is said in a word of its own. */
  private static boolean saysAThing(Entry entry) {
    return !entry.isSoft()
        && !Set.of("print", "reference", "click").contains(CategoryTree.topOf(entry.category()));
  }

  private Optional<Match> misspelt(String token, int letters) {
    if (token.length() < SHORTEST_MISSPELT - 1) {
      return Optional.empty();
    }
    List<String> near = new ArrayList<>();
    for (String word : single) {
      // The first letter is seldom wrong, and five letters are too few to be sure without it.
      boolean start = word.charAt(0) == token.charAt(0);
      int shortest = start ? SHORTEST_MISSPELT : SHORTEST_MISSPELT + 1;
      boolean close =
          token.length() >= SHORTEST_MISSPELT
              && word.length() >= Math.max(shortest, 4 * letters)
              && Math.abs(word.length() - token.length()) <= letters
              && Spelling.distance(token, word, letters) <= letters;
      if (close || (start && Spelling.isShuffled(token, word, letters))) {
        near.add(word);
      }
    }
    return agreed(token, near, letters == 1 ? MISSPELT : MISSPELT * MISSPELT);
  }

  private Optional<Match> withoutVowels(String token) {
    String skeleton = consonants(token);
    if (skeleton.length() < 3 || token.length() > 8) {
      return Optional.empty();
    }
    List<String> near =
        byConsonants.getOrDefault(skeleton, List.of()).stream()
            .filter(word -> word.length() > token.length() && isWithin(token, word))
            .toList();
    return agreed(token, near, WITHOUT_VOWELS);
  }

  private Optional<Match> cutShort(String token) {
    if (token.length() < SHORTEST_CUT) {
      return Optional.empty();
    }
    List<String> near = single.stream().filter(word -> word.startsWith(token)).toList();
    return agreed(token, near, CUT_SHORT);
  }

  /** The words' common meaning; empty if they belong to more than one family. */
  private Optional<Match> agreed(String token, List<String> words, double likeness) {
    List<Entry> said =
        words.stream()
            .flatMap(word -> exactly(word).stream())
            .filter(e -> !e.isSoft())
            .distinct()
            .toList();
    long families = said.stream().map(e -> CategoryTree.topOf(e.category())).distinct().count();
    if (families != 1) {
      return Optional.empty();
    }
    // Several words of one family: what they have in common is the family.
    List<String> categories = said.stream().map(Entry::category).distinct().toList();
    double weight = said.stream().mapToDouble(Entry::weight).max().orElse(0);
    String category =
        categories.size() == 1 ? categories.get(0) : CategoryTree.topOf(categories.get(0));
    return Optional.of(
        new Match(token, words.get(0), likeness, List.of(new Entry(category, weight))));
  }

  /** The first letter and the consonants behind it, each pair of the same ones as one. */
  private static String consonants(String word) {
    StringBuilder letters = new StringBuilder(word.length()).append(word.charAt(0));
    boolean paired = true;
    for (int i = 1; i < word.length(); i++) {
      char letter = word.charAt(i);
      if ("aeiouy".indexOf(letter) >= 0) {
        continue;
      }
      paired = !paired && letters.charAt(letters.length() - 1) == letter;
      if (!paired) {
        letters.append(letter);
      }
    }
    return letters.toString();
  }

  /** True if the letters of {@code part} stand in {@code whole} in this order. */
  private static boolean isWithin(String part, String whole) {
    int at = 0;
    for (int i = 0; i < whole.length() && at < part.length(); i++) {
      at += whole.charAt(i) == part.charAt(at) ? 1 : 0;
    }
    return at == part.length();
  }

  private void load() {
    eachLine(WORDS, this::take);
    Set<String> usual = Set.copyOf(entries.keySet());
    eachLine(RARE, this::take);
    rare.addAll(entries.keySet());
    rare.removeAll(usual);
    eachLine(ORDINARY, line -> sayNothing.addAll(List.of(line.split(" "))));
  }

  private static void eachLine(String resource, Consumer<String> take) {
    try (InputStream in = WordBook.class.getResourceAsStream(resource);
        BufferedReader lines =
            new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8))) {
      for (String line = lines.readLine(); line != null; line = lines.readLine()) {
        if (!line.isBlank() && !line.startsWith("#")) {
          take.accept(line);
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private void take(String line) {
    Line said = Line.of(line);
    if (said.category().equals(SAYS_NOTHING)) {
      sayNothing.addAll(said.words());
      return;
    }
    for (String word : said.words()) {
      add(said, word);
    }
  }

  private void add(Line said, String word) {
    Map<String, List<Entry>> words =
        said.kind() == KindOfWork.UNTOLD
            ? entries
            : ofKind.computeIfAbsent(said.kind(), one -> new HashMap<>());
    List<Entry> all = words.computeIfAbsent(word, key -> new ArrayList<>(1));
    if (all.stream().noneMatch(entry -> entry.category().equals(said.category()))) {
      all.add(new Entry(said.category(), said.weight()));
    }
  }

  /** A line of a list: a category, in front of it perhaps a kind of work; a weight; words. */
  private record Line(KindOfWork kind, String category, double weight, List<String> words) {
    static Line of(String line) {
      String[] columns = line.split("\t", 0);
      int mark = columns[0].indexOf(':');
      KindOfWork kind =
          mark < 0
              ? KindOfWork.UNTOLD
              : KindOfWork.valueOf(columns[0].substring(0, mark).toUpperCase(Locale.ROOT));
      String category = columns[0].substring(mark + 1);
      if (!category.equals(SAYS_NOTHING) && !CategoryTree.has(category)) {
        throw new IllegalStateException("a list of words names no category: " + line);
      }
      return new Line(
          kind, category, Double.parseDouble(columns[1]), List.of(columns[2].split(",")));
    }
  }
}
