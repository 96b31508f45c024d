package drevik.render;

import drevik.dsp.DelayLine;
import java.util.Arrays;

/**
 * One connection at run time: another node's buffer, brought into step by a delay, carried into
 * this node's layout by a matrix of gains.
 */
final class Feed {
  private final float[][] source;
  private final float[][] gains;
  private final DelayLine[] delays;

  /** What the delays give, one channel at a time; of no length where nothing is delayed. */
  private final float[] delayed;

  private final boolean plain;

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
    this.delayed = new float[delay > 0 ? blockSize : 0];
    this.plain = delay == 0 && isIdentity(this.gains);
  }

  private static boolean isIdentity(float[][] gains) {
    for (int to = 0; to < gains.length; to++) {
      for (int from = 0; from < gains[to].length; from++) {
        if (gains[to].length != gains.length || gains[to][from] != (to == from ? 1f : 0f)) {
          return false;
        }
      }
    }
    return true;
  }

  /** True where the source is carried as it is: neither delayed nor changed. */
  boolean isPlain() {
    return plain;
  }

  /**
   * The source's block as it arrives: its own where that is the same, else put into {@code own}.
   */
  float[][] arriving(float[][] own, int frames) {
    if (plain) {
      return source;
    }
    replace(own, frames);
    return own;
  }

  /** Adds the source's block to {@code into}. */
  void addTo(float[][] into, int frames) {
    carry(into, frames, false);
  }

  /** Puts the source's block in the place of what {@code into} held: cheaper than clearing it. */
  void replace(float[][] into, int frames) {
    carry(into, frames, true);
  }

  private void carry(float[][] into, int frames, boolean replace) {
    for (int from = 0; from < source.length; from++) {
      float[] in = source[from];
      if (delays.length > 0) {
        delays[from].process(in, delayed, frames);
        in = delayed;
      }
      boolean first = replace && from == 0;
      for (int to = 0; to < into.length; to++) {
        float gain = gains[to][from];
        if (first) {
          put(in, gain, into[to], frames);
        } else if (gain == 1f) {
          add(in, into[to], frames);
        } else if (gain != 0f) {
          addScaled(in, gain, into[to], frames);
        }
      }
    }
  }

  private static void put(float[] in, float gain, float[] out, int frames) {
    if (gain == 1f) {
      System.arraycopy(in, 0, out, 0, frames);
    } else if (gain == 0f) {
      Arrays.fill(out, 0, frames, 0f);
    } else {
      scale(in, gain, out, frames);
    }
  }

  private static void scale(float[] in, float gain, float[] out, int frames) {
    for (int i = 0; i < frames; i++) {
      out[i] = gain * in[i];
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
