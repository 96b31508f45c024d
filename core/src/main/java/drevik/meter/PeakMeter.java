package drevik.meter;

import drevik.dsp.Oversampler;
import drevik.dsp.PeakScan;

/** Sample peak and true peak (ITU-R BS.1770-5, annex 2) of a stream. */
public final class PeakMeter {
  private final PeakScan scan;
  private final float[][] tail;
  private double samplePeak;
  private double truePeak;

  public PeakMeter(int channels) {
    scan = new PeakScan(Oversampler.OF_METERS);
    tail = new float[channels][scan.history()];
  }

  /** Takes {@code frames} frames of {@code audio[channel][offset…]}. */
  public void add(float[][] audio, int offset, int frames) {
    for (int channel = 0; channel < tail.length; channel++) {
      scan.take(tail[channel], audio[channel], offset, frames);
      samplePeak = Math.max(samplePeak, scan.samplePeak());
      truePeak = scan.largest(truePeak);
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
    return 20 * Math.log10(samplePeak);
  }

  /** Largest magnitude between samples as well, up to the last and into what follows it, dBTP. */
  public double truePeakDbtp() {
    double most = truePeak;
    float[] silence = new float[scan.delay()];
    for (float[] channel : tail) {
      scan.take(channel.clone(), silence, 0, silence.length);
      most = scan.largest(most);
    }
    return 20 * Math.log10(most);
  }
}
