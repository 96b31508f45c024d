package drevik.mix;

import drevik.category.CategoryTree;
import java.util.Comparator;
import java.util.List;

/**
 * A whole chain as it is kept on the shelf, apart from any Mix. Keys name channels of a Mix, so it
 * has none.
 *
 * @param category of what it is for
 * @param purpose what it does to it, in somebody's words
 */
public record KeptChain(String name, String category, String purpose, List<Insert> chain) {
  public KeptChain {
    purpose = purpose == null ? "" : purpose;
    chain = Lists.copy(chain);
  }

  /**
   * The chain of a channel, to be kept.
   *
   * @throws Refused if there is none, or what is said of it cannot be
   */
  public static KeptChain of(Channel channel, String name, String category, String purpose) {
    String clean = Limits.keptName(name, "A chain");
    Limits.requireText(purpose, Limits.COMMENT, "A purpose");
    if (!CategoryTree.has(category)) {
      throw new Refused(CategoryTree.unknownMessage(category));
    }
    if (channel.chain().isEmpty()) {
      throw Refused.about(
          channel.id(), "“" + channel.name() + "” has no chain; put a processor on it first.");
    }
    return new KeptChain(
        clean,
        category,
        purpose == null ? "" : purpose.strip(),
        channel.chain().stream().map(insert -> insert.withKey(null)).toList());
  }

  /** Those first that are for the same, then those of the same family, then all others. */
  public static Comparator<KeptChain> fitting(String category) {
    return Comparator.comparingInt((KeptChain chain) -> farFrom(chain.category(), category))
        .thenComparingInt(chain -> CategoryTree.orderOf(chain.category()))
        .thenComparing(KeptChain::name);
  }

  private static int farFrom(String one, String other) {
    if (one.equals(other)) {
      return 0;
    }
    return CategoryTree.topOf(one).equals(CategoryTree.topOf(other)) ? 1 : 2;
  }
}
