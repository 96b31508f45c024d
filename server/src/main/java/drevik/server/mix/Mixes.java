package drevik.server.mix;

import drevik.check.CheckChange;
import drevik.check.LineCheck;
import drevik.check.Proof;
import drevik.dsp.ChainPictures;
import drevik.dsp.ProcessorType;
import drevik.dsp.Processors;
import drevik.dsp.Settings;
import drevik.edit.Edit;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.route.Coverage;
import drevik.server.NotFound;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Mixes as they are looked at: documents, and what follows from them. */
@Service
public class Mixes {
  private static final int PATHS_SHOWN = 20;

  private final MixStore store;
  private final TransactionTemplate reading;

  Mixes(MixStore store, PlatformTransactionManager transactions) {
    this.store = store;
    this.reading = new TransactionTemplate(transactions);
    reading.setReadOnly(true);
  }

  /** A head with what undo and redo would do. */
  private record Standing(
      KnownRevision from, KnownRevision head, @Nullable String undo, @Nullable String redo) {}

  public MixView view(String id) {
    Standing now = standing(id, null);
    return MixView.of(id, now.head(), now.undo(), now.redo());
  }

  /** What is different at the head from an earlier revision that somebody still shows. */
  public MixChange changes(String id, int from) {
    Standing now = standing(id, from);
    return MixChange.between(now.from(), now.head(), now.undo(), now.redo());
  }

  /** A revision that somebody works on, and the head. */
  record Base(KnownRevision base, KnownRevision head) {}

  /**
   * @param revision null for the head
   */
  Base base(String id, @Nullable Integer revision) {
    Standing now = standing(id, revision);
    return new Base(now.from(), now.head());
  }

  private Standing standing(String id, @Nullable Integer from) {
    return reading.execute(
        status -> {
          MixRow row = store.row(id);
          KnownRevision head = store.head(row);
          return new Standing(
              from == null ? head : store.known(id, from),
              head,
              store.undoable(row),
              store.redoable(row));
        });
  }

  /** What of each seat reaches each output. */
  public CoverageView coverage(String id, @Nullable Integer revision) {
    KnownRevision at = at(id, revision);
    return CoverageView.of(at.number(), at.document());
  }

  /** What the line check has shown of it. */
  public Proof proof(String id, @Nullable Integer revision) {
    return at(id, revision).proof();
  }

  /** What a new output is until somebody says otherwise. */
  public Output outputDraft(String id, @Nullable Integer revision) {
    return Output.draft(at(id, revision).document());
  }

  /**
   * What an edit would do to the findings, were it made now; nothing is changed.
   *
   * @throws Refused if it cannot be made
   */
  public CheckChange preview(String id, Edit edit) {
    KnownRevision head = head(id);
    Mix after = edit.applyTo(head.document());
    return CheckChange.between(head.derived().findings(), LineCheck.of(after));
  }

  /** The Mix as a table. */
  public LedgerView ledger(String id, @Nullable Integer revision) {
    KnownRevision at = at(id, revision);
    return LedgerView.of(at.number(), at.document());
  }

  /** What the processors of a channel do. */
  public ChainPictures pictures(String id, @Nullable Integer revision, String channelId) {
    Mix mix = at(id, revision).document();
    Channel channel =
        mix.channel(channelId)
            .orElseThrow(() -> new NotFound("This Mix has no such channel; load the page again."));
    List<ChainPictures.Standing> chain =
        channel.chain().stream()
            .flatMap(
                insert ->
                    Processors.byId(insert.processor()).stream()
                        .map(
                            type ->
                                new ChainPictures.Standing(
                                    insert.id(),
                                    type,
                                    insert.on(),
                                    new Settings(type.parameters(), insert.settings()))))
            .toList();
    return ChainPictures.of(
        chain, new ProcessorType.Surroundings(mix.sampleRate(), channel.layout(), mix.tempo()));
  }

  /** Paths from a channel to an output, as channel ids. */
  public List<List<String>> paths(
      String id, @Nullable Integer revision, String channel, String output) {
    Mix mix = at(id, revision).document();
    if (mix.channel(channel).isEmpty()
        || mix.outputs().stream().noneMatch(o -> o.id().equals(output))) {
      throw new NotFound("This Mix has no such channel and output; load the page again.");
    }
    return Coverage.of(mix).paths(channel, output, PATHS_SHOWN);
  }

  /** The head's document. */
  public Mix document(String id) {
    return head(id).document();
  }

  private KnownRevision head(String id) {
    return at(id, null);
  }

  /**
   * @param revision null for the head
   */
  KnownRevision at(String id, @Nullable Integer revision) {
    return reading.execute(
        status -> {
          MixRow row = store.row(id);
          return revision == null ? store.head(row) : store.known(id, revision);
        });
  }

  @Transactional(readOnly = true, propagation = Propagation.REQUIRED)
  public Mix document(String id, int revision) {
    return store.known(id, revision).document();
  }

  @Transactional(readOnly = true)
  public int headOf(String id) {
    return store.row(id).head;
  }
}
