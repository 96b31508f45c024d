package drevik.server;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import drevik.demo.Demo;
import drevik.server.RunningServer.Answer;
import drevik.server.intake.Uploads;
import drevik.server.mix.Shelf;
import drevik.server.space.Removal;
import java.io.IOException;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** What takes space, what is removed, what comes back, and what only the removed held. */
class SpaceTest {
  @RegisterExtension static final RunningServer server = new RunningServer();

  private static int level;

  @TempDir Path folder;

  private String mix;
  private String other;

  @BeforeEach
  void create() {
    Shelf shelf = server.bean(Shelf.class);
    String template = shelf.create(Demo.WEATHERVANE.template(), "test");
    mix = shelf.startSession(template, "Song");
    other = shelf.startSession(template, "Other song");
  }

  private String delivery(String mix) {
    return server
        .post("/api/mixes/" + mix + "/deliveries", Map.of("name", "D"))
        .body()
        .path("id")
        .asString();
  }

  /** A file that no other test has, and where the store keeps it. */
  private Path made() throws IOException {
    Path file = folder.resolve("made" + ++level + ".wav");
    float[][] audio = new float[1][4_800];
    java.util.Arrays.fill(audio[0], level / 1000f);
    try (WavWriter writer = WavWriter.create(file, SampleFormat.PCM_24, 48_000, Layout.MONO)) {
      writer.write(audio, 0, 4_800);
    }
    return file;
  }

  private static Path receive(String delivery, String name, Path file) throws IOException {
    assertThat(server.upload(delivery, name, BodyPublishers.ofFile(file)).status()).isEqualTo(200);
    server.measured(delivery);
    String hash = drevik.audio.Sha256.of(file);
    return server.data().resolve("audio").resolve(hash.substring(0, 2)).resolve(hash);
  }

  private String print() {
    String id =
        server
            .post("/api/mixes/" + mix + "/prints", Map.of("outputs", List.of("out-drums")))
            .body()
            .path("id")
            .asString();
    RunningServer.waitUntil(
        () -> server.get("/api/prints/" + id).body().path("state").asString().equals("done"));
    return id;
  }

  private static JsonNode of(String mix) {
    for (JsonNode one : server.get("/api/space").body().path("mixes")) {
      if (one.path("id").asString().equals(mix)) {
        return one;
      }
    }
    throw new AssertionError("no " + mix);
  }

  /** What has just come is left alone; here time has passed. */
  private static void later() {
    server
        .bean(JdbcClient.class)
        .sql("update audio_file set received_at = received_at - interval '1 day'")
        .update();
  }

  private static int gone(String what, String id) {
    assertThat(server.delete("/api/space/" + what + "/" + id).status()).isEqualTo(200);
    later();
    return server.delete("/api/space/" + what + "/" + id + "/for-good").status();
  }

  @Test
  void whatTakesSpaceIsToldAndWhatIsOnlyHere() throws IOException {
    Path shared = made();
    receive(delivery(mix), "Kick.wav", shared);
    receive(delivery(mix), "Snare.wav", made());
    receive(delivery(other), "Kick.wav", shared);
    String print = print();
    JsonNode here = of(mix);
    assertThat(here.path("audio").asLong()).isEqualTo(2 * Files.size(shared));
    assertThat(here.path("onlyHere").asLong()).isEqualTo(Files.size(shared));
    assertThat(here.path("deliveries")).hasSize(2);
    assertThat(here.path("prints").get(0).path("id").asString()).isEqualTo(print);
    assertThat(here.path("prints").get(0).path("bytes").asLong()).isGreaterThan(100_000);
    JsonNode all = server.get("/api/space").body();
    for (String figure : List.of("free", "database", "audio", "prints", "keptDays")) {
      assertThat(all.path(figure).asLong()).as(figure).isPositive();
    }
  }

  @Test
  void whatIsRemovedIsOutOfSightAndComesBackAsItWas() throws IOException {
    String delivery = delivery(mix);
    receive(delivery, "Kick.wav", made());
    String print = print();
    Map<String, List<String>> seenAt =
        Map.of(
            "print", List.of(print, "/api/mixes/" + mix + "/prints", "/api/prints/" + print),
            "delivery",
                List.of(
                    delivery, "/api/mixes/" + mix + "/deliveries", "/api/deliveries/" + delivery),
            "mix", List.of(mix, "/api/mixes", "/api/mixes/" + mix));
    for (String what : List.of("print", "delivery", "mix")) {
      String id = seenAt.get(what).get(0);
      String list = seenAt.get(what).get(1);
      String one = seenAt.get(what).get(2);
      JsonNode before = server.get(one).body();
      assertThat(server.delete("/api/space/" + what + "/" + id).status()).isEqualTo(200);
      assertThat(server.get(one).status()).as(what).isEqualTo(404);
      assertThat(server.get(list).body().findValuesAsString("id")).as(what).doesNotContain(id);
      assertThat(server.delete("/api/space/" + what + "/" + id).status()).isEqualTo(404);
      server.bean(Removal.class).forgetOld();
      assertThat(server.post("/api/space/" + what + "/" + id + "/back", Map.of()).status())
          .isEqualTo(200);
      assertThat(server.get(one).body()).as(what).isEqualTo(before);
    }
  }

