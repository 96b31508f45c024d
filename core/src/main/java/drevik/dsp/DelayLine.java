package drevik.dsp;

/**
 * The last frames of one audio channel; from the start, silence. Whole runs are copied, so that
 * what is done with them are loops over arrays from their beginning, which the compiler turns into
 * vectors.
 */
public final class DelayLine {
  private static final int AT_ONCE = 256;

  private final float[] ring;
  private final float[] late;

  /** Where the oldest is, which the next one replaces. */
  private int oldest;

  /**
   * @param frames that it holds; what goes through it is as late
   */
  public DelayLine(int frames) {
    ring = new float[frames];
    late = new float[Math.min(frames, AT_ONCE)];
  }

  int length() {
    return ring.length;
  }

  /** Writes {@code in}, delayed by all that the line holds, to {@code out}; or to itself. */
  public void process(float[] in, float[] out, int frames) {
    for (int from = 0; from < frames; from += late.length) {
      int count = Math.min(late.length, frames - from);
      readOldest(late, 0, count);
      write(in, from, count);
      System.arraycopy(late, 0, out, from, count);
    }
  }

  /** Takes {@code in[from…]}, no more than the line holds. */
  void write(float[] in, int from, int count) {
    int first = Math.min(count, ring.length - oldest);
    System.arraycopy(in, from, ring, oldest, first);
    System.arraycopy(in, from + first, ring, 0, count - first);
    oldest = (oldest + count) % ring.length;
  }

  /** The oldest frames, into {@code out[to…]}. */
  void readOldest(float[] out, int to, int count) {
    readFrom(oldest, out, to, count);
  }

  /** What was written {@code delay} frames before each of the last {@code count}. */
  void read(float[] out, int delay, int count) {
    readFrom(Math.floorMod(oldest - count - delay, ring.length), out, 0, count);
  }

  private void readFrom(int at, float[] out, int to, int count) {
    int first = Math.min(count, ring.length - at);
    System.arraycopy(ring, at, out, to, first);
    System.arraycopy(ring, 0, out, to + first, count - first);
  }
}
