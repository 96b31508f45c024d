package drevik.dsp;

/** Keeps recursive state out of the denormal range. */
final class Denormals {
  /**
   * Far below what a float can show (1.4e−45) times the precision of a double, far above the
   * smallest normal double (2.2e−308): replacing such a value by 0 changes no output bit.
   */
  static final double LIMIT = 1e-200;

  /** Rounds to multiples of 1e-196. */
  private static final double DROWNS = 1e-180;

  /** Rounds to multiples of 9e-38, just above the smallest normal float (1.2e-38). */
  private static final float FLOAT_DROWNS = 1e-30f;

  private Denormals() {}

  static double flush(double value) {
    return Math.abs(value) < LIMIT ? 0 : value;
  }

  /**
   * The same without asking, for loops that run over many values at once: what is far too small
   * drowns in a sum with a small number, and all else comes out of it as it was.
   */
  static double drown(double value) {
    return value + DROWNS - DROWNS;
  }

  static float drown(float value) {
    return value + FLOAT_DROWNS - FLOAT_DROWNS;
  }
}
