package drevik.bench;

import drevik.check.LineCheck;
import drevik.mix.Mix;
import drevik.route.Coverage;
import java.util.Arrays;
import java.util.Locale;

/** How long line check and coverage take as a Mix grows; medians after warming up, one thread. */
final class CheckBench {
  private static final int[] SIZES = Size.sizes(100, 300, 1000, 3000);
  private static final int WARM_UP = Size.runs(30);
  private static final int RUNS = Size.runs(31);

  private CheckBench() {}

  static void run() {
    for (int size : SIZES) {
      Mix mix = LargeMix.of(size);
      int sends = mix.channels().stream().mapToInt(c -> c.sends().size()).sum();
      double check = median(() -> LineCheck.of(mix));
      double cover = median(() -> Coverage.of(mix).cells());
      System.out.printf(
          Locale.ROOT,
          "check: %d channels, %d sends, %d outputs: line check %.1f ms, coverage %.1f ms, %d findings%n",
          mix.channels().size(),
          sends,
          mix.outputs().size(),
          check,
          cover,
          LineCheck.of(mix).size());
    }
  }

  static double median(Runnable work) {
    for (int i = 0; i < WARM_UP; i++) {
      work.run();
    }
    double[] times = new double[RUNS];
    for (int i = 0; i < RUNS; i++) {
      long began = System.nanoTime();
      work.run();
      times[i] = (System.nanoTime() - began) / 1e6;
    }
    Arrays.sort(times);
    return times[RUNS / 2];
  }
}
