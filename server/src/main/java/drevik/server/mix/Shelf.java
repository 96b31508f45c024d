package drevik.server.mix;

import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Origin;
import drevik.mix.Refused;
import drevik.server.Ids;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** The shelf: what stands on it, and what is put there or away. */
@Service
public class Shelf {
  private final MixRows mixes;
  private final MixStore store;
  private final TransactionTemplate reading;
  private final TransactionTemplate writing;

  Shelf(MixRows mixes, MixStore store, PlatformTransactionManager transactions) {
    this.mixes = mixes;
    this.store = store;
    this.writing = new TransactionTemplate(transactions);
    this.reading = new TransactionTemplate(transactions);
    reading.setReadOnly(true);
  }

  /**
   * Everything, without opening documents but of those that changed since the last look; one that
   * cannot be opened is listed by its name.
   */
  public List<ShelfItem> list() {
    Map<MixRow, ShelfSummary> found = new HashMap<>();
    List<ShelfItem> items =
        reading.execute(
            status ->
                mixes.findAllByOrderByKindDescChangedAtDescNameAsc().stream()
                    .map(row -> item(row, found))
                    .toList());
    found.forEach(
        (row, summary) ->
            writing.executeWithoutResult(status -> mixes.keepSummary(row.id, row.head, summary)));
    return items;
  }

  private ShelfItem item(MixRow row, Map<MixRow, ShelfSummary> found) {
    if (row.summary != null) {
      return ShelfItem.of(row, row.summary);
    }
    try {
      ShelfSummary summary = ShelfSummary.of(store.head(row).document());
      found.put(row, summary);
      return ShelfItem.of(row, summary);
    } catch (Refused e) {
      return ShelfItem.unreadable(row, e.getMessage());
    }
  }

  /** Puts a Mix on the shelf as its first revision. */
  @Transactional
  public String create(Mix mix, String says) {
    return store.create(Ids.next(), mix, says).id;
  }

  /** The id of the oldest template of this name, archived or not. */
  @Transactional(readOnly = true)
  public Optional<String> find(String name) {
    return mixes.findFirstByNameAndKindOrderByCreatedAt(name, MixKind.TEMPLATE).map(row -> row.id);
  }

  /** A Mix by its id and name. */
  public record Named(String id, String name) {}

  /** All sessions that are not archived. */
  @Transactional(readOnly = true)
  public List<Named> sessions() {
    return mixes.findByKindAndArchivedFalse(MixKind.SESSION).stream()
        .map(row -> new Named(row.id, row.name))
        .toList();
  }

  /** A session from a template, with the template's ids, without audio. */
  @Transactional
  public String startSession(String templateId, String name) {
    MixRow template = store.row(templateId);
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
    MixRow session = store.row(sessionId);
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
    MixRow row = store.row(id);
    return create(head(row).withName(row.name + ", copy"), "duplicate “" + row.name + "”");
  }

  /** Puts a Mix away, or takes it out again; nothing of it is lost. */
  @Transactional
  public void archive(String id, boolean archived) {
    store.locked(id).archived = archived;
  }

  private Mix head(MixRow row) {
    return store.head(row).document();
  }
}
