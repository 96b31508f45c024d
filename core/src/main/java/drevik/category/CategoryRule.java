package drevik.category;

import org.jspecify.annotations.Nullable;

/**
 * What a category map says about one node; null where it says nothing and the parent decides.
 *
 * @param destination a channel's id
 * @param colour a colour family's id
 */
public record CategoryRule(@Nullable String destination, @Nullable String colour) {
  /** Everything is left to the parent. */
  public static final CategoryRule NOTHING = new CategoryRule(null, null);
}
