package drevik.mix.field;

import drevik.mix.field.Field.Target;
import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
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
  private final String note;
  private final String idNote;
  private final List<Field<T, ?>> all;
  private final Map<String, Field<T, ?>> byId = new LinkedHashMap<>();
  private final Map<String, Integer> places = new HashMap<>();
  private final Set<Field<T, ?>> nullable = new HashSet<>();
  private final RecordComponent[] components;
  private final Constructor<T> constructor;

  /**
   * @throws IllegalArgumentException if a field is no component of the record
   */
  Fields(Class<T> type, List<Field<T, ?>> all, String note, String idNote) {
    this.type = type;
    this.note = note;
    this.idNote = idNote;
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
      if (components[placeOf(field)].getAnnotatedType().isAnnotationPresent(Nullable.class)) {
        nullable.add(field);
      }
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

  /** What such a thing is, for those who read documents; empty where its name says it. */
  public String note() {
    return note;
  }

  /** What its id is; empty where it is just an id. */
  public String idNote() {
    return idNote;
  }

  /** In the order in which they are shown. */
  public List<Field<T, ?>> all() {
    return all;
  }

  /** True if a thing may be without it: its record says so. */
  public boolean isNullable(Field<T, ?> field) {
    return nullable.contains(field);
  }

  public Optional<Field<T, ?>> byId(String id) {
    return Optional.ofNullable(byId.get(id));
  }

  /** The thing with another value in one field. */
  public <V> T with(T thing, Field<T, V> field, @Nullable V value) {
    Map<Field<T, ?>, @Nullable Object> values = new HashMap<>();
    values.put(field, value);
    return rebuilt(thing, values);
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
    private final String note;
    private final String idNote;
    private final List<Field<T, ?>> fields = new ArrayList<>();

    Builder(Class<T> type) {
      this(type, "", "");
    }

    /**
     * Fields of a record that is explained to those who read documents.
     *
     * @param note what such a thing is; empty where its name says it
     * @param idNote what its id is; empty where it is just an id
     */
    Builder(Class<T> type, String note, String idNote) {
      this.type = type;
      this.note = note;
      this.idNote = idNote;
    }

    <V> ValueField<T, V> value(String id, String label, Class<V> type, Function<T, V> getter) {
      return value(id, label, type, getter, Traits.PLAIN);
    }

    <V> ValueField<T, V> value(
        String id, String label, Class<V> type, Function<T, V> getter, Traits traits) {
      return add(
          new ValueField<>(id, label, type, getter, traits, Set.of(), false, v -> List.of()));
    }

    /** Something that is so or is not. */
    ValueField<T, Boolean> flag(
        String id, String label, Function<T, Boolean> getter, Traits traits) {
      return value(id, label, Boolean.class, getter, traits);
    }

    /** A figure; null where there may be none. */
    ValueField<T, Double> figure(
        String id, String label, Function<T, @Nullable Double> getter, Traits traits) {
      return value(id, label, Double.class, getter, traits);
    }

    /** A value that points at something else. */
    <V> ValueField<T, V> pointer(
        String id,
        String label,
        Class<V> type,
        Function<T, V> getter,
        Target target,
        boolean needed,
        Traits traits,
        Function<V, List<String>> pointsAt) {
      return add(
          new ValueField<>(id, label, type, getter, traits, Set.of(target), needed, pointsAt));
    }

    /** The id of something else, or none. */
    ValueField<T, String> reference(
        String id, String label, Function<T, String> getter, Target target, Traits traits) {
      return pointer(id, label, String.class, getter, target, false, traits, List::of);
    }

    /** The id of something else without which there is no {@code T}. */
    ValueField<T, String> neededReference(
        String id, String label, Function<T, String> getter, Target target) {
      return pointer(id, label, String.class, getter, target, true, Traits.PLAIN, List::of);
    }

    /** Bare ids, or other words that stand for themselves. */
    ListField<T, String> words(
        String id,
        String label,
        Function<T, List<String>> getter,
        Set<Target> targets,
        boolean needed,
        Traits traits) {
      return add(
          new ListField<>(
              id,
              label,
              String.class,
              getter,
              word -> word,
              null,
              traits,
              targets,
              needed,
              l -> l));
    }

    <E> ListField<T, E> list(
        String id,
        String label,
        Function<T, List<E>> getter,
        Function<E, String> idOf,
        Fields<E> items,
        Traits traits) {
      return list(id, label, getter, idOf, items, traits, l -> l);
    }

    /** A list that the record holds in another form. */
    <E> ListField<T, E> list(
        String id,
        String label,
        Function<T, List<E>> getter,
        Function<E, String> idOf,
        Fields<E> items,
        Traits traits,
        Function<List<E>, ?> toComponent) {
      return add(
          new ListField<>(
              id, label, items.type(), getter, idOf, items, traits, Set.of(), false, toComponent));
    }

    FiguresField<T> figures(
        String id, String label, Function<T, Map<String, Double>> getter, Traits traits) {
      return add(new FiguresField<>(id, label, getter, traits));
    }

    private <F extends Field<T, ?>> F add(F field) {
      fields.add(field);
      return field;
    }

    Fields<T> build() {
      return new Fields<>(type, fields, note, idNote);
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
