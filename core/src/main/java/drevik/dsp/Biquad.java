package drevik.dsp;

import java.util.List;
import java.util.function.DoubleFunction;

/**
 * Coefficients of a second-order section, normalised so that a0 = 1.
 *
 * <p>The curves are those of the analogue prototypes in R. Bristow-Johnson, “Audio EQ Cookbook”
 * (W3C Working Group Note, 2021), up to the Nyquist frequency: the bilinear transform would squeeze
 * them together there. The poles are the prototype's, carried over by impulse invariance; the zeros
 * are such that the magnitude is the prototype's at 0 Hz, at the corner and at the Nyquist
 * frequency (M. Vicanek, “Matched Second Order Digital Filters”, 2016, sections 2 and 3). Where
 * that leaves more than a tenth of a decibel, as near the Nyquist frequency, {@link MagnitudeFit}
 * follows.
 */
public record Biquad(double b0, double b1, double b2, double a1, double a2) {
  /** Q of a second-order Butterworth filter, maximally flat. */
  public static final double BUTTERWORTH = Math.sqrt(0.5);

  // Q of the two sections of a 4th-order Butterworth filter: 1 / (2·cos(π/8)) and 1 /
  // (2·cos(3π/8)).
  private static final double BUTTERWORTH_4_A = 1 / (2 * Math.cos(Math.PI / 8));
  private static final double BUTTERWORTH_4_B = 1 / (2 * Math.cos(3 * Math.PI / 8));

  /** Where the magnitude is matched at most, as a part of the Nyquist frequency. */
  private static final double HIGHEST_MATCH = 0.8;

  /** Sections whose corner is below, as a part of the Nyquist frequency, are near everywhere. */
  private static final double LOWEST_FIT = 0.06;

  /**
   * An analogue second-order section {@code (n2·s² + n1·s + n0) / (s² + s/q + 1)}, s in units of
   * its corner.
   */
  private record Prototype(double n2, double n1, double n0, double q) {
    /** Squared magnitude at x times the corner. */
    double power(double x) {
      double square = x * x;
      double numerator = square(n0 - n2 * square) + square(n1 * x);
      return numerator / (square(1 - square) + square(x / q));
    }
  }

  private static Biquad fitted(Prototype of, double frequency, int sampleRate) {
    double corner = 2 * Math.PI * frequency / sampleRate;
    Biquad section = matched(of, frequency, sampleRate);
    return corner < LOWEST_FIT * Math.PI
        ? section
        : MagnitudeFit.nearer(section, w -> of.power(w / corner));
  }

  /** The prototype with its corner at {@code frequency} Hz. */
  private static Biquad matched(Prototype of, double frequency, int sampleRate) {
    double corner = 2 * Math.PI * frequency / sampleRate;
    double damping = 1 / (2 * of.q());
    double decay = Math.exp(-damping * corner);
    double root = Math.sqrt(Math.abs(1 - damping * damping));
    double a1 = -2 * decay * (damping <= 1 ? Math.cos(root * corner) : Math.cosh(root * corner));
    double a2 = decay * decay;
    // With φ = sin²(ω/2), |B|² = B0·(1 − φ) + B1·φ + B2·4φ(1 − φ), as |A|² below.
    double atZero = square(1 + a1 + a2);
    double atNyquist = square(1 - a1 + a2);
    double b0 = atZero * of.power(0);
    double b1 = atNyquist * of.power(Math.PI / corner);
    double match = Math.min(corner, HIGHEST_MATCH * Math.PI);
    double phi = square(Math.sin(match / 2));
    double wanted = new Biquad(0, 0, 0, a1, a2).denominator(phi) * of.power(match / corner);
    double b2 = (wanted - b0 * (1 - phi) - b1 * phi) / (4 * phi * (1 - phi));
    double zero = Math.sqrt(b0);
    double nyquist = Math.sqrt(b1);
    double w = (zero + nyquist) / 2;
    double first = (w + Math.sqrt(Math.max(0, w * w + b2))) / 2;
    return new Biquad(first, (zero - nyquist) / 2, -b2 / (4 * first), a1, a2);
  }

  /** |A|² where φ = sin²(ω/2). */
  private double denominator(double phi) {
    return square(1 + a1 + a2) * (1 - phi)
        + square(1 - a1 + a2) * phi
        - 4 * a2 * 4 * phi * (1 - phi);
  }

  private Biquad times(double gain) {
    return new Biquad(gain * b0, gain * b1, gain * b2, a1, a2);
  }

