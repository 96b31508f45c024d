package drevik.meter;

import drevik.dsp.Oversampler;

/**
 * Sample peak and true peak (ITU-R BS.1770-5, annex 2) of a stream.
 *
 * <p>Interpolating is by far the dearest of all measurements. A short stretch of samples whose
 * magnitude times the filter's largest possible gain stays below the peak found so far cannot raise
 * it, and is passed over: the result is the same, for a small part of the work.
 */
public final class PeakMeter {
  private static final int STRETCH = 16;
  private static final int MIDDLE = Oversampler.TAPS / 2 - 1;
  private static final int HISTORY = Oversampler.TAPS - 1;

  private final float[][] phases;
  private final double nearGain;
  private final double farGain;
  private final float[][] tail;
  private final double[] samplePeaks;
  private double truePeak;
  private float[] scratch = new float[0];
  private float[] stretchPeaks = new float[0];

  public PeakMeter(int sampleRate, int channels) {
    phases = Oversampler.phases(sampleRate);
    nearGain = Oversampler.largestGain(phases, MIDDLE, MIDDLE + 2);
    farGain =
        Oversampler.largestGain(phases, 0, MIDDLE)
            + Oversampler.largestGain(phases, MIDDLE + 2, Oversampler.TAPS);
    tail = new float[channels][HISTORY];
    samplePeaks = new double[channels];
  }

  /** Takes {@code frames} frames of {@code audio[channel][offset…]}. */
  public void add(float[][] audio, int offset, int frames) {
    if (scratch.length < frames + HISTORY) {
      scratch = new float[frames + HISTORY];
      stretchPeaks = new float[(frames + HISTORY) / STRETCH + 1];
    }
    for (int channel = 0; channel < tail.length; channel++) {
      System.arraycopy(tail[channel], 0, scratch, 0, HISTORY);
      System.arraycopy(audio[channel], offset, scratch, HISTORY, frames);
      System.arraycopy(scratch, frames, tail[channel], 0, HISTORY);
      // The history was counted before; counting it again changes nothing.
      for (int start = 0; start < frames + HISTORY; start += STRETCH) {
        float peak = magnitude(scratch, start, Math.min(frames + HISTORY, start + STRETCH));
        stretchPeaks[start / STRETCH] = peak;
        samplePeaks[channel] = Math.max(samplePeaks[channel], peak);
      }
      truePeak = Math.max(truePeak, samplePeaks[channel]);
      interpolate(frames);
    }
  }

  private void interpolate(int frames) {
    for (int start = 0; start < frames; start += STRETCH) {
      int end = Math.min(frames, start + STRETCH);
      // The filter reaches from this stretch into the next one.
      int next = Math.min(start / STRETCH + 1, (frames + HISTORY - 1) / STRETCH);
      double around = Math.max(stretchPeaks[start / STRETCH], stretchPeaks[next]);
      if (around * (nearGain + farGain) <= truePeak) {
        continue;
      }
      double far = around * farGain;
      for (int i = start; i < end; i++) {
        double near = Math.max(Math.abs(scratch[i + MIDDLE]), Math.abs(scratch[i + MIDDLE + 1]));
        if (near * nearGain + far > truePeak) {
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
      most = Math.max(most, Float.floatToRawIntBits(x[i]) & 0x7FFF_FFFF);
    }
    return Float.intBitsToFloat(most);
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
