package drevik.category;

import org.jspecify.annotations.Nullable;

/**
 * A node of the tree with what a category map says about it; null where the parent decides.
 *
 * @param category a path of the tree, which is the entry's id
 * @param destination a channel's id
 * @param colour a colour family's id
 */
public record MapEntry(String category, @Nullable String destination, @Nullable String colour) {}
