package drevik.server.demo;

import drevik.audio.Sha256;
import drevik.demo.WeathervaneDemo;
import drevik.mix.Mix;
import drevik.server.DrevikProperties;
import drevik.server.delivery.DeliveryService;
import drevik.server.delivery.Inspecting;
import drevik.server.delivery.Receiving;
import drevik.server.mix.MixService;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Loads the demo once: a session from its starter with the delivery seated, and the delivery as a
 * folder to drop by hand. It goes the way that a person's files go.
 */
@Component
@Order(2)
class DemoLoader implements ApplicationRunner {
  private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);
  private static final String MILESTONE = "demo loaded";
  private static final DeliveryService.From FROM =
      new DeliveryService.From("The Lantern Quarry", "The Lantern Quarry", "Weathervane");

  private final DrevikProperties properties;
  private final MixService mixes;
  private final DeliveryService deliveries;
  private final Receiving receiving;
  private final Inspecting inspecting;
  private final Milestones milestones;
  private final TransactionTemplate transaction;

  DemoLoader(
      DrevikProperties properties,
      MixService mixes,
      DeliveryService deliveries,
      Receiving receiving,
      Inspecting inspecting,
      Milestones milestones,
      TransactionTemplate transaction) {
    this.properties = properties;
    this.mixes = mixes;
    this.deliveries = deliveries;
    this.receiving = receiving;
    this.inspecting = inspecting;
    this.milestones = milestones;
    this.transaction = transaction;
  }

  @Override
  public void run(ApplicationArguments arguments) throws IOException {
    if (!properties.demo() || milestones.isReached(MILESTONE)) {
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
      Mix starter = WeathervaneDemo.template();
      String template =
          mixes.find(starter.name()).orElseGet(() -> mixes.create(starter, "demo template"));
      String session = mixes.startSession(template, WeathervaneDemo.SESSION_NAME);
      String delivery = deliveries.open(session, WeathervaneDemo.DELIVERY_NAME, FROM);
      for (Path file : files) {
        try (InputStream in = Files.newInputStream(file)) {
          receiving.receive(delivery, file.getFileName().toString(), in, Files.size(file));
        }
        inspecting.carryOut(Sha256.of(file));
      }
      deliveries.seat(delivery, mixes.headOf(session));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    milestones.reach(MILESTONE);
  }
}
