package drevik.bench;

import drevik.category.CategoryTree;
import drevik.category.NameSorter;
import drevik.category.Sorting;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.zip.CRC32;

/**
 * How well names are sorted, on a labelled list: those that the sorter was tuned on, and a third
 * that was kept out. An answer is right if it is the label or an ancestor of it; confidently wrong
 * if it is neither and claims {@value #CONFIDENT} or more.
 *
 * <p>The names of wrong answers are shown for the tuned part only, so that the other stays unseen.
 */
final class SortBench {
  private static final double CONFIDENT = 0.7;
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
    List<Answer> answers = new ArrayList<>();
    long began = System.nanoTime();
    for (String line : Files.readAllLines(list)) {
      if (!line.startsWith("#") && !line.isBlank()) {
        String[] columns = line.split("\t");
        answers.add(new Answer(columns[1], columns[0], NameSorter.sort(columns[1])));
      }
    }
    double seconds = (System.nanoTime() - began) / 1e9;
    List<Answer> tuned = answers.stream().filter(a -> !a.isHeldOut()).toList();
    List<Answer> heldOut = answers.stream().filter(Answer::isHeldOut).toList();
    tuned.stream()
        .filter(a -> !a.right())
        .forEach(
            a ->
                System.out.printf(
                    Locale.ROOT,
                    "  %-34s is %-20s said %-20s %.2f %s%n",
                    a.name,
                    a.label,
                    a.given.category(),
                    a.given.confidence(),
                    a.given.because()));
    print("tuned on", tuned);
    print("kept out", heldOut);
    System.out.printf(
        Locale.ROOT, "%d names sorted in %.2f s, the first one cold%n", answers.size(), seconds);
  }

  private static void print(String what, List<Answer> answers) {
    long right = answers.stream().filter(Answer::right).count();
    long unknown =
        answers.stream()
            .filter(a -> !a.right() && a.given.category().equals(CategoryTree.UNKNOWN))
            .count();
    long confidentlyWrong =
        answers.stream().filter(a -> !a.right() && a.given.confidence() >= CONFIDENT).count();
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
}
