package drevik.category;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * Per Mix: category → destination and colour. A node inherits from its parent what it does not say.
 *
 * @param rules category path → rule
 */
public record CategoryMap(Map<String, CategoryRule> rules) {
  public static final CategoryMap EMPTY = new CategoryMap(Map.of());

  /** A value with the category that says it, for “from the category map: drums”. */
  public record Answer(String value, String saidBy) {}

  public CategoryMap {
    rules = Collections.unmodifiableMap(new LinkedHashMap<>(rules));
  }

  public Optional<Answer> destinationOf(String category) {
    return inherited(category, CategoryRule::destination);
  }

  public Optional<Answer> colourOf(String category) {
    return inherited(category, CategoryRule::colour);
  }

  private Optional<Answer> inherited(String category, Function<CategoryRule, String> field) {
    Optional<String> at = Optional.of(category);
    while (at.isPresent()) {
      CategoryRule rule = rules.get(at.get());
      if (rule != null && field.apply(rule) != null) {
        return Optional.of(new Answer(field.apply(rule), at.get()));
      }
      at = CategoryTree.parentOf(at.get());
    }
    return Optional.empty();
  }

  public CategoryMap with(String category, CategoryRule rule) {
    Map<String, CategoryRule> changed = new LinkedHashMap<>(rules);
    changed.put(category, rule);
    return new CategoryMap(changed);
  }

  public CategoryMap without(String category) {
    Map<String, CategoryRule> changed = new LinkedHashMap<>(rules);
    changed.remove(category);
    return new CategoryMap(changed);
  }

  /** What is said of each category, in the order of the tree. */
  public List<MapEntry> entries() {
    List<MapEntry> entries = new ArrayList<>();
    rules.forEach(
        (category, rule) -> entries.add(new MapEntry(category, rule.destination(), rule.colour())));
    entries.sort(
        Comparator.comparingInt((MapEntry entry) -> CategoryTree.orderOf(entry.category()))
            .thenComparing(MapEntry::category));
    return entries;
  }

  public static CategoryMap of(List<MapEntry> entries) {
    Map<String, CategoryRule> rules = new LinkedHashMap<>();
    entries.forEach(
        entry ->
            rules.put(entry.category(), new CategoryRule(entry.destination(), entry.colour())));
    return new CategoryMap(rules);
  }
}
