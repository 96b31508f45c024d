package drevik.render;

/**
 * One connection at run time: another node's buffer, brought into step by a delay, carried into
 * this node's layout by a matrix of gains.
 */
final class Feed {
  private final float[][] source;
  private final float[][] gains;
  private final DelayLine[] delays;
  private final float[] delayed;

  /**
   * @param gains {@code [destination channel][source channel]}
   * @param delay frames
   */
  Feed(float[][] source, double[][] gains, double gain, int delay, int blockSize) {
    this.source = source;
    this.gains = new float[gains.length][source.length];
    for (int to = 0; to < gains.length; to++) {
      for (int from = 0; from < source.length; from++) {
        this.gains[to][from] = (float) (gains[to][from] * gain);
      }
    }
    this.delays = new DelayLine[delay > 0 ? source.length : 0];
    for (int i = 0; i < delays.length; i++) {
      delays[i] = new DelayLine(delay);
    }
    this.delayed = delay > 0 ? new float[blockSize] : null;
  }

  /** Adds the source's block to {@code into}. */
  void addTo(float[][] into, int frames) {
    for (int from = 0; from < source.length; from++) {
      float[] in = source[from];
      if (delays.length > 0) {
        delays[from].process(in, delayed, frames);
        in = delayed;
      }
      for (int to = 0; to < into.length; to++) {
        float gain = gains[to][from];
        if (gain == 1f) {
          add(in, into[to], frames);
        } else if (gain != 0f) {
          addScaled(in, gain, into[to], frames);
        }
      }
    }
  }

  private static void add(float[] in, float[] out, int frames) {
    for (int i = 0; i < frames; i++) {
      out[i] += in[i];
    }
  }

  private static void addScaled(float[] in, float gain, float[] out, int frames) {
    for (int i = 0; i < frames; i++) {
      out[i] += gain * in[i];
    }
  }
}
