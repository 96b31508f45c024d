package drevik.server.mix;

import drevik.edit.Edit;
import drevik.mix.ChannelKind;
import drevik.mix.Limits;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Origin;
import drevik.mix.Refused;
import drevik.mix.Validity;
import drevik.refit.Differences;
import drevik.route.Coverage;
import drevik.server.Conflict;
import drevik.server.Ids;
import drevik.server.NotFound;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Mixes as lines of revisions: create, edit, undo, redo. */
@Service
public class MixService {
  private static final int PATHS_SHOWN = 20;

  private final MixRows mixes;
  private final RevisionRows revisions;
  private final RevisionNameRows names;
  private final Clock clock;
  private final ApplicationEventPublisher events;
  private final RecentRevisions recent;
  private final EntityManager entities;

  MixService(
      MixRows mixes,
      RevisionRows revisions,
      RevisionNameRows names,
      Clock clock,
      ApplicationEventPublisher events,
      RecentRevisions recent,
      EntityManager entities) {
    this.mixes = mixes;
    this.revisions = revisions;
    this.names = names;
    this.clock = clock;
    this.events = events;
    this.recent = recent;
    this.entities = entities;
  }

  @Transactional(readOnly = true)
  public List<ShelfItem> shelf() {
    return mixes.findAllByOrderByKindDescChangedAtDescNameAsc().stream().map(this::item).toList();
  }

  private ShelfItem item(MixRow row) {
    KnownRevision head = known(row.id, row.head);
    Mix mix = head.document();
    return new ShelfItem(
        row.id,
        row.name,
        row.kind,
        mix.description(),
        mix.job(),
        row.archived,
        row.head,
        count(mix, ChannelKind.SEAT),
        count(mix, ChannelKind.BUS),
        mix.outputs().size(),
        row.changedAt,
        head.sketch());
  }

  private static int count(Mix mix, ChannelKind kind) {
    return (int) mix.channels().stream().filter(c -> c.kind() == kind && !c.stowed()).count();
  }

  /** Puts a Mix on the shelf as its first revision. */
  @Transactional
  public String create(Mix mix, String says) {
    Validity.require(mix);
    Instant now = clock.instant();
    MixRow row = new MixRow(Ids.next(), mix.kind(), now);
    row.name = mix.name();
    row.head = 1;
    row.last = 1;
    row.changedAt = now;
    mixes.save(row);
    entities.persist(new RevisionRow(row.id, 1, null, now, says, mix));
    return row.id;
  }

  /** The id of the oldest template of this name, archived or not. */
  @Transactional(readOnly = true)
  public Optional<String> find(String name) {
    return mixes.findFirstByNameAndKindOrderByCreatedAt(name, MixKind.TEMPLATE).map(row -> row.id);
  }

  /** A Mix by its id and name. */
  public record Named(String id, String name) {}

  /** All sessions that are not archived. */
  public List<Named> sessions() {
    return mixes.findByKindAndArchivedFalse(MixKind.SESSION).stream()
        .map(row -> new Named(row.id, row.name))
        .toList();
  }

  /** A session from a template, with the template's ids, without audio. */
  @Transactional
  public String startSession(String templateId, String name) {
    MixRow template = row(templateId);
    if (template.kind != MixKind.TEMPLATE) {
      throw new Refused("“" + template.name + "” is a session; choose a template to start from.");
    }
    if (name == null || name.isBlank()) {
      throw new Refused("Give the session a name.");
    }
    Mix session =
        head(template)
            .withKind(MixKind.SESSION)
            .withName(name.strip())
            .withOrigin(new Origin(templateId, template.head));
    return create(session, "start from “" + template.name + "”");
  }

  /** A template from a session: its audio is left out, but for clips that are kept on purpose. */
  @Transactional
  public String makeTemplate(String sessionId, String name) {
    MixRow session = row(sessionId);
    if (session.kind != MixKind.SESSION) {
      throw new Refused("“" + session.name + "” is a template already; duplicate it instead.");
    }
    Mix template =
        head(session)
            .asTemplate()
            .withName(name == null || name.isBlank() ? session.name : name.strip());
    return create(template, "make a template of “" + session.name + "”");
  }

  /** A copy with a history of its own. */
  @Transactional
  public String duplicate(String id) {
    MixRow row = row(id);
    return create(head(row).withName(row.name + ", copy"), "duplicate “" + row.name + "”");
  }

  @Transactional(readOnly = true)
  public MixView view(String id) {
    MixRow row = row(id);
    return MixView.of(id, known(id, row.head), undoable(row), redoable(row));
  }

  /** What is different at the head from an earlier revision that somebody still shows. */
  @Transactional(readOnly = true)
  public MixChange changes(String id, int from) {
    MixRow row = row(id);
    return change(row, known(id, from), known(id, row.head));
  }

  /** What of each seat reaches each output. */
  @Transactional(readOnly = true)
  public CoverageView coverage(String id) {
    MixRow row = row(id);
    return CoverageView.of(row.head, head(row));
  }

  /** The Mix as a table. */
  @Transactional(readOnly = true)
  public LedgerView ledger(String id) {
    MixRow row = row(id);
    return LedgerView.of(row.head, head(row));
  }

  /** Paths from a channel to an output, as channel ids. */
  @Transactional(readOnly = true)
  public List<List<String>> paths(String id, String channel, String output) {
    Mix mix = head(row(id));
    if (mix.channel(channel).isEmpty()
        || mix.outputs().stream().noneMatch(o -> o.id().equals(output))) {
      throw new NotFound("This Mix has no such channel and output; load the page again.");
    }
    return Coverage.of(mix).paths(channel, output, PATHS_SHOWN);
  }

