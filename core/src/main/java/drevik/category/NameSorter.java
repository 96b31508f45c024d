package drevik.category;

import drevik.category.Departments.Head;
import drevik.category.WordBook.Entry;
import drevik.category.WordBook.Match;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Sorts a delivered file into the category tree by its name and the folders that it lies in.
 *
 * <p>The name is taken apart into words; phrases of up to four words are looked up in the {@link
 * WordBook}, longest first; each gives votes. Votes of words that only describe another are dropped
 * ({@link Compounds}); the family with the strongest vote wins, then its child. Certainty follows
 * the strength of the winning vote and falls with the strongest vote against it; below a half the
 * answer is {@code unknown}: asking is better than guessing.
 */
public final class NameSorter {
  /** Certainty from which an answer is given at all. */
  public static final double UNSURE = 0.5;

  private static final double SURE = 0.9;

  /** Certainty of a meaning that is not the usual one. */
  private static final double FITTING = 0.66;

  /** A word further in front is rather a song's name, or describes what follows. */
  private static final double IN_FRONT = 0.94;

  /** Letters of a word that says no more than a side. */
  private static final int SIDE = 2;

  private static final double OF_DEPARTMENT = 0.96;
  private static final double OF_LIKELY_DEPARTMENT = 0.9;

  /** Families that are played or sung. */
  public static final Set<String> MUSICAL =
      Set.of(
          "drums",
          "percussion",
          "bass",
          "guitar",
          "keys",
          "synth",
          "strings",
          "brass",
          "winds",
          "vocals");

  /** Families of what is heard in a scene without being spoken. */
  private static final Set<String> OF_A_SCENE = Set.of("effects", "foley", "ambience");

  private static final double HEARD = 0.6;

  private static final double OF_FOLDER = 0.72;
  private static final double OF_OUTER_FOLDER = 0.55;
  private static final double AGREEMENT = 0.1;
  private static final double SAME = 0.88;

  private static final WordBook BOOK = new WordBook();

  /** Where a family's children describe the same thing, the one that says most about its use. */
  private static final Map<String, List<String>> TELLING =
      Map.of(
          "vocals",
          List.of("vocals/backing", "vocals/adlib", "vocals/double"),
          "guitar",
          List.of("guitar/plucked", "guitar/steel", "guitar/lead"),
          "bass",
          List.of("bass/upright", "bass/sub", "bass/synth", "bass/electric"),
          "synth",
          List.of("synth/arp", "synth/pluck", "synth/pad", "synth/lead"),
          "dialogue",
          List.of("dialogue/futz", "dialogue/crowd", "dialogue/adr", "dialogue/production"),
          "interview",
          List.of("interview/field"));

  /**
   * @param exact false for a word that was only read so
   */
  record Vote(
      String category, double weight, boolean soft, boolean exact, String word, String reason) {
    String family() {
      return CategoryTree.topOf(category);
    }
  }

  /** What takes the meaning of the words behind it away. */
  private static final Set<String> WITHOUT =
      Set.of(
          "no", "non", "not", "but", "without", "minus", "except", "ohne", "sin", "sem", "sans",
          "senza");

  private static final Pattern NUMBER = Pattern.compile("(?i)(?<!\\p{L})no\\.?[ _-]?\\d");

  private NameSorter() {}

  /** A name of which nothing else is known. */
  public static Sorting sort(String path) {
    return sort(path, KindOfWork.UNTOLD);
  }

  /**
   * What a name says in a delivery of some kind.
   *
   * @param path the file's name, with the folders above it if there are any
   * @param kind what the delivery is of that it came with
   */
  public static Sorting sort(String path, KindOfWork kind) {
    List<String> tokens = NameTokens.of(path);
    Optional<Head> head = Departments.headOf(tokens).filter(one -> one.holdsIn(kind));
    // Alone, or with a number or a side, the word says what it says anywhere.
    boolean alone =
        head.isEmpty()
            || tokens.stream().skip(head.get().words()).allMatch(word -> word.length() <= SIDE);
    Sorting byWords = alone ? byWords(path, kind) : null;
    return head.filter(one -> byWords == null || isUnknown(byWords))
        .flatMap(one -> ofDepartment(one, tokens, kind))
        .orElseGet(() -> byWords == null ? byWords(path, kind) : byWords);
  }

