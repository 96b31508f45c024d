package drevik.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import drevik.codec.Documents;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import tools.jackson.databind.JsonNode;

/** The one script on a data folder of its own: what dies, is copied, backed up, put back. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class WatchedOverTest {
  private static final Path SCRIPT = Path.of("..", "drevik").toAbsolutePath().normalize();
  private static final HttpClient HTTP = HttpClient.newHttpClient();

  /** Not JUnit's own, which only one user may enter: root's database runs as another. */
  private static Path folder;

  private static Path data;
  private static Process up;
  private static String url;

  private record Ended(int status, String says) {}

  @BeforeAll
  static void start() throws IOException {
    folder = Files.createTempDirectory("drevik-watched");
    Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwxr-xr-x"));
    data = folder.resolve("data");
    up = start(data, "up.log");
    url = url(data);
  }

  @AfterAll
  static void stop() {
    up.destroy();
    up.onExit().join();
  }

  private static ProcessBuilder script(Path data, String... arguments) {
    List<String> command = new ArrayList<>(List.of(SCRIPT.toString()));
    command.addAll(List.of(arguments));
    ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
    builder.environment().put("DREVIK_BUILT", "yes");
    builder.environment().put("DREVIK_DEMO", "false");
    builder.environment().put("DREVIK_PORT", "8517");
    builder.environment().put("DREVIK_DATA", data.toString());
    return builder;
  }

  private static Process start(Path data, String log) throws IOException {
    Path words = folder.resolve(log);
    Process process = script(data, "up").redirectOutput(words.toFile()).start();
    patiently().until(() -> Files.readString(words).contains("\nDrevik: ") || !process.isAlive());
    assertThat(Files.readString(words)).contains("Drevik: http://127.0.0.1:");
    return process;
  }

  private static Ended run(Path data, String... arguments)
      throws IOException, InterruptedException {
    Process process = script(data, arguments).start();
    String says = new String(process.getInputStream().readAllBytes());
    return new Ended(process.waitFor(), says);
  }

  private static org.awaitility.core.ConditionFactory patiently() {
    return await().atMost(Duration.ofSeconds(120)).pollInterval(Duration.ofMillis(300));
  }

  private static String url(Path data) throws IOException {
    return Files.readString(data.resolve("url")).strip();
  }

  private static boolean isReady(String url) throws InterruptedException {
    try {
      return ask(url, "GET", "api/ready", "application/json", BodyPublishers.noBody()) == 204;
    } catch (IOException e) {
      return false;
    }
  }

  private static int ask(String url, String method, String path, String type, BodyPublisher body)
      throws IOException, InterruptedException {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(url + path))
            .header("Content-Type", type)
            .method(method, body)
            .build();
    return HTTP.send(request, BodyHandlers.discarding()).statusCode();
  }

  private static JsonNode json(String method, String path, String body)
      throws IOException, InterruptedException {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(url + path))
            .header("Content-Type", "application/json")
            .method(
                method, body.isEmpty() ? BodyPublishers.noBody() : BodyPublishers.ofString(body))
            .build();
    return Documents.mapper().readTree(HTTP.send(request, BodyHandlers.ofString()).body());
  }

  private static void kill(String pid) throws IOException, InterruptedException {
    assertThat(new ProcessBuilder("kill", "-KILL", pid.strip()).start().waitFor()).isZero();
  }

  private static Path databaseFiles() {
    return data.resolve("db").resolve("cluster");
  }

  private static String databasePid() throws IOException {
    return Files.readAllLines(databaseFiles().resolve("postmaster.pid")).get(0);
  }

  @Test
  @Order(1)
  void nobodyElseGetsIntoFolderOrDatabase() throws Exception {
    assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(data)))
        .startsWith("rwx")
        .endsWith("---")
        .doesNotContain("rwxr");
    assertThat(
            PosixFilePermissions.toString(
                Files.getPosixFilePermissions(data.resolve("db-password"))))
        .isEqualTo("rw-------");
    String port = Files.readAllLines(databaseFiles().resolve("postmaster.pid")).get(3);
    Process stranger =
        new ProcessBuilder(
                "psql",
                "-w",
                "-h",
                "127.0.0.1",
                "-p",
                port,
                "-U",
                "drevik",
                "-c",
                "select 1",
                "drevik")
            .redirectErrorStream(true)
            .start();
    assertThat(new String(stranger.getInputStream().readAllBytes()))
        .contains("no password supplied");
  }

  @Test
  @Order(2)
  void whatDiesIsStartedAgain() throws Exception {
    kill(Files.readString(data.resolve("server.pid")));
    patiently().until(() -> isReady(url));
    kill(databasePid());
    patiently().until(() -> isReady(url));
    assertThat(json("GET", "api/mixes", "").size()).isPositive();
    assertThat(run(data, "up").says()).contains("running already: " + url);
    assertThat(Files.readString(folder.resolve("up.log")))
        .contains("The server ended", "The database ended")
        .doesNotContain("Killed");
  }

  @Test
  @Order(3)
  void everythingIsBackedUpWhileItRunsAndPutBack() throws Exception {
    receive("Kick.wav", 0.3f);
    Path whole = folder.resolve("whole.tar");
    assertThat(run(data, "backup", whole.toString()).says()).contains("1 files and the database");
    receive("Snare.wav", 0.4f);
    Path since = folder.resolve("since.tar");
    Ended newer = run(data, "backup", since.toString(), "--since", whole.toString());
    assertThat(newer.says()).contains("1 files and the database");
    assertThat(run(data, "backup", whole.toString()).says()).contains("is there already");

    Path restored = folder.resolve("restored");
    Ended back = run(restored, "restore", since.toString(), whole.toString());
    assertThat(back.says()).contains("2 files: 0 damaged, 0 missing, 0 that nothing speaks of");
    assertThat(back.status()).isZero();
    assertThat(run(restored, "restore", whole.toString()).says()).contains("is not empty");
    Path nonsense = Files.writeString(folder.resolve("nonsense.tar"), "no backup at all");
    assertThat(run(folder.resolve("other"), "restore", nonsense.toString()).says())
        .contains("is no backup of Drevik's");

    List<Path> kept;
    try (Stream<Path> all = Files.walk(restored.resolve("audio"))) {
      kept = all.filter(Files::isRegularFile).toList();
    }
    byte[] flipped = Files.readAllBytes(kept.get(0));
    flipped[flipped.length / 2] ^= 1;
    Files.write(kept.get(0), flipped);
    Files.delete(kept.get(1));
    Ended verified = run(restored, "verify");
    assertThat(verified.status()).isEqualTo(1);
    assertThat(verified.says()).contains("1 damaged, 1 missing");
    assertThat(run(data, "verify").status()).isZero();
  }

  private static void receive(String name, float level) throws Exception {
    JsonNode mixes = json("GET", "api/mixes", "");
    String delivery =
        json(
                "POST",
                "api/mixes/" + mixes.get(0).path("id").asString() + "/deliveries",
                "{\"name\":\"D\"}")
            .path("id")
            .asString();
    Path file = folder.resolve(name);
    float[][] audio = new float[1][4_800];
    java.util.Arrays.fill(audio[0], level);
    try (WavWriter writer = WavWriter.create(file, SampleFormat.PCM_24, 48_000, Layout.MONO)) {
      writer.write(audio, 0, 4_800);
    }
    int status =
        ask(
            url,
            "PUT",
            "api/deliveries/" + delivery + "/files?name=" + name,
            "application/octet-stream",
            BodyPublishers.ofFile(file));
    assertThat(status).isEqualTo(200);
  }

  @Test
  @Order(4)
  void aCopyOfTheFolderRunsBesideIt() throws Exception {
    Path copy = folder.resolve("copy");
    Process copied =
        new ProcessBuilder("cp", "-a", data.toString(), copy.toString()).inheritIO().start();
    assertThat(copied.waitFor()).isZero();
    String before = databasePid();
    Process beside = start(copy, "copy.log");
    try {
      assertThat(url(copy)).isNotEqualTo(url);
      assertThat(isReady(url)).isTrue();
    } finally {
      beside.destroy();
      assertThat(beside.waitFor(60, TimeUnit.SECONDS)).isTrue();
    }
    assertThat(databasePid()).isEqualTo(before);
    assertThat(isReady(url)).isTrue();
  }

  @Test
  @Order(5)
  void aServerThatWasLeftAloneIsTakenOverAndAnOpenPageDoesNotHoldUpTheEnd() throws Exception {
    String alone = Files.readString(data.resolve("server.pid"));
    up.destroyForcibly().waitFor();
    up = start(data, "again.log");
    url = url(data);
    assertThat(Files.readString(folder.resolve("again.log"))).contains("was left alone");
    assertThat(Files.readString(data.resolve("server.pid"))).isNotEqualTo(alone);
    String mix = json("GET", "api/mixes", "").get(0).path("id").asString();
    HttpRequest listen =
        HttpRequest.newBuilder(URI.create(url + "api/mixes/" + mix + "/events")).build();
    try (InputStream events = HTTP.send(listen, BodyHandlers.ofInputStream()).body()) {
      assertThat(events.read()).isPositive();
      up.destroy();
      assertThat(up.waitFor(20, TimeUnit.SECONDS)).isTrue();
      assertThat(databaseFiles().resolve("postmaster.pid")).doesNotExist();
      assertThat(data.resolve("url")).doesNotExist();
    }
  }
}
