package drevik.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.springframework.jdbc.core.simple.JdbcClient;

/** What was learned from corrections outlives a sorter that knows other words. */
class LearnedSortingTest {
  @RegisterExtension static final RunningServer server = new RunningServer();

  private static void rule(String id, String words, String taught, String category, String day) {
    server
        .bean(JdbcClient.class)
        .sql(
            "insert into sorting_rule (id, client, words, taught, category, at)"
                + " values (?, '', ?, ?, ?, ?::timestamptz)")
        .params(id, words, taught, category, day)
        .update();
  }

  @Test
  void rulesAreReadAnewByTheWordsOfToday() {
    // As if “final” had said something when these were learned.
    rule("a", "final zorq", "Zorq_final 2.wav", "synth/pad", "2026-01-02");
    rule("b", "zorq", "zorq", "synth/lead", "2026-01-01");
    rule("c", "final", "final", "print", "2026-01-01");
    server
        .bean(JdbcClient.class)
        .sql("delete from milestone where name like 'rules read%'")
        .update();
    server.restart();
    JdbcClient jdbc = server.bean(JdbcClient.class);
    assertThat(
            jdbc.sql("select words || ' ' || category from sorting_rule order by words")
                .query(String.class)
                .list())
        .as("of two that are one now the newer; one of which nothing is left as it was")
        .containsExactly("final print", "zorq synth/pad");
    String before = rows(jdbc);
    server.restart();
    assertThat(rows(server.bean(JdbcClient.class))).as("once for each state").isEqualTo(before);
  }

  private static String rows(JdbcClient jdbc) {
    return jdbc.sql("select string_agg(id, ' ' order by id) from sorting_rule")
        .query(String.class)
        .single();
  }
}