  @Test
  void forGoodGoesOnlyWhatWasRemovedAndWhatOnlyItHeld() throws IOException {
    Path both = made();
    Path shared = receive(delivery(mix), "Kick.wav", both);
    receive(delivery(other), "Kick.wav", both);
    Path own = receive(delivery(mix), "Snare.wav", made());
    Path printed = server.data().resolve("prints").resolve(print());
    assertThat(server.delete("/api/space/mix/" + mix + "/for-good").status()).isEqualTo(422);
    assertThat(printed).isDirectory();
    assertThat(gone("mix", mix)).isEqualTo(200);
    assertThat(own).doesNotExist();
    assertThat(shared).exists();
    assertThat(printed).doesNotExist();
    assertThat(server.get("/api/space").body().findValuesAsString("id")).doesNotContain(mix);
    assertThat(server.post("/api/space/mix/" + mix + "/back", Map.of()).status()).isEqualTo(404);
  }

  @Test
  void whatARevisionPlaysStaysWhenItsDeliveryGoes() throws IOException {
    String delivery = delivery(mix);
    Path played = receive(delivery, "Kick.wav", made());
    Path left = receive(delivery, "notes of nothing.wav", made());
    Answer seated = server.post("/api/deliveries/" + delivery + "/seat", RunningServer.basedOn(1));
    assertThat(seated.status()).isEqualTo(200);
    assertThat(gone("delivery", delivery)).isEqualTo(200);
    assertThat(played).exists();
    assertThat(left).doesNotExist();
    assertThat(server.get("/api/mixes/" + mix + "/deliveries").body()).isEmpty();
    print();
  }

  @Test
  void whatIsBeingPrintedIsNotRemoved() {
    String print = print();
    JdbcClient database = server.bean(JdbcClient.class);
    database.sql("update print_run set state = 'RUNNING' where id = ?").param(print).update();
    for (String what : List.of("print/" + print, "mix/" + mix)) {
      Answer answer = server.delete("/api/space/" + what);
      assertThat(answer.status()).as(what).isEqualTo(422);
      assertThat(answer.detail()).contains("cancel it first");
    }
    database.sql("update print_run set state = 'DONE' where id = ?").param(print).update();
    assertThat(server.delete("/api/space/mix/" + mix).status()).isEqualTo(200);
  }

  @Test
  void anUploadOfARemovedDeliveryWaitsForItToComeBack() throws IOException {
    String delivery = delivery(mix);
    Path file = made();
    Map<String, Object> take = Map.of("name", "Take.wav", "bytes", Files.size(file));
    String id =
        server.post("/api/deliveries/" + delivery + "/uploads", take).body().path("id").asString();
    server.delete("/api/space/delivery/" + delivery);
    Path part = server.data().resolve("uploads").resolve(id + ".part");
    Files.copy(file, part);
    server.bean(Uploads.class).takeInWhatIsWhole();
    assertThat(part).exists();
    assertThat(server.get("/api/uploads/" + id).body().path("done").asBoolean()).isFalse();
    server.post("/api/space/delivery/" + delivery + "/back", Map.of());
    RunningServer.waitUntil(() -> server.get("/api/uploads/" + id).body().path("done").asBoolean());
    assertThat(server.measured(delivery).path("files")).hasSize(1);
  }

  @Test
  void afterAWhileItGoesByItself() throws IOException {
    String delivery = delivery(mix);
    Path own = receive(delivery, "Kick.wav", made());
    server.delete("/api/space/delivery/" + delivery);
    later();
    server
        .bean(JdbcClient.class)
        .sql("update delivery set removed_at = removed_at - interval '15 days' where id = ?")
        .param(delivery)
        .update();
    server.bean(Removal.class).forgetOld();
    assertThat(own).doesNotExist();
    assertThat(of(mix).path("deliveries")).isEmpty();
  }

  @Test
  void whatCameAsItsProcessDiedGoesWhenNothingSpeaksOfIt() throws IOException {
    Path known = receive(delivery(mix), "Kick.wav", made());
    Path file = made();
    String hash = drevik.audio.Sha256.of(file);
    Path orphan = server.data().resolve("audio").resolve(hash.substring(0, 2)).resolve(hash);
    Files.createDirectories(orphan.getParent());
    Files.copy(file, orphan);
    Removal removal = server.bean(Removal.class);
    // It may be about to be spoken of, however old what was written into it is.
    Files.setLastModifiedTime(orphan, FileTime.fromMillis(0));
    removal.forgetOld();
    assertThat(orphan).exists();
    removal.forgetOld(Instant.now().plus(Duration.ofHours(2)));
    assertThat(orphan).doesNotExist();
    assertThat(known).exists();
  }
}
