package drevik.server.mix;

import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Changes that were asked for under an id, and done: asked again, they are not done again. */
@Component
class DoneRequests {
  private static final Duration ASKED_AGAIN = Duration.ofDays(7);

  private final JdbcClient jdbc;
  private final Clock clock;

  DoneRequests(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  /**
   * Notes a request in the transaction of its change.
   *
   * @return false if it is there already
   */
  boolean note(String mixId, String request) {
    return jdbc.sql(
                "insert into done_request (mix_id, request, at) values (?, ?, ?)"
                    + " on conflict do nothing")
            .params(mixId, request, Timestamp.from(clock.instant()))
            .update()
        > 0;
  }

  /** Whoever asked so long ago does not ask again. */
  void forgetOld() {
    Instant old = clock.instant().minus(ASKED_AGAIN);
    jdbc.sql("delete from done_request where at < ?").param(Timestamp.from(old)).update();
  }

  boolean isDone(String mixId, String request) {
    return jdbc.sql("select count(*) from done_request where mix_id = ? and request = ?")
            .params(mixId, request)
            .query(Integer.class)
            .single()
        > 0;
  }
}
