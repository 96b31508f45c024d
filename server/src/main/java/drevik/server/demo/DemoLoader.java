package drevik.server.demo;

import drevik.demo.Starters;
import drevik.demo.WeathervaneDemo;
import drevik.server.DrevikProperties;
import drevik.server.delivery.DeliveryService;
import drevik.server.mix.MixService;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Loads the demo once: its template, a session with the delivery seated, and the delivery as a
 * folder to drop by hand. It goes the way that a person's files go.
 */
@Component
class DemoLoader implements ApplicationRunner {
  private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);
  private static final String MILESTONE = "demo loaded";

  private final DrevikProperties properties;
  private final MixService mixes;
  private final DeliveryService deliveries;
  private final JdbcClient jdbc;
  private final TransactionTemplate transaction;
  private final Clock clock;

  DemoLoader(
      DrevikProperties properties,
      MixService mixes,
      DeliveryService deliveries,
      JdbcClient jdbc,
      TransactionTemplate transaction,
      Clock clock) {
    this.properties = properties;
    this.mixes = mixes;
    this.deliveries = deliveries;
    this.jdbc = jdbc;
    this.transaction = transaction;
    this.clock = clock;
  }

  @Override
  public void run(ApplicationArguments arguments) throws IOException {
    if (!properties.demo() || isLoaded()) {
      return;
    }
    LOG.info("making the demo song");
    Path folder = properties.data().resolve("demo").resolve(WeathervaneDemo.DELIVERY_FOLDER);
    List<Path> files = WeathervaneDemo.writeDelivery(folder);
    transaction.executeWithoutResult(status -> load(files));
  }

  /** All or nothing: a demo that was interrupted is loaded from the start the next time. */
  private void load(List<Path> files) {
    try {
      String template = mixes.create(WeathervaneDemo.template(), "demo template");
      Starters.all().stream().skip(1).forEach(starter -> mixes.create(starter, "starter"));
      String session = mixes.startSession(template, WeathervaneDemo.SESSION_NAME);
      String delivery = deliveries.open(session, WeathervaneDemo.DELIVERY_NAME);
      for (Path file : files) {
        try (InputStream in = Files.newInputStream(file)) {
          deliveries.receive(delivery, file.getFileName().toString(), in, Files.size(file));
        }
      }
      deliveries.seat(delivery, mixes.headOf(session));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    jdbc.sql("insert into milestone (name, at) values (?, ?)")
        .params(MILESTONE, java.sql.Timestamp.from(clock.instant()))
        .update();
  }

  private boolean isLoaded() {
    return jdbc.sql("select count(*) from milestone where name = ?")
            .param(MILESTONE)
            .query(Integer.class)
            .single()
        > 0;
  }
}
