package drevik.mix.field;

import drevik.audio.Decibels;
import java.util.List;
import java.util.Optional;
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
  private final Traits traits;
  private final Set<Target> targets;
  private final boolean needed;

  Field(
      String id,
      String label,
      Function<T, V> getter,
      Traits traits,
      Set<Target> targets,
      boolean needed) {
    this.id = id;
    this.label = label;
    this.getter = getter;
    this.traits = traits;
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
    return traits.unit();
  }

  /** From where to where its figure goes; empty where any will do. */
  public Optional<Range> range() {
    return Optional.ofNullable(traits.range());
  }

  /**
   * Its range as a fader travels it: what is silent anyhow is not walked through.
   *
   * @return empty where any figure will do
   */
  public Optional<Range> travel() {
    boolean toSilence = unit() == Unit.DECIBELS;
    return range()
        .map(
            range ->
                toSilence && range.least() < Decibels.SILENCE
                    ? new Range(Decibels.SILENCE, range.most())
                    : range);
  }

  /** All that it can be; empty where its type says that, or it can be anything. */
  public List<?> choices() {
    return traits.choices();
  }

  /** How many characters a text of it has at most, or how many members a list. */
  public int longest() {
    return traits.longest() > 0 ? traits.longest() : usualLength();
  }

  abstract int usualLength();

  /** What holds where nothing is said, and is left out of documents; empty where it is said. */
  @SuppressWarnings("unchecked") // what is named beside a field is of its kind
  public Optional<V> byDefault() {
    return Optional.ofNullable((V) traits.byDefault());
  }

  /** The field of channels that an entry of a category map decides with it; empty for none. */
  public Optional<String> decides() {
    return Optional.ofNullable(traits.decides());
  }

  /** What it means, for those who read documents; empty where its name says it. */
  public String note() {
    return traits.note();
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
