package drevik.category;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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

  /** The map without destinations that no longer exist. */
  public CategoryMap withoutDestinations(Set<String> gone) {
    Map<String, CategoryRule> kept = new LinkedHashMap<>();
    rules.forEach(
        (category, rule) ->
            kept.put(
                category,
                gone.contains(rule.destination()) ? new CategoryRule(null, rule.colour()) : rule));
    return new CategoryMap(kept);
  }
}
