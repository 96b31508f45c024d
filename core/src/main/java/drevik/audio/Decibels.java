package drevik.audio;

/** Conversions between linear amplitude and decibels. */
public final class Decibels {
  /** Gains at or below this value are taken as silence. */
  public static final double SILENCE = -144.0;

  private Decibels() {}

  /** Linear gain of {@code db}; 0 at or below {@link #SILENCE}. */
  public static double toGain(double db) {
    return db <= SILENCE ? 0.0 : Math.pow(10.0, db / 20.0);
  }

  /** Decibels of a linear amplitude; negative infinity for 0. */
  public static double ofAmplitude(double amplitude) {
    return 20.0 * Math.log10(amplitude);
  }

  /** Decibels of a power ratio; negative infinity for 0. */
  public static double ofPower(double power) {
    return 10.0 * Math.log10(power);
  }
}