  /** What turns {@code this} into nothing. Only for sections that pass all frequencies. */
  private Biquad inverse() {
    return new Biquad(1 / b0, a1 / b0, a2 / b0, b1 / b0, b2 / b0);
  }

  /** High-pass; q = 0.7071 is maximally flat. Both zeros stand at 0 Hz, as the prototype's do. */
  public static Biquad highPass(double frequency, double q, int sampleRate) {
    Prototype of = new Prototype(1, 0, 0, q);
    Biquad poles = matched(of, frequency, sampleRate);
    double corner = 2 * Math.PI * frequency / sampleRate;
    double match = Math.min(corner, HIGHEST_MATCH * Math.PI);
    double phi = square(Math.sin(match / 2));
    double gain = Math.sqrt(poles.denominator(phi) * of.power(match / corner)) / (4 * phi);
    return new Biquad(gain, -2 * gain, gain, poles.a1, poles.a2);
  }

  /**
   * A Butterworth filter of 24 dB per octave, of two sections.
   *
   * @param ofQ the section of a Q
   */
  static List<Biquad> butterworth4(DoubleFunction<Biquad> ofQ) {
    return List.of(ofQ.apply(BUTTERWORTH_4_A), ofQ.apply(BUTTERWORTH_4_B));
  }

  /** Frames in which the longest of some sections falls by {@code db}; 0 where there is none. */
  static long tail(List<Biquad> sections, double db) {
    return (long)
        Math.ceil(sections.stream().mapToDouble(one -> one.decayFrames(db)).max().orElse(0));
  }

  /** Low-pass; q = 0.7071 is maximally flat. */
  public static Biquad lowPass(double frequency, double q, int sampleRate) {
    return fitted(new Prototype(0, 0, 1, q), frequency, sampleRate);
  }

  /** Bell of {@code gainDb} dB at {@code frequency} Hz. */
  public static Biquad bell(double frequency, double gainDb, double q, int sampleRate) {
    if (gainDb < 0) {
      return bell(frequency, -gainDb, q, sampleRate).inverse();
    }
    double a = Math.pow(10, gainDb / 40);
    return fitted(new Prototype(1, a / q, 1, a * q), frequency, sampleRate);
  }

  /** Low shelf of slope 1: {@code gainDb} dB far below {@code frequency} Hz, half of it there. */
  public static Biquad lowShelf(double frequency, double gainDb, int sampleRate) {
    if (gainDb < 0) {
      return lowShelf(frequency, -gainDb, sampleRate).inverse();
    }
    double a = Math.pow(10, gainDb / 40);
    // A·(s² + √A/Q·s + A) / (A·s² + √A/Q·s + 1), with s in units of the corner over √A.
    double corner = frequency / Math.sqrt(a);
    return fitted(new Prototype(1, a / BUTTERWORTH, a * a, BUTTERWORTH), corner, sampleRate);
  }

  /**
   * High shelf of slope 1: {@code gainDb} dB far above {@code frequency} Hz, half of it there. All
   * of it louder, and a low shelf taken away: so no pole stands above the corner.
   */
  public static Biquad highShelf(double frequency, double gainDb, int sampleRate) {
    return lowShelf(frequency, -gainDb, sampleRate).times(Math.pow(10, gainDb / 20));
  }

  /**
   * Frames until its response to an impulse has fallen by so many dB: as its slowest pole decays.
   */
  public double decayFrames(double db) {
    double discriminant = a1 * a1 - 4 * a2;
    double radius = discriminant < 0 ? Math.sqrt(a2) : (Math.abs(a1) + Math.sqrt(discriminant)) / 2;
    return radius == 0 ? 0 : -db / (20 * Math.log10(Math.min(radius, 1 - 1e-12)));
  }

  /** Gain in dB at {@code frequency} Hz, from the transfer function. */
  public double responseDb(double frequency, int sampleRate) {
    double w = 2 * Math.PI * frequency / sampleRate;
    double c1 = Math.cos(w);
    double s1 = Math.sin(w);
    double c2 = Math.cos(2 * w);
    double s2 = Math.sin(2 * w);
    double num = square(b0 + b1 * c1 + b2 * c2) + square(b1 * s1 + b2 * s2);
    double den = square(1 + a1 * c1 + a2 * c2) + square(a1 * s1 + a2 * s2);
    return 10 * Math.log10(num / den);
  }

  private static double square(double x) {
    return x * x;
  }
}
