package drevik.server.mix;

import drevik.codec.Documents;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Validity;
import drevik.server.NotFound;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
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
    return recent.get(
        id,
        number,
        () ->
            Documents.readTrusted(
                revisions
                    .findById(new RevisionRow.Key(id, number))
                    .orElseThrow(
                        () -> new NotFound("Mix “" + id + "” has no revision " + number + "."))
                    .document));
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
    entities.persist(new RevisionRow(id, 1, null, now, says, Documents.writeCompact(mix)));
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
    entities.persist(
        new RevisionRow(
            row.id, row.last, row.head, clock.instant(), says, Documents.writeCompact(document)));
    recent.keepAfterCommit(row.id, made);
    return moveTo(row, made);
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
