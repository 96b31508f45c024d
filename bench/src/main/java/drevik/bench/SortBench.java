package drevik.bench;

import drevik.category.CategoryTree;
import drevik.category.DeliverySorting;
import drevik.category.NameSorter;
import drevik.category.Sorting;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import java.util.zip.CRC32;

/**
 * How well names are sorted, on a labelled list: those that the sorter was tuned on, and a third
 * that was kept out. An answer is right if it is the label or an ancestor of it; confidently wrong
 * if it is neither and claims {@value drevik.category.Sorting#SURE} or more.
 *
 * <p>The names of wrong answers are shown for the tuned part only, so that the other stays unseen.
 * Beside the list stands a folder {@code unseen} of deliveries, one a file, that were written
 * without the dictionary in view: figures are shown of them, by kind of work, beside those of the
 * day when they were new. One whose wrong answers were read since says so in its first line.
 */
final class SortBench {
  private static final double[] BINS = {0, 0.5, 0.6, 0.7, 0.8, 0.9, 0.96, 1.01};

  private record Answer(String name, String label, Sorting given) {
    boolean right() {
      return CategoryTree.isWithin(label, given.category());
    }

    boolean isHeldOut() {
      CRC32 crc = new CRC32();
      crc.update(name.getBytes(StandardCharsets.UTF_8));
      return crc.getValue() % 3 == 0;
    }
  }

  private SortBench() {}

  /**
   * @param list lines of category, tab, name
   */
  static void run(Path list) throws IOException {
    long began = System.nanoTime();
    List<Answer> answers =
        labelled(list).stream()
            .map(one -> new Answer(one.name(), one.label(), NameSorter.sort(one.name())))
            .toList();
    double seconds = (System.nanoTime() - began) / 1e9;
    List<Answer> tuned = answers.stream().filter(a -> !a.isHeldOut()).toList();
    List<Answer> heldOut = answers.stream().filter(Answer::isHeldOut).toList();
    tuned.stream().filter(a -> !a.right()).forEach(SortBench::show);
    print("tuned on", tuned);
    print("kept out", heldOut);
    System.out.printf(
        Locale.ROOT, "%d names sorted in %.2f s, the first one cold%n", answers.size(), seconds);
    Path unseen = list.resolveSibling("unseen");
    if (Files.isDirectory(unseen)) {
      unseen(unseen);
    }
  }

  private static void show(Answer a) {
    System.out.printf(
        Locale.ROOT,
        "  %-34s is %-20s said %-20s %.2f %s%n",
        a.name,
        a.label,
        a.given.category(),
        a.given.confidence(),
        a.given.because());
  }

  private record Labelled(String label, String name) {}

  private static List<Labelled> labelled(Path list) throws IOException {
    return Files.readAllLines(list).stream()
        .filter(line -> !line.startsWith("#") && !line.isBlank())
        .map(line -> line.split("\t"))
        .map(columns -> new Labelled(columns[0], columns[1]))
        .toList();
  }

  /** A delivery that was written without the dictionary in view. */
  private record Unseen(
      String name,
      String kind,
      double firstRight,
      double firstConfidentlyWrong,
      boolean lookedAt,
      List<Labelled> names) {
    private static final Pattern HEAD =
        Pattern.compile(
            "# (\\w+); at first sight ([\\d.]+) % right, ([\\d.]+) % confidently wrong"
                + "(; looked at since)?");

    static Unseen read(Path file) throws IOException {
      String head = Files.readAllLines(file).get(0);
      Matcher matcher = HEAD.matcher(head);
      if (!matcher.matches()) {
        throw new IOException(
            file + " does not begin with its kind and its first figures: " + head);
      }
      return new Unseen(
          file.getFileName().toString().replace(".tsv", ""),
          matcher.group(1),
          Double.parseDouble(matcher.group(2)),
          Double.parseDouble(matcher.group(3)),
          matcher.group(4) != null,
          labelled(file));
    }

    static void atFirstSight(String what, List<Unseen> lists) {
      double names = lists.stream().mapToInt(list -> list.names.size()).sum();
      System.out.printf(
          Locale.ROOT,
          "%s, at first sight: %.1f %% right, %.1f %% confidently wrong%n",
          what,
          lists.stream().mapToDouble(list -> list.firstRight * list.names.size()).sum() / names,
          lists.stream().mapToDouble(list -> list.firstConfidentlyWrong * list.names.size()).sum()
              / names);
    }

    List<Answer> asListed() {
      return sortedTogether(names);
    }

    List<Answer> byAlphabet() {
      return sortedTogether(
          names.stream()
              .sorted(Comparator.comparing(Labelled::name, String.CASE_INSENSITIVE_ORDER))
              .toList());
    }
  }

