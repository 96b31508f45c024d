package drevik.demo;

import static drevik.demo.Voices.RATE;

import java.util.stream.IntStream;

/** What becomes of a recording between the microphone and the file. */
final class Signals {
  private Signals() {}

  /** Everyone recorded with the same headroom. */
  static void bringTo(float peak, float[] audio) {
    float most = 0;
    for (float x : audio) {
      most = Math.max(most, Math.abs(x));
    }
    if (most > 0) {
      scale(audio, peak / most);
    }
  }

  static void scale(float[] out, float gain) {
    for (int i = 0; i < out.length; i++) {
      out[i] *= gain;
    }
  }

  static void add(float[] out, float[] in, float gain) {
    for (int i = 0; i < out.length; i++) {
      out[i] += gain * in[i];
    }
  }

  /** Louder than the converter could take. */
  static void clip(float[] out, float gain) {
    for (int i = 0; i < out.length; i++) {
      out[i] = Math.max(-1, Math.min(1, out[i] * gain));
    }
  }

  static float[] late(float[] in, double seconds) {
    int shift = (int) (seconds * RATE);
    if (shift == 0) {
      return in;
    }
    float[] out = new float[in.length];
    System.arraycopy(in, 0, out, shift, in.length - shift);
    return out;
  }

  /** Four echoes into each other: a room of sorts. */
  static float[] wash(float[] in, int side) {
    float[] out = new float[in.length];
    int[] taps = side == 0 ? new int[] {431, 977, 1787, 2903} : new int[] {487, 1049, 1667, 3067};
    for (int i = 0; i < in.length; i++) {
      float sum = i >= 380 ? in[i - 380] * 0.5f : 0;
      for (int tap : taps) {
        if (i >= tap) {
          sum += 0.16f * out[i - tap] + 0.12f * in[i - tap];
        }
      }
      out[i] = sum;
    }
    return out;
  }

  /** Windowed-sinc interpolation from 48 to 44.1 kHz; some machines run at that rate. */
  static float[] at44100(float[] in) {
    double step = 48_000 / 44_100.0;
    float[] out = new float[(int) (in.length / step)];
    IntStream.range(0, out.length)
        .parallel()
        .forEach(i -> out[i] = (float) interpolated(in, i * step, 1 / step));
    return out;
  }

  /** Between samples, at {@code at} of them; {@code cutoff} as a part of half of the rate. */
  private static double interpolated(float[] in, double at, double cutoff) {
    int centre = (int) at;
    double sum = 0;
    for (int k = Math.max(0, centre - 15); k < Math.min(in.length, centre + 17); k++) {
      double x = (k - at) * cutoff;
      double window = 0.5 + 0.5 * Voices.sine(Math.PI * ((k - at) / 17 + 0.5));
      double sinc = Math.abs(x) < 1e-9 ? 1 : Voices.sine(Math.PI * x) / (Math.PI * x);
      sum += in[k] * cutoff * sinc * window;
    }
    return sum;
  }
}
