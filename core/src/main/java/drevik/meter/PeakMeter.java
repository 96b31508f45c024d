package drevik.meter;

import drevik.dsp.Oversampler;
import java.util.Arrays;

/**
 * Sample peak and true peak (ITU-R BS.1770-5, annex 2) of a stream.
 *
 * <p>Interpolating is by far the dearest of all measurements, so it is done only where it could
 * raise the peak found so far; the result is the same. What lies between two samples differs from
 * them by no more than their neighbourhood moves: with h the interpolator, whose taps sum to 1, and
 * d the differences from sample to sample,
 *
 * <pre>
 *   |y| ≤ near·max(|x[n]|, |x[n+1]|) + far·√(Σ d²)
 * </pre>
 *
 * where near is the sum of |Σ h| left and right of the gap, and far the norm of the running sums of
 * h from either end up to it (summation by parts, then Cauchy and Schwarz). In music neighbours are
 * alike, and hardly a sample is left to interpolate.
 */
public final class PeakMeter {
  private static final int STRETCH = 8;
  private static final int MIDDLE = Oversampler.TAPS / 2 - 1;
  private static final int HISTORY = Oversampler.TAPS - 1;

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
  private final float[][] tail;
  private final double[] samplePeaks;
  private double truePeak;
  private float[] scratch = new float[0];
  private float[] peaks = new float[0];
  private float[] movements = new float[0];

  public PeakMeter(int sampleRate, int channels) {
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
    tail = new float[channels][HISTORY];
    samplePeaks = new double[channels];
  }

  /** Takes {@code frames} frames of {@code audio[channel][offset…]}. */
  public void add(float[][] audio, int offset, int frames) {
    int length = frames + HISTORY;
    int stretches = (length + STRETCH - 1) / STRETCH;
    if (peaks.length < stretches + REACH) {
      scratch = new float[stretches * STRETCH + 1];
      peaks = new float[stretches + REACH];
      movements = new float[stretches + REACH];
    }
    for (int channel = 0; channel < tail.length; channel++) {
      System.arraycopy(tail[channel], 0, scratch, 0, HISTORY);
      System.arraycopy(audio[channel], offset, scratch, HISTORY, frames);
      System.arraycopy(scratch, frames, tail[channel], 0, HISTORY);
      // What follows the last sample stands still.
      Arrays.fill(scratch, length, stretches * STRETCH + 1, scratch[length - 1]);
      // The history was counted before; counting it again changes nothing.
      samplePeaks[channel] = Math.max(samplePeaks[channel], survey(stretches));
      truePeak = Math.max(truePeak, samplePeaks[channel]);
      interpolate(frames);
    }
  }

  /** Each stretch's largest magnitude, and how much it moves up to the first sample of the next. */
  private float survey(int stretches) {
    int largest = 0;
    for (int stretch = 0; stretch < stretches; stretch++) {
      int at = stretch * STRETCH;
      float moved = 0;
      int most = 0;
      // Four at a time, so that no sum waits for the one before it at every sample.
      for (int i = at; i < at + STRETCH; i += 4) {
        float a = scratch[i], b = scratch[i + 1], c = scratch[i + 2], d = scratch[i + 3];
        float ab = b - a, bc = c - b, cd = d - c, de = scratch[i + 4] - d;
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
    return Float.intBitsToFloat(largest);
  }

  private void interpolate(int frames) {
    for (int start = 0, stretch = 0; start < frames; start += STRETCH, stretch++) {
      float peak = 0;
      for (int k = FIRST_GAP; k <= LAST_GAP; k++) {
        peak = Math.max(peak, peaks[stretch + k]);
      }
      float moved = 0;
      for (int k = 0; k < REACH; k++) {
        moved += movements[stretch + k];
      }
      double room = truePeak - near * peak;
      if (room >= 0 && far * far * moved <= room * room) {
        continue;
      }
      double reach = far * Math.sqrt(moved);
      int end = Math.min(frames, start + STRETCH);
      for (int i = start; i < end; i++) {
        int nearer = Math.max(bits(scratch[i + MIDDLE]), bits(scratch[i + MIDDLE + 1]));
        // Asked so that what is no number is not passed over.
        if (!(near * Float.intBitsToFloat(nearer) + reach <= truePeak)) {
          between(i);
        }
      }
    }
  }

  private void between(int at) {
    for (float[] phase : phases) {
      // Four sums at once: one alone would wait for itself at every tap.
      float a = 0, b = 0, c = 0, d = 0;
      for (int k = 0; k < Oversampler.TAPS; k += 4) {
        a += phase[k] * scratch[at + k];
        b += phase[k + 1] * scratch[at + k + 1];
        c += phase[k + 2] * scratch[at + k + 2];
        d += phase[k + 3] * scratch[at + k + 3];
      }
      truePeak = Math.max(truePeak, Math.abs((a + b) + (c + d)));
    }
  }

  /**
   * Largest magnitude of {@code x[from…to − 1]}; floats without their sign compare like whole
   * numbers, only faster.
   */
  public static float magnitude(float[] x, int from, int to) {
    int most = 0;
    for (int i = from; i < to; i++) {
      most = Math.max(most, bits(x[i]));
    }
    return Float.intBitsToFloat(most);
  }

  private static int bits(float x) {
    return Float.floatToRawIntBits(x) & 0x7FFF_FFFF;
  }

  /** Largest sample magnitude of any channel, dBFS. */
  public double samplePeakDbfs() {
    double peak = 0;
    for (double p : samplePeaks) {
      peak = Math.max(peak, p);
    }
    return 20 * Math.log10(peak);
  }

  /** Largest magnitude between samples as well, dBTP. */
  public double truePeakDbtp() {
    return 20 * Math.log10(truePeak);
  }
}
