package drevik.dsp;

import java.util.Arrays;
import java.util.function.DoubleUnaryOperator;

/**
 * Brings a second-order section nearer to the magnitude that is wanted of it, up to {@value
 * #HIGHEST} of the Nyquist frequency, so that the largest error becomes small.
 *
 * <p>With φ = sin²(ω/2) the squared magnitude of a section is (B0·(1 − φ) + B1·φ + B2·4φ(1 − φ)) /
 * (A0·(1 − φ) + A1·φ + A2·4φ(1 − φ)): linear in its coefficients above and below. So each step is a
 * least-squares problem with what was below before as its weight (C. K. Sanathanan, J. Koerner,
 * “Transfer function synthesis as a ratio of two complex polynomials”, IEEE Transactions on
 * Automatic Control 8/1, 1963), and errors weigh more where they were large (C. L. Lawson's
 * algorithm), which evens them out. What is wanted at 0 Hz stays exact.
 */
final class MagnitudeFit {
  private static final double HIGHEST = 0.9;
  private static final int POINTS = 64;
  private static final int STEPS = 60;

  /** Nobody hears what is below, dB: what is that near already stays as it is. */
  private static final double GOOD_ENOUGH_DB = 0.1;

  /** What is softer nobody hears: −60 dB. */
  private static final double SILENT = 1e-6;

  private final double[] phi = new double[POINTS];
  private final double[] wanted = new double[POINTS];

  /** Of the section, A0 = 1 and B0 = what is wanted at 0 Hz. */
  private final double[] above = new double[3];

  private final double[] below = new double[3];

  private MagnitudeFit(DoubleUnaryOperator power) {
    for (int i = 0; i < POINTS; i++) {
      double w = HIGHEST * Math.PI * (i + 1) / POINTS;
      phi[i] = square(Math.sin(w / 2));
      wanted[i] = power.applyAsDouble(w);
    }
  }

  /**
   * @param start a stable section, not far off
   * @param power squared magnitude that is wanted, by radians per sample; not 0; behind where it
   *     first falls below −60 dB nothing is asked
   */
  static Biquad nearer(Biquad start, DoubleUnaryOperator power) {
    return new MagnitudeFit(power).from(start, power.applyAsDouble(0));
  }

  private Biquad from(Biquad start, double atZero) {
    double below0 = square(1 + start.a1() + start.a2());
    below[0] = 1;
    below[1] = square(1 - start.a1() + start.a2()) / below0;
    below[2] = -4 * start.a2() / below0;
    above[0] = atZero;
    above[1] = square(start.b0() - start.b1() + start.b2()) / below0;
    above[2] = -4 * start.b0() * start.b2() / below0;
    Biquad best = start;
    double[] errors = errors();
    double least = largest(errors);
    double[] weights = new double[POINTS];
    Arrays.fill(weights, 1);
    for (int step = 0; step < STEPS && least > GOOD_ENOUGH_DB / 2; step++) {
      if ((step == 0 && least <= GOOD_ENOUGH_DB) || !step(weights)) {
        break;
      }
      errors = errors();
      double largest = largest(errors);
      if (largest < least) {
        least = largest;
        best = section();
      }
      for (int i = 0; i < POINTS; i++) {
        weights[i] *= Math.sqrt(Math.abs(errors[i]) / largest + 0.02);
      }
      double mean = Arrays.stream(weights).average().orElseThrow();
      Arrays.setAll(weights, i -> weights[i] / mean);
    }
    return best;
  }

  /** How far off it is, dB. */
  private double[] errors() {
    double[] errors = new double[POINTS];
    for (int i = 0; i < POINTS && wanted[i] > SILENT; i++) {
      double is = Math.max(1e-30, at(above, phi[i])) / Math.max(1e-30, at(below, phi[i]));
      errors[i] = 10 * Math.log10(is / wanted[i]);
    }
    return errors;
  }

  private static double largest(double[] errors) {
    double most = 0;
    for (double error : errors) {
      most = Math.max(most, Math.abs(error));
    }
    return most;
  }

  /** False if no step leads to a section that can be made. */
  private boolean step(double[] weights) {
    double[][] normal = new double[4][5];
    for (int i = 0; i < POINTS && wanted[i] > SILENT; i++) {
      double one = phi[i];
      double two = 4 * one * (1 - one);
      double weight = weights[i] / (wanted[i] * at(below, one));
      double[] row = {
        weight * one,
        weight * two,
        -weight * wanted[i] * one,
        -weight * wanted[i] * two,
        weight * (wanted[i] - above[0]) * (1 - one)
      };
      for (int r = 0; r < 4; r++) {
        for (int c = 0; c < 5; c++) {
          normal[r][c] += row[r] * row[c];
        }
      }
    }
    double[] found = solved(normal);
    // Nearer by halves, until its poles can be made.
    for (double part = 1; part > 0.003; part /= 2) {
      double[] tried = {
        1, below[1] + part * (found[2] - below[1]), below[2] + part * (found[3] - below[2])
      };
      if (tried[1] > 0 && middle(tried) + tried[2] > 0) {
        above[1] = Math.max(0, above[1] + part * (found[0] - above[1]));
        above[2] += part * (found[1] - above[2]);
        above[2] = Math.max(above[2], -middle(above));
        System.arraycopy(tried, 0, below, 0, 3);
        return true;
      }
    }
    return false;
  }

  /** Gauss's elimination with the largest pivot; each row holds its right side as well. */
  private static double[] solved(double[][] rows) {
    int n = rows.length;
    for (int i = 0; i < n; i++) {
      int pivot = i;
      for (int r = i + 1; r < n; r++) {
        pivot = Math.abs(rows[r][i]) > Math.abs(rows[pivot][i]) ? r : pivot;
      }
      double[] row = rows[pivot];
      rows[pivot] = rows[i];
      rows[i] = row;
      for (int r = 0; r < n; r++) {
        double times = r == i ? 0 : rows[r][i] / row[i];
        for (int c = i; c <= n; c++) {
          rows[r][c] -= times * row[c];
        }
      }
    }
    double[] found = new double[n];
    Arrays.setAll(found, i -> rows[i][n] / rows[i][i]);
    return found;
  }

  /** The section of least phase with these squared magnitudes. */
  private Biquad section() {
    double[] b = factor(above);
    double[] a = factor(below);
    return new Biquad(b[0] / a[0], b[1] / a[0], b[2] / a[0], a[1] / a[0], a[2] / a[0]);
  }

  private static double[] factor(double[] of) {
    double zero = Math.sqrt(of[0]);
    double nyquist = Math.sqrt(of[1]);
    double first = ((zero + nyquist) / 2 + Math.sqrt(Math.max(0, middle(of) + of[2]))) / 2;
    return new double[] {first, (zero - nyquist) / 2, -of[2] / (4 * first)};
  }

  private static double middle(double[] of) {
    return square((Math.sqrt(of[0]) + Math.sqrt(of[1])) / 2);
  }

  private static double at(double[] of, double phi) {
    return of[0] * (1 - phi) + of[1] * phi + of[2] * 4 * phi * (1 - phi);
  }

  private static double square(double x) {
    return x * x;
  }
}
