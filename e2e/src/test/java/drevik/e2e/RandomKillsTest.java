package drevik.e2e;

import static drevik.e2e.Scripted.isReady;
import static drevik.e2e.Scripted.json;
import static drevik.e2e.Scripted.kill;
import static drevik.e2e.Scripted.patiently;
import static drevik.e2e.Scripted.run;
import static drevik.e2e.Scripted.script;
import static drevik.e2e.Scripted.start;
import static drevik.e2e.Scripted.url;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import drevik.codec.Documents;
import drevik.demo.Demo;
import drevik.mix.Channel;
import drevik.mix.Mix;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.springframework.util.FileSystemUtils;
import tools.jackson.databind.JsonNode;

/**
 * Server, database and script are killed at random moments while people edit, upload, seat, print
 * and back up. Once by default; {@code -Ddrevik.kills=30} for as many as one likes.
 */
class RandomKillsTest {
  private static final int KILLS = Integer.getInteger("drevik.kills", 1);

  private final Map<String, Integer> tried = new ConcurrentHashMap<>();
  private final Map<String, Integer> said = new ConcurrentHashMap<>();
  private final Queue<String> filesSaid = new ConcurrentLinkedQueue<>();
  private final Queue<String> printsSaid = new ConcurrentLinkedQueue<>();
  private final AtomicInteger count = new AtomicInteger();

  private Path folder;
  private Path data;
  private Path backup;
  private Map<String, Integer> saidBeforeBackup = Map.of();
  private List<String> channels;
  private String mix;
  private String delivery;
  private volatile boolean goOn = true;

  private String address() throws IOException {
    return url(data);
  }

  /** Null where no answer came, or none that promises anything. */
  private JsonNode tryTo(String method, String path, String type, BodyPublisher body)
      throws InterruptedException {
    try {
      HttpRequest request =
          HttpRequest.newBuilder(URI.create(address() + path))
              .header("Content-Type", type)
              .timeout(Duration.ofSeconds(30))
              .method(method, body)
              .build();
      HttpResponse<String> answer = Scripted.HTTP.send(request, BodyHandlers.ofString());
      return answer.statusCode() == 200 ? Documents.mapper().readTree(answer.body()) : null;
    } catch (IOException e) {
      Thread.sleep(100);
      return null;
    }
  }

  private JsonNode tryTo(String path, String json) throws InterruptedException {
    return tryTo("POST", path, "application/json", BodyPublishers.ofString(json));
  }

  /** Each of a channel of their own; under one id until it is answered, as a page does. */
  private Void edit(String channel) throws InterruptedException {
    for (int number = 1; goOn; number++) {
      String edit =
          "{\"edit\":\"set-channels\",\"channels\":[\"%s\"],\"set\":{\"comment\":\"%d\"}}"
              .formatted(channel, number);
      String body = "{\"id\":\"%s %d\",\"basedOn\":1,\"edit\":%s}".formatted(channel, number, edit);
      tried.put(channel, number);
      while (tryTo("api/mixes/" + mix + "/edits", body) == null) {
        if (!goOn) {
          return null;
        }
      }
      said.put(channel, number);
      Thread.sleep(500);
    }
    return null;
  }

  private Void upload() throws IOException, InterruptedException {
    Random random = new Random(1);
    while (goOn) {
      String name = "file " + count.incrementAndGet() + ".wav";
      Path file = folder.resolve(name);
      float[][] audio = new float[1][200_000];
      for (int i = 0; i < audio[0].length; i++) {
        audio[0][i] = random.nextFloat() * 0.1f;
      }
      try (WavWriter writer = WavWriter.create(file, SampleFormat.PCM_24, 48_000, Layout.MONO)) {
        writer.write(audio, 0, audio[0].length);
      }
      String path = "api/deliveries/" + delivery + "/files?name=" + name.replace(" ", "%20");
      if (tryTo("PUT", path, "application/octet-stream", BodyPublishers.ofFile(file)) != null) {
        filesSaid.add(name);
      }
      Files.delete(file);
      Thread.sleep(300);
    }
    return null;
  }

  private Void seat() throws InterruptedException {
    while (goOn) {
      tryTo(
          "api/deliveries/" + delivery + "/seat",
          "{\"id\":\"seat %d\",\"basedOn\":1}".formatted(count.incrementAndGet()));
      Thread.sleep(700);
    }
    return null;
  }

  private Void print() throws InterruptedException {
    while (goOn) {
      JsonNode run = tryTo("api/mixes/" + mix + "/prints", "{\"outputs\":[\"out-drums\"]}");
      if (run != null) {
        printsSaid.add(run.path("id").asString());
      }
      Thread.sleep(2_000);
    }
    return null;
  }

