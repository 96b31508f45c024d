package drevik.server.demo;

import drevik.audio.Sha256;
import drevik.demo.Demo;
import drevik.edit.Edit;
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
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/**
 * Loads each demo once: a session from its starter with the delivery seated, and the delivery as a
 * folder to drop by hand. It goes the way that a person's files go, step by step; a load that was
 * interrupted goes on where it broke off, as each step is done once however often it is asked for.
 */
@Component
@Order(2)
class DemoLoader implements ApplicationRunner {
  private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);
  private final DrevikProperties properties;
  private final Shelf shelf;
  private final Mixes mixes;
  private final Deliveries deliveries;
  private final SeatDeliveries seating;
  private final ReceiveFiles receiving;
  private final InspectFiles inspecting;
  private final MixEdits edits;
  private final Milestones milestones;

  DemoLoader(
      DrevikProperties properties,
      Shelf shelf,
      Mixes mixes,
      Deliveries deliveries,
      SeatDeliveries seating,
      ReceiveFiles receiving,
      InspectFiles inspecting,
      MixEdits edits,
      Milestones milestones) {
    this.properties = properties;
    this.shelf = shelf;
    this.mixes = mixes;
    this.deliveries = deliveries;
    this.seating = seating;
    this.receiving = receiving;
    this.inspecting = inspecting;
    this.edits = edits;
    this.milestones = milestones;
  }

  @Override
  public void run(ApplicationArguments arguments) throws IOException {
    if (properties.demo()) {
      for (Demo demo : Demo.all()) {
        String milestone =
            demo.equals(Demo.WEATHERVANE) ? "demo loaded" : "demo loaded: " + demo.session();
        if (!milestones.isReached(milestone)) {
          load(demo);
          milestones.reach(milestone);
        }
      }
    }
  }

  private void load(Demo demo) throws IOException {
    LOG.info("making the demo {}", demo.session());
    Path folder = properties.data().resolve("demo").resolve(demo.folder());
    List<Path> files = demo.writeDelivery(folder);
    String session = session(demo);
    make(session, "prepare", demo.prepared());
    Deliveries.From from = new Deliveries.From(demo.client(), demo.artist(), demo.session());
    String delivery =
        deliveries.list(session).stream()
            .map(DeliveryView.Line::id)
            .findFirst()
            .orElseGet(() -> deliveries.open(session, demo.delivery(), from));
    receive(delivery, files);
    seating.seat(delivery, asked("seat the demo", session));
    make(session, "finish", demo.finishing().apply(mixes.document(session)));
  }

  /** In the order of the delivery; what has arrived is measured while the next one arrives. */
  private void receive(String delivery, List<Path> files) throws IOException {
    ExecutorService measuring =
        Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors());
    try {
      List<CompletableFuture<Void>> measured = new ArrayList<>();
      for (Path file : files) {
        try (InputStream in = Files.newInputStream(file)) {
          receiving.receive(delivery, file.getFileName().toString(), in, Files.size(file));
        }
        String sha256 = Sha256.of(file);
        measured.add(CompletableFuture.runAsync(() -> inspecting.carryOut(sha256), measuring));
      }
      measured.forEach(CompletableFuture::join);
    } finally {
      measuring.shutdown();
    }
  }

  /** Each once, however often it is asked for. */
  private void make(String session, String when, List<Edit> wanted) {
    for (int i = 0; i < wanted.size(); i++) {
      edits.edit(session, asked(when + " " + i, session), wanted.get(i));
    }
  }

  private MixEdits.Asked asked(String request, String session) {
    return new MixEdits.Asked(request, mixes.headOf(session));
  }

  private String session(Demo demo) {
    return shelf.sessions().stream()
        .filter(session -> session.name().equals(demo.session()))
        .map(Shelf.Named::id)
        .findFirst()
        .orElseGet(() -> started(demo));
  }

  private String started(Demo demo) {
    Mix starter = demo.template();
    String template =
        shelf.find(starter.name()).orElseGet(() -> shelf.create(starter, "demo template"));
    return shelf.startSession(template, demo.session());
  }
}
