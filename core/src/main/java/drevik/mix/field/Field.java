package drevik.mix.field;

import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * One thing that can be said of a {@code T}: a value, a reference to something else of the Mix, a
 * map of figures, or a list of things with ids. A field is a component of the record {@code T};
 * Ledger, differences, copies, references and edits go through the lists of them.
 *
 * @param <T> the record that it is said of
 * @param <V> what is said
 */
public abstract sealed class Field<T, V> permits ValueField, FiguresField, ListField {
  /** What a reference points at. */
  public enum Target {
    CHANNEL,
    CONTROL,
    OUTPUT,
    SPECIFICATION
  }

  /** How a value is measured, and so how it is written for people. */
  public enum Unit {
    NONE,
    DECIBELS,
    PAN,
    FRONT_BACK,
    HEIGHT,
    FRAMES,
    HERTZ,
    BEATS_PER_MINUTE,
    LUFS,
    LOUDNESS_UNITS,
    DBTP
  }

  private final String id;
  private final String label;
  private final Function<T, V> getter;
  private final Unit unit;
  private final Set<Target> targets;
  private final boolean needed;

  Field(
      String id,
      String label,
      Function<T, V> getter,
      Unit unit,
      Set<Target> targets,
      boolean needed) {
    this.id = id;
    this.label = label;
    this.getter = getter;
    this.unit = unit;
    this.targets = Set.copyOf(targets);
    this.needed = needed;
  }

  /** The record component's name, which is its name in documents. */
  public String id() {
    return id;
  }

  /** What people call it. */
  public String label() {
    return label;
  }

  public Unit unit() {
    return unit;
  }

  /** What its ids are ids of; empty for what refers to nothing. */
  public Set<Target> targets() {
    return targets;
  }

  /** True if a thing cannot be without it: where what it points at goes, the thing goes too. */
  public boolean isNeeded() {
    return needed;
  }

  public V get(T thing) {
    return getter.apply(thing);
  }

  /** What leads from one value to another; null where nothing does. */
  abstract @Nullable Change<V> between(@Nullable V before, @Nullable V after);

  /**
   * What is left of a value when things that it may point at are gone.
   *
   * @return null if nothing is left
   */
  abstract @Nullable V without(@Nullable V value, Target target, Set<String> gone);

  @Override
  public String toString() {
    return id;
  }
}
