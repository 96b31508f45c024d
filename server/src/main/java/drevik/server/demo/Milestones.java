package drevik.server.demo;

import java.sql.Timestamp;
import java.time.Clock;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** What happens once in the life of a database. */
@Component
class Milestones {
  private final JdbcClient jdbc;
  private final Clock clock;

  Milestones(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  boolean isReached(String name) {
    return jdbc.sql("select count(*) from milestone where name = ?")
            .param(name)
            .query(Integer.class)
            .single()
        > 0;
  }

  void reach(String name) {
    jdbc.sql("insert into milestone (name, at) values (?, ?)")
        .params(name, Timestamp.from(clock.instant()))
        .update();
  }
}
