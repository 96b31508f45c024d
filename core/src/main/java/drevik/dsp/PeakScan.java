package drevik.dsp;

import java.util.Arrays;

/**
 * Finds how large audio gets at and between its samples (ITU-R BS.1770-5, annex 2), a channel and a
 * block at a time.
 *
 * <p>Interpolating is by far the dearest part, so it is done only where it could exceed what the
 * caller asks for; the result is the same. What lies between two samples differs from them by no
 * more than their neighbourhood moves: with h the interpolator, whose taps sum to 1, and d the
 * differences from sample to sample,
 *
 * <pre>
 *   |y| ≤ near·max(|x[n]|, |x[n+1]|) + far·√(Σ d²)
 * </pre>
 *
 * where near is the sum of |Σ h| left and right of the gap, and far the norm of the running sums of
 * h from either end up to it (summation by parts, then Cauchy and Schwarz). In music neighbours are
 * alike, and hardly a sample is left to interpolate.
 */
public final class PeakScan {
  /** Samples of a channel that are kept from block to block. */
  public static final int HISTORY = Oversampler.TAPS - 1;

  /** Frames by which what is found for a frame lies before it. */
  public static final int DELAY = Oversampler.TAPS / 2;

  private static final int STRETCH = 8;
  private static final int MIDDLE = DELAY - 1;

  /** Stretches over which a window that begins in the first of them can reach. */
  private static final int REACH = (STRETCH + Oversampler.TAPS - 2) / STRETCH + 1;

  /** The stretches, counted from the same one, that the samples beside its gaps lie in. */
  private static final int FIRST_GAP = MIDDLE / STRETCH;

  private static final int LAST_GAP = (MIDDLE + STRETCH) / STRETCH;

  /** Far more than the rounding of an interpolated sample and of its bound together. */
  private static final double ROUNDING = 1.0001;

  private final float[][] phases;
  private final double near;
  private final double far;
  private float[] audio = new float[0];
  private float[] peaks = new float[0];
  private float[] movements = new float[0];
  private int frames;
  private float samplePeak;

  public PeakScan(int sampleRate) {
    phases = Oversampler.phases(sampleRate);
    double largestNear = 1;
    double largestFar = 0;
    for (float[] phase : phases) {
      double left = 0;
      double right = 0;
      double squares = 0;
      for (int k = 0; k < MIDDLE; k++) {
        left += phase[k];
        right += phase[HISTORY - k];
        squares += left * left + right * right;
      }
      left += phase[MIDDLE];
      right += phase[MIDDLE + 1];
      largestNear = Math.max(largestNear, Math.abs(left) + Math.abs(right));
      largestFar = Math.max(largestFar, Math.sqrt(squares));
    }
    near = largestNear * ROUNDING;
    far = largestFar * ROUNDING;
  }

  /**
   * Takes the next frames of a channel, {@code channel[offset…offset + frames)}.
   *
   * @param tail the channel's own {@link #HISTORY} last samples; brought up to date
   */
  public void take(float[] tail, float[] channel, int offset, int frames) {
    this.frames = frames;
    int length = frames + HISTORY;
    int stretches = (length + STRETCH - 1) / STRETCH;
    if (peaks.length < stretches + REACH) {
      audio = new float[stretches * STRETCH + 1];
      peaks = new float[stretches + REACH];
      movements = new float[stretches + REACH];
    }
    System.arraycopy(tail, 0, audio, 0, HISTORY);
    System.arraycopy(channel, offset, audio, HISTORY, frames);
    System.arraycopy(audio, frames, tail, 0, HISTORY);
    // What follows the last sample stands still.
    Arrays.fill(audio, length, stretches * STRETCH + 1, audio[length - 1]);
    survey(stretches);
  }

