package drevik.category;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * Sorts the files of a delivery together. What a name leaves open, or says wrongly, the others
 * tell: the delivery as a whole what kind of work it is, those before and behind a file in the
 * session which of several meanings a word has, those in its folder what they all are. An answer
 * that came from elsewhere than the name, as from a person, stays.
 */
public final class DeliverySorting {
  /** A file by its name in the delivery, and where it is sorted by itself. */
  public record Named(String name, Sorting sorting) {
    /**
     * True where only the name has spoken. Its sound may have made that surer, or less sure; it
     * says nothing for what the name meant alone if the name means another thing in the delivery.
     */
    private boolean isByName(Sorting inDelivery) {
      return switch (sorting.source()) {
        case NAME -> true;
        case NAME_WEIGHED -> !inDelivery.category().equals(sorting.category());
        case INSIDE, SOUND, DELIVERY, LEARNED, PERSON -> false;
      };
    }
  }

  /**
   * A file, where it is sorted by its name and the kind of work, and its family if that is sure.
   *
   * @param read its name without the words that the whole delivery shares
   * @param department whether it stands behind one that is sure
   */
  private record Sorted(
      String name,
      String read,
      Sorting sorting,
      boolean byName,
      boolean department,
      Optional<String> family,
      List<String> words) {
    static Sorted of(Named file, String read, KindOfWork kind) {
      Sorting inDelivery = NameSorter.sort(read, kind);
      boolean byName = file.isByName(inDelivery);
      Sorting sorting = byName ? inDelivery : file.sorting();
      Optional<String> family =
          Optional.of(CategoryTree.topOf(sorting.category()))
              .filter(
                  one -> sorting.confidence() >= Sorting.SURE && !one.equals(CategoryTree.UNKNOWN));
      return new Sorted(
          file.name(),
          read,
          sorting,
          byName,
          Departments.isSure(read, kind),
          family,
          NameSorter.wordsOf(read));
    }

    Sorted asEffect() {
      return !byName || said().equals(FX) || STANDS_ALONE.contains(said())
          ? this
          : new Sorted(
              name,
              read,
              at(FX, AGREED, "it begins as other effects do"),
              true,
              false,
              Optional.of(FX),
              words);
    }

    String said() {
      return CategoryTree.topOf(sorting.category());
    }

    /** “Bass”, “Flute 2”: nothing else can be meant. */
    boolean isCalledLikeItsCategory() {
      return words.stream().allMatch(word -> CategoryTree.isNamed(sorting.category(), word));
    }

    /** True for a family that stands in the same section: saxophones among trumpets. */
    boolean sitsWith(String family) {
      return IN_ONE_SECTION.contains(said()) && IN_ONE_SECTION.contains(family);
    }

    /** Not where a person said it, who may have said “unknown”, nor a department that is sure. */
    boolean mayBeTold() {
      return byName ? !department : sorting.confidence() < Sorting.SURE;
    }

    boolean isUnknown() {
      return said().equals(CategoryTree.UNKNOWN);
    }

    Sorting at(String category, double confidence, String because) {
      List<String> reasons = new ArrayList<>(sorting.because());
      reasons.add(because);
      return new Sorting(category, confidence, Sorting.Source.DELIVERY, reasons);
    }

    /** The same answer, surer, since the others are of its family too. */
    Sorting agreed(String because) {
      return at(sorting.category(), Math.max(sorting.confidence(), AGREED), because);
    }
  }

  /** On each side of a file so many are asked, and no further away than {@link #REACH}. */
  private static final int NEIGHBOURS = 2;

  private static final int REACH = 4;

  /** With fewer neighbours a file is at the end of the session, or among what nobody knows. */
  private static final int FEWEST_NEIGHBOURS = 3;

  /** So many neighbours of a family make a word mean what it means there. */
  private static final int ENOUGH_FOR_UNUSUAL = 2;

  /** With fewer files one of a kind is nothing unusual. */
  private static final int FEWEST_IN_COMPANY = 12;

  private static final int FEWEST_OF_FOLDER = 3;
  private static final double MOST_OF_FOLDER = 0.8;

  private static final double GUESSED = 0.55;
  private static final double AGREED = 0.75;

  /** Of answers whose family no neighbour shares a third was right in lists not seen before. */
  private static final double ALONE = 0.65;

  private static final String FX = "fx";
  private static final String REFERENCE = "reference";

  /** What stands alone in most sessions: nobody prints four clicks side by side. */
  private static final Set<String> STANDS_ALONE = Set.of("click", REFERENCE, "print");

  /** Where so many names of a song begin so, what follows is what the effect was made of. */
  private static final int FEWEST_IN_FRONT = 3;

  /** Families that sit beside each other, in a band and in an orchestra. */
  private static final Set<String> IN_ONE_SECTION = Set.of("brass", "winds");

  private final KindOfWork kind;
  private final List<Sorted> files;

