package drevik.dsp;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Sections against the analogue curves of the cookbook, up to what is heard. */
class EqualiserCurveTest {
  /** Numerator and denominator by powers of s, s in units of the corner. */
  private static double analogueDb(double[] num, double[] den, double x) {
    return 10 * Math.log10(power(num, x) / power(den, x));
  }

  private static double power(double[] c, double x) {
    double real = c[0] - c[2] * x * x;
    double imaginary = c[1] * x;
    return real * real + imaginary * imaginary;
  }

  private static void compare(
      String what,
      Biquad section,
      double[] num,
      double[] den,
      double corner,
      int rate,
      double off) {
    double highest = Math.min(20_000, 0.45 * rate);
    for (double hertz = 20; hertz <= highest; hertz *= 1.06) {
      double wanted = analogueDb(num, den, hertz / corner);
      if (wanted < -60) {
        continue;
      }
      assertThat(section.responseDb(hertz, rate) - wanted)
          .as("%s at %.0f Hz, rate %d", what, hertz, rate)
          .isBetween(-off, off);
    }
  }

  @ParameterizedTest
  @ValueSource(ints = {44_100, 48_000, 96_000, 192_000})
  void everySectionFollowsItsAnalogueCurve(int rate) {
    for (double corner : new double[] {30, 300, 3_000, 8_000, 12_000, 16_000, 20_000}) {
      for (double gain : new double[] {-18, -4, 6, 15, 18}) {
        double a = Math.pow(10, gain / 40);
        double off = 0.35;
        for (double q : new double[] {0.5, 0.7, 2, 8}) {
          compare(
              "bell of " + gain + " dB, Q " + q + " at " + corner,
              Biquad.bell(corner, gain, q, rate),
              new double[] {1, a / q, 1},
              new double[] {1, 1 / (a * q), 1},
              corner,
              rate,
              off);
        }
        double r = Math.sqrt(a) * Math.sqrt(2);
        compare(
            "low shelf of " + gain + " dB at " + corner,
            Biquad.lowShelf(corner, gain, rate),
            new double[] {a * a, a * r, a},
            new double[] {1, r, a},
            corner,
            rate,
            off);
        compare(
            "high shelf of " + gain + " dB at " + corner,
            Biquad.highShelf(corner, gain, rate),
            new double[] {a, a * r, a * a},
            new double[] {a, r, 1},
            corner,
            rate,
            off);
      }
      double b = Math.sqrt(2);
      compare(
          "high-pass at " + corner,
          Biquad.highPass(corner, Biquad.BUTTERWORTH, rate),
          new double[] {0, 0, 1},
          new double[] {1, b, 1},
          corner,
          rate,
          1.1);
      compare(
          "low-pass at " + corner,
          Biquad.lowPass(corner, Biquad.BUTTERWORTH, rate),
          new double[] {1, 0, 0},
          new double[] {1, b, 1},
          corner,
          rate,
          0.35);
    }
  }
}
