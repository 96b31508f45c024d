package drevik.audio;

/**
 * Brings samples to what a file of a format can hold: dithered, rounded to the nearest step, to the
 * even one of two, and clipped at full scale. What comes out is what reading the file gives back.
 *
 * <p>Full scale of n-bit is 2^(n−1). The dither is a fixed pseudo-random sequence by seed and
 * channel, so the same print gives the same bits, and no two files or channels the same noise.
 */
final class Quantiser {
  /**
   * Error feedback of three taps at 44.1 and 48 kHz, an approximation of the threshold of hearing
   * (R. A. Wannamaker, “Psychoacoustically optimal noise shaping”, JAES 40/7, 1992).
   */
  private static final double[] SHAPE = {1.623, -0.982, 0.109};

  private static final double ROUNDER = 0x1.8p52;
  private static final int NEARLY_FULL = Float.floatToRawIntBits(0.999f);

  private final SampleFormat format;
  private final Dither dither;
  private final double scale;
  private final double largest;
  private final long[] noise;
  private final double[][] errors;
  private long clipped;
  private long unusable;

  Quantiser(SampleFormat format, Dither dither, int channels, long seed) {
    this.format = format;
    this.dither = dither.in(format);
    this.scale = Math.pow(2, format.bits() - 1);
    this.largest = scale - 1;
    this.noise = new long[channels];
    this.errors = new double[channels][SHAPE.length];
    for (int i = 0; i < channels; i++) {
      noise[i] = scrambled(seed * 31 + i + 1);
    }
  }

  /** Never zero, which the sequence would stay at. */
  private static long scrambled(long seed) {
    long z = seed * 0x9E3779B97F4A7C15L;
    z = (z ^ z >>> 30) * 0xBF58476D1CE4E5B9L;
    z = (z ^ z >>> 27) * 0x94D049BB133111EBL;
    z ^= z >>> 31;
    return z == 0 ? 1 : z;
  }

  /** The largest by which a sample within full scale may differ from what it was, linear. */
  static double largestError(SampleFormat format, Dither dither) {
    if (format.encoding().equals("float")) {
      return 0;
    }
    double steps =
        switch (dither.in(format)) {
          case FLAT -> 1.5;
          // 1.5 steps, each of which comes back by the magnitudes of the shape.
          case SHAPED -> 1.5 * (1 + 1.623 + 0.982 + 0.109);
          default -> 0.5;
        };
    return steps / Math.pow(2, format.bits() - 1);
  }

  /**
   * Mean power of what dither and rounding add, linear: a quarter of a step squared for triangular
   * dither of one step either way (1/6 for it, 1/12 for rounding), more where it is shaped. Without
   * dither what rounding adds depends on the sound, and only {@link #largestError} holds.
   */
  static double ditherPower(SampleFormat format, Dither dither) {
    double steps =
        switch (dither.in(format)) {
          case FLAT -> 0.25;
          case SHAPED ->
              0.25 * (1 + SHAPE[0] * SHAPE[0] + SHAPE[1] * SHAPE[1] + SHAPE[2] * SHAPE[2]);
          default -> 0;
        };
    return steps / Math.pow(4, format.bits() - 1);
  }

  /** Samples that were beyond full scale and were cut there. */
  long clipped() {
    return clipped;
  }

  /** Samples that were no number, or infinite; each was written as silence. */
  long unusable() {
    return unusable;
  }

  /** {@code out[offset…] = in[offset…]}, as the file will have it. */
  void process(int channel, float[] in, float[] out, int offset, int count) {
    boolean isFull = isNearlyFull(in, offset, count);
    if (format.encoding().equals("float")) {
      System.arraycopy(in, offset, out, offset, count);
    } else if (dither == Dither.FLAT) {
      dithered(channel, in, out, offset, count);
    } else if (dither == Dither.SHAPED) {
      shaped(channel, in, out, offset, count);
    } else if (isFull) {
      limited(in, out, offset, count);
    } else {
      round(in, out, offset, count);
    }
    if (isFull) {
      countOdd(in, out, offset, count);
    }
  }

