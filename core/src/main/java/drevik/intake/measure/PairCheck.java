package drevik.intake.measure;

import drevik.audio.AudioException;
import drevik.audio.WavReader;
import java.io.IOException;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Compares two microphones of one source where both are loud: the correlation Σxy ⁄ √(Σx²Σy²) at
 * every lag within ±3 ms. A strongly negative one at the best lag tells a flipped polarity.
 *
 * <p>Only a dozen windows of each file are read; the cost does not depend on the length.
 */
final class PairCheck {
  private static final double LARGEST_LAG_SECONDS = 0.003;

  /** Two and a half metres of air. */
  private static final double LARGEST_SPACED_LAG_SECONDS = 0.0075;

  private static final int WINDOWS = 12;
  private static final int WINDOW = 8192;

  /** Below this the two hear different things, and nothing can be said of their polarity. */
  private static final double RELATED = 0.35;

  /** How much stronger the negative peak must be than the positive one. */
  private static final double CLEARLY = 1.2;

  /** The same where the two hear other things beside, and the peaks are flatter. */
  private static final double CLEARLY_SPACED = 1.5;

  private PairCheck() {}

  /**
   * @param firstFile the files' inspections say where they are loud
   * @param spaced the second stands some way off, see {@link MicrophonePairs.Pair}
   * @return empty if the two cannot be compared: other rates, no sound in common, or unrelated
   * @throws AudioException if a file cannot be read
   */
  static Optional<PairFinding> compare(
      MeasuredFile firstFile, MeasuredFile secondFile, boolean spaced) {
    Inspection first = firstFile.found();
    Inspection second = secondFile.found();
    int rate = first.header().sampleRate();
    if (second.header().sampleRate() != rate || first.silent() || second.silent()) {
      return Optional.empty();
    }
    int reach =
        (int) Math.round((spaced ? LARGEST_SPACED_LAG_SECONDS : LARGEST_LAG_SECONDS) * rate);
    double[] products = new double[2 * reach + 1];
    double firstEnergy = 0;
    double secondEnergy = 0;
    try (WavReader a = WavReader.open(firstFile.path());
        WavReader b = WavReader.open(secondFile.path())) {
      float[][] x = new float[a.header().channels()][WINDOW];
      float[][] y = new float[b.header().channels()][WINDOW + 2 * reach];
      for (long at : windows(first, second)) {
        clear(x);
        clear(y);
        a.read(at, x, 0, WINDOW);
        long from = at - reach;
        int before = (int) Math.max(0, -from);
        b.read(from + before, y, before, WINDOW + 2 * reach - before);
        firstEnergy += energy(x[0], 0);
        secondEnergy += energy(y[0], reach);
        correlate(x[0], y[0], products);
      }
    } catch (IOException e) {
      throw new AudioException("two microphones could not be compared: " + e.getMessage(), e);
    }
    if (firstEnergy == 0 || secondEnergy == 0) {
      return Optional.empty();
    }
    double scale = 1 / Math.sqrt(firstEnergy * secondEnergy);
    int highest = extreme(products, Comparator.naturalOrder());
    int lowest = extreme(products, Comparator.reverseOrder());
    double clearly = spaced ? CLEARLY_SPACED : CLEARLY;
    boolean flipped = -products[lowest] > clearly * products[highest];
    int best = flipped ? lowest : highest;
    double mended = Math.abs(products[best] * scale);
    return mended < RELATED
        ? Optional.empty()
        : Optional.of(
            new PairFinding(products[reach] * scale, mended, best - reach, rate, flipped, spaced));
  }

  /** First frames of the stretches in which the quieter of the two is loudest. */
  private static List<Long> windows(Inspection first, Inspection second) {
    long frames = Math.min(first.header().frames(), second.header().frames());
    return IntStream.range(0, Inspector.OVERVIEW_STEPS)
        .boxed()
        .sorted(
            Comparator.comparingInt(
                step -> -Math.min(level(first, step, frames), level(second, step, frames))))
        .limit(WINDOWS)
        .map(step -> frames * step / Inspector.OVERVIEW_STEPS)
        .sorted()
        .toList();
  }

  /** Level of a file in a step of the shorter one's length. */
  private static int level(Inspection file, int step, long frames) {
    long at = frames * step / Inspector.OVERVIEW_STEPS;
    long own = at * Inspector.OVERVIEW_STEPS / Math.max(1, file.header().frames());
    return file.overview().get((int) Math.min(Inspector.OVERVIEW_STEPS - 1, own));
  }

  private static int extreme(double[] products, Comparator<Double> order) {
    return IntStream.range(0, products.length)
        .boxed()
        .max(Comparator.comparing(i -> products[i], order))
        .orElseThrow();
  }

  private static void clear(float[][] block) {
    for (float[] channel : block) {
      java.util.Arrays.fill(channel, 0);
    }
  }

  private static double energy(float[] x, int from) {
    double sum = 0;
    for (int i = from; i < from + WINDOW; i++) {
      sum += (double) x[i] * x[i];
    }
    return sum;
  }

  private static void correlate(float[] x, float[] y, double[] products) {
    for (int lag = 0; lag < products.length; lag++) {
      // Four sums at once: one alone would wait for itself at every sample.
      float a = 0, b = 0, c = 0, d = 0;
      for (int i = 0; i < WINDOW; i += 4) {
        a += x[i] * y[i + lag];
        b += x[i + 1] * y[i + 1 + lag];
        c += x[i + 2] * y[i + 2 + lag];
        d += x[i + 3] * y[i + 3 + lag];
      }
      products[lag] += (a + b) + (double) (c + d);
    }
  }
}
