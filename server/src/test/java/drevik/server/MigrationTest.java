package drevik.server;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.codec.Documents;
import drevik.demo.Demo;
import java.util.List;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** A database that an earlier program filled is brought up to date with all that is in it. */
class MigrationTest {
  @Test
  void rowsOfTheProgramBeforeStay() {
    DriverManagerDataSource database =
        new DriverManagerDataSource(ThrowawayPostgres.shared().newDatabase(), "drevik", "");
    Flyway.configure().dataSource(database).target("7").load().migrate();
    JdbcClient jdbc = JdbcClient.create(database);
    String document =
        Documents.writeMix(Demo.WEATHERVANE.template())
            .replaceFirst("\"version\" : \\d+", "\"version\" : 2");
    jdbc.sql(
            "insert into mix (id, name, kind, head, last, version, created_at, changed_at)"
                + " values ('m', 'Old', 'SESSION', 1, 1, 0, now(), now())")
        .update();
    jdbc.sql(
            "insert into mix_revision (mix_id, number, at, says, document)"
                + " values ('m', 1, now(), 'made', ?::jsonb)")
        .param(document)
        .update();
    jdbc.sql("insert into audio_file (sha256, bytes, received_at) values ('aa', 1, now())")
        .update();
    jdbc.sql("insert into delivery (id, mix_id, name, at) values ('d', 'm', 'D', now())").update();
    for (String id : List.of("one", "two")) {
      jdbc.sql(
              "insert into delivered_file (id, delivery_id, name, received_at, sha256, category,"
                  + " confidence, because, sorted_by_hand)"
                  + " values (?, 'd', 'Kick.wav', now(), 'aa', 'drums', 1, '[]', false)")
          .param(id)
          .update();
    }
    sorted(jdbc, "3", "[\"you said so\"]", true);
    sorted(jdbc, "4", "[\"you put “zorq” there before\"]", false);
    sorted(jdbc, "5", "[\"the file calls itself “Zorq”\", \"“tom” says drums/tom\"]", false);
    sorted(jdbc, "6", "[\"as regular as a click of 92 BPM, and silent between\"]", false);
    sorted(jdbc, "7", "[\"“sub” may be two things; it is struck\"]", false);
    sorted(jdbc, "8", "[\"“tom” says drums/tom\", \"but it hardly is struck\"]", false);
    sorted(jdbc, "9", "[\"“tom” says drums/tom\"]", false);
    for (int revision : List.of(1, 7)) {
      jdbc.sql(
              "insert into print_run (id, mix_id, revision, outputs, state, done, cancel_asked,"
                  + " asked_at) values (?, 'm', ?, '[]', 'DONE', 1, false, now())")
          .params("p" + revision, revision)
          .update();
    }
    learned(jdbc, "a", "fløyte nær", "2026-01-01");
    learned(jdbc, "b", "nær fløyte", "2026-01-02");
    learned(jdbc, "c", "kick zorq", "2026-01-03");
    Flyway.configure().dataSource(database).load().migrate();
    assertThat(jdbc.sql("select words from sorting_rule order by id").query(String.class).list())
        .as("what was learned of names with other letters is found again, the last of two")
        .containsExactly("fløyte nær", "floyte naer", "kick zorq");
    assertThat(jdbc.sql("select name from delivered_file order by name").query(String.class).list())
        .as("one content sent twice at the same moment is kept twice, under two names")
        .startsWith("Kick.wav", "Kick.wav (again 2)");
    assertThat(
            jdbc.sql("select sorted_by from delivered_file order by id").query(String.class).list())
        .as("who sorted, from the reasons that were kept")
        .containsExactly(
            "PERSON",
            "LEARNED",
            "INSIDE",
            "SOUND",
            "SOUND",
            "NAME_WEIGHED",
            "NAME",
            "NAME",
            "NAME");
    assertThat(jdbc.sql("select id from print_run").query(String.class).list())
        .as("a run of a revision that is not there leads nowhere")
        .containsExactly("p1");
    String kept = jdbc.sql("select document::text from mix_revision").query(String.class).single();
    assertThat(Documents.readTrusted(kept).channels())
        .hasSameSizeAs(Demo.WEATHERVANE.template().channels());
  }

  private static void sorted(JdbcClient jdbc, String id, String because, boolean byHand) {
    jdbc.sql(
            "insert into delivered_file (id, delivery_id, name, received_at, sha256, category,"
                + " confidence, because, sorted_by_hand)"
                + " values (?, 'd', ?, now(), 'aa', 'drums', 1, ?::jsonb, ?)")
        .params(id, "Tom " + id + ".wav", because, byHand)
        .update();
  }

  private static void learned(JdbcClient jdbc, String id, String words, String day) {
    jdbc.sql(
            "insert into sorting_rule (id, client, words, category, at)"
                + " values (?, '', ?, 'winds/flute', ?::timestamptz)")
        .params(id, words, day)
        .update();
  }
}
