package drevik.intake.measure;

import drevik.category.CategoryTree;
import drevik.category.FileName;
import drevik.category.NameSorter;
import drevik.category.Sorting;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * What the files around one tell of it, where its own name leaves doubt: those in the same folder,
 * and those before and behind it where files are numbered as they stood in a session. It gives the
 * family, never more, and is never so sure that a person need not look, unless the name said the
 * same.
 */
public final class NeighbourSorting {
  /** A file by its name in the delivery, and where it is sorted so far. */
  public record Named(String name, Sorting sorting) {
    private boolean isSure() {
      return sorting.confidence() >= SecondSorting.UNSURE;
    }

    private String family() {
      return CategoryTree.topOf(sorting.category());
    }

    private String folder() {
      return FileName.folderOf(name);
    }

    private OptionalInt number() {
      Matcher matcher = NUMBER.matcher(name.substring(folder().length()));
      return matcher.find()
          ? OptionalInt.of(Integer.parseInt(matcher.group(1)))
          : OptionalInt.empty();
    }
  }

  /** A reason and the family that it speaks for. */
  private record Hint(String family, String because) {}

  private static final Pattern NUMBER = Pattern.compile("^(\\d{1,3})(?=[ _.\\-])");
  private static final double GUESSED = 0.55;
  private static final double AGREED = 0.75;
  private static final int LEAST_NEIGHBOURS = 3;
  private static final double MOST_OF_THEM = 0.8;

  private NeighbourSorting() {}

  private static List<Named> inDelivery(List<Named> alone) {
    List<Sorting> sortings =
        NameSorter.inDelivery(
            alone.stream().map(Named::name).toList(), alone.stream().map(Named::sorting).toList());
    return IntStream.range(0, alone.size())
        .mapToObj(i -> new Named(alone.get(i).name(), sortings.get(i)))
        .toList();
  }

  /** One answer for each file, in their order; most often the one that it had. */
  public static List<Sorting> of(List<Named> alone) {
    List<Named> files = inDelivery(alone);
    Map<String, List<Named>> folders = new LinkedHashMap<>();
    files.forEach(
        file -> folders.computeIfAbsent(file.folder(), key -> new ArrayList<>()).add(file));
    List<Sorting> sortings = new ArrayList<>();
    for (Named file : files) {
      List<Named> beside = folders.getOrDefault(file.folder(), List.of());
      Optional<Hint> hint =
          file.isSure()
              ? Optional.empty()
              : fromNumbers(file, beside)
                  // One folder for everything says nothing.
                  .or(() -> folders.size() > 1 ? fromFolder(file, beside) : Optional.empty());
      sortings.add(hint.map(found -> with(file, found)).orElse(file.sorting()));
    }
    return sortings;
  }

  private static Sorting with(Named file, Hint hint) {
    Sorting now = file.sorting();
    boolean unknown = now.category().equals(CategoryTree.UNKNOWN);
    if (!unknown && !file.family().equals(hint.family())) {
      return now;
    }
    List<String> because = new ArrayList<>(now.because());
    because.add(hint.because());
    return unknown
        ? new Sorting(hint.family(), GUESSED, because)
        : new Sorting(now.category(), Math.max(now.confidence(), AGREED), because);
  }

  private static Optional<Hint> fromFolder(Named file, List<Named> folder) {
    Map<String, Integer> families = new HashMap<>();
    int sure = 0;
    for (Named other : folder) {
      if (other != file && other.isSure()) {
        families.merge(other.family(), 1, Integer::sum);
        sure++;
      }
    }
    int known = sure;
    return known < LEAST_NEIGHBOURS
        ? Optional.empty()
        : families.entrySet().stream()
            .filter(family -> family.getValue() >= MOST_OF_THEM * known)
            .map(
                family ->
                    new Hint(
                        family.getKey(),
                        family.getValue()
                            + " of "
                            + known
                            + " known files in its folder are "
                            + family.getKey()))
            .findFirst();
  }

  private static Optional<Hint> fromNumbers(Named file, List<Named> folder) {
    if (file.number().isEmpty()) {
      return Optional.empty();
    }
    int number = file.number().getAsInt();
    Optional<String> before = familyAt(number - 1, folder);
    Optional<String> behind = familyAt(number + 1, folder);
    return before
        .filter(family -> before.equals(behind))
        .map(
            family ->
                new Hint(
                    family, "numbers " + (number - 1) + " and " + (number + 1) + " are " + family));
  }

  /** The family of all files of this number; none if one is not sure, or they differ. */
  private static Optional<String> familyAt(int number, List<Named> folder) {
    List<Named> there =
        folder.stream().filter(file -> file.number().equals(OptionalInt.of(number))).toList();
    boolean sure = !there.isEmpty() && there.stream().allMatch(Named::isSure);
    List<String> families = there.stream().map(Named::family).distinct().toList();
    return sure && families.size() == 1 ? Optional.of(families.get(0)) : Optional.empty();
  }
}
