package drevik.server.demo;

import drevik.audio.Sha256;
import drevik.demo.WeathervaneDemo;
import drevik.mix.Mix;
import drevik.server.DrevikProperties;
import drevik.server.intake.Deliveries;
import drevik.server.intake.DeliveryView;
import drevik.server.intake.InspectFiles;
import drevik.server.intake.ReceiveFiles;
import drevik.server.intake.SeatDeliveries;
import drevik.server.mix.MixEdits;
import drevik.server.mix.Mixes;
import drevik.server.mix.Shelf;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/**
 * Loads the demo once: a session from its starter with the delivery seated, and the delivery as a
 * folder to drop by hand. It goes the way that a person's files go, step by step; a load that was
 * interrupted goes on where it broke off, as each step is done once however often it is asked for.
 */
@Component
@Order(2)
class DemoLoader implements ApplicationRunner {
  private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);
  private static final String MILESTONE = "demo loaded";
  private static final Deliveries.From FROM =
      new Deliveries.From("The Lantern Quarry", "The Lantern Quarry", "Weathervane");

  private final DrevikProperties properties;
  private final Shelf shelf;
  private final Mixes mixes;
  private final Deliveries deliveries;
  private final SeatDeliveries seating;
  private final ReceiveFiles receiving;
  private final InspectFiles inspecting;
  private final Milestones milestones;

  DemoLoader(
      DrevikProperties properties,
      Shelf shelf,
      Mixes mixes,
      Deliveries deliveries,
      SeatDeliveries seating,
      ReceiveFiles receiving,
      InspectFiles inspecting,
      Milestones milestones) {
    this.properties = properties;
    this.shelf = shelf;
    this.mixes = mixes;
    this.deliveries = deliveries;
    this.seating = seating;
    this.receiving = receiving;
    this.inspecting = inspecting;
    this.milestones = milestones;
  }

  @Override
  public void run(ApplicationArguments arguments) throws IOException {
    if (!properties.demo() || milestones.isReached(MILESTONE)) {
      return;
    }
    LOG.info("making the demo song");
    Path folder = properties.data().resolve("demo").resolve(WeathervaneDemo.DELIVERY_FOLDER);
    List<Path> files = WeathervaneDemo.writeDelivery(folder);
    String session = session();
    String delivery =
        deliveries.list(session).stream()
            .map(DeliveryView.Line::id)
            .findFirst()
            .orElseGet(() -> deliveries.open(session, WeathervaneDemo.DELIVERY_NAME, FROM));
    for (Path file : files) {
      try (InputStream in = Files.newInputStream(file)) {
        receiving.receive(delivery, file.getFileName().toString(), in, Files.size(file));
      }
      inspecting.carryOut(Sha256.of(file));
    }
    seating.seat(delivery, new MixEdits.Asked("seat the demo", mixes.headOf(session)));
    milestones.reach(MILESTONE);
  }

  private String session() {
    return shelf.sessions().stream()
        .filter(session -> session.name().equals(WeathervaneDemo.SESSION_NAME))
        .map(Shelf.Named::id)
        .findFirst()
        .orElseGet(
            () -> {
              Mix starter = WeathervaneDemo.template();
              String template =
                  shelf
                      .find(starter.name())
                      .orElseGet(() -> shelf.create(starter, "demo template"));
              return shelf.startSession(template, WeathervaneDemo.SESSION_NAME);
            });
  }
}
