package drevik.server.mix;

import drevik.mix.Mix;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Documents of revisions that were read or made lately. A revision never changes, so what is kept
 * here cannot be out of date; reading a large one anew costs more than everything else in an edit.
 */
@Component
class RecentDocuments {
  private static final int MOST = 32;

  private final Map<RevisionRow.Key, Mix> documents =
      Collections.synchronizedMap(
          new LinkedHashMap<>(MOST, 0.75f, true) {
            private static final long serialVersionUID = 1;

            @Override
            protected boolean removeEldestEntry(Map.Entry<RevisionRow.Key, Mix> eldest) {
              return size() > MOST;
            }
          });

  /** The document of a revision that is in the database, read if it is not here. */
  Mix get(String mixId, int number, Supplier<Mix> read) {
    RevisionRow.Key key = new RevisionRow.Key(mixId, number);
    Mix known = documents.get(key);
    if (known != null) {
      return known;
    }
    Mix document = read.get();
    // Within a change, what was read may be taken back again with the change.
    if (TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
      documents.put(key, document);
    }
    return document;
  }

  /** Keeps a new revision's document once its transaction has been committed, and not before. */
  void keepAfterCommit(String mixId, int number, Mix document) {
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCommit() {
            documents.put(new RevisionRow.Key(mixId, number), document);
          }
        });
  }
}
