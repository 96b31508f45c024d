package drevik.server.mix;

import drevik.edit.Edit;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.preview.Effect;
import drevik.reassign.Following;
import drevik.server.Conflict;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Changes Mixes. Whoever asks gives each request an id of its own: asked again (the answer was lost
 * on its way), it is not done again, and the answer says what is so now. Two who change one Mix at
 * once wait for each other; neither sees the other's doing as an error.
 */
@Service
public class MixEdits {
  /** Asked on the revision {@code basedOn}, under the id {@code request}. */
  public record Asked(String request, int basedOn) {
    private static final int LONGEST = 100;

    public Asked {
      if (request == null || request.isBlank() || request.length() > LONGEST) {
        throw new Refused("A change needs an id of its own, of 1 to " + LONGEST + " characters.");
      }
    }
  }

  private static final int DIFFERENCES_SAID = 3;

  /** What is done with a Mix under its lock. */
  private interface Step {
    /** What came of it, or null where undo and redo have to be asked for. */
    @Nullable Outcome on(MixRow row, KnownRevision base);
  }

  /** What came of it, with which the answer is worked out. */
  private record Outcome(
      KnownRevision base, KnownRevision head, @Nullable String undo, @Nullable String redo) {}

  private final MixStore store;
  private final RevisionRows revisions;
  private final DoneRequests requests;
  private final TransactionTemplate transaction;
  private final Clock clock;

  MixEdits(
      MixStore store,
      RevisionRows revisions,
      DoneRequests requests,
      TransactionTemplate transaction,
      Clock clock) {
    this.clock = clock;
    this.store = store;
    this.revisions = revisions;
    this.requests = requests;
    this.transaction = transaction;
  }

  /**
   * Makes an edit. One that was made on an older revision is made on the head: it says what it
   * changes, and all else stays as somebody else may have set it.
   *
   * @throws Conflict if it no longer applies, with both sides in words
   */
  public MixChange edit(String id, Asked asked, Edit edit) {
    return carryOut(id, asked, (row, base) -> made(row, base, asked, edit));
  }

  private @Nullable Outcome made(MixRow row, KnownRevision base, Asked asked, Edit edit) {
    Mix before = store.head(row).document();
    Mix after;
    try {
      after = stamped(before, edit.applyTo(before), edit.says(before));
    } catch (Refused e) {
      if (asked.basedOn() == row.head) {
        throw e;
      }
      throw conflict(row, edit.says(base.document()), e.getMessage());
    }
    if (after.equals(before)) {
      // Nothing is different, so there is nothing to take back.
      return null;
    }
    String says = edit.says(before);
    KnownRevision made = store.append(row, says, before, after);
    // What was made just now is what can be undone, and nothing has been made after it.
    return new Outcome(base, made, says, null);
  }

  /** What the edit has pinned says from now on where it comes from. */
  private Mix stamped(Mix before, Mix after, String says) {
    return Following.stamped(
        before, after, says, clock.instant().truncatedTo(ChronoUnit.SECONDS).toString());
  }

  /**
   * Makes an edit of which somebody has seen what it does. If it would do something else now,
   * because the Mix went on, it is not made.
   *
   * @param seen the revision on which its effect was looked at
   * @throws Conflict if it would do something else, with what is different
   */
  public MixChange editAsSeen(String id, Asked asked, int seen, Edit edit) {
    return carryOut(
        id,
        asked,
        (row, base) -> {
          requireSameEffect(row, seen, edit);
          return made(row, base, asked, edit);
        });
  }

  /** Under the lock of the Mix, so that nobody comes between looking and making. */
  private void requireSameEffect(MixRow row, int seen, Edit edit) {
    if (row.head == seen) {
      return;
    }
    Mix then = store.known(row.id, seen).document();
    Effect wanted = Effect.of(then, edit);
    List<String> other;
    try {
      other = Effect.of(store.head(row).document(), edit).differsFrom(wanted);
    } catch (Refused e) {
      throw conflict(row, edit.says(then), e.getMessage());
    }
    if (!other.isEmpty()) {
      String some = String.join("; ", other.stream().limit(DIFFERENCES_SAID).toList());
      throw conflict(
          row,
          edit.says(then),
          "What it would change is another now: "
              + some
              + (other.size() > DIFFERENCES_SAID
                  ? " and " + (other.size() - DIFFERENCES_SAID) + " more"
                  : "")
              + ". Look at it again, and then carry it out.");
    }
  }

  /**
   * Takes back what the head was made by.
   *
   * @throws Conflict if the head is another than the one that was looked at
   */
  public MixChange undo(String id, Asked asked) {
    return carryOut(
        id,
        asked,
        (row, base) -> {
          requireHead(row, asked, "undo: " + revisions.says(id, asked.basedOn()));
          Integer parent = revisions.line(id, row.head).map(RevisionLine::parent).orElse(null);
          if (parent == null) {
            throw new Refused("There is nothing to undo: this is the first revision.");
          }
          store.moveTo(row, store.known(id, parent));
          return null;
        });
  }

  /** Does again what was taken back last. */
  public MixChange redo(String id, Asked asked) {
    return carryOut(
        id,
        asked,
        (row, base) -> {
          requireHead(row, asked, "redo what was undone");
          int child =
              revisions
                  .newestChild(id, row.head)
                  .orElseThrow(
                      () -> new Refused("There is nothing to redo: this is the newest revision."));
          store.moveTo(row, store.known(id, child));
          return null;
        });
  }

  /** Goes back, or forward, to any revision; what was made since is kept. */
  public MixChange goTo(String id, Asked asked, int number) {
    return carryOut(
        id,
        asked,
        (row, base) -> {
          requireHead(row, asked, "go to revision " + number);
          store.moveTo(row, store.known(id, number));
          return null;
        });
  }

  /** True if this was asked before and has been done: whatever leads up to it need not be done. */
  public boolean isDone(String id, Asked asked) {
    return requests.isDone(id, asked.request());
  }

  /** Called by the scheduler: an id is kept only as long as somebody may ask with it again. */
  public void forgetOldRequests() {
    requests.forgetOld();
  }

  private MixChange carryOut(String id, Asked asked, Step step) {
    Outcome outcome =
        transaction.execute(
            status -> {
              MixRow row = store.locked(id);
              KnownRevision base = store.known(id, asked.basedOn());
              Outcome done = requests.note(id, asked.request()) ? step.on(row, base) : null;
              return done != null
                  ? done
                  : new Outcome(base, store.head(row), store.undoable(row), store.redoable(row));
            });
    // The line check is not part of the change: what it finds, and what may go wrong in it, comes
    // behind.
    return MixChange.between(outcome.base(), outcome.head(), outcome.undo(), outcome.redo());
  }

  private void requireHead(MixRow row, Asked asked, String wanted) {
    if (asked.basedOn() != row.head) {
      throw conflict(row, wanted, "Look at it, and say again what you want.");
    }
  }

  private Conflict conflict(MixRow row, String wanted, String why) {
    return new Conflict(
        "You wanted to "
            + wanted
            + ". Meanwhile the Mix went on to revision "
            + row.head
            + ": "
            + revisions.says(row.id, row.head)
            + ". "
            + why);
  }
}
