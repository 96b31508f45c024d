package drevik.dsp;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Values for all parameters of one processor; what was not given has its standard value. */
public final class Settings {
  private final Map<String, Double> values = new HashMap<>();

  /** Values outside a parameter's range are brought to its nearest end. */
  public Settings(List<Parameter> parameters, Map<String, Double> given) {
    for (Parameter parameter : parameters) {
      double value = given.getOrDefault(parameter.id(), parameter.standard());
      double safe = Double.isFinite(value) ? value : parameter.standard();
      values.put(parameter.id(), Math.max(parameter.least(), Math.min(parameter.most(), safe)));
    }
  }

  /**
   * The value of a parameter in its own unit.
   *
   * @throws IllegalArgumentException for a parameter that the processor does not have
   */
  public double get(String id) {
    Double value = values.get(id);
    if (value == null) {
      throw new IllegalArgumentException("no parameter “" + id + "”");
    }
    return value;
  }
}
