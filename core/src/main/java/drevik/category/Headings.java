package drevik.category;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Words that stand in front of many names of a delivery and say which group they are of, not what
 * they are: “Guest act kick”, “Guest act piano”. Where the word by itself would say something that
 * is spoken or heard in a scene, and what follows are instruments and voices of several families,
 * what follows is right.
 */
final class Headings {
  /** A number in front, then one or two words, then what is left. */
  private static final List<Pattern> HEADS =
      List.of(
          Pattern.compile("^(?:\\d+[ _.\\-]+)?(\\p{L}+[ _.\\-]+\\p{L}+)[ _.\\-]+(.+)$"),
          Pattern.compile("^(?:\\d+[ _.\\-]+)?(\\p{L}+)[ _.\\-]+(.+)$"));

  private static final int FEWEST_NAMES = 3;
  private static final int FEWEST_FAMILIES = 2;
  private static final double MOST = 0.7;

  private static final Set<String> OF_SCENES =
      Set.of("dialogue", "narration", "interview", "natural", "ambience", "effects", "foley");

  private Headings() {}

  /** The names without their headings, with the folders that they had. */
  static List<String> without(List<String> names) {
    List<String> left = new ArrayList<>(names);
    for (Pattern head : HEADS) {
      Map<String, List<Integer>> groups = new HashMap<>();
      for (int i = 0; i < left.size(); i++) {
        Matcher matcher = head.matcher(FileName.baseOf(left.get(i)));
        if (matcher.matches()) {
          String heading = matcher.group(1).toLowerCase(Locale.ROOT);
          groups.computeIfAbsent(heading, key -> new ArrayList<>()).add(i);
        }
      }
      groups.forEach((heading, places) -> leaveOut(heading, places, left, head));
    }
    return left;
  }

  private static void leaveOut(
      String heading, List<Integer> places, List<String> names, Pattern head) {
    if (places.size() < FEWEST_NAMES || !OF_SCENES.contains(familyOf(heading))) {
      return;
    }
    Map<Integer, String> rests = new HashMap<>();
    for (int place : places) {
      Matcher matcher = head.matcher(FileName.baseOf(names.get(place)));
      if (matcher.matches() && NameSorter.MUSICAL.contains(familyOf(matcher.group(2)))) {
        rests.put(place, matcher.group(2));
      }
    }
    Set<String> families =
        rests.values().stream().map(Headings::familyOf).collect(Collectors.toSet());
    if (rests.size() >= MOST * places.size() && families.size() >= FEWEST_FAMILIES) {
      rests.forEach((place, rest) -> names.set(place, FileName.folderOf(names.get(place)) + rest));
    }
  }

  private static String familyOf(String name) {
    Sorting sorting = NameSorter.sort(name);
    return sorting.confidence() < Sorting.SURE
        ? CategoryTree.UNKNOWN
        : CategoryTree.topOf(sorting.category());
  }
}
