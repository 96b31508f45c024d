package drevik.mix.field;

import drevik.mix.Refused;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What becomes of some fields of a thing; those that it does not speak of stay as they are. So two
 * people who change different fields of one thing both keep their change.
 *
 * <p>{@code Changes.between(fields, a, b).applyTo(a)} equals {@code b} for any two things.
 */
public final class Changes<T> {
  private final Fields<T> fields;
  private final Map<Field<T, ?>, Change<?>> changes;

  private Changes(Fields<T> fields, Map<Field<T, ?>, Change<?>> changes) {
    this.fields = fields;
    this.changes = Collections.unmodifiableMap(changes);
  }

  public static <T> Changes<T> none(Fields<T> fields) {
    return new Changes<>(fields, new LinkedHashMap<>());
  }

  /** One field of a thing gets a value. */
  public static <T, V> Changes<T> of(Fields<T> fields, Field<T, V> field, @Nullable V value) {
    return none(fields).and(field, new Change.To<>(value));
  }

  /** One member of a list of a thing is changed. */
  public static <T, E> Changes<T> ofMember(
      Fields<T> fields, ListField<T, E> list, String id, Changes<E> changes) {
    return ofMembers(fields, list, Map.of(id, changes));
  }

  /** Several members are changed, each for itself. */
  public static <T, E> Changes<T> ofMembers(
      Fields<T> fields, ListField<T, E> list, Map<String, Changes<E>> changes) {
    return none(fields).and(list, new ListChange<>(list, List.of(), List.of(), changes, List.of()));
  }

  /** Something is added at the end of a list. */
  public static <T, E> Changes<T> adding(
      Fields<T> fields, ListField<T, E> list, E item, List<E> now) {
    return none(fields).and(list, ListChange.adding(list, item, now));
  }

  /** Members go. */
  public static <T, E> Changes<T> removing(
      Fields<T> fields, ListField<T, E> list, List<String> ids) {
    return none(fields).and(list, ListChange.removing(list, ids));
  }

  /** These changes and one more. */
  public <V> Changes<T> and(Field<T, V> field, Change<V> change) {
    return with(field, change);
  }

  /** The same for a change of which only the field knows what it is of. */
  public Changes<T> with(Field<T, ?> field, Change<?> change) {
    Map<Field<T, ?>, Change<?>> more = new LinkedHashMap<>(changes);
    more.put(field, change);
    return new Changes<>(fields, more);
  }

  /** Everything that leads from one thing to another; nothing is left out. */
  public static <T> Changes<T> between(Fields<T> fields, T before, T after) {
    Map<Field<T, ?>, Change<?>> found = new LinkedHashMap<>();
    for (Field<T, ?> field : fields.all()) {
      Change<?> change = between(field, before, after);
      if (change != null) {
        found.put(field, change);
      }
    }
    return new Changes<>(fields, found);
  }

  private static <T, V> @Nullable Change<V> between(Field<T, V> field, T before, T after) {
    V was = field.get(before);
    V is = field.get(after);
    return was == is ? null : field.between(was, is);
  }

  public Fields<T> fields() {
    return fields;
  }

  /** Field → what becomes of it. */
  public Map<Field<T, ?>, Change<?>> all() {
    return changes;
  }

  /** What becomes of one field, if anything does. */
  @SuppressWarnings("unchecked") // with() and between() put each change behind its own field
  public <V> Optional<Change<V>> of(Field<T, V> field) {
    return Optional.ofNullable((Change<V>) changes.get(field));
  }

  public boolean isEmpty() {
    return changes.isEmpty();
  }

  /**
   * The thing after them.
   *
   * @throws Refused if something that is changed is not there any more, or a value cannot be
   */
  public T applyTo(T thing) {
    Map<Field<T, ?>, @Nullable Object> values = new LinkedHashMap<>();
    changes.keySet().forEach(field -> values.put(field, after(field, thing)));
    try {
      return fields.rebuilt(thing, values);
    } catch (IllegalArgumentException | NullPointerException e) {
      throw new Refused(
          "That cannot be set: "
              + (e instanceof NullPointerException ? "a value is missing" : e.getMessage())
              + ".");
    }
  }

  private <V> @Nullable V after(Field<T, V> field, T thing) {
    return of(field).map(change -> change.applyTo(field.get(thing))).orElse(null);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Changes<?> that && changes.equals(that.changes);
  }

  @Override
  public int hashCode() {
    return Objects.hashCode(changes);
  }

  @Override
  public String toString() {
    return changes.toString();
  }
}