  /**
   * What a name says if it is of one of {@code families}: the meaning of its words that fits there,
   * even where another is more usual. A word that only helps, such as “verse”, does not outweigh
   * one that says another thing by itself.
   *
   * @param likely of these, those that a word's unusual meaning is believed for
   */
  static Optional<Sorting> among(
      String path, KindOfWork kind, Set<String> families, Set<String> likely) {
    List<Vote> all = votes(NameTokens.of(path), 1, kind);
    List<Vote> fitting =
        all.stream()
            .filter(vote -> (vote.soft() ? likely : families).contains(vote.family()))
            .toList();
    Set<String> words = fitting.stream().map(Vote::word).collect(Collectors.toSet());
    boolean outweighed =
        all.stream().anyMatch(vote -> !vote.soft() && !words.contains(vote.word()));
    if (outweighed) {
      fitting = fitting.stream().filter(vote -> !vote.soft()).toList();
    }
    if (fitting.isEmpty()) {
      return Optional.empty();
    }
    String family = strongestFamily(strengths(fitting));
    List<String> because = reasons(family, fitting);
    because.add("it stands among " + family);
    return Optional.of(
        new Sorting(childOf(family, fitting), FITTING, Sorting.Source.DELIVERY, because));
  }

  /** True if all words that say something say one family, and none was only read so. */
  static boolean hasOneMeaning(String path, KindOfWork kind) {
    List<Vote> votes = votes(NameTokens.of(path), 1, kind);
    return votes.stream().allMatch(Vote::exact)
        && votes.stream().map(Vote::family).distinct().count() == 1;
  }

  private static boolean isUnknown(Sorting sorting) {
    return sorting.category().equals(CategoryTree.UNKNOWN);
  }

  /** What a name begins with outweighs what follows, but for a whole stem of a department. */
  private static Optional<Sorting> ofDepartment(Head head, List<String> tokens, KindOfWork kind) {
    List<Vote> votes = votes(tokens, 1, head.sure() ? KindOfWork.PICTURE : kind);
    List<String> rest = tokens.subList(head.words(), tokens.size());
    boolean stem = votes.stream().anyMatch(vote -> vote.category().equals("print/stem"));
    if (stem && Departments.isWholeStem(rest)) {
      return Optional.empty();
    }
    String category = Departments.partOf(head, rest, votes);
    String because =
        "“"
            + head.written()
            + "” in front says "
            + category
            + (head.sure() ? "" : ", as the delivery is for picture");
    double certainty = head.sure() ? OF_DEPARTMENT : OF_LIKELY_DEPARTMENT;
    return Optional.of(Sorting.ofName(category, stem ? FITTING : certainty, List.of(because)));
  }

  private static Sorting byWords(String path, KindOfWork kind) {
    Sorting all = byAllWords(path, kind);
    List<String> tokens = NameTokens.of(path);
    int without =
        IntStream.range(0, tokens.size() - 1)
            .filter(i -> WITHOUT.contains(tokens.get(i)) && !isNumber(tokens.get(i), path))
            .findFirst()
            .orElse(-1);
    // A mix without something is a print of its own, and called so.
    if (without < 0 || isUnknown(all) || CategoryTree.isWithin(all.category(), "print")) {
      return all;
    }
    List<Vote> left = votes(tokens.subList(0, without), 1, kind);
    List<String> because = new ArrayList<>();
    if (!left.isEmpty()) {
      Sorting rest = decide(left);
      because.addAll(rest.because());
      because.add("“" + tokens.get(without) + "” takes away what follows it");
      return Sorting.ofName(rest.category(), rest.confidence(), because);
    }
    because.add("“" + tokens.get(without) + "” takes away what the name says otherwise");
    return Sorting.ofName(CategoryTree.UNKNOWN, 0, because);
  }

  /** “No. 5” counts, and takes nothing away. */
  private static boolean isNumber(String token, String path) {
    return token.equals("no") && NUMBER.matcher(path).find();
  }

