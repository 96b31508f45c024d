package drevik.server.mix;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import drevik.mix.Mix;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Revisions that were read or made lately, with what follows from them. A revision never changes,
 * so what is kept here cannot be out of date; reading a large one anew costs more than everything
 * else in an edit. Large Mixes push out more than small ones do.
 */
@Component
class RecentRevisions {
  /** Channels of all revisions together: some 150 MB. */
  private static final long MOST_CHANNELS = 60_000;

  private final Cache<RevisionRow.Key, KnownRevision> revisions =
      Caffeine.newBuilder()
          .maximumWeight(MOST_CHANNELS)
          .weigher((RevisionRow.Key key, KnownRevision revision) -> revision.weight())
          .build();

  /** A revision that is in the database, its document read if it is not here. */
  KnownRevision get(String mixId, int number, Supplier<Mix> read) {
    RevisionRow.Key key = new RevisionRow.Key(mixId, number);
    KnownRevision known = revisions.getIfPresent(key);
    if (known != null) {
      return known;
    }
    KnownRevision revision = new KnownRevision(number, read.get());
    // Within a change, what was read may be taken back again with the change.
    if (TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
      revisions.put(key, revision);
    }
    return revision;
  }

  /** Keeps a new revision once its transaction has been committed, and not before. */
  void keepAfterCommit(String mixId, KnownRevision made) {
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCommit() {
            revisions.put(new RevisionRow.Key(mixId, made.number()), made);
          }
        });
  }
}