  /** The last one that was whole is kept, with what had been said before it began. */
  private Void backUp() throws IOException, InterruptedException {
    while (goOn) {
      Path file = folder.resolve("backup " + count.incrementAndGet() + ".tar");
      Map<String, Integer> before = Map.copyOf(said);
      if (run(data, "backup", file.toString()).status() == 0) {
        Path older = backup;
        saidBeforeBackup = before;
        backup = file;
        if (older != null) {
          Files.delete(older);
        }
      } else {
        assertThat(file).doesNotExist();
      }
      Thread.sleep(2_000);
    }
    return null;
  }

  private Process killOne(Random random, Process up, int number)
      throws IOException, InterruptedException {
    Process running = up;
    switch (random.nextInt(3)) {
      case 0 -> kill(Files.readString(data.resolve("server.pid")));
      case 1 -> kill(Scripted.databasePid(data));
      default -> {
        running.destroyForcibly().waitFor();
        running = start(data, folder.resolve("up " + number + ".log"), Map.of());
      }
    }
    Thread.sleep(1_500);
    patiently().until(() -> isReady(address()));
    return running;
  }

  @Test
  void nothingThatWasSaidIsLostAndEverythingComesUpByItself() throws Exception {
    folder = Scripted.folder();
    data = folder.resolve("data");
    Process up = start(data, folder.resolve("up.log"), Map.of());
    try {
      open();
      ExecutorService people = Executors.newCachedThreadPool();
      List<Future<Void>> all = new ArrayList<>();
      for (String channel : channels) {
        all.add(people.submit(() -> edit(channel)));
      }
      all.add(people.submit((Callable<Void>) this::upload));
      all.add(people.submit((Callable<Void>) this::seat));
      all.add(people.submit((Callable<Void>) this::print));
      all.add(people.submit((Callable<Void>) this::backUp));
      Random random = new Random();
      for (int number = 0; number < KILLS; number++) {
        Thread.sleep(random.nextInt(4_000));
        up = killOne(random, up, number);
      }
      // One more backup while they work, and nothing is killed; a single kill soon after the start
      // may have left no time for a file or a print to be answered before.
      Path last = backup;
      patiently().until(() -> backup != last && !filesSaid.isEmpty() && !printsSaid.isEmpty());
      goOn = false;
      for (Future<Void> one : all) {
        one.get();
      }
      people.shutdown();
      everythingSaidIsThere();
      theBackupIsAStateThatWasOnceTrue();
    } finally {
      goOn = false;
      up.destroy();
      assertThat(up.onExit().get().isAlive()).isFalse();
    }
    // Kept where something failed, to be looked into.
    FileSystemUtils.deleteRecursively(folder);
  }

  /** The tables are made, and brought up to date, at a start. */
  @Test
  @EnabledIfSystemProperty(named = "drevik.long", matches = "true")
  void aFirstStartThatIsCutShortAgainAndAgainComesUpByItself() throws Exception {
    folder = Scripted.folder();
    data = folder.resolve("data");
    for (int number = 0; number < KILLS; number++) {
      cutShort(script(data, "up"), data, 14_000);
    }
    Process up = start(data, folder.resolve("up.log"), Map.of());
    try {
      open();
      assertThat(revision(address())).isEqualTo(1);
      assertThat(run(data, "verify").says()).contains("0 damaged, 0 missing");
    } finally {
      up.destroy();
      assertThat(up.onExit().get().isAlive()).isFalse();
    }
    FileSystemUtils.deleteRecursively(folder);
  }

  /** All that a command runs is killed at a random moment; its status if it ended before. */
  private static int cutShort(ProcessBuilder script, Path data, int within)
      throws IOException, InterruptedException {
    Process command = script.redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
    if (command.waitFor(new Random().nextInt(within), TimeUnit.MILLISECONDS)) {
      return command.exitValue();
    }
    List<ProcessHandle> children = command.descendants().toList();
    command.destroyForcibly();
    children.forEach(ProcessHandle::destroyForcibly);
    for (Path pid : List.of(data.resolve("server.pid"), postmaster(data))) {
      if (Files.exists(pid) && !Files.readAllLines(pid).isEmpty()) {
        new ProcessBuilder("kill", "-KILL", Files.readAllLines(pid).get(0)).start().waitFor();
      }
    }
    command.waitFor();
    return -1;
  }

  private static Path postmaster(Path data) {
    return Scripted.databaseFiles(data).resolve("postmaster.pid");
  }

