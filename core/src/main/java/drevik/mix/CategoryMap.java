package drevik.mix;

import drevik.category.CategoryTree;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Per Mix: what is said of channels by their category. Which entry wins is worked out in {@code
 * drevik.reassign}.
 *
 * @param entries in the order of the tree; of equal ones the first wins
 */
public record CategoryMap(List<MapEntry> entries) {
  private static final Comparator<MapEntry> ORDER =
      Comparator.comparingInt((MapEntry entry) -> CategoryTree.orderOf(entry.category()))
          .thenComparing(MapEntry::category)
          .thenComparing(MapEntry::conditions);

  // Behind the order that it is put in.
  public static final CategoryMap EMPTY = new CategoryMap(List.of());

  public CategoryMap {
    entries = Lists.copy(entries).stream().sorted(ORDER).toList();
  }

  public boolean saysNothing() {
    return entries.isEmpty();
  }

  public Optional<MapEntry> byId(String id) {
    return entries.stream().filter(entry -> entry.id().equals(id)).findFirst();
  }

  /** The entry that asks for a category and nothing more. */
  public Optional<MapEntry> ofCategory(String category) {
    return entries.stream()
        .filter(entry -> entry.category().equals(category) && entry.asksForCategoryAlone())
        .findFirst();
  }

  /** True if the entry of this very category says where it goes; a parent's does not count. */
  public boolean hasDestination(String category) {
    return ofCategory(category).map(entry -> entry.destination() != null).orElse(false);
  }

  /**
   * Says something else of a category; there is an entry of it from now on, unless it would be
   * silent.
   */
  public CategoryMap saying(String category, UnaryOperator<MapEntry> change) {
    return saying(MapEntry.of(category), change);
  }

  /**
   * Says something else where an entry asks for the same as one does.
   *
   * @param asking what is asked for; its id is for an entry that is not there yet
   */
  public CategoryMap saying(MapEntry asking, UnaryOperator<MapEntry> change) {
    MapEntry after =
        change.apply(
            entries.stream()
                .filter(entry -> entry.asksAs(asking))
                .findFirst()
                .orElseGet(() -> asking.withId(free(asking.id()))));
    List<MapEntry> changed = new ArrayList<>(entries);
    changed.removeIf(entry -> entry.id().equals(after.id()));
    if (!after.saysNothing()) {
      changed.add(after);
    }
    return new CategoryMap(changed);
  }

  private String free(String id) {
    return Limits.firstFree(
        id, "-", entries.stream().map(MapEntry::id).collect(Collectors.toCollection(HashSet::new)));
  }

  /** Says where a category goes. */
  public CategoryMap sending(String category, @Nullable String to) {
    return saying(category, entry -> entry.withDestination(to));
  }
}