  /** Each family that is sure, and the words of its files; sides and numbers are no difference. */
  private final Map<String, Set<List<String>>> company = new HashMap<>();

  /** The words of a name → how many files have just these. */
  private final Map<List<String>, Integer> calledAlike = new HashMap<>();

  private DeliverySorting(List<Named> named) {
    List<String> names = named.stream().map(Named::name).toList();
    List<String> read = SharedWords.without(names);
    kind = WholeDelivery.kindOf(read, sortedAsRead(named, read));
    List<Sorted> each =
        IntStream.range(0, named.size())
            .mapToObj(i -> Sorted.of(named.get(i), read.get(i), kind))
            .toList();
    files = kind.hasSongs() ? labelled(each) : each;
    for (Sorted file : files) {
      calledAlike.merge(file.words(), 1, Integer::sum);
      file.family()
          .ifPresent(
              family -> company.computeIfAbsent(family, key -> new HashSet<>()).add(file.words()));
    }
  }

  /** Names of a delivery of which nothing else is known, in the order in which they came. */
  public static List<Sorting> ofNames(List<String> names) {
    return of(names.stream().map(name -> new Named(name, NameSorter.sort(name))).toList());
  }

  /** One answer for each file, in their order; most often the one that it had. */
  public static List<Sorting> of(List<Named> files) {
    return new DeliverySorting(files).sorted();
  }

  /** What somebody said of a file stays, whatever its name is read as. */
  private static List<Sorting> sortedAsRead(List<Named> named, List<String> read) {
    return IntStream.range(0, named.size())
        .mapToObj(
            i -> {
              Sorting anew = NameSorter.sort(read.get(i));
              return named.get(i).isByName(anew) ? anew : named.get(i).sorting();
            })
        .toList();
  }

  /** Sorted by name and kind of work; effects that are labelled so are effects. */
  private static List<Sorted> labelled(List<Sorted> files) {
    Predicate<Sorted> labelled = file -> Departments.isEffect(file.read());
    return files.stream().filter(labelled).count() < FEWEST_IN_FRONT
        ? files
        : files.stream().map(file -> labelled.test(file) ? file.asEffect() : file).toList();
  }

  private List<Sorting> sorted() {
    Map<String, List<Integer>> folders = new LinkedHashMap<>();
    for (int i = 0; i < files.size(); i++) {
      String folder = FileName.folderOf(files.get(i).name());
      folders.computeIfAbsent(folder, key -> new ArrayList<>()).add(i);
    }
    List<Sorting> answers = new ArrayList<>(files.stream().map(Sorted::sorting).toList());
    for (List<Integer> places : folders.values()) {
      List<Sorted> folder = places.stream().map(files::get).toList();
      List<Sorting> found = ofFolder(folder, folders.size() == 1);
      for (int i = 0; i < found.size(); i++) {
        answers.set(places.get(i), found.get(i));
      }
    }
    return answers;
  }

  private List<Sorting> ofFolder(List<Sorted> folder, boolean only) {
    List<Sorting> answers = new ArrayList<>(folder.stream().map(Sorted::sorting).toList());
    List<Integer> order =
        SessionOrder.of(
            folder.stream().map(Sorted::name).toList(),
            folder.stream().map(Sorted::family).toList());
    Map<Integer, Integer> places = new HashMap<>();
    order.forEach(i -> places.put(i, places.size()));
    for (int i = 0; i < folder.size(); i++) {
      Sorted file = folder.get(i);
      if (file.mayBeTold()) {
        Integer at = places.get(i);
        answers.set(i, at == null ? inCompany(file) : amongNeighbours(file, folder, order, at));
      }
      // One folder for everything says nothing.
      if (!only && answers.get(i).equals(file.sorting())) {
        answers.set(i, inFolder(file, folder));
      }
    }
    return answers;
  }

  private Sorting amongNeighbours(Sorted file, List<Sorted> folder, List<Integer> order, int at) {
    List<String> before = towards(file, folder, order, at, -1);
    List<String> behind = towards(file, folder, order, at, 1);
    Optional<String> between =
        before.stream().findFirst().filter(one -> behind.stream().limit(1).anyMatch(one::equals));
    List<String> around = new ArrayList<>(before);
    around.addAll(behind);
    if (isShared(file, around)) {
      return between.filter(file.said()::equals).isPresent() && file.family().isEmpty()
          ? file.agreed("it stands between " + file.said())
          : file.sorting();
    }
    Set<String> likely =
        around.stream()
            .filter(one -> Collections.frequency(around, one) >= ENOUGH_FOR_UNUSUAL)
            .collect(Collectors.toSet());
    if (file.isUnknown()) {
      return NameSorter.among(file.read(), kind, Set.copyOf(around), likely)
          .or(() -> between.map(one -> file.at(one, GUESSED, "it stands between " + one)))
          .orElse(file.sorting());
    }
    if (!file.byName()
        || around.size() < FEWEST_NEIGHBOURS
        || around.stream().anyMatch(file::sitsWith)) {
      return file.sorting();
    }
    Sorting alone =
        alone(
            file,
            Set.copyOf(around),
            likely,
            "none of its neighbours is " + file.said() + butTwins(file));
    return between
        .filter(one -> isDoubted(file, one) && alone.category().equals(file.sorting().category()))
        .map(one -> file.at(one, GUESSED, "it stands between " + one))
        .orElse(alone);
  }

