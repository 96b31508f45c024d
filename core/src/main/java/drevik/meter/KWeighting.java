package drevik.meter;

import drevik.dsp.Biquad;

/**
 * The two filters of ITU-R BS.1770-5, annex 1, for any sample rate. The standard gives coefficients
 * at 48 kHz only; these are derived by the bilinear transform from the analogue shelf and high-pass
 * that reproduce them.
 */
final class KWeighting {
  private KWeighting() {}

  /** Stage 1: the shelf that stands for the head. */
  static Biquad shelf(int sampleRate) {
    double k = Math.tan(Math.PI * 1681.974450955533 / sampleRate);
    double q = 0.7071752369554196;
    double high = Math.pow(10, 3.999843853973347 / 20);
    double band = Math.pow(high, 0.4996667741545416);
    double a0 = 1 + k / q + k * k;
    return new Biquad(
        (high + band * k / q + k * k) / a0,
        2 * (k * k - high) / a0,
        (high - band * k / q + k * k) / a0,
        2 * (k * k - 1) / a0,
        (1 - k / q + k * k) / a0);
  }

  /** Stage 2: the high-pass (RLB curve). */
  static Biquad highPass(int sampleRate) {
    double k = Math.tan(Math.PI * 38.13547087602444 / sampleRate);
    double q = 0.5003270373238773;
    double a0 = 1 + k / q + k * k;
    return new Biquad(1, -2, 1, 2 * (k * k - 1) / a0, (1 - k / q + k * k) / a0);
  }
}
