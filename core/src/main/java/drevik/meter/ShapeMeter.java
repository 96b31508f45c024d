package drevik.meter;

import java.util.Arrays;

/**
 * What the channels of a stream are beside each other and over time: peaks, means, whether all are
 * the same, the longest silence, the level of the end. One pass, in proportion to the samples.
 */
public final class ShapeMeter {
  private final double[] peak;
  private final double[] sum;
  private final float silence;
  private final double[] end;
  private int endAt;
  private boolean same = true;
  private long frames;
  private long lastHeard = -1;
  private long longestSilence;
  private long silenceAt;

  /**
   * @param silence magnitudes up to it are silence, of full scale
   * @param endFrames how much of the end is measured
   */
  public ShapeMeter(int channels, double silence, int endFrames) {
    this.peak = new double[channels];
    this.sum = new double[channels];
    this.silence = (float) silence;
    this.end = new double[endFrames];
  }

  /** Takes {@code count} frames of {@code audio[channel][offset…]}. */
  public void add(float[][] audio, int offset, int count) {
    for (int channel = 0; channel < audio.length; channel++) {
      float[] x = audio[channel];
      double sumOfBlock = 0;
      for (int i = offset; i < offset + count; i++) {
        sumOfBlock += x[i];
      }
      sum[channel] += sumOfBlock;
      peak[channel] = Math.max(peak[channel], PeakMeter.magnitude(x, offset, offset + count));
      // Bits, so that what is no number is not taken for another.
      same &=
          channel == 0
              || Arrays.equals(audio[0], offset, offset + count, x, offset, offset + count);
    }
    silences(audio, offset, count);
    ends(audio, offset, count);
    frames += count;
  }

  private void silences(float[][] audio, int offset, int count) {
    int first = firstHeard(audio, offset, offset + count);
    if (first < 0) {
      return;
    }
    until(frames + first - offset);
    lastHeard = frames + first - offset;
    // Where a block is heard at both ends and nowhere silent for long, no more is asked.
    int from = first;
    while (from >= 0) {
      int next = firstHeard(audio, from + 1, offset + count);
      if (next < 0) {
        break;
      }
      if (next > from + 1) {
        until(frames + next - offset);
      }
      lastHeard = frames + next - offset;
      from = next;
    }
  }

  private void until(long frame) {
    long silent = frame - lastHeard - 1;
    if (silent > longestSilence) {
      longestSilence = silent;
      silenceAt = lastHeard + 1;
    }
  }

  private int firstHeard(float[][] audio, int from, int to) {
    int first = -1;
    int end = to;
    for (float[] x : audio) {
      for (int i = from; i < end; i++) {
        if (!(Math.abs(x[i]) <= silence)) {
          first = i;
          end = i;
          break;
        }
      }
    }
    return first;
  }

  private void ends(float[][] audio, int offset, int count) {
    // Only what may be among the last frames of all is looked at.
    int from = Math.max(0, count - end.length);
    for (int i = offset + from; i < offset + count; i++) {
      double power = 0;
      for (float[] x : audio) {
        power += (double) x[i] * x[i];
      }
      end[endAt] = power;
      endAt = endAt + 1 == end.length ? 0 : endAt + 1;
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

  /** Frames of the longest silence; to be asked when all is taken. */
  public long longestSilence() {
    return Math.max(longestSilence, frames - lastHeard - 1);
  }

  /** Where the longest silence begins. */
  public long silenceAt() {
    return frames - lastHeard - 1 > longestSilence ? lastHeard + 1 : silenceAt;
  }

  /** Mean power of the last frames over all channels together, dBFS. */
  public double endDbfs() {
    return 10 * Math.log10(Arrays.stream(end).sum() / Math.min(end.length, Math.max(1, frames)));
  }
}
