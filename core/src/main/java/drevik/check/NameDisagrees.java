package drevik.check;

import drevik.category.CategoryTree;
import drevik.category.NameSorter;
import drevik.category.Sorting;
import drevik.check.Finding.Severity;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.route.Coverage.Way;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;

/** Stems that are called after what is not in them. */
final class NameDisagrees implements LineCheckRule {
  /** What only says what kind of file it is. */
  private static final Set<String> OF_FILES =
      Set.of(
          "stem",
          "stems",
          "undipped",
          "dipped",
          "surround",
          "stereo",
          "mono",
          "mix",
          "print",
          "bus",
          "sum",
          "dry",
          "wet",
          "full",
          "clean");

  /** What no stem is called after. */
  private static final Set<String> NO_SOUND = Set.of("print", "reference", "click");

  /** Families that are called by each other's names. */
  private static final List<Set<String>> ALIKE =
      List.of(
          Set.of("dialogue", "narration", "interview", "natural", "vocals"),
          Set.of("effects", "foley", "ambience", "natural", "fx"),
          Set.of("drums", "percussion"),
          Set.of("keys", "synth"),
          Set.of("bass", "synth"),
          Set.of("orchestra", "strings", "brass", "winds", "percussion"));

  /** What is called music or score may hold all that is played. */
  private static final String MUSIC = "score";

  private static final Set<String> OF_MUSIC = Set.of("orchestra", "fx");

  @Override
  public void check(Survey survey) {
    for (Output output : survey.mix.outputs()) {
      boolean stem = output.kind() == OutputKind.STEM || output.kind() == OutputKind.UNDIPPED_STEM;
      String family = stem ? familyOf(output.name()) : CategoryTree.UNKNOWN;
      if (!family.equals(CategoryTree.UNKNOWN)) {
        compare(survey, output, family);
      }
    }
  }

  private static String familyOf(String name) {
    List<String> words = List.of(name.toLowerCase(Locale.ROOT).split("[^\\p{L}\\d]+"));
    String said =
        words.stream()
            .filter(word -> !OF_FILES.contains(word) && word.chars().anyMatch(Character::isLetter))
            .collect(Collectors.joining(" "));
    if (said.isEmpty()) {
      return CategoryTree.UNKNOWN;
    }
    if (said.equals("music")) {
      return MUSIC;
    }
    Sorting sorting = NameSorter.sort(said);
    String family = CategoryTree.topOf(sorting.category());
    return sorting.confidence() >= Sorting.SURE && !NO_SOUND.contains(family)
        ? family
        : CategoryTree.UNKNOWN;
  }

  private static void compare(Survey survey, Output output, String family) {
    Set<String> held = new LinkedHashSet<>();
    for (Channel seat : survey.mix.channels()) {
      if (seat.kind() == ChannelKind.SEAT
          && !seat.stowed()
          && survey.wired.paths(seat.id(), output.id(), Way.DRY) > 0) {
        held.add(CategoryTree.topOf(seat.category()));
      }
    }
    held.remove(CategoryTree.UNKNOWN);
    if (!held.isEmpty() && held.stream().noneMatch(one -> isCalled(one, family))) {
      survey.report(
          Rule.NAME_DISAGREES,
          Severity.DOUBTFUL,
          List.of(output.id(), output.channel()),
          "“"
              + output.name()
              + "” holds "
              + String.join(", ", held)
              + ", and nothing that it is called after ("
              + family
              + ").");
    }
  }

  private static boolean isCalled(String family, String name) {
    return family.equals(name)
        || (name.equals(MUSIC)
            && (NameSorter.MUSICAL.contains(family) || OF_MUSIC.contains(family)))
        || ALIKE.stream().anyMatch(group -> group.contains(family) && group.contains(name));
  }
}
