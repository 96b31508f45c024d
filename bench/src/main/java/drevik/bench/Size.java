package drevik.bench;

import java.util.Arrays;

/**
 * How much is measured: all of it, or, where {@code DREVIK_BENCH_SMALL} is set, as little as shows
 * that a benchmark runs.
 */
final class Size {
  private static final boolean SMALL = System.getenv("DREVIK_BENCH_SMALL") != null;

  private Size() {}

  /**
   * @param runs of a whole measurement
   */
  static int runs(int runs) {
    return of(runs, 1);
  }

  static int of(int whole, int small) {
    return SMALL ? small : whole;
  }

  /**
   * @param sizes of a whole measurement, the smallest first
   */
  static int[] sizes(int... sizes) {
    return SMALL ? Arrays.copyOf(sizes, 1) : sizes;
  }
}