  /**
   * Each file is a delivery, whose names are sorted together: as they are listed, which is the
   * order of a session, and once more in that of the alphabet, which is how a folder shows them.
   * What was measured when the list was new stands in its first line.
   */
  private static void unseen(Path folder) throws IOException {
    List<Unseen> lists = new ArrayList<>();
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.sorted().toList()) {
        lists.add(Unseen.read(file));
      }
    }
    for (Unseen list : lists) {
      List<Answer> answers = list.asListed();
      if (System.getenv("DREVIK_SHOW") != null) {
        answers.stream().filter(a -> !a.right()).forEach(SortBench::show);
      }
      figures(list.name + (list.lookedAt ? " (looked at since)" : ""), answers);
      Unseen.atFirstSight("  " + list.kind, List.of(list));
    }
    for (String kind : lists.stream().map(Unseen::kind).distinct().sorted().toList()) {
      List<Unseen> ofKind = lists.stream().filter(list -> list.kind.equals(kind)).toList();
      figures(kind, ofKind.stream().flatMap(list -> list.asListed().stream()).toList());
      Unseen.atFirstSight(kind, ofKind);
    }
    print("all of these", lists.stream().flatMap(list -> list.asListed().stream()).toList());
    Unseen.atFirstSight("all of these", lists);
    figures(
        "all of these, in the order of the alphabet",
        lists.stream().flatMap(list -> list.byAlphabet().stream()).toList());
  }

  private static List<Answer> sortedTogether(List<Labelled> names) {
    List<Sorting> sorted = DeliverySorting.ofNames(names.stream().map(Labelled::name).toList());
    return IntStream.range(0, names.size())
        .mapToObj(i -> new Answer(names.get(i).name(), names.get(i).label(), sorted.get(i)))
        .toList();
  }

  private static void print(String what, List<Answer> answers) {
    figures(what, answers);
    System.out.println("  certainty     names   right");
    for (int i = 0; i + 1 < BINS.length; i++) {
      double from = BINS[i];
      double to = BINS[i + 1];
      List<Answer> in =
          answers.stream()
              .filter(a -> a.given.confidence() >= from && a.given.confidence() < to)
              .toList();
      if (!in.isEmpty()) {
        System.out.printf(
            Locale.ROOT,
            "  %.2f to %.2f  %6d  %5.1f %%%n",
            from,
            Math.min(1, to),
            in.size(),
            100.0 * in.stream().filter(Answer::right).count() / in.size());
      }
    }
  }

  private static void figures(String what, List<Answer> answers) {
    long right = answers.stream().filter(Answer::right).count();
    long unknown =
        answers.stream()
            .filter(a -> !a.right() && a.given.category().equals(CategoryTree.UNKNOWN))
            .count();
    long confidentlyWrong =
        answers.stream().filter(a -> !a.right() && a.given.confidence() >= Sorting.SURE).count();
    double all = answers.size() / 100.0;
    System.out.printf(
        Locale.ROOT,
        "%s: %d names, %.1f %% right, %.1f %% asked, %.1f %% wrong, of which %.1f %% confidently%n",
        what,
        answers.size(),
        right / all,
        unknown / all,
        (answers.size() - right - unknown) / all,
        confidentlyWrong / all);
  }
}
