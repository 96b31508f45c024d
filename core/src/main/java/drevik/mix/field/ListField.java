package drevik.mix.field;

import drevik.mix.Limits;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * A list of things with ids, or of bare ids. Each member is added, changed, moved or removed for
 * itself, so that two people may change different members.
 *
 * @param <E> a record with fields of its own, or {@code String}
 */
public final class ListField<T, E> extends Field<T, List<E>> {
  private final Class<E> itemType;
  private final Function<E, String> idOf;
  private final @Nullable Fields<E> items;
  private final Function<List<E>, ?> toComponent;

  ListField(
      String id,
      String label,
      Class<E> itemType,
      Function<T, List<E>> getter,
      Function<E, String> idOf,
      @Nullable Fields<E> items,
      Traits traits,
      Set<Target> targets,
      boolean needed,
      Function<List<E>, ?> toComponent) {
    super(id, label, getter, traits, targets, needed);
    this.itemType = itemType;
    this.idOf = idOf;
    this.items = items;
    this.toComponent = toComponent;
  }

  public Class<E> itemType() {
    return itemType;
  }

  public String idOf(E item) {
    return idOf.apply(item);
  }

  /** The fields of a member; none where the list holds bare ids. */
  public Optional<Fields<E>> items() {
    return Optional.ofNullable(items);
  }

  /** The list as the record holds it. */
  Object toComponent(List<E> list) {
    return toComponent.apply(list);
  }

  @Override
  int usualLength() {
    return Limits.OTHERS;
  }

  /** Members by id, in their order. */
  public Map<String, E> byId(List<E> list) {
    Map<String, E> map = new LinkedHashMap<>();
    list.forEach(item -> map.put(idOf.apply(item), item));
    return map;
  }

  @Override
  @Nullable Change<List<E>> between(@Nullable List<E> before, @Nullable List<E> after) {
    Map<String, E> old = byId(before == null ? List.of() : before);
    Map<String, E> now = byId(after == null ? List.of() : after);
    List<ListChange.Added<E>> added = new ArrayList<>();
    Map<String, Changes<E>> changed = new LinkedHashMap<>();
    String previous = null;
    for (Map.Entry<String, E> one : now.entrySet()) {
      E was = old.get(one.getKey());
      if (was == null) {
        added.add(new ListChange.Added<>(one.getValue(), previous));
      } else if (items != null && !was.equals(one.getValue())) {
        changed.put(one.getKey(), Changes.between(items, was, one.getValue()));
      }
      previous = one.getKey();
    }
    List<String> removed = old.keySet().stream().filter(id -> !now.containsKey(id)).toList();
    List<String> was = old.keySet().stream().filter(now::containsKey).toList();
    List<String> is = now.keySet().stream().filter(old::containsKey).toList();
    ListChange<E> change =
        new ListChange<>(this, added, removed, changed, was.equals(is) ? List.of() : is);
    return change.isNothing() ? null : change;
  }

  @Override
  @Nullable List<E> without(@Nullable List<E> list, Target target, Set<String> gone) {
    if (list == null || list.isEmpty()) {
      return list;
    }
    List<E> left = new ArrayList<>();
    Set<String> ids = targets().contains(target) ? gone : new HashSet<>();
    for (E item : list) {
      if (items == null) {
        if (!ids.contains(idOf.apply(item))) {
          left.add(item);
        }
      } else {
        items.without(item, target, gone).ifPresent(left::add);
      }
    }
    return left.isEmpty() && isNeeded() ? null : left;
  }
}
