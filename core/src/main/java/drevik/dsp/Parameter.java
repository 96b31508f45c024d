package drevik.dsp;

import java.util.List;

/**
 * Something that can be set on a processor.
 *
 * @param unit such as dB, Hz, ms, %; empty for plain numbers
 * @param least the smallest value; where it is less than {@code smallest}, it means off
 * @param smallest the smallest value that is not off
 * @param scale how values lie on a line, and what an arrow key does
 * @param choices values with names of their own
 * @param onlyChoices true if there are no others
 */
public record Parameter(
    String id,
    String label,
    String unit,
    double least,
    double smallest,
    double most,
    double standard,
    Scale scale,
    List<Choice> choices,
    boolean onlyChoices) {

  /** Even steps in the unit, or even ratios: frequencies, times. */
  public enum Scale {
    LINEAR,
    LOGARITHMIC
  }

  /** A value with a name. */
  public record Choice(double value, String label) {}

  /** Where hearing begins: a cut below it is none. */
  private static final double LOWEST_HZ = 20;

  public Parameter {
    choices = List.copyOf(choices);
  }

  /** A number. */
  public Parameter(
      String id, String label, String unit, double least, double most, double standard) {
    this(id, label, unit, least, least, most, standard, scaleOf(unit, least), List.of(), false);
  }

  private static Scale scaleOf(String unit, double least) {
    boolean ratio = List.of("Hz", "ms", "s", "m", ":1", "beats").contains(unit);
    return ratio && least > 0 ? Scale.LOGARITHMIC : Scale.LINEAR;
  }

  /** A corner frequency from {@value #LOWEST_HZ} Hz, or 0 for none. */
  static Parameter cut(String id, String label, double most) {
    return new Parameter(
        id, label, "Hz", 0, LOWEST_HZ, most, 0, Scale.LOGARITHMIC, List.of(), false);
  }

  /** One of a few values. */
  static Parameter choice(
      String id, String label, String unit, double standard, List<Choice> choices) {
    double least = choices.stream().mapToDouble(Choice::value).min().orElseThrow();
    double most = choices.stream().mapToDouble(Choice::value).max().orElseThrow();
    return new Parameter(
        id, label, unit, least, least, most, standard, Scale.LINEAR, choices, true);
  }

  /** The same number, with names for some of its values. */
  Parameter naming(List<Choice> named) {
    return new Parameter(
        id, label, unit, least, smallest, most, standard, scale, named, onlyChoices);
  }

  /** True if the least value means off. */
  public boolean canBeOff() {
    return least < smallest;
  }
}
