package drevik.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.codec.Documents;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** kill -9 in the middle of an upload and of a print. */
class KillTest {
  @RegisterExtension static final Started STARTED = new Started(true);

  private final HttpClient http = HttpClient.newHttpClient();

  private JsonNode ask(StartedApplication app, String method, String path, String json)
      throws IOException, InterruptedException {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(app.url(path)))
            .header("Content-Type", "application/json")
            .method(method, json == null ? BodyPublishers.noBody() : BodyPublishers.ofString(json))
            .build();
    return Documents.mapper().readTree(http.send(request, BodyHandlers.ofString()).body());
  }

  @Test
  void nothingIsCorruptAndThePrintIsDoneAfterAll() throws IOException, InterruptedException {
    StartedApplication app = STARTED.application();
    String mix = session(app);
    String delivery =
        ask(app, "GET", "/api/mixes/" + mix + "/deliveries", null).get(0).path("id").asString();
    String print =
        ask(app, "POST", "/api/mixes/" + mix + "/prints", "{\"outputs\":[]}").path("id").asString();
    waitFor(app, print, List.of("running"));
    try (Socket half = beginUpload(app, delivery)) {
      assertThat(half.isConnected()).isTrue();
      app.kill();
    }
    app.start();

    JsonNode files = ask(app, "GET", "/api/deliveries/" + delivery, null).path("files");
    assertThat(files.findValuesAsString("name")).hasSize(36).doesNotContain("half.wav");
    try (Stream<Path> arriving = Files.walk(app.data().resolve("arriving"))) {
      assertThat(arriving.filter(p -> p.toString().endsWith(".wav"))).isEmpty();
    }
    JsonNode run = waitFor(app, print, List.of("done", "failed", "cancelled"));
    assertThat(run.path("state").asString()).isEqualTo("done");
    assertThat(run.path("report").path("files")).hasSize(11);
    Path folder = app.data().resolve("prints").resolve(print);
    List<Path> stems;
    try (Stream<Path> all = Files.list(folder)) {
      stems = all.filter(p -> p.toString().endsWith(" stem.wav")).toList();
    }
    assertThat(Audio.residualDbfs(folder.resolve("Mix.wav"), stems)).isLessThan(-120);
    assertThat(folder.resolveSibling(print + ".unfinished")).doesNotExist();
  }

  private String session(StartedApplication app) throws IOException, InterruptedException {
    for (JsonNode item : ask(app, "GET", "/api/mixes", null)) {
      if (item.path("name").asString().equals("Weathervane")) {
        return item.path("id").asString();
      }
    }
    throw new AssertionError("the demo has no session");
  }

  private JsonNode waitFor(StartedApplication app, String print, List<String> states)
      throws IOException, InterruptedException {
    Instant until = Instant.now().plus(Duration.ofSeconds(90));
    JsonNode run = ask(app, "GET", "/api/prints/" + print, null);
    while (!states.contains(run.path("state").asString()) && Instant.now().isBefore(until)) {
      Thread.sleep(50);
      run = ask(app, "GET", "/api/prints/" + print, null);
    }
    return run;
  }

  private static Socket beginUpload(StartedApplication app, String delivery) throws IOException {
    Path source = app.demoDelivery().resolve("OH_L.wav");
    byte[] wav = Files.readAllBytes(source);
    URI target = URI.create(app.url("/"));
    Socket socket = new Socket(target.getHost(), target.getPort());
    String name = URLEncoder.encode("half.wav", StandardCharsets.UTF_8);
    String head =
        "PUT /api/deliveries/"
            + delivery
            + "/files?name="
            + name
            + " HTTP/1.1\r\nHost: 127.0.0.1\r\n"
            + "Content-Type: application/octet-stream\r\nContent-Length: "
            + wav.length
            + "\r\n\r\n";
    socket.getOutputStream().write(head.getBytes(StandardCharsets.US_ASCII));
    socket.getOutputStream().write(Arrays.copyOf(wav, wav.length / 2));
    socket.getOutputStream().flush();
    return socket;
  }
}