  private static Sorting byAllWords(String path, KindOfWork kind) {
    List<Vote> votes = votes(NameTokens.of(path), 1, kind);
    if (strongest(votes) < SURE) {
      List<Vote> other = votes(NameTokens.ignoringCase(path), 1, kind);
      votes = strongest(other) > strongest(votes) ? other : votes;
    }
    Sorting found = decide(withFolders(votes, NameTokens.ofFolders(path), kind));
    return kind.hasSongs() && found.confidence() == 0 ? heardInASong(path, found) : found;
  }

  /** “Duck quack”, “Station”: what is heard in a scene is an effect in a song. */
  private static Sorting heardInASong(String path, Sorting unknown) {
    Sorting scene = decide(votes(NameTokens.of(path), 1, KindOfWork.PICTURE));
    return OF_A_SCENE.contains(CategoryTree.topOf(scene.category()))
        ? Sorting.ofName("fx", HEARD, scene.because())
        : unknown;
  }

  /**
   * The words of a file's name that may tell something: numbers, sides, and what says nothing of a
   * category left out, each once, in the order of the alphabet.
   */
  public static List<String> wordsOf(String path) {
    return NameTokens.of(path).stream()
        .filter(word -> !BOOK.saysNothing(word))
        .distinct()
        .sorted()
        .toList();
  }

  /**
   * Folders help where the file's own name says little: they are asked from the nearest outwards,
   * and the first that says something of its own is the last to be asked.
   */
  private static List<Vote> withFolders(
      List<Vote> votes, List<List<String>> folders, KindOfWork kind) {
    List<Vote> all = new ArrayList<>(votes);
    double factor = OF_FOLDER;
    for (List<String> folder : folders) {
      List<Vote> says = votes(folder, factor, kind);
      // A folder of prints or references in which a single instrument lies is still a folder of
      // them.
      says.stream()
          .filter(vote -> strongest(votes) < SURE || agrees(vote, votes))
          .forEach(all::add);
      if (says.stream().anyMatch(vote -> !vote.soft())) {
        break;
      }
      factor = OF_OUTER_FOLDER;
    }
    return all;
  }

  private static boolean agrees(Vote vote, List<Vote> votes) {
    return votes.stream().anyMatch(v -> !v.soft() && v.family().equals(vote.family()));
  }

  private static double strongest(List<Vote> votes) {
    return votes.stream().mapToDouble(Vote::weight).max().orElse(0);
  }

  private static Sorting decide(List<Vote> all) {
    List<Vote> told = Manner.withoutManner(all);
    List<Vote> votes = Compounds.withoutDescribing(told);
    if (votes.isEmpty()) {
      return Sorting.ofName(
          CategoryTree.UNKNOWN, 0, List.of("no word of the name says a category"));
    }
    Map<String, Double> families = strengths(votes);
    List<String> ranked =
        families.keySet().stream()
            .sorted(Comparator.comparingDouble((String f) -> -families.getOrDefault(f, 0.0)))
            .toList();
    String family = ranked.get(0);
    double best = families.getOrDefault(family, 0.0);
    double against =
        votes.stream()
            .filter(v -> !v.soft() && !v.family().equals(family))
            .mapToDouble(Vote::weight)
            .max()
            .orElse(0);
    double confidence = Math.min(certainty(best, against / best), Manner.mostCertain(all, family));
    List<String> because = reasons(family, votes);
    if (confidence < UNSURE) {
      because.add(
          ranked.size() > 1
              ? "it may be " + family + " or " + ranked.get(1)
              : "that alone is not enough");
      return Sorting.ofName(CategoryTree.UNKNOWN, round(confidence), because);
    }
    return Sorting.ofName(childOf(family, votes), round(confidence), because);
  }

  /** Each family's strongest vote, a little more where others agree. */
  private static Map<String, Double> strengths(List<Vote> votes) {
    Map<String, Double> strongest = new LinkedHashMap<>();
    Map<String, Double> sums = new LinkedHashMap<>();
    for (Vote vote : votes) {
      strongest.merge(vote.family(), vote.weight(), Math::max);
      sums.merge(vote.family(), vote.weight(), Double::sum);
    }
    strongest.replaceAll(
        (family, most) -> most + AGREEMENT * (sums.getOrDefault(family, most) - most));
    return strongest;
  }

