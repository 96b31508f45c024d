package drevik.server.mix;

import drevik.edit.Edit;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Origin;
import drevik.mix.Refused;
import drevik.mix.Validity;
import drevik.route.Coverage;
import drevik.server.Conflict;
import drevik.server.Ids;
import drevik.server.NotFound;
import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Mixes as lines of revisions: create, edit, undo, redo. */
@Service
public class MixService {
  private static final int PATHS_SHOWN = 20;

  private final MixRows mixes;
  private final RevisionRows revisions;
  private final Clock clock;
  private final ApplicationEventPublisher events;
  private final RecentDocuments recent;
  private final EntityManager entities;

  MixService(
      MixRows mixes,
      RevisionRows revisions,
      Clock clock,
      ApplicationEventPublisher events,
      RecentDocuments recent,
      EntityManager entities) {
    this.mixes = mixes;
    this.revisions = revisions;
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
    Mix mix = head(row);
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
        row.changedAt);
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
    row.changedAt = now;
    mixes.save(row);
    entities.persist(new RevisionRow(row.id, 1, null, now, says, mix));
    return row.id;
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
    return view(row(id));
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
  public MixView edit(String id, int basedOn, Edit edit) {
    MixRow row = row(id);
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
              + edit.says(documentOf(id, basedOn))
              + "; meanwhile the Mix went on to revision "
              + row.head
              + " (“"
              + revisions.says(id, row.head)
              + "”). "
              + e.getMessage());
    }
    append(row, edit.says(before), after);
    return view(row, after);
  }

  private void append(MixRow row, String says, Mix document) {
    // What could not be read back must not be written.
    Validity.require(document);
    Instant now = clock.instant();
    int number = revisions.last(row.id) + 1;
    // Persisted, not saved: saving would look for a row of this key first.
    entities.persist(new RevisionRow(row.id, number, row.head, now, says, document));
    recent.keepAfterCommit(row.id, number, document);
    moveTo(row, number, document, now);
  }

  private void moveTo(MixRow row, int number, Mix document, Instant now) {
    row.head = number;
    row.name = document.name();
    row.changedAt = now;
    mixes.saveAndFlush(row);
    events.publishEvent(new MixEvents.Moved(row.id, number));
  }

  @Transactional
  public MixView undo(String id) {
    MixRow row = row(id);
    Integer parent = revisions.line(id, row.head).map(RevisionLine::parent).orElse(null);
    if (parent == null) {
      throw new Refused("There is nothing to undo: this is the first revision.");
    }
    moveTo(row, parent, documentOf(id, parent), clock.instant());
    return view(row);
  }

  @Transactional
  public MixView redo(String id) {
    MixRow row = row(id);
    int child =
        revisions
            .newestChild(id, row.head)
            .orElseThrow(
                () -> new Refused("There is nothing to redo: this is the newest revision."));
    moveTo(row, child, documentOf(id, child), clock.instant());
    return view(row);
  }

  /** All revisions, the newest first. */
  @Transactional(readOnly = true)
  public List<RevisionLine> history(String id) {
    row(id);
    return revisions.lines(id);
  }

  /** Goes back, or forward, to any revision; what was made since is kept. */
  @Transactional
  public MixView goTo(String id, int number) {
    MixRow row = row(id);
    moveTo(row, number, documentOf(id, number), clock.instant());
    return view(row);
  }

  /** Puts a Mix away, or takes it out again; nothing of it is lost. */
  @Transactional
  public void archive(String id, boolean archived) {
    row(id).archived = archived;
  }

  private MixView view(MixRow row) {
    return view(row, head(row));
  }

  private MixView view(MixRow row, Mix document) {
    RevisionLine head = revisions.line(row.id, row.head).orElseThrow();
    String undo = head.parent() == null ? null : head.says();
    String redo =
        revisions.newestChild(row.id, row.head).map(n -> revisions.says(row.id, n)).orElse(null);
    return MixView.of(row.id, row.head, undo, redo, document);
  }

  private Mix head(MixRow row) {
    return documentOf(row.id, row.head);
  }

  private Mix documentOf(String id, int number) {
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
