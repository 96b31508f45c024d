package drevik.server.mix;

import drevik.codec.DocumentPatch;
import drevik.codec.Documents;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.field.Validity;
import drevik.server.NotFound;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Mixes and their lines of revisions in the database; used within a transaction. */
@Component
@Transactional(
    propagation = Propagation.MANDATORY,
    noRollbackFor = {Refused.class, NotFound.class})
class MixStore {
  private static final int MOST_STEPS = 24;

  /** Characters for each channel beyond which changes are not much shorter than the whole. */
  private static final int LONGEST_PER_CHANNEL = 300;

  private final MixRows mixes;
  private final RevisionRows revisions;
  private final Clock clock;
  private final ApplicationEventPublisher events;
  private final RecentRevisions recent;
  private final EntityManager entities;

  MixStore(
      MixRows mixes,
      RevisionRows revisions,
      Clock clock,
      ApplicationEventPublisher events,
      RecentRevisions recent,
      EntityManager entities) {
    this.mixes = mixes;
    this.revisions = revisions;
    this.clock = clock;
    this.events = events;
    this.recent = recent;
    this.entities = entities;
  }

  /**
   * The row of a Mix.
   *
   * @throws NotFound if there is none
   */
  MixRow row(String id) {
    return mixes.findById(id).orElseThrow(() -> missing(id));
  }

  /** The row for a change: whoever else wants to change the Mix waits until this one is done. */
  MixRow locked(String id) {
    return mixes.findLocked(id).orElseThrow(() -> missing(id));
  }

  private static NotFound missing(String id) {
    return new NotFound("There is no Mix “" + id + "” on this shelf.");
  }

  /**
   * One revision.
   *
   * @throws NotFound if there is none
   * @throws drevik.mix.Refused if a newer program wrote it
   */
  KnownRevision known(String id, int number) {
    return recent.get(id, number, () -> Documents.readTrusted(text(id, number)));
  }

  /** A document, put together of the nearest whole one before it and the changes since. */
  private String text(String id, int number) {
    Deque<String> changes = new ArrayDeque<>();
    RevisionRow row = revision(id, number);
    while (row.document == null) {
      changes.push(String.valueOf(row.changes));
      row = revision(id, Objects.requireNonNull(row.parent));
    }
    return changes.isEmpty()
        ? row.document
        : DocumentPatch.applied(row.document, List.copyOf(changes));
  }

  private RevisionRow revision(String id, int number) {
    return revisions
        .findById(new RevisionRow.Key(id, number))
        .orElseThrow(() -> new NotFound("Mix “" + id + "” has no revision " + number + "."));
  }

  /**
   * @throws NotFound if there is no such revision
   */
  void requireRevision(String id, int number) {
    if (revisions.line(id, number).isEmpty()) {
      throw new NotFound("Mix “" + id + "” has no revision " + number + ".");
    }
  }

  KnownRevision head(MixRow row) {
    return known(row.id, row.head);
  }

  /** Puts a new Mix into the database, as its first revision. */
  MixRow create(String id, Mix mix, String says) {
    Validity.require(mix);
    Instant now = clock.instant();
    MixRow row = new MixRow(id, mix.kind(), now);
    row.head = 1;
    row.last = 1;
    show(row, mix);
    entities.persist(row);
    entities.persist(RevisionRow.whole(id, 1, null, now, says, Documents.writeCompact(mix)));
    return row;
  }

  /** A new revision behind the head, which becomes the head. */
  KnownRevision append(MixRow row, String says, Mix before, Mix document) {
    // What could not be read back must not be written.
    Validity.require(before, document);
    row.last++;
    KnownRevision made = new KnownRevision(row.last, document);
    made.derive();
    // Persisted, not saved: saving would look for a row of this key first.
    entities.persist(revisionOf(row, says, before, document));
    recent.keepAfterCommit(row.id, made);
    return moveTo(row, made);
  }

  /**
   * As changes, but now and then whole: no document is put together of more than {@value
   * #MOST_STEPS}.
   */
  private RevisionRow revisionOf(MixRow row, String says, Mix before, Mix document) {
    Instant now = clock.instant();
    int steps = revisions.steps(row.id, row.head, Mix.CURRENT_VERSION).orElse(MOST_STEPS) + 1;
    if (steps <= MOST_STEPS) {
      String changes = DocumentPatch.between(before, document);
      if (changes.length() <= LONGEST_PER_CHANNEL * (1 + document.channels().size())) {
        return RevisionRow.of(row.id, row.last, row.head, now, says, changes, steps);
      }
    }
    String whole = Documents.writeCompact(document);
    return RevisionRow.whole(row.id, row.last, row.head, now, says, whole);
  }

  /** Another revision becomes the head. */
  KnownRevision moveTo(MixRow row, KnownRevision revision) {
    row.head = revision.number();
    show(row, revision.document());
    events.publishEvent(new MixEvents.Moved(row.id, row.head));
    return revision;
  }

  private void show(MixRow row, Mix mix) {
    row.name = mix.name();
    row.changedAt = clock.instant();
    // Worked out when somebody looks at the shelf.
    row.summary = null;
  }

  /** What undo would take back. */
  @Nullable String undoable(MixRow row) {
    RevisionLine head = revisions.line(row.id, row.head).orElseThrow();
    return head.parent() == null ? null : head.says();
  }

  /** What redo would do again. */
  @Nullable String redoable(MixRow row) {
    return revisions
        .newestChild(row.id, row.head)
        .map(number -> revisions.says(row.id, number))
        .orElse(null);
  }
}