  /** Measured on the labelled names: see {@code ./drevik bench sort}. */
  private static double certainty(double strength, double opposition) {
    double alone = strength >= SURE ? Math.min(0.98, 0.95 + 0.15 * (strength - SURE)) : strength;
    return alone * (1 - 0.45 * Math.min(1, opposition));
  }

  /** The child with the strongest vote, or the family itself where no child stands out. */
  private static String childOf(String family, List<Vote> votes) {
    Map<String, Double> children = new LinkedHashMap<>();
    for (Vote vote : votes) {
      if (vote.family().equals(family) && !vote.category().equals(family)) {
        children.merge(vote.category(), vote.weight(), Math::max);
      }
    }
    for (String telling : TELLING.getOrDefault(family, List.of())) {
      if (children.containsKey(telling)) {
        return telling;
      }
    }
    List<Map.Entry<String, Double>> ranked =
        children.entrySet().stream()
            .sorted(Map.Entry.<String, Double>comparingByValue().reversed())
            .toList();
    if (ranked.isEmpty()) {
      return family;
    }
    boolean tied = ranked.size() > 1 && ranked.get(1).getValue() > SAME * ranked.get(0).getValue();
    return tied ? family : ranked.get(0).getKey();
  }

  private static String strongestFamily(Map<String, Double> strengths) {
    return strengths.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey)
        .orElse(CategoryTree.UNKNOWN);
  }

  private static List<String> reasons(String family, List<Vote> votes) {
    return votes.stream()
        .filter(v -> v.family().equals(family))
        .sorted(Comparator.comparingDouble(Vote::weight).reversed())
        .map(Vote::reason)
        .distinct()
        .limit(3)
        .collect(Collectors.toCollection(ArrayList::new));
  }

  private static List<Vote> votes(List<String> tokens, double factor, KindOfWork kind) {
    List<Match> matches = new ArrayList<>();
    int at = 0;
    while (at < tokens.size()) {
      Match phrase = phrase(tokens, at, kind);
      if (phrase != null) {
        matches.add(phrase);
        at += phrase.word().split(" ").length;
      } else {
        BOOK.nearly(tokens.get(at), kind).ifPresent(matches::add);
        at++;
      }
    }
    List<Vote> votes = new ArrayList<>();
    for (int i = 0; i < matches.size(); i++) {
      Match match = matches.get(i);
      boolean last = i == matches.size() - 1;
      for (Entry entry : match.entries()) {
        // What was only read so is no surer because the word would be very sure.
        double said = match.likeness() < 1 ? Math.min(1, entry.weight()) : entry.weight();
        double weight = said * match.likeness() * factor * (last ? 1 : IN_FRONT);
        votes.add(
            new Vote(
                kind.meaning(entry.category()),
                weight,
                entry.isSoft(),
                match.likeness() == 1,
                match.word(),
                reason(match, entry, factor)));
      }
    }
    return votes;
  }

  private static @Nullable Match phrase(List<String> tokens, int at, KindOfWork kind) {
    int longest = Math.min(WordBook.LONGEST_PHRASE, tokens.size() - at);
    for (int length = longest; length > 0; length--) {
      String phrase = String.join(" ", tokens.subList(at, at + length));
      List<Entry> said = BOOK.exactly(phrase, kind);
      if (!said.isEmpty()) {
        return new Match(phrase, phrase, 1, said);
      }
    }
    return null;
  }

  private static String reason(Match match, Entry entry, double factor) {
    String where = factor < 1 ? "the folder’s " : "";
    return match.written().equals(match.word())
        ? where + "“" + match.written() + "” says " + entry.category()
        : where + "“" + match.written() + "” reads as “" + match.word() + "”: " + entry.category();
  }

  private static double round(double confidence) {
    return Math.round(confidence * 100) / 100.0;
  }
}
