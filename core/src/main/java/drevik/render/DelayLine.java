package drevik.render;

/** Delays one audio channel by a fixed number of frames, block by block. */
final class DelayLine {
  private final float[] ring;
  private int at;

  DelayLine(int frames) {
    ring = new float[frames];
  }

  /** Writes {@code in}, delayed, to {@code out}; they may be the same array. */
  void process(float[] in, float[] out, int frames) {
    for (int i = 0; i < frames; i++) {
      float late = ring[at];
      ring[at] = in[i];
      out[i] = late;
      at = at + 1 == ring.length ? 0 : at + 1;
    }
  }
}