  /** Each stretch's largest magnitude, and how much it moves up to the first sample of the next. */
  private void survey(int stretches) {
    int largest = 0;
    for (int stretch = 0; stretch < stretches; stretch++) {
      int at = stretch * STRETCH;
      float moved = 0;
      int most = 0;
      // Four at a time, so that no sum waits for the one before it at every sample.
      for (int i = at; i < at + STRETCH; i += 4) {
        float a = audio[i], b = audio[i + 1], c = audio[i + 2], d = audio[i + 3];
        float ab = b - a, bc = c - b, cd = d - c, de = audio[i + 4] - d;
        moved += (ab * ab + bc * bc) + (cd * cd + de * de);
        int firstTwo = Math.max(bits(a), bits(b));
        int lastTwo = Math.max(bits(c), bits(d));
        most = Math.max(most, Math.max(firstTwo, lastTwo));
      }
      movements[stretch] = moved;
      peaks[stretch] = Float.intBitsToFloat(most);
      largest = Math.max(largest, most);
    }
    Arrays.fill(peaks, stretches, stretches + REACH, 0);
    Arrays.fill(movements, stretches, stretches + REACH, 0);
    samplePeak = Float.intBitsToFloat(largest);
  }

  /** Largest magnitude of any sample of the block and of what was kept before it. */
  public float samplePeak() {
    return samplePeak;
  }

  /** The largest magnitude at or between the samples, if it is more than {@code atLeast}. */
  public double largest(double atLeast) {
    double most = Math.max(atLeast, samplePeak);
    for (int start = 0, stretch = 0; start < frames; start += STRETCH, stretch++) {
      double reach = reach(stretch, most);
      if (reach < 0) {
        continue;
      }
      int end = Math.min(frames, start + STRETCH);
      for (int i = start; i < end; i++) {
        if (couldExceed(most, i, reach)) {
          most = Math.max(most, between(i));
        }
      }
    }
    return most;
  }

  /**
   * Raises {@code magnitudes[i]} to the magnitude of the sample {@link #DELAY} frames before frame
   * i, and to that of what lies between it and the next, where that is more than {@code ceiling}.
   */
  public void raise(float[] magnitudes, double ceiling) {
    for (int i = 0; i < frames; i++) {
      magnitudes[i] = Math.max(magnitudes[i], Math.abs(audio[i + MIDDLE]));
    }
    for (int start = 0, stretch = 0; start < frames; start += STRETCH, stretch++) {
      double reach = reach(stretch, ceiling);
      if (reach < 0) {
        continue;
      }
      int end = Math.min(frames, start + STRETCH);
      for (int i = start; i < end; i++) {
        if (couldExceed(ceiling, i, reach)) {
          magnitudes[i] = Math.max(magnitudes[i], between(i));
        }
      }
    }
  }

  /** How far any gap of a stretch can rise above its samples; negative if not above a limit. */
  private double reach(int stretch, double limit) {
    float peak = 0;
    for (int k = FIRST_GAP; k <= LAST_GAP; k++) {
      peak = Math.max(peak, peaks[stretch + k]);
    }
    float moved = 0;
    for (int k = 0; k < REACH; k++) {
      moved += movements[stretch + k];
    }
    double room = limit - near * peak;
    return room >= 0 && far * far * moved <= room * room ? -1 : far * Math.sqrt(moved);
  }

  private boolean couldExceed(double limit, int i, double reach) {
    int nearer = Math.max(bits(audio[i + MIDDLE]), bits(audio[i + MIDDLE + 1]));
    // Asked so that what is no number is not passed over.
    return !(near * Float.intBitsToFloat(nearer) + reach <= limit);
  }

  /** The largest magnitude between two samples, whose window begins at {@code at}. */
  private float between(int at) {
    float most = 0;
    for (float[] phase : phases) {
      // Four sums at once: one alone would wait for itself at every tap.
      float a = 0, b = 0, c = 0, d = 0;
      for (int k = 0; k < Oversampler.TAPS; k += 4) {
        a += phase[k] * audio[at + k];
        b += phase[k + 1] * audio[at + k + 1];
        c += phase[k + 2] * audio[at + k + 2];
        d += phase[k + 3] * audio[at + k + 3];
      }
      most = Math.max(most, Math.abs((a + b) + (c + d)));
    }
    return most;
  }

  /** A magnitude as a whole number: floats without their sign compare like those, only faster. */
  private static int bits(float x) {
    return Float.floatToRawIntBits(x) & 0x7FFF_FFFF;
  }
}
