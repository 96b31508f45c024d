package drevik.intake.measure;

import java.util.ArrayList;
import java.util.Base64;
import java.util.List;

/**
 * The peaks of a file in tenths of a second, small enough to be kept beside what was measured: four
 * kilobytes for five minutes.
 */
public final class Levels {
  /** Steps in a second. */
  static final int PER_SECOND = 10;

  private final byte[] steps;

  private Levels(byte[] steps) {
    this.steps = steps;
  }

  /** Of steps of half a decibel above {@value Envelope#LOWEST_DB} dBFS, one byte each. */
  static Levels of(byte[] steps) {
    return new Levels(steps.clone());
  }

  /**
   * @param text as {@link #text} gave it
   */
  static Levels read(String text) {
    return new Levels(Base64.getDecoder().decode(text));
  }

  String text() {
    return Base64.getEncoder().encodeToString(steps);
  }

  /**
   * Where peaks are above a level.
   *
   * @param dbfs the level, dBFS
   * @param sampleRate of the file, Hz
   * @param frames of the file
   */
  List<Stretch> above(double dbfs, int sampleRate, long frames) {
    List<Stretch> found = new ArrayList<>();
    long from = -1;
    for (int i = 0; i <= steps.length; i++) {
      boolean sounds = i < steps.length && Envelope.db(steps[i]) > dbfs;
      if (sounds && from < 0) {
        from = frameOf(i, sampleRate);
      } else if (!sounds && from >= 0) {
        found.add(new Stretch(from, Math.min(frames, frameOf(i, sampleRate))));
        from = -1;
      }
    }
    return found;
  }

  private static long frameOf(int step, int sampleRate) {
    // Hops have whole frames, so that a step of ten is a little short of a tenth at some rates.
    return (long) step
        * (Envelope.HOPS_PER_SECOND / PER_SECOND)
        * Math.max(1, sampleRate / Envelope.HOPS_PER_SECOND);
  }
}
