package drevik.audio;

/**
 * How a mono channel is spread over two speakers. At the centre each side stands at the law's
 * level; in between the sine/cosine curve is bent so that it passes through that level.
 */
public enum PanLaw {
  MINUS_3("-3 dB", -3.0102999566398120),
  MINUS_4_5("-4.5 dB", -4.5154499349597180),
  MINUS_6("-6 dB", -6.0205999132796240),
  NONE("0 dB", 0.0);

  private final String id;
  private final double exponent;

  PanLaw(String id, double centreDb) {
    this.id = id;
    // cos(π/4)^e is the centre gain: e = 1 gives −3 dB, e = 2 gives −6 dB, e = 0 no loss at all.
    this.exponent = centreDb / MINUS_3_DB;
  }

  private static final double MINUS_3_DB = -3.0102999566398120;

  /**
   * Gains of the two sides: {@code L = cos θ, R = sin θ, θ = (pan + 1)·π/4}, raised to the law's
   * exponent.
   *
   * @param pan −1 (left) to 1 (right)
   * @return left and right linear gain
   */
  public double[] gains(double pan) {
    double theta = (Math.max(-1, Math.min(1, pan)) + 1) * Math.PI / 4;
    if (this == NONE) {
      return balance(pan);
    }
    // Exactly nothing at the end of the way.
    return new double[] {
      pan >= 1 ? 0 : Math.pow(Math.cos(theta), exponent),
      pan <= -1 ? 0 : Math.pow(Math.sin(theta), exponent)
    };
  }

  /**
   * Gains of a stereo balance: the side that is turned away from falls along a cosine, the other
   * stays at 0 dB.
   */
  public static double[] balance(double pan) {
    double p = Math.max(-1, Math.min(1, pan));
    return new double[] {
      p <= 0 ? 1 : p >= 1 ? 0 : Math.cos(p * Math.PI / 2),
      p >= 0 ? 1 : p <= -1 ? 0 : Math.cos(-p * Math.PI / 2)
    };
  }

  @Override
  public String toString() {
    return id;
  }
}