  private static boolean isNearlyFull(float[] in, int offset, int count) {
    int most = 0;
    for (int i = offset; i < offset + count; i++) {
      // Floats without their sign compare like whole numbers; what is no number is the largest.
      most = Math.max(most, Float.floatToRawIntBits(in[i]) & 0x7FFF_FFFF);
    }
    return most >= NEARLY_FULL;
  }

  /**
   * Of what needs no limit. At 24 bits and less a loop of few float sums alone, which the compiler
   * turns into vectors: 2^(25−n) and up to as much again has no room for half a step, and what is
   * above zero (in + |in|, twice as large) and what is below it are rounded apart.
   */
  private void round(float[] in, float[] out, int offset, int count) {
    if (format.bits() > 24) {
      limited(in, out, offset, count);
      return;
    }
    float rounder = (float) (0x1p24 / scale);
    for (int i = offset; i < offset + count; i++) {
      float x = in[i];
      float magnitude = Math.abs(x);
      out[i] = 0.5f * ((x + magnitude + rounder - rounder) + (x - magnitude - rounder + rounder));
    }
  }

  private void limited(float[] in, float[] out, int offset, int count) {
    double back = 1 / scale;
    for (int i = offset; i < offset + count; i++) {
      double limited = Math.max(-scale, Math.min(largest, in[i] * scale));
      // Adding this much leaves no room for a fraction: far cheaper than rint.
      out[i] = (float) ((limited + ROUNDER - ROUNDER) * back);
    }
  }

  private void dithered(int channel, float[] in, float[] out, int offset, int count) {
    double back = 1 / scale;
    long state = noise[channel];
    for (int i = offset; i < offset + count; i++) {
      state = next(state);
      double first = (state >>> 11) * 0x1p-53;
      state = next(state);
      double noisy = in[i] * scale + first - (state >>> 11) * 0x1p-53;
      double limited = Math.max(-scale, Math.min(largest, noisy));
      out[i] = (float) ((limited + ROUNDER - ROUNDER) * back);
    }
    noise[channel] = state;
  }

  private void shaped(int channel, float[] in, float[] out, int offset, int count) {
    double back = 1 / scale;
    long state = noise[channel];
    double[] e = errors[channel];
    double e1 = e[0], e2 = e[1], e3 = e[2];
    for (int i = offset; i < offset + count; i++) {
      double wanted = in[i] * scale - (SHAPE[0] * e1 + SHAPE[1] * e2 + SHAPE[2] * e3);
      state = next(state);
      double first = (state >>> 11) * 0x1p-53;
      state = next(state);
      double noisy = wanted + first - (state >>> 11) * 0x1p-53;
      double limited = Math.max(-scale, Math.min(largest, noisy));
      double whole = limited + ROUNDER - ROUNDER;
      e3 = e2;
      e2 = e1;
      // What clipping takes is no error of rounding; it would be sent round and round.
      e1 = Math.max(-1.5, Math.min(1.5, whole - wanted));
      out[i] = (float) (whole * back);
    }
    e[0] = e1;
    e[1] = e2;
    e[2] = e3;
    noise[channel] = state;
  }

  private void countOdd(float[] in, float[] out, int offset, int count) {
    for (int i = offset; i < offset + count; i++) {
      if (!Float.isFinite(in[i])) {
        out[i] = 0;
        unusable++;
      } else if (!format.encoding().equals("float")) {
        double x = in[i] * scale;
        // Half a step beyond the last one still rounds to it.
        clipped += x > largest + 0.5 || x < -scale - 0.5 ? 1 : 0;
      }
    }
  }

  /** Marsaglia's xorshift64; enough for dither and the same on every machine. */
  private static long next(long state) {
    long s = state;
    s ^= s << 13;
    s ^= s >>> 7;
    s ^= s << 17;
    return s;
  }
}
