package drevik.mix.field;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * Some of many figures get new values; the others stay.
 *
 * @param figures name → value; null takes the figure away, so that its default holds
 */
public record FiguresChange(Map<String, @Nullable Double> figures)
    implements Change<Map<String, Double>> {
  public FiguresChange {
    figures = Collections.unmodifiableMap(new TreeMap<>(figures));
  }

  @Override
  public Map<String, Double> applyTo(@Nullable Map<String, Double> before) {
    Map<String, Double> after = before == null ? new TreeMap<>() : new TreeMap<>(before);
    figures.forEach(
        (name, value) -> {
          if (value == null) {
            after.remove(name);
          } else {
            after.put(name, value);
          }
        });
    return after;
  }
}
