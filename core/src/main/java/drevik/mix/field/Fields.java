package drevik.mix.field;

import drevik.mix.field.Field.Target;
import drevik.mix.field.Field.Unit;
import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * The fields of one kind of record. A changed record is built by its canonical constructor at once,
 * so that no state in between has to be a valid one.
 */
public final class Fields<T> {
  private final Class<T> type;
  private final List<Field<T, ?>> all;
  private final Map<String, Field<T, ?>> byId = new LinkedHashMap<>();
  private final Map<String, Integer> places = new HashMap<>();
  private final RecordComponent[] components;
  private final Constructor<T> constructor;

  /**
   * @throws IllegalArgumentException if a field is no component of the record
   */
  Fields(Class<T> type, List<Field<T, ?>> all) {
    this.type = type;
    this.all = List.copyOf(all);
    this.components = type.getRecordComponents();
    for (int i = 0; i < components.length; i++) {
      places.put(components[i].getName(), i);
    }
    for (Field<T, ?> field : all) {
      if (!places.containsKey(field.id())) {
        throw new IllegalArgumentException(type.getSimpleName() + " has no " + field.id());
      }
      byId.put(field.id(), field);
    }
    try {
      constructor =
          type.getDeclaredConstructor(
              Arrays.stream(components).map(RecordComponent::getType).toArray(Class<?>[]::new));
    } catch (NoSuchMethodException e) {
      throw new IllegalArgumentException(e);
    }
  }

  public Class<T> type() {
    return type;
  }

  /** In the order in which they are shown. */
  public List<Field<T, ?>> all() {
    return all;
  }

  public Optional<Field<T, ?>> byId(String id) {
    return Optional.ofNullable(byId.get(id));
  }

  /** The thing with other values in some fields. */
  T rebuilt(T thing, Map<Field<T, ?>, @Nullable Object> values) {
    if (values.isEmpty()) {
      return thing;
    }
    try {
      Object[] arguments = new Object[components.length];
      for (int i = 0; i < arguments.length; i++) {
        arguments[i] = components[i].getAccessor().invoke(thing);
      }
      values.forEach((field, value) -> arguments[placeOf(field)] = component(field, value));
      return constructor.newInstance(arguments);
    } catch (InvocationTargetException e) {
      if (e.getCause() instanceof RuntimeException refused) {
        throw refused;
      }
      throw new IllegalStateException(e);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(e);
    }
  }

  private int placeOf(Field<T, ?> field) {
    return places.getOrDefault(field.id(), -1);
  }

  @SuppressWarnings("unchecked")
  private static @Nullable Object component(Field<?, ?> field, @Nullable Object value) {
    return field instanceof ListField<?, ?> list && value instanceof List<?> items
        ? ((ListField<?, Object>) list).toComponent((List<Object>) items)
        : value;
  }

  /**
   * What is left of a thing when others that it may point at are gone.
   *
   * @return empty if it cannot be without them
   */
  Optional<T> without(T thing, Target target, Set<String> gone) {
    Map<Field<T, ?>, @Nullable Object> values = new LinkedHashMap<>();
    for (Field<T, ?> field : all) {
      if (!without(field, thing, target, gone, values)) {
        return Optional.empty();
      }
    }
    return Optional.of(rebuilt(thing, values));
  }

  private static <T, V> boolean without(
      Field<T, V> field,
      T thing,
      Target target,
      Set<String> gone,
      Map<Field<T, ?>, @Nullable Object> values) {
    V value = field.get(thing);
    V left = field.without(value, target, gone);
    if (value == null || value.equals(left)) {
      return true;
    }
    values.put(field, left);
    return left != null || !field.isNeeded();
  }

  /** Collects the fields of a kind of record, in the order in which they are shown. */
  static final class Builder<T> {
    private final Class<T> type;
    private final List<Field<T, ?>> fields = new ArrayList<>();

    Builder(Class<T> type) {
      this.type = type;
    }

    <V> ValueField<T, V> value(String id, String label, Class<V> type, Function<T, V> getter) {
      return value(id, label, type, getter, Unit.NONE);
    }

    <V> ValueField<T, V> value(
        String id, String label, Class<V> type, Function<T, V> getter, Unit unit) {
      return add(new ValueField<>(id, label, type, getter, unit, Set.of(), false, v -> List.of()));
    }

    /** A value that points at something else. */
    <V> ValueField<T, V> pointer(
        String id,
        String label,
        Class<V> type,
        Function<T, V> getter,
        Target target,
        boolean needed,
        Function<V, List<String>> pointsAt) {
      return add(
          new ValueField<>(id, label, type, getter, Unit.NONE, Set.of(target), needed, pointsAt));
    }

    /** The id of something else, or none. */
    ValueField<T, String> reference(
        String id, String label, Function<T, String> getter, Target target) {
      return pointer(id, label, String.class, getter, target, false, List::of);
    }

    /** The id of something else without which there is no {@code T}. */
    ValueField<T, String> neededReference(
        String id, String label, Function<T, String> getter, Target target) {
      return pointer(id, label, String.class, getter, target, true, List::of);
    }

    /** Bare ids, or other words that stand for themselves. */
    ListField<T, String> words(
        String id,
        String label,
        Function<T, List<String>> getter,
        Set<Target> targets,
        boolean needed) {
      return add(
          new ListField<>(
              id, label, String.class, getter, word -> word, null, targets, needed, l -> l));
    }

    <E> ListField<T, E> list(
        String id,
        String label,
        Function<T, List<E>> getter,
        Function<E, String> idOf,
        Fields<E> items) {
      return list(id, label, getter, idOf, items, l -> l);
    }

    /** A list that the record holds in another form. */
    <E> ListField<T, E> list(
        String id,
        String label,
        Function<T, List<E>> getter,
        Function<E, String> idOf,
        Fields<E> items,
        Function<List<E>, ?> toComponent) {
      return add(
          new ListField<>(
              id, label, items.type(), getter, idOf, items, Set.of(), false, toComponent));
    }

    FiguresField<T> figures(String id, String label, Function<T, Map<String, Double>> getter) {
      return add(new FiguresField<>(id, label, getter));
    }

    private <F extends Field<T, ?>> F add(F field) {
      fields.add(field);
      return field;
    }

    Fields<T> build() {
      return new Fields<>(type, fields);
    }
  }

  /** Every field with the fields of its members, from the top. */
  public void walk(Consumer<Field<?, ?>> each) {
    for (Field<T, ?> field : all) {
      each.accept(field);
      if (field instanceof ListField<?, ?> list) {
        list.items().ifPresent(items -> items.walk(each));
      }
    }
  }

  /** These fields, and those of everything that stands in lists below, each kind once. */
  public List<Fields<?>> withAllWithin() {
    Set<Fields<?>> found = new LinkedHashSet<>();
    found.add(this);
    walk(
        field -> {
          if (field instanceof ListField<?, ?> list) {
            list.items().ifPresent(found::add);
          }
        });
    return List.copyOf(found);
  }
}
