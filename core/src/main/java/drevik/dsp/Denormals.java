package drevik.dsp;

/** Keeps recursive state out of the denormal range. */
final class Denormals {
  /**
   * Far below what a float can show (1.4e−45) times the precision of a double, far above the
   * smallest normal double (2.2e−308): replacing such a value by 0 changes no output bit.
   */
  static final double LIMIT = 1e-200;

  private Denormals() {}

  static double flush(double value) {
    return Math.abs(value) < LIMIT ? 0 : value;
  }
}
