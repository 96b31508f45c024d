package drevik.e2e;

import static drevik.e2e.Scripted.ask;
import static drevik.e2e.Scripted.isReady;
import static drevik.e2e.Scripted.kill;
import static drevik.e2e.Scripted.patiently;
import static drevik.e2e.Scripted.run;
import static drevik.e2e.Scripted.start;
import static drevik.e2e.Scripted.url;
import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.springframework.util.FileSystemUtils;
import tools.jackson.databind.JsonNode;

/** The one script on a data folder of its own: what dies, is copied, backed up, put back. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class WatchedOverTest {
  /** Not JUnit's own, which only one user may enter: root's database runs as another. */
  private static Path folder;

  private static Path data;
  private static Process up;
  private static String url;

  @BeforeAll
  static void begin() throws IOException {
    folder = Scripted.folder();
    data = folder.resolve("data");
    up = start(data, folder.resolve("up.log"), Map.of());
    url = url(data);
  }

  @AfterAll
  static void stop() throws IOException {
    up.destroy();
    up.onExit().join();
    FileSystemUtils.deleteRecursively(folder);
  }

  private static JsonNode json(String method, String path, String body)
      throws IOException, InterruptedException {
    return Scripted.json(url, method, path, body);
  }

  private static Path databaseFiles() {
    return Scripted.databaseFiles(data);
  }

  private static String databasePid() throws IOException {
    return Scripted.databasePid(data);
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
  @Order(1)
  void theFirstStartAfterABuildKeepsItsClassesForTheNext() throws IOException {
    patiently().until(() -> isNewer(StartedApplication.CLASSES, StartedApplication.JAR));
    assertThat(Files.readString(data.resolve("server.log"))).contains("Starting AOT-processed");
  }

  private static boolean isNewer(Path one, Path other) throws IOException {
    return Files.exists(one)
        && Files.getLastModifiedTime(one).compareTo(Files.getLastModifiedTime(other)) > 0;
  }

  /** What the system gives to outgoing connections looks free, and cannot be listened on. */
  @Test
  @Order(1)
  void theDatabaseListensBelowThePortsOfOutgoingConnections() throws IOException {
    // In one piece: a second read of such a file gives nothing.
    String outgoing =
        Files.newBufferedReader(Path.of("/proc/sys/net/ipv4/ip_local_port_range")).readLine();
    String port = Files.readAllLines(Scripted.databaseFiles(data).resolve("postmaster.pid")).get(3);
    assertThat(Integer.parseInt(port.strip()))
        .isLessThan(Integer.parseInt(outgoing.strip().split("\\s+")[0]));
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

  /** Nothing else looks at either before the first page can be shown. */
  @Test
  @Order(6)
  void whatDiesWhileItStartsForTheFirstTimeIsStartedAgain() throws Exception {
    Path elsewhere = Files.createDirectory(folder.resolve("first start"));
    Process first =
        Scripted.script(elsewhere, "up")
            .redirectOutput(folder.resolve("first.log").toFile())
            .start();
    try {
      patiently().until(() -> Files.exists(elsewhere.resolve("server.pid")) || !first.isAlive());
      assertThat(first.isAlive()).as(Files.readString(folder.resolve("first.log"))).isTrue();
      assertThat(run(elsewhere, "up").says()).contains("starting already");
      kill(Scripted.databasePid(elsewhere));
      kill(Files.readString(elsewhere.resolve("server.pid")));
      patiently().until(() -> Files.readString(folder.resolve("first.log")).contains("Drevik: "));
      assertThat(isReady(url(elsewhere))).isTrue();
    } finally {
      first.destroy();
      first.onExit().join();
    }
  }

  @Test
  @Order(3)
  void everythingIsBackedUpWhileItRunsAndPutBack() throws Exception {
    receive("Kick.wav", 0.3f);
    Path whole = folder.resolve("whole.tar");
    assertThat(run(data, "backup", whole.toString()).says()).contains("1 files and the database");
    receive("Snare.wav", 0.4f);
    Path since = folder.resolve("since.tar");
    Scripted.Ended newer = run(data, "backup", since.toString(), "--since", whole.toString());
    assertThat(newer.says()).contains("1 files and the database");
    assertThat(run(data, "backup", whole.toString()).says()).contains("is there already");

    Path restored = folder.resolve("restored");
    Scripted.Ended back = run(restored, "restore", since.toString(), whole.toString());
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
    Scripted.Ended verified = run(restored, "verify");
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
    Path copy = copied();
    String before = databasePid();
    // Little memory, and a log that turns over soon.
    Map<String, String> small =
        Map.of("DREVIK_MEMORY", "170", "LOGGING_LOGBACK_ROLLINGPOLICY_MAXFILESIZE", "500B");
    Process beside = start(copy, folder.resolve("copy.log"), small);
    try {
      assertThat(url(copy)).isNotEqualTo(url);
      assertThat(isReady(url)).isTrue();
      whatNeedsTooMuchMemoryEndsTheServerAndItIsStartedAgain(copy);
      try (Stream<Path> files = Files.list(copy)) {
        assertThat(files.map(file -> file.getFileName().toString()))
            .contains("server.log")
            .anyMatch(name -> name.startsWith("server.log.") && name.endsWith(".gz"));
      }
    } finally {
      beside.destroy();
      assertThat(beside.waitFor(60, TimeUnit.SECONDS)).isTrue();
    }
    assertThat(databasePid()).isEqualTo(before);
    assertThat(isReady(url)).isTrue();
  }

  /** Of what runs; and as another user's, where this one may give it away. */
  private static Path copied() throws IOException, InterruptedException {
    Path copy = folder.resolve("copy");
    command("cp", "-a", data.toString(), copy.toString());
    if (isRoot()) {
      command("chown", "-R", "nobody", copy.resolve("db").toString());
    }
    return copy;
  }

  private static boolean isRoot() {
    return System.getProperty("user.name").equals("root");
  }

  private static void command(String... command) throws IOException, InterruptedException {
    assertThat(new ProcessBuilder(command).inheritIO().start().waitFor()).isZero();
  }

  private static void whatNeedsTooMuchMemoryEndsTheServerAndItIsStartedAgain(Path data)
      throws Exception {
    String first = Files.readString(data.resolve("server.pid"));
    byte[] large = ("{\"version\":3,\"channels\":[" + "{},".repeat(9_000_000) + "{}]}").getBytes();
    List<CompletableFuture<?>> sent = new ArrayList<>();
    for (int request = 0; request < 6; request++) {
      HttpRequest open =
          HttpRequest.newBuilder(URI.create(url(data) + "api/mixes/files"))
              .header("Content-Type", "application/json")
              .POST(BodyPublishers.ofByteArray(large))
              .build();
      sent.add(
          Scripted.HTTP.sendAsync(open, BodyHandlers.discarding()).handle((answer, fault) -> true));
    }
    CompletableFuture.allOf(sent.toArray(CompletableFuture[]::new)).join();
    patiently().until(() -> !Files.readString(data.resolve("server.pid")).equals(first));
    String address = url(data);
    patiently().until(() -> isReady(address));
    assertThat(Files.readString(data.resolve("server.out"))).doesNotContain("drevik:");
  }

  @Test
  @Order(4)
  void aDatabaseOfSomebodyElseIsLeftAloneAndWhoAsksIsTold() throws Exception {
    assumeTrue(isRoot(), "only root can be two users");
    Path theirs = folder.resolve("theirs");
    command("mkdir", theirs.toString());
    command("chown", "nobody", theirs.toString());
    command("mkdir", "-p", theirs.resolve("db/cluster").toString());
    Path tool = Files.createDirectory(folder.resolve("tool"));
    command(
        "cp",
        "-r",
        Scripted.SCRIPT.toString(),
        Scripted.SCRIPT.resolveSibling("ops").toString(),
        tool.toString());
    command("chmod", "-R", "a+rX", tool.toString());
    Process asked =
        new ProcessBuilder(
                "runuser",
                "-u",
                "nobody",
                "--",
                "env",
                "DREVIK_BUILT=yes",
                "DREVIK_DATA=" + theirs,
                tool.resolve("drevik").toString(),
                "up")
            .redirectErrorStream(true)
            .start();
    String says = new String(asked.getInputStream().readAllBytes());
    assertThat(asked.waitFor()).isEqualTo(1);
    assertThat(says)
        .contains("belongs to the user root, and you are nobody", "sudo chown -R nobody")
        .doesNotContain("see the log");
    assertThat(theirs.resolve("db/cluster")).isEmptyDirectory();
  }

  @Test
  @Order(5)
  void aServerThatWasLeftAloneIsTakenOverAndAnOpenPageDoesNotHoldUpTheEnd() throws Exception {
    String alone = Files.readString(data.resolve("server.pid"));
    up.destroyForcibly().waitFor();
    up = start(data, folder.resolve("again.log"), Map.of());
    url = url(data);
    assertThat(Files.readString(folder.resolve("again.log"))).contains("was left alone");
    assertThat(Files.readString(data.resolve("server.pid"))).isNotEqualTo(alone);
    String mix = json("GET", "api/mixes", "").get(0).path("id").asString();
    HttpRequest listen =
        HttpRequest.newBuilder(URI.create(url + "api/mixes/" + mix + "/events")).build();
    try (InputStream events = Scripted.HTTP.send(listen, BodyHandlers.ofInputStream()).body()) {
      assertThat(events.read()).isPositive();
      up.destroy();
      assertThat(up.waitFor(20, TimeUnit.SECONDS)).isTrue();
      assertThat(databaseFiles().resolve("postmaster.pid")).doesNotExist();
      assertThat(data.resolve("url")).doesNotExist();
    }
  }
}
