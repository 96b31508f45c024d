package drevik.server.chain;

import drevik.category.CategoryTree;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Refused;
import drevik.server.Ids;
import drevik.server.NotFound;
import drevik.server.mix.Mixes;
import drevik.shelf.KeptChain;
import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Whole chains, kept by what they are for. */
@Service
public class KeptChains {
  /**
   * A chain on the shelf.
   *
   * @param removedAt null for one that is there
   */
  record ChainLine(String id, KeptChain chain, Instant at, @Nullable Instant removedAt) {}

  private final KeptChainRows rows;
  private final Mixes mixes;
  private final Clock clock;

  KeptChains(KeptChainRows rows, Mixes mixes, Clock clock) {
    this.rows = rows;
    this.mixes = mixes;
    this.clock = clock;
  }

  /** In the order of the tree. */
  @Transactional(readOnly = true)
  public List<ChainLine> list() {
    return list(null, null);
  }

  /**
   * Those that fit a channel first.
   *
   * @param kind null for that of a seat
   * @param category null for the order of the tree
   */
  @Transactional(readOnly = true)
  public List<ChainLine> list(@Nullable ChannelKind kind, @Nullable String category) {
    return rows.findAll().stream()
        .map(row -> new ChainLine(row.id, row.chain, row.at, row.removedAt))
        .sorted(
            Comparator.comparing(
                ChainLine::chain,
                KeptChain.fitting(kind, category == null ? CategoryTree.UNKNOWN : category)))
        .toList();
  }

  /** Keeps the chain of a channel as it is now, in the place of what is kept under that name. */
  @Transactional
  public void keep(String mix, String channel, String name, String category, String purpose) {
    Channel from =
        mixes
            .document(mix)
            .channel(channel)
            .orElseThrow(() -> new NotFound("This Mix has no such channel; load the page again."));
    replace(KeptChain.of(from, name, category, purpose));
  }

  /** Keeps a chain, in the place of what is kept under its name. */
  @Transactional
  public void replace(KeptChain chain) {
    called(chain.name())
        .ifPresentOrElse(
            row -> {
              row.chain = chain;
              row.at = clock.instant();
              rows.save(row);
            },
            () -> keep(chain));
  }

  private Optional<KeptChainRow> called(String name) {
    return rows.findAll().stream()
        .filter(row -> row.removedAt == null && row.chain.name().equalsIgnoreCase(name))
        .findFirst();
  }

  @Transactional(readOnly = true)
  public KeptChain find(String id) {
    return row(id).chain;
  }

  private KeptChainRow row(String id) {
    return rows.findById(id)
        .orElseThrow(() -> new NotFound("There is no such chain on the shelf any more."));
  }

  /** Another name for what is kept; one that nothing else has. */
  @Transactional
  public void rename(String id, String name) {
    KeptChainRow row = row(id);
    KeptChain renamed = row.chain.called(name);
    called(renamed.name())
        .filter(other -> !other.id.equals(id))
        .ifPresent(
            other -> {
              throw new Refused(
                  "Another chain is called “" + renamed.name() + "”; choose another.");
            });
    row.chain = renamed;
    rows.save(row);
  }

  @Transactional
  public void keep(KeptChain chain) {
    rows.save(new KeptChainRow(Ids.next(), chain, clock.instant()));
  }
}
