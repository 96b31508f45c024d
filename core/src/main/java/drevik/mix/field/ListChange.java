package drevik.mix.field;

import drevik.mix.Refused;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What becomes of the members of a list; those that it does not speak of stay as they are. Removed
 * first, then changed, put in order, and added.
 *
 * @param added new members, each with the id of the one that it stands behind
 * @param removed ids; one that is gone already is no fault
 * @param changed id → what becomes of the member's fields
 * @param order ids in the order in which they stand from now on among each other; empty if that
 *     stays
 */
public record ListChange<E>(
    ListField<?, E> of,
    List<Added<E>> added,
    List<String> removed,
    Map<String, Changes<E>> changed,
    List<String> order)
    implements Change<List<E>> {

  /**
   * A new member.
   *
   * @param after id of the member that it stands behind; null for the first place
   */
  public record Added<E>(E item, @Nullable String after) {}

  public ListChange {
    added = List.copyOf(added);
    removed = List.copyOf(removed);
    changed = Collections.unmodifiableMap(new LinkedHashMap<>(changed));
    order = List.copyOf(order);
  }

  /** A member is added at the end. */
  static <E> ListChange<E> adding(ListField<?, E> of, E item, List<E> now) {
    String last = now.isEmpty() ? null : of.idOf(now.get(now.size() - 1));
    return new ListChange<>(of, List.of(new Added<>(item, last)), List.of(), Map.of(), List.of());
  }

  static <E> ListChange<E> removing(ListField<?, E> of, List<String> ids) {
    return new ListChange<>(of, List.of(), ids, Map.of(), List.of());
  }

  /** True if nothing becomes another. */
  public boolean isNothing() {
    return added.isEmpty() && removed.isEmpty() && changed.isEmpty() && order.isEmpty();
  }

  @Override
  public List<E> applyTo(@Nullable List<E> before) {
    List<E> kept = new ArrayList<>(before == null ? List.of() : before);
    Set<String> gone = new HashSet<>(removed);
    kept.removeIf(item -> gone.contains(of.idOf(item)));
    Set<String> unseen = new HashSet<>(changed.keySet());
    kept.replaceAll(
        item -> {
          Changes<E> changes = changed.get(of.idOf(item));
          unseen.remove(of.idOf(item));
          return changes == null ? item : changes.applyTo(item);
        });
    if (!unseen.isEmpty()) {
      throw Refused.about(
          unseen.iterator().next(),
          "“" + unseen.iterator().next() + "” (" + of.label() + ") was removed meanwhile.");
    }
    putInOrder(kept);
    return added.isEmpty() ? kept : withAdded(kept);
  }

  /** Those that are named take each other's places; the others stay where they are. */
  private void putInOrder(List<E> kept) {
    Map<String, E> byId = of.byId(kept);
    List<E> wanted = order.stream().distinct().map(byId::get).filter(Objects::nonNull).toList();
    Set<String> named = new HashSet<>(order);
    int next = 0;
    for (int i = 0; i < kept.size(); i++) {
      if (named.contains(of.idOf(kept.get(i)))) {
        kept.set(i, wanted.get(next++));
      }
    }
  }

  /** A member with the one behind it: what is added to thousands is not looked for among them. */
  private static final class Link<E> {
    private final @Nullable E item;
    private @Nullable Link<E> next;

    Link(@Nullable E item) {
      this.item = item;
    }
  }

  private List<E> withAdded(List<E> kept) {
    Link<E> first = new Link<>(null);
    Link<E> last = first;
    Map<String, Link<E>> links = new HashMap<>();
    for (E item : kept) {
      last.next = new Link<>(item);
      last = last.next;
      links.put(of.idOf(item), last);
    }
    for (Added<E> one : added) {
      String id = of.idOf(one.item());
      if (links.containsKey(id)) {
        if (of.items().isEmpty()) {
          // Two may add the same reference.
          continue;
        }
        throw Refused.about(
            id, "The id “" + id + "” (" + of.label() + ") is taken; ids are given once.");
      }
      Link<E> before = one.after() == null ? first : links.getOrDefault(one.after(), last);
      Link<E> link = new Link<>(one.item());
      link.next = before.next;
      before.next = link;
      last = before == last ? link : last;
      links.put(id, link);
    }
    List<E> all = new ArrayList<>(links.size());
    for (Link<E> link = first.next; link != null; link = link.next) {
      all.add(Objects.requireNonNull(link.item));
    }
    return all;
  }
}
