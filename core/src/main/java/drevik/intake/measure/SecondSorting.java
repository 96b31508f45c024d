package drevik.intake.measure;

import drevik.category.CategoryTree;
import drevik.category.NameSorter;
import drevik.category.Sorting;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What is asked once a file has been measured, if its name left doubt: the names that it carries
 * itself, and, where still nothing is known, its sound.
 */
public final class SecondSorting {
  private SecondSorting() {}

  /**
   * The better answer; {@code sorted} itself where there is none.
   *
   * @param sorted by the name, or by what a person said of such names
   */
  public static Sorting of(String name, Sorting sorted, Inspection found) {
    Sorting byName =
        sorted.source() == Sorting.Source.NAME ? SoundTieBreak.of(name, sorted, found) : sorted;
    if (byName.confidence() >= Sorting.SURE || !byName.equals(sorted)) {
      return byName;
    }
    Optional<String> inside = betterName(byName, found);
    if (inside.isPresent()) {
      Sorting sorting = NameSorter.sort(inside.get());
      List<String> because = new ArrayList<>();
      because.add("the file calls itself “" + inside.get() + "”");
      because.addAll(sorting.because());
      return new Sorting(sorting.category(), sorting.confidence(), Sorting.Source.INSIDE, because);
    }
    return byName.category().equals(CategoryTree.UNKNOWN)
        ? SoundSorter.sort(found).orElse(byName)
        : byName;
  }

  /** What a file is called: its name, or what it calls itself where that says more. */
  public static String titleOf(String name, Inspection found) {
    return found.notes().names().isEmpty()
        ? name
        : betterName(NameSorter.sort(name), found).orElse(name);
  }

  private static Optional<String> betterName(Sorting byName, Inspection found) {
    return byName.confidence() >= Sorting.SURE
        ? Optional.empty()
        : found.notes().names().stream()
            .filter(inside -> saysMore(NameSorter.sort(inside), byName))
            .findFirst();
  }

  private static boolean saysMore(Sorting inside, Sorting byName) {
    return inside.confidence() > byName.confidence()
        && !inside.category().equals(CategoryTree.UNKNOWN);
  }
}
