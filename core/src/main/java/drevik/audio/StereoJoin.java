package drevik.audio;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;

/** Makes one stereo file of two that each hold a half of it. The originals are not touched. */
public final class StereoJoin {
  /** What the two files hold. */
  public enum Halves {
    LEFT_RIGHT,
    /** Decoded by L = (M + S)⁄√2, R = (M − S)⁄√2, which keeps the power. */
    MID_SIDE
  }

  private static final int BLOCK = 1 << 14;
  private static final float HALF_POWER = (float) Math.sqrt(0.5);

  private StereoJoin() {}

  /**
   * Writes 32-bit float WAVE; where one half is shorter, silence follows it.
   *
   * @param first left or mid; a file of more channels gives its first
   * @param second right or side, at the same rate
   * @param flipSecond its polarity is turned
   * @throws AudioException if a file cannot be read, or their rates differ; {@code to} is gone then
   */
  public static void write(Path first, Path second, Halves halves, boolean flipSecond, Path to) {
    try {
      join(first, second, halves, flipSecond, to);
    } catch (AudioException | IOException e) {
      delete(to);
      throw new AudioException(
          "“"
              + first.getFileName()
              + "” and “"
              + second.getFileName()
              + "” could not be joined: "
              + e.getMessage(),
          e);
    }
  }

  private static void join(Path first, Path second, Halves halves, boolean flip, Path to)
      throws IOException {
    try (WavReader one = WavReader.open(first);
        WavReader other = WavReader.open(second)) {
      int rate = one.header().sampleRate();
      if (other.header().sampleRate() != rate) {
        throw new AudioException(
            "one is at " + rate + " Hz and the other at " + other.header().sampleRate() + " Hz");
      }
      long frames = Math.max(one.header().frames(), other.header().frames());
      try (WavWriter writer = WavWriter.create(to, SampleFormat.FLOAT_32, rate, Layout.STEREO)) {
        float[][] left = new float[one.header().layout().channels()][BLOCK];
        float[][] right = new float[other.header().layout().channels()][BLOCK];
        for (long at = 0; at < frames; at += BLOCK) {
          int count = (int) Math.min(BLOCK, frames - at);
          float[] x = read(one, at, left, count);
          float[] y = read(other, at, right, count);
          combine(x, y, halves, flip ? -1 : 1, count);
          writer.write(new float[][] {x, y}, 0, count);
        }
      }
    }
  }

  private static float[] read(WavReader reader, long at, float[][] into, int count) {
    int read = at < reader.header().frames() ? reader.read(at, into, 0, count) : 0;
    Arrays.fill(into[0], read, count, 0f);
    return into[0];
  }

  private static void combine(float[] x, float[] y, Halves halves, float sign, int count) {
    for (int i = 0; i < count; i++) {
      float second = sign * y[i];
      if (halves == Halves.LEFT_RIGHT) {
        y[i] = second;
      } else {
        float mid = x[i];
        x[i] = (mid + second) * HALF_POWER;
        y[i] = (mid - second) * HALF_POWER;
      }
    }
  }

  private static void delete(Path file) {
    try {
      Files.deleteIfExists(file);
    } catch (IOException ignored) {
      // The error that led here is the one to report.
    }
  }
}
