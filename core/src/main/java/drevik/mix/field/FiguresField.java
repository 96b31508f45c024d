package drevik.mix.field;

import drevik.mix.Limits;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** Named figures, such as the settings of a processor; each is changed for itself. */
public final class FiguresField<T> extends Field<T, Map<String, Double>> {
  FiguresField(String id, String label, Function<T, Map<String, Double>> getter, Traits traits) {
    super(id, label, getter, traits, Set.of(), false);
  }

  @Override
  int usualLength() {
    return Limits.OTHERS;
  }

  @Override
  @Nullable Change<Map<String, Double>> between(
      @Nullable Map<String, Double> before, @Nullable Map<String, Double> after) {
    Map<String, Double> was = before == null ? Map.of() : before;
    Map<String, @Nullable Double> figures = new TreeMap<>();
    was.keySet().forEach(name -> figures.put(name, null));
    if (after != null) {
      after.forEach(figures::put);
    }
    figures
        .entrySet()
        .removeIf(
            figure ->
                figure.getValue() != null && figure.getValue().equals(was.get(figure.getKey())));
    return figures.isEmpty() ? null : new FiguresChange(figures);
  }

  @Override
  @Nullable Map<String, Double> without(
      @Nullable Map<String, Double> value, Target target, Set<String> gone) {
    return value;
  }
}
