package drevik.mix.field;

import drevik.mix.Limits;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** A field with one value: a text, a figure, a choice, the id of something else. */
public final class ValueField<T, V> extends Field<T, V> {
  private final Class<V> type;
  private final Function<V, List<String>> pointsAt;

  ValueField(
      String id,
      String label,
      Class<V> type,
      Function<T, V> getter,
      Traits traits,
      Set<Target> targets,
      boolean needed,
      Function<V, List<String>> pointsAt) {
    super(id, label, getter, traits, targets, needed);
    this.type = type;
    this.pointsAt = pointsAt;
  }

  public Class<V> type() {
    return type;
  }

  @Override
  int usualLength() {
    return Limits.NAME;
  }

  @Override
  @Nullable Change<V> between(@Nullable V before, @Nullable V after) {
    return Objects.equals(before, after) ? null : new Change.To<>(after);
  }

  /** Ids that a value points at. */
  public List<String> pointsAt(@Nullable V value) {
    return value == null || targets().isEmpty() ? List.of() : pointsAt.apply(value);
  }

  @Override
  @Nullable V without(@Nullable V value, Target target, Set<String> gone) {
    boolean lost = targets().contains(target) && pointsAt(value).stream().anyMatch(gone::contains);
    return lost ? null : value;
  }
}
