package drevik.server.mix;

import drevik.merge.Differences;
import drevik.mix.Limits;
import drevik.mix.Mix;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The line of revisions of a Mix: what they are called, and what is different in them. */
@Service
class MixHistory {
  private final MixStore store;
  private final RevisionRows revisions;
  private final RevisionNameRows names;
  private final Mixes mixes;

  MixHistory(MixStore store, RevisionRows revisions, RevisionNameRows names, Mixes mixes) {
    this.store = store;
    this.revisions = revisions;
    this.names = names;
    this.mixes = mixes;
  }

  /** All revisions, the newest first. */
  @Transactional(readOnly = true)
  public List<RevisionLine> list(String id) {
    store.row(id);
    return revisions.lines(id);
  }

  /** Gives a revision a name, or takes it off; one whose document nobody can read too. */
  @Transactional
  public List<RevisionLine> name(String id, int number, @Nullable String name) {
    // Two who name one revision at once wait for each other.
    store.locked(id);
    store.requireRevision(id, number);
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
  public List<String> differences(String id, int from, int to) {
    Mix before = mixes.document(id, from);
    return Differences.between(before, mixes.document(id, to));
  }
}
