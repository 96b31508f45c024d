package drevik.edit;

import drevik.category.CategoryTree;
import drevik.mix.CategoryMap;
import drevik.mix.MapEntry;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.field.Changes;
import drevik.mix.field.MapEntryField;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/**
 * Says what the category map says of categories, each by the entry that asks for nothing more.
 * Channels follow, pins apart.
 *
 * @param set what becomes of the entry's fields; one that says nothing any more goes
 */
public record SetCategoryRule(List<String> categories, Changes<MapEntry> set) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    if (categories.isEmpty()) {
      throw new Refused("No category is picked; pick at least one.");
    }
    if (set.of(MapEntryField.CATEGORY).isPresent()) {
      throw new Refused("An entry keeps its category; say it of the other category instead.");
    }
    CategoryMap map = mix.categoryMap();
    for (String category : categories) {
      if (!CategoryTree.has(category)) {
        throw Refused.about(category, CategoryTree.unknownMessage(category));
      }
      map = map.saying(category, set::applyTo);
    }
    return Soundness.require(mix, mix.withCategoryMap(map));
  }

  @Override
  public String says(Mix before) {
    String whose = categories.size() == 1 ? categories.get(0) : categories.size() + " categories";
    return "say of "
        + whose
        + ": "
        + set.all().keySet().stream()
            .map(field -> field.label().toLowerCase(Locale.ROOT))
            .collect(Collectors.joining(", "));
  }
}
