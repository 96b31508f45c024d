package drevik.server.mix;

import drevik.mix.Mix;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
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

  /** The least recently used one first. */
  private final Map<RevisionRow.Key, KnownRevision> revisions =
      new LinkedHashMap<>(64, 0.75f, true);

  private long channels;

  private synchronized @Nullable KnownRevision kept(RevisionRow.Key key) {
    return revisions.get(key);
  }

  private synchronized void keep(RevisionRow.Key key, KnownRevision revision) {
    KnownRevision before = revisions.put(key, revision);
    channels += revision.weight() - (before == null ? 0 : before.weight());
    Iterator<KnownRevision> eldest = revisions.values().iterator();
    // The newest one stays, however large it is.
    while (channels > MOST_CHANNELS && revisions.size() > 1) {
      channels -= eldest.next().weight();
      eldest.remove();
    }
  }

  /** A revision that is in the database, its document read if it is not here. */
  KnownRevision get(String mixId, int number, Supplier<Mix> read) {
    RevisionRow.Key key = new RevisionRow.Key(mixId, number);
    KnownRevision known = kept(key);
    if (known != null) {
      return known;
    }
    KnownRevision revision = new KnownRevision(number, read.get());
    // Within a change, what was read may be taken back again with the change.
    if (TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
      keep(key, revision);
    }
    return revision;
  }

  /** Keeps a new revision once its transaction has been committed, and not before. */
  void keepAfterCommit(String mixId, KnownRevision made) {
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCommit() {
            keep(new RevisionRow.Key(mixId, made.number()), made);
          }
        });
  }
}
