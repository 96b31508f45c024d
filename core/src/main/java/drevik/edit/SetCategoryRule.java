package drevik.edit;

import drevik.category.CategoryRule;
import drevik.category.CategoryTree;
import drevik.mix.Mix;
import drevik.mix.Refused;
import org.jspecify.annotations.Nullable;

/** Says where a category goes and which colour it has; null takes the category out of the map. */
public record SetCategoryRule(String category, @Nullable CategoryRule rule) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    if (!CategoryTree.has(category)) {
      throw new Refused(CategoryTree.unknownMessage(category));
    }
    if (rule != null
        && rule.destination() != null
        && Picked.one(mix, rule.destination()).kind().holdsClips()) {
      throw new Refused(
          "“"
              + Picked.one(mix, rule.destination()).name()
              + "” plays files; choose a bus for "
              + category
              + ".");
    }
    return mix.withCategoryMap(
        rule == null
            ? mix.categoryMap().without(category)
            : mix.categoryMap().with(category, rule));
  }

  @Override
  public String says(Mix before) {
    return "set where " + category + " goes";
  }
}
