package drevik.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.Sha256;
import drevik.audio.WavWriter;
import drevik.demo.Demo;
import drevik.mix.Limits;
import drevik.server.RunningServer.Answer;
import drevik.server.intake.Uploads;
import drevik.server.mix.Shelf;
import drevik.server.store.DiskSpace;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** What becomes of what a client sends, by way of HTTP. */
class IntakeTest {
  @RegisterExtension static final RunningServer server = new RunningServer();

  @TempDir Path folder;

  private String mix;
  private String delivery;

  @BeforeEach
  void open() {
    Shelf shelf = server.bean(Shelf.class);
    mix = shelf.startSession(shelf.create(Demo.WEATHERVANE.template(), "test"), "Song");
    delivery = delivery("A client");
  }

  private String delivery(String client) {
    Map<String, String> from = Map.of("name", "From a client", "client", client);
    return server.post("/api/mixes/" + mix + "/deliveries", from).body().path("id").asString();
  }

  private byte[] noise(int seed, float gain) throws IOException {
    Random random = new Random(seed);
    float[] x = new float[48_000];
    for (int i = 0; i < x.length; i++) {
      x[i] = gain * (float) (0.1 * random.nextGaussian());
    }
    return wave(x);
  }

  private byte[] wave(float[]... audio) throws IOException {
    Path file = folder.resolve("made.wav");
    Layout layout = Layout.ofChannels(audio.length);
    try (WavWriter writer = WavWriter.create(file, SampleFormat.PCM_24, 48_000, layout)) {
      writer.write(audio, 0, audio[0].length);
    }
    return Files.readAllBytes(file);
  }

  private Answer send(String name, byte[] content) {
    return server.upload(delivery, name, BodyPublishers.ofByteArray(content));
  }

  private static JsonNode file(JsonNode view, String name) {
    for (JsonNode one : view.path("files")) {
      if (one.path("name").asString().equals(name)) {
        return one;
      }
    }
    throw new AssertionError(name + " is not in " + view.path("files").findValuesAsString("name"));
  }

  private static String act(JsonNode file) {
    return file.path("place").path("act").asString();
  }

  private static String listening(JsonNode file) {
    return "/api/audio/" + file.path("audio").path("sha256").asString() + "/listen";
  }

  @Test
  void aFileIsHeardFromWhereverItIsAsked() throws Exception {
    send("Noise.wav", noise(16, 1));
    String path = listening(file(server.measured(delivery), "Noise.wav"));
    byte[] whole = server.get(path).bytes();
    assertThat(whole).hasSize(44 + 3 * 48_000);
    HttpRequest part =
        HttpRequest.newBuilder(server.uri(path)).header("Range", "bytes=70001-70100").build();
    HttpResponse<byte[]> answer =
        HttpClient.newHttpClient().send(part, HttpResponse.BodyHandlers.ofByteArray());
    assertThat(answer.statusCode()).isEqualTo(206);
    assertThat(answer.headers().firstValue("Content-Type")).contains("audio/wav");
    assertThat(answer.body()).isEqualTo(Arrays.copyOfRange(whole, 70_001, 70_101));
    HttpRequest beyond =
        HttpRequest.newBuilder(server.uri(path)).header("Range", "bytes=9000000-").build();
    answer = HttpClient.newHttpClient().send(beyond, HttpResponse.BodyHandlers.ofByteArray());
    assertThat(answer.statusCode()).isEqualTo(416);
    assertThat(answer.body()).isEmpty();
    assertThat(answer.headers().firstValue("Content-Range")).contains("bytes */144044");
    assertThat(answer.headers().firstValue("Cache-Control")).contains("no-store");
  }

