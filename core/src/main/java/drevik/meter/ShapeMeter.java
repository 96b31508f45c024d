package drevik.meter;

import java.util.Arrays;

/**
 * What the channels of a stream are beside each other and over time: peaks, means, whether all are
 * the same, the longest silence, the level of the end. One pass, in proportion to the samples.
 */
public final class ShapeMeter {
  private static final int STRETCH = 64;

  private final double[] peak;
  private final double[] sum;
  private final float silence;
  private final long endFrom;
  private double endPower;
  private boolean same = true;
  private long frames;

  /** Of the stretch that is being filled. */
  private float stretchPeak;

  private int stretchFilled;
  private long stretchesEnd;

  /** Frames of silence up to there. */
  private long silent;

  private long longestSilence;
  private long silenceAt;

  /**
   * @param silence magnitudes up to it are silence, of full scale
   * @param length frames of the stream
   * @param endFrames how much of the end is measured
   */
  public ShapeMeter(int channels, double silence, long length, int endFrames) {
    this.peak = new double[channels];
    this.sum = new double[channels];
    this.silence = (float) silence;
    this.endFrom = Math.max(0, length - endFrames);
  }

  /** Takes {@code count} frames of {@code audio[channel][offset…]}. */
  public void add(float[][] audio, int offset, int count) {
    for (int channel = 0; channel < audio.length; channel++) {
      float[] x = audio[channel];
      sum[channel] += sum(x, offset, count);
      // Bits, so that what is no number is not taken for another.
      same =
          same
              && (channel == 0
                  || Arrays.equals(audio[0], offset, offset + count, x, offset, offset + count));
    }
    silences(audio, offset, count);
    ends(audio, offset, count);
    frames += count;
  }

  /** By stretches that begin at the same frames however the stream is cut into blocks. */
  private void silences(float[][] audio, int offset, int count) {
    for (int from = offset; from < offset + count; ) {
      int to = Math.min(offset + count, from + STRETCH - stretchFilled);
      for (int channel = 0; channel < audio.length; channel++) {
        float most = PeakMeter.magnitude(audio[channel], from, to);
        peak[channel] = Math.max(peak[channel], most);
        stretchPeak = Math.max(stretchPeak, most);
      }
      stretchFilled += to - from;
      from = to;
      if (stretchFilled == STRETCH) {
        closeStretch();
      }
    }
  }

  private void closeStretch() {
    // Asked so that what is no number is heard.
    if (stretchPeak <= silence) {
      silent += stretchFilled;
      if (silent > longestSilence) {
        longestSilence = silent;
        silenceAt = stretchesEnd + stretchFilled - silent;
      }
    } else {
      silent = 0;
    }
    stretchesEnd += stretchFilled;
    stretchFilled = 0;
    stretchPeak = 0;
  }

  /** Four sums at once: one alone would wait for itself at every sample. */
  private static double sum(float[] x, int offset, int count) {
    double a = 0, b = 0, c = 0, d = 0;
    int i = offset;
    for (; i < offset + count - 3; i += 4) {
      a += x[i];
      b += x[i + 1];
      c += x[i + 2];
      d += x[i + 3];
    }
    for (; i < offset + count; i++) {
      a += x[i];
    }
    return (a + b) + (c + d);
  }

  private void ends(float[][] audio, int offset, int count) {
    int from = (int) Math.max(0, Math.min(count, endFrom - frames));
    for (float[] x : audio) {
      for (int i = offset + from; i < offset + count; i++) {
        endPower += (double) x[i] * x[i];
      }
    }
  }

  /** Largest magnitude of a channel, dBFS. */
  public double peakDbfs(int channel) {
    return 20 * Math.log10(peak[channel]);
  }

  /** Mean of a channel, of full scale. */
  public double dc(int channel) {
    return frames == 0 ? 0 : sum[channel] / frames;
  }

  /** True if there are several channels and all are the same. */
  public boolean identical() {
    return peak.length > 1 && same;
  }

  /** Frames of the longest silence, to a stretch of 64; to be asked when all is taken. */
  public long longestSilence() {
    if (stretchFilled > 0) {
      closeStretch();
    }
    return longestSilence;
  }

  /** Where the longest silence begins; to be asked behind its length. */
  public long silenceAt() {
    return silenceAt;
  }

  /** Mean power of the last frames over all channels together, dBFS. */
  public double endDbfs() {
    return 10 * Math.log10(endPower / Math.max(1, frames - endFrom));
  }
}
