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
    if (channel.chain().isEmpty()) {
      throw Refused.about(
          channel.id(), "“" + channel.name() + "” has no chain; put a processor on it first.");
    }
    boolean unsaid = category.equals(CategoryTree.UNKNOWN);
    String of = unsaid ? purposeOf(channel.kind(), category) : category;
    return new KeptChain(name, of, purpose, channel.chain()).cleaned();
  }

  /**
   * The same as it may be kept: its name and words stripped, without keys.
   *
   * @throws Refused if what it says cannot be
   */
  public KeptChain cleaned() {
    Limits.requireText(purpose, Limits.COMMENT, "A purpose");
    if (!CategoryTree.has(category)) {
      throw new Refused(CategoryTree.unknownMessage(category));
    }
    if (chain.isEmpty()) {
      throw new Refused("This chain has no processor in it.");
    }
    KeptChain clean =
        new KeptChain(
            Limits.keptName(name, "A chain"),
            category,
            purpose.strip(),
            chain.stream().map(insert -> insert.withKey(null)).toList());
    Validity.require(clean);
    return clean;
  }

  /**
   * @throws Refused if it may not be called that
   */
  public KeptChain called(String other) {
    return new KeptChain(other, category, purpose, chain).cleaned();
  }

  /** Those first that are for the same, then those of the same family, then all others. */
  public static Comparator<KeptChain> fitting(String category) {
    return Comparator.comparingInt((KeptChain chain) -> farFrom(chain.category(), category))
        .thenComparingInt(chain -> CategoryTree.orderOf(chain.category()))
        .thenComparing(KeptChain::name);
  }

  /** What chains of a channel are kept under: what a return and a master do is their kind. */
  public static String purposeOf(ChannelKind kind, String category) {
    return switch (kind) {
      case RETURN -> "print/return";
      case MASTER -> "print";
      default -> category;
    };
  }

  private static int farFrom(String one, String other) {
    if (one.equals(other)) {
      return 0;
    }
    return CategoryTree.topOf(one).equals(CategoryTree.topOf(other)) ? 1 : 2;
  }
}
