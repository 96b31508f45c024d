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
    }
    for (int channel = 0; channel < tail.length; channel++) {
      System.arraycopy(tail[channel], 0, scratch, 0, HISTORY);
      System.arraycopy(audio[channel], offset, scratch, HISTORY, frames);
      System.arraycopy(scratch, frames, tail[channel], 0, HISTORY);
      samplePeaks[channel] =
          Math.max(samplePeaks[channel], magnitude(scratch, HISTORY, HISTORY + frames));
      truePeak = Math.max(truePeak, samplePeaks[channel]);
      interpolate(frames);
    }
  }

  private void interpolate(int frames) {
    for (int start = 0; start < frames; start += STRETCH) {
      int end = Math.min(frames, start + STRETCH);
      double around = magnitude(scratch, start, end + HISTORY);
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
      double sum = 0;
      for (int k = 0; k < Oversampler.TAPS; k++) {
        sum += phase[k] * scratch[at + k];
      }
      truePeak = Math.max(truePeak, Math.abs(sum));
    }
  }

  /** Largest magnitude; floats without their sign compare like whole numbers, only faster. */
  private static float magnitude(float[] x, int from, int to) {
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
