package drevik.mix.field;

import java.math.BigDecimal;

/**
 * From where to where a figure goes, both ends included, in the unit of its field.
 *
 * @param least finite
 * @param most finite, not below {@code least}
 */
public record Range(double least, double most) {
  /** The last whole number that a figure tells from its neighbours. */
  private static final double LAST = 0x1p53;

  /** Nothing, or more of it. */
  static final Range NOT_NEGATIVE = new Range(0, LAST);

  public Range {
    if (!(least <= most)) {
      throw new IllegalArgumentException(least + " is not below " + most);
    }
  }

  /** False for what is no number, too. */
  public boolean holds(double value) {
    return value >= least && value <= most;
  }

  /** A figure without needless noughts: {@code −3.5}. */
  static String figure(double value) {
    return Double.isFinite(value)
        ? BigDecimal.valueOf(value).stripTrailingZeros().toPlainString().replace('-', '−')
        : String.valueOf(value);
  }

  @Override
  public String toString() {
    return figure(least) + (most < LAST ? " to " + figure(most) : " or more");
  }
}
