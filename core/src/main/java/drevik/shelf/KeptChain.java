package drevik.shelf;

import drevik.category.CategoryTree;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Insert;
import drevik.mix.Limits;
import drevik.mix.Lists;
import drevik.mix.Refused;
import drevik.mix.field.Validity;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

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
    String of = unsaid ? purposeOf(channel.kind()).orElse(category) : category;
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
    Validity.requireChain(clean.chain(), "“" + clean.name() + "”");
    return clean;
  }

  /**
   * The same chain by another name.
   *
   * @throws Refused if it may not be called that
   */
  public KeptChain called(String other) {
    return new KeptChain(other, category, purpose, chain).cleaned();
  }

  /**
   * Those first that are for the same, then those of the same family, then all others. What is
   * usually kept of a kind of channel comes before what fits its category.
   *
   * @param kind null where no channel is asked for
   */
  public static Comparator<KeptChain> fitting(@Nullable ChannelKind kind, String category) {
    String purpose = purposeOf(kind).orElse(category);
    return Comparator.comparingInt(
            (KeptChain chain) ->
                Math.min(
                    2 * farFrom(chain.category(), purpose),
                    2 * farFrom(chain.category(), category) + 1))
        .thenComparingInt(chain -> CategoryTree.orderOf(chain.category()))
        .thenComparing(KeptChain::name);
  }

  /**
   * What chains of a kind of channel are kept under unless somebody says otherwise: what a return
   * or a master does is its kind, all else is told by its category.
   */
  public static Optional<String> purposeOf(@Nullable ChannelKind kind) {
    return Optional.ofNullable(
        kind == ChannelKind.RETURN ? "print/return" : kind == ChannelKind.MASTER ? "print" : null);
  }

  private static int farFrom(String one, String other) {
    if (one.equals(other)) {
      return 0;
    }
    return CategoryTree.topOf(one).equals(CategoryTree.topOf(other)) ? 1 : 2;
  }
}
