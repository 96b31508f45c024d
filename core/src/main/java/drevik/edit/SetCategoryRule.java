package drevik.edit;

import drevik.category.CategoryRule;
import drevik.category.CategoryTree;
import drevik.category.MapEntry;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.field.Changes;
import org.jspecify.annotations.Nullable;

/**
 * Says what the category map says of a category: where it goes, which colour it has.
 *
 * @param set what becomes of its fields; null takes the category out of the map
 */
public record SetCategoryRule(String category, @Nullable Changes<MapEntry> set) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    if (!CategoryTree.has(category)) {
      throw Refused.about(category, CategoryTree.unknownMessage(category));
    }
    if (set == null) {
      return mix.withCategoryMap(mix.categoryMap().without(category));
    }
    CategoryRule now = mix.categoryMap().rules().getOrDefault(category, CategoryRule.NOTHING);
    MapEntry after = set.applyTo(new MapEntry(category, now.destination(), now.colour()));
    return Soundness.require(
        mix,
        mix.withCategoryMap(
            mix.categoryMap()
                .with(category, new CategoryRule(after.destination(), after.colour()))));
  }

  @Override
  public String says(Mix before) {
    return "set where " + category + " goes";
  }
}
