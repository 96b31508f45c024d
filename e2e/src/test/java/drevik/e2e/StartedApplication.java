package drevik.e2e;

import drevik.server.ThrowawayPostgres;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.springframework.util.FileSystemUtils;

/** The built jar as a process of its own, on a throw-away database and a throw-away folder. */
final class StartedApplication implements AutoCloseable {
  /**
   * What the second compiler gains comes too late for what runs for some seconds and renders
   * little.
   */
  static final String QUICK_TO_START = "-XX:TieredStopAtLevel=1";

  static final Path JAR = Path.of("../server/target/drevik-server.jar").toAbsolutePath();

  /** Loaded classes, kept by the first start of the script after a build; read where they are. */
  static final Path CLASSES = JAR.resolveSibling("server.jsa");

  private final String database = ThrowawayPostgres.shared().newDatabase();
  private final Path data;
  private final boolean demo;
  private Process process;
  private int port;

  StartedApplication(boolean demo) throws IOException, InterruptedException {
    this.demo = demo;
    this.data = Files.createTempDirectory("drevik-e2e");
    start();
  }

  void start() throws IOException, InterruptedException {
    port = ThrowawayPostgres.freePort();
    List<String> command = new ArrayList<>(List.of("java", "-XX:+UseParallelGC"));
    if (!demo) {
      command.add(QUICK_TO_START);
    }
    if (Files.exists(CLASSES)) {
      command.addAll(List.of("-Xlog:disable", "-XX:SharedArchiveFile=" + CLASSES));
    }
    command.addAll(List.of("-Dspring.aot.enabled=true", "-jar", JAR.toString()));
    command.add("--server.port=" + port);
    command.add("--spring.datasource.url=" + database);
    command.add("--drevik.data=" + data);
    command.add("--drevik.demo=" + demo);
    process =
        new ProcessBuilder(command)
            .redirectErrorStream(true)
            .redirectOutput(ProcessBuilder.Redirect.appendTo(data.resolve("log").toFile()))
            .start();
    Instant until = Instant.now().plus(Duration.ofSeconds(180));
    while (!isReady()) {
      if (!process.isAlive() || Instant.now().isAfter(until)) {
        throw new IllegalStateException("not started: " + Files.readString(data.resolve("log")));
      }
      Thread.sleep(200);
    }
  }

  private boolean isReady() throws InterruptedException {
    try {
      HttpRequest request = HttpRequest.newBuilder(URI.create(url("/api/ready"))).build();
      return HttpClient.newHttpClient().send(request, BodyHandlers.discarding()).statusCode()
          == 204;
    } catch (IOException e) {
      return false;
    }
  }

  String url(String path) {
    return "http://127.0.0.1:" + port + path;
  }

  Path data() {
    return data;
  }

  Path demoDelivery() {
    return data.resolve("demo").resolve("Weathervane delivery");
  }

  /** As kill -9 does: no chance to tidy up. */
  void kill() throws InterruptedException {
    process.destroyForcibly().waitFor();
  }

  @Override
  public void close() throws IOException {
    process.destroy();
    process.onExit().join();
    FileSystemUtils.deleteRecursively(data);
  }
}
