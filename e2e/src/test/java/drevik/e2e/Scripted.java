package drevik.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import drevik.codec.Documents;
import java.io.IOException;
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
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** Drevik as its one script runs it, on a data folder of a test's own. */
final class Scripted {
  static final Path SCRIPT = Path.of("..", "drevik").toAbsolutePath().normalize();
  private static final Path CACHE = Path.of("target", "cache").toAbsolutePath();
  static final HttpClient HTTP = HttpClient.newHttpClient();

  record Ended(int status, String says) {}

  private Scripted() {}

  /** Not JUnit's own, which only one user may enter: root's database runs as another. */
  static Path folder() throws IOException {
    Path folder = Files.createTempDirectory("drevik-scripted");
    return Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwxr-xr-x"));
  }

  static ProcessBuilder script(Path data, String... arguments) {
    List<String> command = new ArrayList<>(List.of(SCRIPT.toString()));
    command.addAll(List.of(arguments));
    ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
    builder.environment().put("DREVIK_BUILT", "yes");
    builder.environment().put("DREVIK_DEMO", "false");
    builder.environment().put("DREVIK_PORT", "8517");
    builder.environment().put("DREVIK_DATA", data.toString());
    builder.environment().put("XDG_CACHE_HOME", CACHE.toString());
    builder.environment().put("JDK_JAVA_OPTIONS", StartedApplication.QUICK_TO_START);
    return builder;
  }

  static Process start(Path data, Path words, Map<String, String> environment) throws IOException {
    ProcessBuilder script = script(data, "up").redirectOutput(words.toFile());
    script.environment().putAll(environment);
    Process process = script.start();
    patiently().until(() -> Files.readString(words).contains("\nDrevik: ") || !process.isAlive());
    assertThat(Files.readString(words)).contains("Drevik: http://127.0.0.1:");
    return process;
  }

  static Ended run(Path data, String... arguments) throws IOException, InterruptedException {
    Process process = script(data, arguments).start();
    String says = new String(process.getInputStream().readAllBytes());
    return new Ended(process.waitFor(), says);
  }

  static org.awaitility.core.ConditionFactory patiently() {
    return await().atMost(Duration.ofSeconds(120)).pollInterval(Duration.ofMillis(300));
  }

  static String url(Path data) throws IOException {
    return Files.readString(data.resolve("url")).strip();
  }

  static boolean isReady(String url) throws InterruptedException {
    try {
      return ask(url, "GET", "api/ready", "application/json", BodyPublishers.noBody()) == 204;
    } catch (IOException e) {
      return false;
    }
  }

  static int ask(String url, String method, String path, String type, BodyPublisher body)
      throws IOException, InterruptedException {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(url + path))
            .header("Content-Type", type)
            .method(method, body)
            .build();
    return HTTP.send(request, BodyHandlers.discarding()).statusCode();
  }

  static JsonNode json(String url, String method, String path, String body)
      throws IOException, InterruptedException {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(url + path))
            .header("Content-Type", "application/json")
            .method(
                method, body.isEmpty() ? BodyPublishers.noBody() : BodyPublishers.ofString(body))
            .build();
    return Documents.mapper().readTree(HTTP.send(request, BodyHandlers.ofString()).body());
  }

  static void kill(String pid) throws IOException, InterruptedException {
    assertThat(new ProcessBuilder("kill", "-KILL", pid.strip()).start().waitFor()).isZero();
  }

  static Path databaseFiles(Path data) {
    return data.resolve("db").resolve("cluster");
  }

  static String databasePid(Path data) throws IOException {
    return Files.readAllLines(databaseFiles(data).resolve("postmaster.pid")).get(0);
  }
}
