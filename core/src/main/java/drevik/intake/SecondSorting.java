package drevik.intake;

import drevik.category.CategoryTree;
import drevik.category.NameSorter;
import drevik.category.Sorting;
import java.util.ArrayList;
import java.util.List;

/**
 * What is asked once a file has been measured, if its name left doubt: the names that it carries
 * itself, and, where still nothing is known, its sound.
 */
public final class SecondSorting {
  /** Certainty below which more than the name is asked, and a person should look. */
  public static final double UNSURE = 0.7;

  private SecondSorting() {}

  /** The better answer; {@code byName} itself where there is none. */
  public static Sorting of(Sorting byName, Inspection found) {
    if (byName.confidence() >= UNSURE) {
      return byName;
    }
    for (String name : found.notes().names()) {
      Sorting sorting = NameSorter.sort(name);
      if (sorting.confidence() > byName.confidence()
          && !sorting.category().equals(CategoryTree.UNKNOWN)) {
        List<String> because = new ArrayList<>();
        because.add("the file calls itself “" + name + "”");
        because.addAll(sorting.because());
        return new Sorting(sorting.category(), sorting.confidence(), because);
      }
    }
    return byName.category().equals(CategoryTree.UNKNOWN)
        ? SoundSorter.sort(found).orElse(byName)
        : byName;
  }
}
