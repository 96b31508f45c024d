package drevik.server.space;

import drevik.mix.Refused;
import drevik.server.DrevikProperties;
import drevik.server.NotFound;
import drevik.server.store.AudioStore;
import drevik.server.store.Folders;
import java.io.IOException;
import java.nio.file.Path;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Takes away what nobody needs any more: first out of sight, from where it can be brought back, and
 * after a while for good, with the audio that only it held.
 */
@Service
public class Removal {
  static final Duration KEPT = Duration.ofDays(14);

  private static final Logger LOG = LoggerFactory.getLogger(Removal.class);

  /** Contents that came so lately may be about to be spoken of. */
  private static final Duration NEW = Duration.ofHours(1);

  private final JdbcClient jdbc;
  private final TransactionTemplate transaction;
  private final AudioStore store;
  private final Path data;
  private final Clock clock;

  Removal(
      JdbcClient jdbc,
      TransactionTemplate transaction,
      AudioStore store,
      DrevikProperties properties,
      Clock clock) {
    this.jdbc = jdbc;
    this.transaction = transaction;
    this.store = store;
    this.data = properties.data().toAbsolutePath();
    this.clock = clock;
  }

  /**
   * Out of sight; nothing of it is touched.
   *
   * @throws NotFound if it is not there
   * @throws Refused if it is a print that runs, or a Mix that is being printed
   */
  void remove(Removable what, String id) {
    if (isPrinted(what, id)) {
      throw new Refused("A print is still being made; cancel it first.");
    }
    set(what, id, "removed_at = now() where removed_at is null and id = ?");
  }

  /** As if it had never been removed. */
  void bringBack(Removable what, String id) {
    set(what, id, "removed_at = null where removed_at is not null and id = ?");
  }

  private void set(Removable what, String id, String how) {
    if (jdbc.sql("update " + what.table() + " set " + how).param(id).update() == 0) {
      throw new NotFound("There is no such " + what + " (“" + id + "”) here any more.");
    }
  }

  private boolean isPrinted(Removable what, String id) {
    if (what.standsAlone()) {
      return false;
    }
    String column = what == Removable.MIX ? "mix_id" : "id";
    return jdbc.sql(
                "select count(*) from print_run where "
                    + column
                    + " = ? and state in ('WAITING', 'RUNNING')")
            .param(id)
            .query(Integer.class)
            .single()
        > 0;
  }

  /**
   * For good, and at once.
   *
   * @throws Refused if it was not removed before
   */
  void forget(Removable what, String id) throws IOException {
    int removed =
        jdbc.sql(
                "select count(*) from " + what.table() + " where id = ? and removed_at is not null")
            .param(id)
            .query(Integer.class)
            .single();
    if (removed == 0) {
      throw new Refused("Only what was removed before can be thrown away for good.");
    }
    drop(what, id);
    collect(clock.instant());
  }

  /**
   * For good, what was removed long ago, and what arrived as its process died, before anything
   * spoke of it. Called by the scheduler.
   */
  public void forgetOld() {
    forgetOld(clock.instant());
  }

  /** As it would at that moment. */
  public void forgetOld(Instant now) {
    Timestamp old = Timestamp.from(now.minus(KEPT));
    try {
      for (Removable what : Removable.values()) {
        List<String> ids =
            jdbc.sql("select id from " + what.table() + " where removed_at < ?")
                .param(old)
                .query(String.class)
                .list();
        for (String id : ids) {
          drop(what, id);
        }
      }
      collect(now);
    } catch (IOException | RuntimeException e) {
      LOG.warn("throwing away what was removed: {}", e.toString());
    }
  }

  private void drop(Removable what, String id) throws IOException {
    List<Path> files = new ArrayList<>();
    transaction.executeWithoutResult(
        status -> {
          switch (what) {
            case MIX -> dropMix(id, files);
            case DELIVERY -> dropDelivery(id, files);
            case PRINT -> dropPrint(id, files);
            case CHAIN, MAP ->
                jdbc.sql("delete from " + what.table() + " where id = ?").param(id).update();
          }
        });
    // Files go when no row speaks of them any more.
    for (Path file : files) {
      Folders.delete(file);
    }
  }

  private void dropMix(String id, List<Path> files) {
    ids("select id from delivery where mix_id = ?", id).forEach(one -> dropDelivery(one, files));
    ids("select id from print_run where mix_id = ?", id).forEach(one -> dropPrint(one, files));
    for (String table : List.of("done_request", "revision_name", "mix_revision")) {
      jdbc.sql("delete from " + table + " where mix_id = ?").param(id).update();
    }
    jdbc.sql("delete from mix where id = ?").param(id).update();
  }

  private void dropDelivery(String id, List<Path> files) {
    for (String upload : ids("select id from upload where delivery_id = ?", id)) {
      files.add(data.resolve("uploads").resolve(upload + ".part"));
      files.add(data.resolve("uploads").resolve(upload + ".lock"));
    }
    jdbc.sql("delete from upload where delivery_id = ?").param(id).update();
    jdbc.sql("delete from delivered_file where delivery_id = ?").param(id).update();
    jdbc.sql("delete from delivery where id = ?").param(id).update();
  }

  private void dropPrint(String id, List<Path> files) {
    jdbc.sql("delete from print_run where id = ?").param(id).update();
    files.add(data.resolve("prints").resolve(id));
  }

  private List<String> ids(String query, String id) {
    return jdbc.sql(query).param(id).query(String.class).list();
  }

  /** Audio that no delivery has and no revision plays. */
  private void collect(Instant now) throws IOException {
    Instant lately = now.minus(NEW);
    List<String> kept = store.keptBefore(lately);
    store.discard(
        () -> {
          Set<String> known =
              new HashSet<>(jdbc.sql("select sha256 from audio_file").query(String.class).list());
          List<String> unused =
              Stream.concat(
                      received(lately).stream(),
                      kept.stream().filter(hash -> !known.contains(hash)))
                  .toList();
          if (unused.isEmpty()) {
            return unused;
          }
          Set<String> played = played();
          List<String> unheard = unused.stream().filter(hash -> !played.contains(hash)).toList();
          for (String hash : unheard) {
            jdbc.sql("delete from audio_file where sha256 = ?").param(hash).update();
          }
          return unheard;
        });
  }

  /** Contents that came before that moment, and that no delivery has any more. */
  private List<String> received(Instant before) {
    return jdbc.sql(
            "select sha256 from audio_file a where received_at < ? and not exists"
                + " (select 1 from delivered_file f where f.sha256 = a.sha256)")
        .param(Timestamp.from(before))
        .query(String.class)
        .list();
  }

  private Set<String> played() {
    return new HashSet<>(
        jdbc.sql(
                "select distinct found[1] from mix_revision,"
                    + " regexp_matches(coalesce(document, changes)::text,"
                    + " '\"([0-9a-f]{64})\"', 'g')"
                    + " as found")
            .query(String.class)
            .list());
  }
}