  @Test
  void aFileThatWasShortenedInTheStoreIsNotPlayedWithoutAWord() throws Exception {
    send("Noise.wav", noise(21, 1));
    String path = listening(file(server.measured(delivery), "Noise.wav"));
    String sha256 = path.split("/")[3];
    Path kept = server.data().resolve("audio").resolve(sha256.substring(0, 2)).resolve(sha256);
    assertThat(kept.toFile().setWritable(true)).isTrue();
    byte[] bytes = Files.readAllBytes(kept);
    Files.write(kept, Arrays.copyOf(bytes, bytes.length / 2));
    Answer answer = server.get(path);
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.detail()).contains("when it came", "send its delivery again");
    Files.write(kept, bytes);
  }

  @Test
  void whatNoBrowserReadsIsHeardDecoded() throws Exception {
    Path wave = Files.write(folder.resolve("source.wav"), noise(17, 1));
    Path aiff = folder.resolve("Take.aiff");
    new ProcessBuilder("ffmpeg", "-v", "error", "-i", wave.toString(), aiff.toString())
        .inheritIO()
        .start()
        .waitFor();
    send("Take.aiff", Files.readAllBytes(aiff));
    Answer heard = server.get(listening(file(server.measured(delivery), "Take.aiff")));
    assertThat(heard.status()).isEqualTo(200);
    assertThat(heard.bytes()).hasSize(44 + 3 * 48_000).startsWith('R', 'I', 'F', 'F');
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"abc", "0000000000000000000000000000000000000000000000000000000000000000"})
  void whatIsNotThereCannotBeHeard(String sha256) {
    Answer answer = server.get("/api/audio/" + sha256 + "/listen");
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.detail()).contains("not in the audio store");
  }

  @Test
  void aZipBecomesItsFilesAndABadOneDoesNotStopTheOthers() throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      put(zip, "Drums/Kick In.wav", noise(1, 1));
      put(zip, "notes.txt", "please pan it".getBytes(UTF_8));
      put(zip, "../evil.wav", noise(2, 1));
      put(zip, "Gtrs/Nylon.wav", noise(3, 1));
    }
    Answer answer = send("Song.zip", bytes.toByteArray());
    assertThat(answer.status()).isEqualTo(200);
    JsonNode view = server.measured(delivery);
    assertThat(view.path("files").findValuesAsString("name"))
        .containsExactlyInAnyOrder(
            "Song.zip/../evil.wav",
            "Song.zip/Drums/Kick In.wav",
            "Song.zip/Gtrs/Nylon.wav",
            "Song.zip/notes.txt");
    assertThat(view.path("files").findValuesAsString("fault"))
        .hasSize(2)
        .anyMatch(fault -> fault.contains("points outside"))
        .anyMatch(fault -> fault.contains("no audio file that Drevik reads"));
    assertThat(file(view, "Song.zip/Drums/Kick In.wav").path("place").path("seatName").asString())
        .isEqualTo("Kick In");
    assertThat(send("Song.zip", new byte[] {'P', 'K', 3, 4, 0, 0, 0, 0, 0, 0, 0, 0, 0}).detail())
        .contains("“Song.zip” is a damaged zip");
  }

  private static void put(ZipOutputStream zip, String name, byte[] content) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    zip.write(content);
    zip.closeEntry();
  }

  @Test
  void aBatchThatIsSentAgainIsNotTakenTwice() throws IOException {
    String first = send("Kick.wav", noise(1, 1)).body().path("id").asString();
    assertThat(send("Kick.wav", noise(1, 1)).body().path("id").asString()).isEqualTo(first);
    assertThat(server.measured(delivery).path("files")).hasSize(1);
  }

  @Test
  void aFlippedMicrophoneIsFoundAndItsMendCanBeLeftOut() throws IOException {
    send("Snr Top.wav", noise(5, 1));
    send("Snr Btm.wav", noise(5, -0.8f));
    RunningServer.waitUntil(
        () -> file(server.measured(delivery), "Snr Btm.wav").path("steps").size() == 1);
    JsonNode bottom = file(server.measured(delivery), "Snr Btm.wav");
    assertThat(bottom.path("steps").get(0).path("kind").asString()).isEqualTo("flip");
    assertThat(bottom.path("steps").get(0).path("says").asString())
        .contains("to agree with “Snr Top.wav”: correlation +1.00 instead of −1.00");
    assertThat(bottom.path("audio").path("notes").get(0).asString()).contains("upside down");
    String id = bottom.path("id").asString();
    String steps = "/api/deliveries/" + delivery + "/steps";
    JsonNode left = server.post(steps, Map.of("file", id, "kind", "flip", "off", true)).body();
    assertThat(file(left, "Snr Btm.wav").path("steps").get(0).path("off").asBoolean()).isTrue();
    server.post(steps, Map.of("file", id, "kind", "flip", "off", false));
    assertThat(server.post(steps, Map.of("file", id, "kind", "resample", "off", true)).detail())
        .contains("no step that can be left out");

    server.post("/api/deliveries/" + delivery + "/seat", RunningServer.basedOn(1));
    assertThat(channel("Snr Btm").path("invertPolarity").asBoolean()).isTrue();
    assertThat(channel("Snr Top").path("invertPolarity").asBoolean(false)).isFalse();
  }

  private JsonNode channel(String name) {
    for (JsonNode one : server.get("/api/mixes/" + mix).body().path("document").path("channels")) {
      if (one.path("name").asString().equals(name)) {
        return one;
      }
    }
    throw new AssertionError("no channel " + name);
  }

  @Test
  void aSecondDeliveryReplacesWhatChangedAndLeavesTheRestAlone() throws IOException {
    send("Kick In.wav", noise(1, 1));
    send("Lead Vox v1.wav", noise(2, 1));
    send("Choir S.wav", noise(3, 1));
    server.measured(delivery);
    server.post("/api/deliveries/" + delivery + "/seat", RunningServer.basedOn(1));
    delivery = delivery("A client");
    send("Kick In.wav", noise(1, 1));
    send("Lead Vox v2.wav", noise(4, 1));
    JsonNode view = server.measured(delivery);
    assertThat(file(view, "Kick In.wav").path("against").asString()).isEqualTo("same");
    assertThat(act(file(view, "Kick In.wav"))).isEqualTo("left out");
    assertThat(file(view, "Lead Vox v2.wav").path("against").asString()).isEqualTo("changed");
    assertThat(act(file(view, "Lead Vox v2.wav"))).isEqualTo("replaces");
    assertThat(view.path("missing").toString()).isEqualTo("[\"Choir S.wav\"]");
    Answer seated = server.post("/api/deliveries/" + delivery + "/seat", RunningServer.basedOn(2));
    assertThat(seated.body().path("revision").asInt()).isEqualTo(3);
    JsonNode clips = channel("Lead Vox").path("clips");
    assertThat(clips).hasSize(1);
    assertThat(clips.get(0).path("audio").path("name").asString()).isEqualTo("Lead Vox v2.wav");
  }

  @Test
  void aCorrectionHoldsForTheOthersOfItsKindAndForTheNextDelivery() throws IOException {
    String one = send("Zork L 1.wav", noise(1, 1)).body().path("id").asString();
    send("Zork L 2.wav", noise(2, 1));
    send("Zork low.wav", noise(3, 1));
    send("Zork empty.wav", wave(new float[48_000]));
    JsonNode measured = server.measured(delivery);
    assertThat(file(measured, "Zork L 2.wav").path("doubtful").asBoolean()).isTrue();
    // Nobody needs to say where silence belongs.
    assertThat(file(measured, "Zork empty.wav").path("doubtful").asBoolean()).isFalse();
    JsonNode view =
        server
            .post(
                "/api/deliveries/" + delivery + "/category",
                Map.of("files", List.of(one), "category", "synth/pad"))
            .body();
    assertThat(file(view, "Zork L 2.wav").path("category").asString()).isEqualTo("synth/pad");
    assertThat(file(view, "Zork L 1.wav").path("doubtful").asBoolean()).isFalse();
    assertThat(file(view, "Zork L 2.wav").path("because").get(0).asString())
        .isEqualTo("you put “zork” there before");
    assertThat(view.path("rules").findValuesAsString("words")).contains("zork");
    delivery = delivery("A client");
    send("Zork 9.wav", noise(6, 1));
    assertThat(file(server.measured(delivery), "Zork 9.wav").path("category").asString())
        .isEqualTo("synth/pad");
    String rule = view.path("rules").get(0).path("id").asString();
    String rules = "/api/deliveries/" + delivery + "/rules/" + rule;
    JsonNode changed = server.put(rules, Map.of("category", "synth/lead")).body();
    assertThat(file(changed, "Zork 9.wav").path("category").asString()).isEqualTo("synth/lead");
    assertThat(server.put(rules, Map.of("category", "zithers")).status()).isEqualTo(422);
    server.delete("/api/deliveries/" + delivery + "/rules/" + rule);
    delivery = delivery("A client");
    send("Zork 9.wav", noise(6, 1));
    assertThat(file(server.measured(delivery), "Zork 9.wav").path("category").asString())
        .isEqualTo("unknown");
    delivery = delivery("Another client");
    send("Zork 9.wav", noise(6, 1));
    assertThat(file(server.measured(delivery), "Zork 9.wav").path("category").asString())
        .isEqualTo("unknown");
  }

  @Test
  void falseStereoBecomesMonoAndTheSessionsFactsAreRead() throws IOException {
    float[] x = new float[96_000];
    for (int i = 24_000; i < 72_000; i++) {
      x[i] = (float) (0.3 * Math.sin(i * 0.05));
    }
    send("Harmonium 96bpm.wav", wave(x, x.clone()));
    JsonNode view = server.measured(delivery);
    JsonNode harmonium = file(view, "Harmonium 96bpm.wav");
    assertThat(harmonium.path("steps").get(0).path("kind").asString()).isEqualTo("to-mono");
    JsonNode facts = view.path("facts");
    assertThat(facts.path("sampleRate").asInt()).isEqualTo(48_000);
    assertThat(facts.path("bitDepth").asInt()).isEqualTo(24);
    assertThat(facts.path("tempoBpm").asDouble()).isEqualTo(96);
    assertThat(facts.path("startSeconds").asDouble()).isBetween(0.49, 0.51);
    assertThat(facts.path("endSeconds").asDouble()).isBetween(1.49, 1.51);
    server.post("/api/deliveries/" + delivery + "/seat", RunningServer.basedOn(1));
    JsonNode clip = channel("Harmonium").path("clips").get(0);
    String played = clip.path("audio").path("sha256").asString();
    Path kept = server.data().resolve("audio").resolve(played.substring(0, 2)).resolve(played);
    try (var reader = drevik.audio.WavReader.open(kept)) {
      assertThat(reader.header().channels()).isEqualTo(1);
      assertThat(reader.header().frames()).isEqualTo(96_000);
    }
  }

  @Test
  void whatOnlyMeasuringFindsBrokenIsListedWithItsFault() {
    send("song.flac", "fLaC and then nothing that could be decoded".getBytes(UTF_8));
    JsonNode view = server.measured(delivery);
    assertThat(file(view, "song.flac").path("fault").asString()).startsWith("“song.flac” ");
    assertThat(
            server.post("/api/deliveries/" + delivery + "/seat", RunningServer.basedOn(1)).detail())
        .contains("No file of this delivery has a seat");
  }

  @Test
  void aLargeFileThatBrokeOffGoesOnWhereItStopped() throws IOException {
    byte[] whole = noise(8, 1);
    String begin = "/api/deliveries/" + delivery + "/uploads";
    Map<String, Object> file = Map.of("name", "Long take.wav", "bytes", whole.length);
    String id = server.post(begin, file).body().path("id").asString();
    byte[] half = java.util.Arrays.copyOf(whole, whole.length / 2);
    byte[] rest = java.util.Arrays.copyOfRange(whole, half.length, whole.length);
    assertThat(piece(id, 0, half).body().path("received").asInt()).isEqualTo(half.length);
    assertThat(server.measured(delivery).path("files")).isEmpty();
    // The page was closed, and begins again.
    JsonNode again = server.post(begin, file).body();
    assertThat(again.path("id").asString()).isEqualTo(id);
    assertThat(again.path("received").asInt()).isEqualTo(half.length);
    Answer wrong = piece(id, 0, half);
    assertThat(wrong.status()).isEqualTo(409);
    assertThat(wrong.detail()).contains("go on from there");
    Answer last = piece(id, half.length, rest);
    assertThat(last.body().path("files")).hasSize(1);
    JsonNode taken = file(server.measured(delivery), "Long take.wav");
    assertThat(taken.path("audio").path("seconds").asDouble()).isEqualTo(1);
    // A page that did not hear it asks what became of it, and a piece sent again is not taken.
    assertThat(piece(id, whole.length, rest).status()).isEqualTo(409);
    JsonNode became = server.get("/api/uploads/" + id).body();
    assertThat(became.path("done").asBoolean()).isTrue();
    assertThat(became.path("files")).isEqualTo(last.body().path("files"));
    try (var left = Files.list(server.data().resolve("uploads"))) {
      assertThat(left).isEmpty();
    }
  }

  @Test
  void whatHasArrivedWholeIsTakenInThoughNobodySendsOn() throws IOException {
    byte[] whole = noise(9, 1);
    String id = beginTake(whole.length, 1);
    // What a kill between the last piece and its taking in leaves behind.
    Files.write(server.data().resolve("uploads").resolve(id + ".part"), whole);
    RunningServer.waitUntil(() -> server.get("/api/uploads/" + id).body().path("done").asBoolean());
    assertThat(server.measured(delivery).path("files").findValuesAsString("name"))
        .containsExactly("Take.wav");
    // Another take, of the same name and length, is begun anew; the same one that is on its way is
    // not.
    String other = beginTake(whole.length, 2);
    assertThat(other).isNotEqualTo(id);
    assertThat(beginTake(whole.length, 2)).isEqualTo(other);
  }

  @Test
  void aZipThatNoRoomWasLeftToUnpackStaysWholeAndIsUnpackedWhenThereIs() throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      put(zip, "Kick.wav", noise(12, 1));
    }
    String id = beginTake(bytes.size(), 3);
    Answer full;
    DiskSpace space = server.bean(DiskSpace.class);
    space.leaveFree(Long.MAX_VALUE / 2);
    try {
      full = piece(id, 0, bytes.toByteArray());
      assertThat(server.get("/api/uploads/" + id).body().path("received").asInt()).isZero();
      Files.write(server.data().resolve("uploads").resolve(id + ".part"), bytes.toByteArray());
      server.bean(Uploads.class).takeInWhatIsWhole();
      assertThat(server.get("/api/uploads/" + id).body().path("done").asBoolean()).isFalse();
      assertThat(server.measured(delivery).path("files")).isEmpty();
    } finally {
      space.leaveFree();
    }
    assertThat(full.status()).isEqualTo(507);
    assertThat(full.detail()).contains("There is no room", "Free some space");
    RunningServer.waitUntil(() -> server.get("/api/uploads/" + id).body().path("done").asBoolean());
    assertThat(server.measured(delivery).path("files").findValuesAsString("name"))
        .containsExactly("Take.wav/Kick.wav");
  }

  private String beginTake(int bytes, long changed) {
    Map<String, Object> file = Map.of("name", "Take.wav", "bytes", bytes, "changed", changed);
    return server
        .post("/api/deliveries/" + delivery + "/uploads", file)
        .body()
        .path("id")
        .asString();
  }

  @Test
  void whatTheStoreLostOrDamagedIsToldAndHealsWhenItIsSentAgain() throws Exception {
    send("Kick.wav", noise(10, 1));
    server.measured(delivery);
    server.post("/api/deliveries/" + delivery + "/seat", RunningServer.basedOn(1));
    Path stored = stored(noise(10, 1));
    byte[] flipped = Files.readAllBytes(stored);
    flipped[flipped.length / 2] ^= 1;
    Files.write(stored, flipped);
    assertThat(printed())
        .startsWith("failed")
        .contains("“Kick.wav” is damaged", "send its delivery again");
    assertThat(send("Kick.wav", noise(10, 1)).status()).isEqualTo(200);
    assertThat(printed()).startsWith("done");
    Files.delete(stored);
    assertThat(printed()).startsWith("failed").contains("“Kick.wav” is not in the audio store");
    assertThat(send("Kick.wav", noise(10, 1)).status()).isEqualTo(200);
    assertThat(printed()).startsWith("done");
    assertThat(server.measured(delivery).path("files")).hasSize(1);
  }

  private static Path stored(byte[] content) {
    MessageDigest digest = Sha256.digest();
    digest.update(content);
    String hash = Sha256.hex(digest);
    return server.data().resolve("audio").resolve(hash.substring(0, 2)).resolve(hash);
  }

  private String printed() {
    String path =
        "/api/prints/"
            + server
                .post("/api/mixes/" + mix + "/prints", Map.of("outputs", List.of("out-drums")))
                .body()
                .path("id")
                .asString();
    RunningServer.waitUntil(
        () -> List.of("done", "failed").contains(server.get(path).body().path("state").asString()));
    JsonNode run = server.get(path).body();
    return run.path("state").asString() + ": " + run.path("message").asString("");
  }

  @Test
  void whatIsRefusedIsListedOnceHoweverOftenItIsSent() throws Exception {
    byte[] text = "no audio at all, whoever sends it".getBytes(UTF_8);
    var all = new ArrayList<CompletableFuture<Answer>>();
    for (int i = 0; i < 6; i++) {
      all.add(CompletableFuture.supplyAsync(() -> send("notes.wav", text)));
      byte[] good = noise(11, 1);
      all.add(CompletableFuture.supplyAsync(() -> send("Snare.wav", good)));
    }
    all.forEach(one -> assertThat(one.join().status()).isLessThan(500));
    assertThat(server.measured(delivery).path("files").findValuesAsString("name"))
        .containsExactly("Snare.wav", "notes.wav");
  }

  @Test
  void aZipOfNothingButJunkIsNotListedEntryByEntry() throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      for (int i = 0; i < 700; i++) {
        put(zip, "junk " + i + ".txt", "no audio".getBytes(UTF_8));
      }
    }
    Answer answer = send("junk.zip", bytes.toByteArray());
    assertThat(answer.status()).isEqualTo(422);
    assertThat(answer.detail()).contains("more than 500 files that cannot be used");
    assertThat(server.measured(delivery).path("files").size()).isLessThan(520);
  }

  @Test
  void aPrintedFileThatIsGoneIsToldInWords() throws IOException {
    assertThat(printed()).startsWith("done");
    JsonNode run = server.get("/api/mixes/" + mix + "/prints").body().get(0);
    String path = "/api/prints/" + run.path("id").asString();
    Path file = server.data().resolve("prints").resolve(run.path("id").asString());
    Files.delete(file.resolve("Drums stem.wav"));
    for (String asked : List.of("/files/Drums%20stem.wav", "/zip")) {
      Answer answer = server.get(path + asked);
      assertThat(answer.status()).isEqualTo(404);
      assertThat(answer.detail()).contains("“Drums stem.wav” is not on the disk any more");
    }
  }

  @Test
  void piecesThatAreMoreThanWasAnnouncedOrNoAudioAreRefused() {
    String begin = "/api/deliveries/" + delivery + "/uploads";
    String id =
        server.post(begin, Map.of("name", "a.wav", "bytes", 30)).body().path("id").asString();
    assertThat(piece(id, 0, new byte[31]).detail()).contains("longer than the 30 bytes");
    String text =
        server.post(begin, Map.of("name", "b.wav", "bytes", 30)).body().path("id").asString();
    assertThat(piece(text, 0, new byte[30]).detail()).contains("“b.wav” is no audio file");
    assertThat(server.post(begin, Map.of("name", "../c.wav", "bytes", 30)).status()).isEqualTo(422);
  }

  private static Answer piece(String id, long offset, byte[] content) {
    return server.put(
        "/api/uploads/" + id + "?offset=" + offset, BodyPublishers.ofByteArray(content));
  }

  @Test
  void theReportCanBeSentBackAsPagesAndAsATable() throws IOException {
    float[] x = new float[48_000];
    java.util.Arrays.fill(x, 1000, 1200, 1f);
    send("Flöte 太鼓.wav", wave(x));
    send("notes.wav", "no audio at all".getBytes(UTF_8));
    server.measured(delivery);
    String csv =
        new String(server.get("/api/deliveries/" + delivery + "/report.csv").bytes(), UTF_8);
    assertThat(csv)
        .contains("Flöte 太鼓.wav,winds/flute,")
        .contains("clipped: 200 samples")
        .contains("nothing came");
    byte[] pdf = server.get("/api/deliveries/" + delivery + "/report.pdf").bytes();
    com.lowagie.text.pdf.PdfReader reader = new com.lowagie.text.pdf.PdfReader(pdf);
    String page = new com.lowagie.text.pdf.parser.PdfTextExtractor(reader).getTextFromPage(1);
    assertThat(page)
        .contains("From a client")
        .contains("2 files received, 2 with findings")
        .contains("clipped: 200 samples")
        .contains("Seats that nothing came for");
  }

  @Test
  void whatIsPutIntoTheInboxBecomesADeliveryOfItsSession() throws IOException {
    // Sessions of one name are told apart by their ids.
    Shelf shelf = server.bean(Shelf.class);
    String template = shelf.create(Demo.WEATHERVANE.template(), "test");
    shelf.startSession(template, "Song");
    // Nor is one mixed up with another that is called like its id, or a name no folder can have.
    shelf.startSession(template, mix);
    shelf.startSession(template, "\uD83E\uDD41".repeat(70));
    Path inbox = server.data().resolve("inbox").resolve(mix);
    RunningServer.waitUntil(() -> Files.isDirectory(inbox));
    Path entry = Files.createDirectories(inbox.resolve("From the client/Drums"));
    Path kick = Files.write(entry.resolve("Kick In.wav"), noise(1, 1));
    Files.writeString(entry.resolve("notes.txt"), "no audio at all in here");
    Files.createSymbolicLink(entry.resolve("link.wav"), kick);
    Path taken = inbox.resolve("taken/From the client/Drums/Kick In.wav");
    RunningServer.waitUntil(() -> Files.exists(taken));
    JsonNode line = server.get("/api/mixes/" + mix + "/deliveries").body().get(0);
    assertThat(line.path("name").asString()).isEqualTo("From the client");
    JsonNode view = server.measured(line.path("id").asString());
    assertThat(view.path("files").findValuesAsString("name"))
        .containsExactlyInAnyOrder(
            "From the client/Drums/Kick In.wav", "From the client/Drums/notes.txt");
    assertThat(file(view, "From the client/Drums/Kick In.wav").path("place").path("act").asString())
        .isEqualTo("takes");
    assertThat(Files.list(inbox)).containsExactly(inbox.resolve("taken"));
  }

  @Test
  void anEntryThatCannotBeTakenHoldsUpNoOtherAndALongNameIsOneDelivery() throws IOException {
    Shelf shelf = server.bean(Shelf.class);
    mix = shelf.startSession(shelf.create(Demo.WEATHERVANE.template(), "test"), "Watched");
    Path inbox = Files.createDirectories(server.data().resolve("inbox/Watched"));
    // No folder of this program's, though it is called so.
    Path stranger = Files.writeString(inbox.resolve(".taking-stranger"), "not a folder");
    String name = "Flöte 太鼓 " + "x".repeat(220) + ".wav";
    Files.write(inbox.resolve(name), noise(1, 1));
    Files.createDirectories(inbox.resolve("taken"));
    Files.write(inbox.resolve("taken").resolve(name), noise(2, 1));
    RunningServer.waitUntil(() -> !Files.exists(inbox.resolve(name)) && isTaken(inbox));
    JsonNode opened = server.get("/api/mixes/" + mix + "/deliveries").body();
    assertThat(opened.findValuesAsString("name")).containsExactly(Limits.shortened(name, 200));
    String id = opened.get(0).path("id").asString();
    assertThat(inbox.resolve("taken").resolve(id).resolve(name)).exists();
    JsonNode file = server.measured(id).path("files").get(0);
    assertThat(file.path("name").asString()).isEqualTo(name);
    assertThat(file.path("place").path("act").asString()).isNotEmpty();
    assertThat(stranger).exists();
  }

  private static boolean isTaken(Path inbox) {
    try (Stream<Path> all = Files.list(inbox)) {
      return all.filter(Files::isDirectory).allMatch(folder -> folder.endsWith("taken"));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private JsonNode wish(String file, Map<String, String> wish) {
    String id = file(server.get("/api/deliveries/" + delivery).body(), file).path("id").asString();
    Map<String, Object> change = new java.util.HashMap<>(Map.of("files", List.of(id)));
    change.put("wish", wish);
    Answer answer = server.post("/api/deliveries/" + delivery + "/wishes", change);
    return answer.body();
  }

  @Test
  void aCopyUnderAnotherNameIsToldAndSeatedOnce() throws IOException {
    send("Kick In.wav", noise(1, 1));
    send("Kick In copy.wav", noise(1, 1));
    JsonNode view = server.measured(delivery);
    assertThat(act(file(view, "Kick In.wav"))).isEqualTo("takes");
    JsonNode second = file(view, "Kick In copy.wav");
    assertThat(act(second)).isEqualTo("left out");
    assertThat(second.path("audio").path("notes").get(0).asString())
        .isEqualTo("the same, bit for bit, as “Kick In.wav”");
  }

  @Test
  void filesGoWhereAPersonWantsThemAndBack() throws IOException {
    send("Kick In.wav", noise(1, 1));
    send("Kick Out.wav", noise(2, 1));
    JsonNode planned = server.measured(delivery);
    String in = file(planned, "Kick In.wav").path("place").path("seat").asString();
    JsonNode swapped = wish("Kick Out.wav", Map.of("kind", "seat", "channel", in));
    assertThat(file(swapped, "Kick Out.wav").path("place").path("seat").asString()).isEqualTo(in);
    assertThat(file(swapped, "Kick Out.wav").path("place").path("wished").asBoolean()).isTrue();
    assertThat(file(swapped, "Kick In.wav").path("place").path("seat").asString()).isNotEqualTo(in);
    assertThat(act(file(wish("Kick In.wav", Map.of("kind", "left out")), "Kick In.wav")))
        .isEqualTo("left out");
    JsonNode added = wish("Kick In.wav", Map.of("kind", "new seat", "channel", "drums"));
    assertThat(act(file(added, "Kick In.wav"))).isEqualTo("adds");
    JsonNode back = file(wish("Kick Out.wav", null), "Kick Out.wav").path("place");
    assertThat(back.path("wished").asBoolean()).isFalse();
    assertThat(wish("Kick In.wav", Map.of("kind", "seat", "channel", "no such")).path("detail"))
        .hasToString("\"This Mix has no channel “no such”.\"");
    assertThat(
            wish("Kick In.wav", Map.of("kind", "seat", "channel", "drums"))
                .path("detail")
                .asString())
        .contains("is no free seat");
  }

  @Test
  void everySeatIsShownAsThePlanLeavesItAndNamedByThePattern() throws IOException {
    send("Kick In.wav", noise(1, 1));
    server.measured(delivery);
    String path = "/api/deliveries/" + delivery + "/seat-names";
    JsonNode view = server.put(path, Map.of("pattern", "{seat} – {file}")).body();
    JsonNode taken = null;
    int stowed = 0;
    for (JsonNode seat : view.path("seats")) {
      if (seat.path("state").asString().equals("taken")) {
        taken = seat;
      } else if (seat.path("state").asString().equals("stowed")) {
        stowed++;
      }
    }
    assertThat(taken.path("name").asString()).isEqualTo("Kick in – Kick In");
    assertThat(taken.path("calledBefore").asString()).isEqualTo("Kick in");
    assertThat(taken.path("files")).hasSize(1);
    assertThat(stowed).isGreaterThan(10);
    assertThat(server.put(path, Map.of("pattern", "{nonsense}")).status()).isEqualTo(422);
  }

  @Test
  void twoHalvesBecomeOneStereoSeatAndDeadAirIsCut() throws IOException {
    float[] left = new float[480_000];
    float[] right = new float[480_000];
    java.util.Random random = new java.util.Random(4);
    for (int i = 48_000; i < 96_000; i++) {
      left[i] = random.nextFloat() - 0.5f;
      right[i + 96_000] = random.nextFloat() - 0.5f;
    }
    send("Harmonium.L.wav", wave(left));
    send("Harmonium.R.wav", wave(right));
    JsonNode view = server.measured(delivery);
    assertThat(act(file(view, "Harmonium.R.wav"))).isEqualTo("joins");
    assertThat(file(view, "Harmonium.L.wav").path("steps").findValuesAsString("kind"))
        .containsExactly("join", "trim");
    server.post("/api/deliveries/" + delivery + "/seat", RunningServer.basedOn(1));
    JsonNode seat = channel("Harmonium");
    assertThat(seat.path("layout").asString()).isEqualTo("stereo");
    JsonNode clip = seat.path("clips").get(0);
    // Sound from 1 s to 4 s, with handles of 0.5 s and 1.5 s; no cut is worth it at the start.
    assertThat(clip.path("sourceIn").asLong(0)).isZero();
    assertThat(clip.path("sourceOut").asLong()).isEqualTo(264_000);
    assertThat(clip.path("fadeOut").asLong()).isEqualTo(24_000);
    JsonNode after = server.get("/api/deliveries/" + delivery).body();
    assertThat(after.path("files").findValuesAsString("seatedOn"))
        .containsExactly("Harmonium", "Harmonium");

    assertThat(after.path("times").path("set").asBoolean()).isFalse();
    String times = "/api/deliveries/" + delivery + "/times";
    assertThat(server.post(times, RunningServer.basedOn(2)).body().path("revision").asInt())
        .isEqualTo(3);
    JsonNode set = server.get("/api/deliveries/" + delivery).body().path("times");
    assertThat(set.path("set").asBoolean()).isTrue();
    assertThat(set.path("endSeconds").asDouble()).isEqualTo(8.5);
    JsonNode report = server.get("/api/deliveries/" + delivery + "/report").body();
    assertThat(report.path("summary").asString()).startsWith("2 files received");
    assertThat(report.path("lines").findValuesAsString("goesTo"))
        .containsExactly("Harmonium", "Harmonium");
  }
}
