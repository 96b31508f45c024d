package drevik.intake.measure;

import drevik.audio.AudioException;
import drevik.audio.WavReader;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;

/**
 * Tells whether two stereo recordings of one source have their sides the same way round: what is
 * louder on the left in one should be louder on the left in the other. Compared are the level
 * differences of left and right in stretches of {@value #HOP_SECONDS} s, through the first {@value
 * #MOST_SECONDS} s of sound; the cost does not depend on the length.
 */
public final class SidesCheck {
  /** One side as it is found: a file, and its channel in there. */
  record Side(Path file, int channel, int sampleRate) {
    static Side of(MeasuredFile file, int channel) {
      return new Side(file.path(), channel, file.found().header().sampleRate());
    }
  }

  private static final double HOP_SECONDS = 0.02;
  private static final int MOST_SECONDS = 90;
  private static final int LEAST_HOPS = 100;

  /** Below this a stretch is noise or nothing, dBFS. */
  private static final double LEAST_LEVEL_DBFS = -60;

  /** Sides that differ less than this, dB, are a centre, and cannot be told apart. */
  private static final double LEAST_SPREAD_DB = 1;

  private SidesCheck() {}

  /**
   * Correlation of the two level differences, −1 (swapped) to 1 (the same way round).
   *
   * @return empty if they cannot be compared: other rates, too little sound in common, no width
   * @throws AudioException if a file cannot be read
   */
  static Optional<Double> agreement(
      Side firstLeft, Side firstRight, Side secondLeft, Side secondRight) {
    if (secondLeft.sampleRate() != firstLeft.sampleRate()) {
      return Optional.empty();
    }
    try {
      double[][] first = levels(firstLeft, firstRight);
      double[][] second = levels(secondLeft, secondRight);
      return correlation(first, second);
    } catch (IOException e) {
      throw new AudioException("two stereo recordings could not be compared: " + e.getMessage(), e);
    }
  }

  /** Levels of left and right, dBFS, hop by hop. */
  private static double[][] levels(Side left, Side right) throws IOException {
    return new double[][] {levels(left), levels(right)};
  }

  private static double[] levels(Side side) throws IOException {
    try (WavReader reader = WavReader.open(side.file())) {
      int hop = (int) Math.round(HOP_SECONDS * reader.header().sampleRate());
      long frames =
          Math.min(reader.header().frames(), (long) MOST_SECONDS * reader.header().sampleRate());
      double[] levels = new double[(int) (frames / hop)];
      float[][] block = new float[reader.header().channels()][hop];
      for (int i = 0; i < levels.length; i++) {
        int read = reader.read((long) i * hop, block, 0, hop);
        double sum = 0;
        for (int k = 0; k < read; k++) {
          sum += (double) block[side.channel()][k] * block[side.channel()][k];
        }
        levels[i] = 10 * Math.log10(sum / hop + 1e-12);
      }
      return levels;
    }
  }

  private static Optional<Double> correlation(double[][] first, double[][] second) {
    int hops = Math.min(first[0].length, second[0].length);
    int count = 0;
    double x = 0, y = 0, xx = 0, yy = 0, xy = 0;
    for (int i = 0; i < hops; i++) {
      boolean heard =
          Math.max(first[0][i], first[1][i]) > LEAST_LEVEL_DBFS
              && Math.max(second[0][i], second[1][i]) > LEAST_LEVEL_DBFS;
      if (heard) {
        double a = first[0][i] - first[1][i];
        double b = second[0][i] - second[1][i];
        count++;
        x += a;
        y += b;
        xx += a * a;
        yy += b * b;
        xy += a * b;
      }
    }
    double spreadX = Math.sqrt(Math.max(0, xx / count - x / count * x / count));
    double spreadY = Math.sqrt(Math.max(0, yy / count - y / count * y / count));
    if (count < LEAST_HOPS || spreadX < LEAST_SPREAD_DB || spreadY < LEAST_SPREAD_DB) {
      return Optional.empty();
    }
    return Optional.of((xy / count - x / count * y / count) / (spreadX * spreadY));
  }
}