  /** The head's document. */
  @Transactional(readOnly = true)
  public Mix document(String id) {
    return head(row(id));
  }

  @Transactional(readOnly = true)
  public Mix document(String id, int revision) {
    return documentOf(id, revision);
  }

  @Transactional(readOnly = true)
  public int headOf(String id) {
    return row(id).head;
  }

  /**
   * Makes an edit. One that was made on an older revision is made again on the head if it still
   * applies.
   *
   * @throws Conflict if it no longer does, with both sides in words
   */
  @Transactional
  public MixChange edit(String id, int basedOn, Edit edit) {
    MixRow row = row(id);
    KnownRevision base = known(id, basedOn);
    Mix before = head(row);
    Mix after;
    try {
      after = edit.applyTo(before);
    } catch (Refused e) {
      if (basedOn == row.head) {
        throw e;
      }
      throw new Conflict(
          "You wanted to "
              + edit.says(base.document())
              + "; meanwhile the Mix went on to revision "
              + row.head
              + " (“"
              + revisions.says(id, row.head)
              + "”). "
              + e.getMessage());
    }
    String says = edit.says(before);
    // What was made just now is what can be undone, and nothing has been made after it.
    return MixChange.between(base, append(row, says, after), says, null);
  }

  private KnownRevision append(MixRow row, String says, Mix document) {
    // What could not be read back must not be written.
    Validity.require(document);
    Instant now = clock.instant();
    row.last++;
    KnownRevision made = new KnownRevision(row.last, document);
    made.derive();
    // Persisted, not saved: saving would look for a row of this key first.
    entities.persist(new RevisionRow(row.id, row.last, row.head, now, says, document));
    recent.keepAfterCommit(row.id, made);
    moveTo(row, made);
    return made;
  }

  private KnownRevision moveTo(MixRow row, KnownRevision revision) {
    row.head = revision.number();
    row.name = revision.document().name();
    row.changedAt = clock.instant();
    mixes.saveAndFlush(row);
    events.publishEvent(new MixEvents.Moved(row.id, row.head));
    return revision;
  }

  @Transactional
  public MixChange undo(String id, int basedOn) {
    MixRow row = row(id);
    KnownRevision base = known(id, basedOn);
    Integer parent = revisions.line(id, row.head).map(RevisionLine::parent).orElse(null);
    if (parent == null) {
      throw new Refused("There is nothing to undo: this is the first revision.");
    }
    return change(row, base, moveTo(row, known(id, parent)));
  }

  @Transactional
  public MixChange redo(String id, int basedOn) {
    MixRow row = row(id);
    KnownRevision base = known(id, basedOn);
    int child =
        revisions
            .newestChild(id, row.head)
            .orElseThrow(
                () -> new Refused("There is nothing to redo: this is the newest revision."));
    return change(row, base, moveTo(row, known(id, child)));
  }

  /** All revisions, the newest first. */
  @Transactional(readOnly = true)
  public List<RevisionLine> history(String id) {
    row(id);
    return revisions.lines(id);
  }

  /** Gives a revision a name, or takes it off. */
  @Transactional
  public List<RevisionLine> name(String id, int number, @Nullable String name) {
    revision(id, number);
    RevisionRow.Key key = new RevisionRow.Key(id, number);
    if (name == null || name.isBlank()) {
      names.deleteById(key);
    } else {
      Limits.requireText(name.strip(), Limits.NAME, "The name of a revision");
      names.save(new RevisionNameRow(key, name.strip()));
    }
    names.flush();
    return revisions.lines(id);
  }

  /** What is different in one revision from another, in words. */
  @Transactional(readOnly = true)
  public List<String> differences(String id, int from, int to) {
    return Differences.between(documentOf(id, from), documentOf(id, to));
  }

  /** Goes back, or forward, to any revision; what was made since is kept. */
  @Transactional
  public MixChange goTo(String id, int basedOn, int number) {
    MixRow row = row(id);
    KnownRevision base = known(id, basedOn);
    return change(row, base, moveTo(row, known(id, number)));
  }

  /** Puts a Mix away, or takes it out again; nothing of it is lost. */
  @Transactional
  public void archive(String id, boolean archived) {
    row(id).archived = archived;
  }

  private MixChange change(MixRow row, KnownRevision from, KnownRevision head) {
    return MixChange.between(from, head, undoable(row), redoable(row));
  }

  private @Nullable String undoable(MixRow row) {
    RevisionLine head = revisions.line(row.id, row.head).orElseThrow();
    return head.parent() == null ? null : head.says();
  }

  private @Nullable String redoable(MixRow row) {
    return revisions
        .newestChild(row.id, row.head)
        .map(number -> revisions.says(row.id, number))
        .orElse(null);
  }

  private Mix head(MixRow row) {
    return documentOf(row.id, row.head);
  }

  private Mix documentOf(String id, int number) {
    return known(id, number).document();
  }

  private KnownRevision known(String id, int number) {
    return recent.get(id, number, () -> revision(id, number).document);
  }

  private MixRow row(String id) {
    return mixes
        .findById(id)
        .orElseThrow(() -> new NotFound("There is no Mix “" + id + "” on this shelf."));
  }

  private RevisionRow revision(String id, int number) {
    return revisions
        .findById(new RevisionRow.Key(id, number))
        .orElseThrow(() -> new NotFound("Mix “" + id + "” has no revision " + number + "."));
  }
}