  private void open() throws Exception {
    Mix demo = Demo.WEATHERVANE.template();
    channels = demo.channels().stream().map(Channel::id).limit(8).toList();
    String template = Documents.writeMix(demo);
    String made = json(address(), "POST", "api/mixes/files", template).path("id").asString();
    mix =
        json(
                address(),
                "POST",
                "api/mixes/sessions",
                "{\"template\":\"" + made + "\",\"name\":\"Said\"}")
            .path("id")
            .asString();
    delivery =
        json(address(), "POST", "api/mixes/" + mix + "/deliveries", "{\"name\":\"D\"}")
            .path("id")
            .asString();
  }

  private static Map<String, Integer> saidIn(JsonNode document) {
    Map<String, Integer> comments = new HashMap<>();
    for (JsonNode channel : document.path("channels")) {
      String comment = channel.path("comment").asString("");
      if (comment.matches("\\d+")) {
        comments.put(channel.path("id").asString(), Integer.valueOf(comment));
      }
    }
    return comments;
  }

  private void everythingSaidIsThere() throws Exception {
    Map<String, Integer> there =
        saidIn(json(address(), "GET", "api/mixes/" + mix + "/document", ""));
    assertThat(said).hasSize(8);
    for (String channel : channels) {
      assertThat(there.get(channel)).isBetween(said.get(channel), tried.get(channel));
    }
    JsonNode files = json(address(), "GET", "api/deliveries/" + delivery, "").path("files");
    assertThat(files.findValuesAsString("name")).containsAll(filesSaid).doesNotHaveDuplicates();
    assertThat(files.findValuesAsString("fault")).isEmpty();
    for (String print : printsSaid) {
      patiently()
          .until(
              () ->
                  json(address(), "GET", "api/prints/" + print, "")
                      .path("state")
                      .asString()
                      .equals("done"));
      assertThat(data.resolve("prints").resolve(print)).isNotEmptyDirectory();
    }
    assertThat(filesSaid).isNotEmpty();
    assertThat(printsSaid).isNotEmpty();
    nothingStaysBehind();
    Scripted.Ended verified = run(data, "verify");
    assertThat(verified.says()).contains("0 damaged, 0 missing");
  }

  private List<Path> arriving() throws IOException {
    try (Stream<Path> arriving = Files.walk(data.resolve("arriving"))) {
      return arriving.filter(Files::isRegularFile).toList();
    } catch (UncheckedIOException e) {
      // One of them went while they were listed.
      return List.of();
    }
  }

  private void nothingStaysBehind() throws IOException {
    try (Stream<Path> prints = Files.list(data.resolve("prints"))) {
      Map<Boolean, List<String>> known =
          prints
              .map(path -> path.getFileName().toString())
              .collect(Collectors.partitioningBy(name -> name.matches("[a-z0-9]+")));
      assertThat(known.get(false)).isEmpty();
    }
    // The lock of the living server; what arrived has been put where it belongs.
    patiently()
        .untilAsserted(
            () ->
                assertThat(arriving())
                    .singleElement()
                    .satisfies(file -> assertThat(file.getFileName()).hasToString("lock")));
    try (Stream<Path> beside = Files.list(folder)) {
      assertThat(beside.map(path -> path.getFileName().toString()))
          .noneMatch(name -> name.startsWith("backup") && !name.endsWith(".tar"));
    }
  }

  private void theBackupIsAStateThatWasOnceTrue() throws Exception {
    Path restored = folder.resolve("restored");
    for (int number = 0; number < KILLS; number++) {
      int status = cutShort(script(restored, "restore", backup.toString()), restored, 4_000);
      // Killed while it looked through what it had put back, it had ended too: all of it is there.
      boolean ended =
          !Files.exists(restored.resolve("restoring")) && Files.exists(restored.resolve("db"));
      if (status == 0 || ended) {
        FileSystemUtils.deleteRecursively(restored);
      }
    }
    assertThat(run(restored, "restore", backup.toString()).says()).contains("0 damaged, 0 missing");
    Process beside = start(restored, folder.resolve("restored.log"), Map.of());
    try {
      String there = url(restored);
      JsonNode then = json(there, "GET", "api/mixes/" + mix + "/document", "");
      saidBeforeBackup.forEach(
          (channel, number) ->
              assertThat(saidIn(then).get(channel)).isGreaterThanOrEqualTo(number));
      int revision = revision(there);
      json(
          address(),
          "POST",
          "api/mixes/" + mix + "/revisions/" + revision,
          "{\"id\":\"back\",\"basedOn\":%d}".formatted(revision(address())));
      assertThat(json(address(), "GET", "api/mixes/" + mix + "/document", "")).isEqualTo(then);
    } finally {
      beside.destroy();
      assertThat(beside.onExit().get().isAlive()).isFalse();
    }
  }

  private int revision(String url) throws IOException, InterruptedException {
    return json(url, "GET", "api/mixes/" + mix, "").path("revision").asInt();
  }
}