  /** The other side of a pair has the same words, and bears no witness to what they mean. */
  private String butTwins(Sorted file) {
    return calledAlike.getOrDefault(file.words(), 0) > 1 ? ", but for what is called like it" : "";
  }

  /** Instruments in a scene are most often words that mean something else: one may be another. */
  private boolean isShared(Sorted file, List<String> around) {
    int witnesses = Collections.frequency(around, file.said());
    return witnesses >= (isMusicInScene(file.said()) ? ENOUGH_FOR_UNUSUAL : 1);
  }

  private boolean isMusicInScene(String family) {
    return kind == KindOfWork.PICTURE && NameSorter.MUSICAL.contains(family);
  }

  /**
   * True if what stands on both sides is the likelier answer: where the name's own was a guess, or
   * where it names an instrument among what is heard in a scene.
   */
  private boolean isDoubted(Sorted file, String between) {
    return !STANDS_ALONE.contains(between)
        && (file.family().isEmpty() || isMusicInScene(file.said()));
  }

  /** The families of the nearest files on one side that are sure of theirs, nearest first. */
  private static List<String> towards(
      Sorted file, List<Sorted> folder, List<Integer> order, int at, int step) {
    return IntStream.rangeClosed(1, REACH)
        .map(far -> at + step * far)
        .filter(there -> there >= 0 && there < order.size())
        .mapToObj(there -> folder.get(order.get(there)))
        // The other side of a pair is no witness.
        .filter(other -> !other.words().equals(file.words()))
        .map(Sorted::family)
        .flatMap(Optional::stream)
        .limit(NEIGHBOURS)
        .toList();
  }

  /**
   * Where nothing tells the order: what no other file of the delivery is, this one hardly is, if
   * its name can mean something else. A song may well have one clarinet.
   */
  private Sorting inCompany(Sorted file) {
    Set<String> families = new HashSet<>();
    int others = 0;
    for (Map.Entry<String, Set<List<String>>> one : company.entrySet()) {
      int unlike = one.getValue().size() - (one.getValue().contains(file.words()) ? 1 : 0);
      others += unlike;
      if (unlike >= (isMusicInScene(one.getKey()) ? ENOUGH_FOR_UNUSUAL : 1)) {
        families.add(one.getKey());
      }
    }
    return !file.byName()
            || others < FEWEST_IN_COMPANY
            || families.contains(file.said())
            || (NameSorter.hasOneMeaning(file.read(), kind) && !isMusicInScene(file.said()))
        ? file.sorting()
        : alone(file, families, Set.of(), "no other file is " + file.said() + butTwins(file));
  }

  /**
   * A file that says what none around it is: another meaning of its words, or a doubt. A guide is
   * one beside what it is of as well; what was printed beside it is often the thing itself.
   */
  private Sorting alone(Sorted file, Set<String> families, Set<String> likely, String because) {
    if (file.said().equals(REFERENCE)) {
      return file.sorting();
    }
    boolean stays =
        file.sorting().confidence() < ALONE
            || STANDS_ALONE.contains(file.said())
            || file.isCalledLikeItsCategory();
    return NameSorter.among(file.read(), kind, families, likely)
        .orElseGet(
            () -> stays ? file.sorting() : file.at(file.sorting().category(), ALONE, because));
  }

  @SuppressWarnings("ReferenceEquality") // all but this very file
  private static Sorting inFolder(Sorted file, List<Sorted> folder) {
    if (file.sorting().confidence() >= Sorting.SURE) {
      return file.sorting();
    }
    Map<String, Integer> families = new HashMap<>();
    folder.stream()
        .filter(other -> other != file)
        .flatMap(other -> other.family().stream())
        .forEach(family -> families.merge(family, 1, Integer::sum));
    int known = families.values().stream().mapToInt(Integer::intValue).sum();
    return families.entrySet().stream()
        .filter(family -> known >= FEWEST_OF_FOLDER)
        .filter(family -> family.getValue() >= MOST_OF_FOLDER * known)
        .findFirst()
        .map(family -> likeItsFolder(file, family.getKey(), family.getValue() + " of " + known))
        .orElse(file.sorting());
  }

  private static Sorting likeItsFolder(Sorted file, String family, String howMany) {
    String because = howMany + " known files in its folder are " + family;
    if (file.isUnknown()) {
      return file.at(family, GUESSED, because);
    }
    return file.said().equals(family) ? file.agreed(because) : file.sorting();
  }
}
