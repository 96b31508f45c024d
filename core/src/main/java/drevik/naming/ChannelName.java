package drevik.naming;

import drevik.audio.Layout;
import drevik.category.CategoryTree;
import drevik.category.NameSorter;
import drevik.category.Sorting;
import drevik.mix.ChannelKind;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * What the name of a channel says by itself: “Drum Bus” is a bus of drums, “Plate verb” a return,
 * “Keys st” a stereo seat. Categories come from the same sorter as those of delivered files; words
 * that say what a channel is for are left out before it is asked.
 *
 * @param kind empty where no word says it
 * @param layout empty where no word says it
 * @param sorting {@code unknown} where nothing says enough
 * @param isMix true for the channel that everything runs into
 */
public record ChannelName(
    Optional<ChannelKind> kind, Optional<Layout> layout, Sorting sorting, boolean isMix) {
  private static final Pattern BREAKS =
      Pattern.compile("[^\\p{L}\\p{M}\\d.]+|(?<=\\p{Ll})(?=\\p{Lu})");
  private static final Set<String> BUS =
      words("bus buss busses buses grp grps group groups gruppe sum summe submix stem");
  private static final Set<String> RETURN =
      words("rtn ret return returns verb verbs reverb rvb delay dly echo throw plate hall aux");
  private static final Set<String> MASTER = words("master mastering print out");
  private static final Set<String> MIX = words("mix mixes mixbus mixdown 2mix main full premaster");

  /** What is pressed hard beside what it is made of: no place for tracks of its own. */
  private static final Set<String> PARALLEL =
      words("parallel para smash smashed crush crushed squash squashed squeeze squeezed");

  private static final Map<String, Layout> LAYOUTS =
      Map.ofEntries(
          Map.entry("mono", Layout.MONO),
          Map.entry("stereo", Layout.STEREO),
          Map.entry("ster", Layout.STEREO),
          Map.entry("st", Layout.STEREO),
          Map.entry("lcr", Layout.LCR),
          Map.entry("quad", Layout.QUAD),
          Map.entry("5.0", Layout.SURROUND_5_0),
          Map.entry("5.1", Layout.SURROUND_5_1),
          Map.entry("7.1", Layout.SURROUND_7_1),
          Map.entry("7.1.4", Layout.SURROUND_7_1_4));

  private static Set<String> words(String words) {
    return Set.of(words.split(" "));
  }

  /** True for what takes sends beside another way, by its name: “Drum smash”, “Vox parallel”. */
  public static boolean saysParallel(String name) {
    return has(split(name), PARALLEL);
  }

  private static List<String> split(String name) {
    return Arrays.stream(BREAKS.split(name)).filter(word -> !word.isEmpty()).toList();
  }

  public static ChannelName of(String name) {
    List<String> words = split(name);
    Optional<Layout> layout =
        words.stream()
            .flatMap(word -> Optional.ofNullable(LAYOUTS.get(lower(word))).stream())
            .findFirst();
    String spoken = without(words, LAYOUTS::containsKey);
    Sorting whole = NameSorter.sort(spoken);
    if (CategoryTree.isWithin(whole.category(), "reference")) {
      return new ChannelName(Optional.of(ChannelKind.REFERENCE), layout, whole, false);
    }
    boolean ends = has(words, MASTER) || has(words, MIX);
    if (ends
        && isUnknown(
            without(
                words,
                word -> MASTER.contains(word) || MIX.contains(word) || BUS.contains(word)))) {
      boolean master = has(words, MASTER);
      return new ChannelName(
          Optional.of(master ? ChannelKind.MASTER : ChannelKind.BUS), layout, UNSAID, !master);
    }
    boolean sure = whole.confidence() >= Sorting.SURE;
    if (has(words, BUS) || (sure && whole.category().equals("print/stem"))) {
      return new ChannelName(Optional.of(ChannelKind.BUS), layout, rest(words, BUS), false);
    }
    if (has(words, RETURN) || (sure && whole.category().equals("print/return"))) {
      return new ChannelName(Optional.of(ChannelKind.RETURN), layout, rest(words, RETURN), false);
    }
    // One word read as a print's is no witness that a channel holds one.
    boolean printed =
        CategoryTree.isWithin(whole.category(), "print") && whole.confidence() < Sorting.SURE;
    return new ChannelName(Optional.empty(), layout, printed ? UNSAID : whole, false);
  }

  private static final Sorting UNSAID =
      new Sorting(
          CategoryTree.UNKNOWN,
          0,
          Sorting.Source.NAME,
          List.of("no word of the name says a category"));

  /** What is left is sorted; that something was printed is no category of what makes it. */
  private static Sorting rest(List<String> words, Set<String> said) {
    String rest = without(words, word -> said.contains(word) || LAYOUTS.containsKey(word));
    Sorting sorting = rest.isEmpty() ? UNSAID : NameSorter.sort(rest);
    boolean ofRoom = said == RETURN && sorting.category().equals("drums/room");
    return CategoryTree.isWithin(sorting.category(), "print") || ofRoom ? UNSAID : sorting;
  }

  private static boolean isUnknown(String rest) {
    return rest.isEmpty() || NameSorter.sort(rest).category().equals(CategoryTree.UNKNOWN);
  }

  private static boolean has(List<String> words, Set<String> some) {
    return words.stream().map(ChannelName::lower).anyMatch(some::contains);
  }

  private static String without(List<String> words, Predicate<String> left) {
    return words.stream().filter(word -> !left.test(lower(word))).collect(Collectors.joining(" "));
  }

  private static String lower(String word) {
    return word.toLowerCase(Locale.ROOT);
  }
}
