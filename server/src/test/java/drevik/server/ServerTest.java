package drevik.server;

import static java.nio.charset.StandardCharsets.US_ASCII;
import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import drevik.demo.Demo;
import drevik.mix.Mix;
import drevik.server.RunningServer.Answer;
import drevik.server.mix.Shelf;
import drevik.starters.Starters;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** The application over HTTP, on a real database. */
class ServerTest {
  @RegisterExtension static final RunningServer server = new RunningServer();

  @TempDir Path folder;

  private static String session() {
    Shelf shelf = server.bean(Shelf.class);
    String template = shelf.create(Demo.WEATHERVANE.template(), "test");
    return shelf.startSession(template, "Test song");
  }

  private static String delivery(String mix) {
    return server
        .post("/api/mixes/" + mix + "/deliveries", Map.of("name", "From the client"))
        .body()
        .path("id")
        .asString();
  }

  /** A tone of its own for each name: one content under two names would be a copy. */
  private Path tone(String name, int rate) throws IOException {
    Path file = folder.resolve("t.wav");
    float[][] audio = new float[1][rate];
    double step = 0.05 + Math.floorMod(name.hashCode(), 997) * 1e-5;
    for (int i = 0; i < rate; i++) {
      audio[0][i] = (float) (0.3 * Math.sin(i * step));
    }
    try (WavWriter writer = WavWriter.create(file, SampleFormat.PCM_24, rate, Layout.MONO)) {
      writer.write(audio, 0, rate);
    }
    return file;
  }

  private Answer receive(String delivery, String name, int rate) throws IOException {
    return server.upload(delivery, name, BodyPublishers.ofFile(tone(name, rate)));
  }

  @Test
  void theDescriptionThatTheFrontEndIsBuiltFromIsTheServersOwn() throws IOException {
    JsonNode now = server.get("/api/openapi").body();
    Path kept = Path.of("../web/src/api/openapi.json");
    if (Boolean.getBoolean("drevik.update")) {
      Files.writeString(kept, now.toPrettyString() + "\n");
    }
    assertThat(drevik.codec.Documents.mapper().readTree(Files.readString(kept)))
        .as("run the server tests once with -Ddrevik.update=true")
        .isEqualTo(now);
  }

  @Test
  void editsMakeRevisionsAndUndoWalksThem() {
    String mix = session();
    Answer sent =
        server.edit(
            mix,
            1,
            Map.of(
                "edit",
                "send-channels-to",
                "channels",
                List.of("hat", "room"),
                "destination",
                "percussion"));
    assertThat(sent.status()).isEqualTo(200);
    assertThat(sent.body().path("revision").asInt()).isEqualTo(2);
    assertThat(sent.body().path("undo").asString()).isEqualTo("send 2 channels to “Percussion”");
    JsonNode whole = server.get("/api/mixes/" + mix).body();
    Answer undone = server.post("/api/mixes/" + mix + "/undo", shown(2));
    assertThat(undone.body().path("revision").asInt()).isEqualTo(1);
    assertThat(undone.body().path("redo").asString()).contains("Percussion");
    JsonNode first = server.get("/api/mixes/" + mix).body();
    assertThat(channel(first, "hat").path("output").asString()).isEqualTo("drums");
    server.post("/api/mixes/" + mix + "/redo", shown(1));
    assertThat(server.get("/api/mixes/" + mix).body()).isEqualTo(whole);
    assertThat(server.post("/api/mixes/" + mix + "/redo", shown(2)).detail())
        .contains("nothing to redo");
  }

  @Test
  void anAnswerTellsNoMoreThanWhatIsDifferentFromTheRevisionThatIsShown() {
    String mix = session();
    JsonNode first = server.edit(mix, 1, mute("hat", true)).body();
    assertThat(names(first.path("channels"))).containsExactly("Hat");
    assertThat(first.path("findings")).hasSize(1);
    assertThat(first.path("facts")).isEmpty();
    for (String same : List.of("order", "rest", "flow")) {
      assertThat(first.path(same).isMissingNode()).as(same).isTrue();
    }
    // Somebody else still shows the first revision: the answer covers both edits.
    JsonNode second =
        server
            .edit(mix, 1, Map.of("edit", "duplicate-channels", "channels", List.of("room")))
            .body();
    assertThat(second.path("from").asInt()).isEqualTo(1);
    assertThat(names(second.path("channels"))).containsExactly("Hat", "Room 2");
    int channels = server.get("/api/mixes/" + mix).body().path("document").path("channels").size();
    assertThat(second.path("order")).hasSize(channels);
    assertThat(second.path("flow").path("ribbons")).isNotEmpty();
    JsonNode third = server.edit(mix, 3, rename("Renamed")).body();
    assertThat(third.path("rest").path("name").asString()).isEqualTo("Renamed");
    assertThat(third.path("channels")).isEmpty();
    JsonNode since = server.get("/api/mixes/" + mix + "/changes?from=2").body();
    assertThat(names(since.path("channels"))).containsExactly("Room 2");
    assertThat(since.path("revision").asInt()).isEqualTo(4);
    assertThat(server.get("/api/mixes/" + mix + "/changes?from=9").detail())
        .contains("no revision 9");
  }

  private static JsonNode channel(JsonNode view, String id) {
    return view.path("document")
        .path("channels")
        .valueStream()
        .filter(channel -> channel.path("id").asString().equals(id))
        .findFirst()
        .orElseThrow();
  }

  private static List<String> names(JsonNode channels) {
    return channels.valueStream().map(channel -> channel.path("name").asString()).toList();
  }

  private static Map<String, Object> shown(int revision) {
    return RunningServer.basedOn(revision);
  }

  @Test
  void aStaleEditIsMadeAgainWhereItStillAppliesElseBothSidesAreShown() {
    String mix = session();
    server.edit(mix, 1, Map.of("edit", "remove-channels", "channels", List.of("hat")));
    Answer other = server.edit(mix, 1, mute("room", true));
    assertThat(other.status()).isEqualTo(200);
    assertThat(other.body().path("revision").asInt()).isEqualTo(3);
    Answer same = server.edit(mix, 1, mute("hat", true));
    assertThat(same.status()).isEqualTo(409);
    assertThat(same.detail()).contains("mute “Hat”").contains("revision 3");
  }

  @Test
  void whatCannotBeIsRefusedInWordsAndChangesNothing() {
    String mix = session();
    Answer loop =
        server.edit(
            mix,
            1,
            Map.of(
                "edit", "send-channels-to", "channels", List.of("master"), "destination", "drums"));
    assertThat(loop.status()).isEqualTo(422);
    assertThat(loop.detail()).contains("loop").contains("Drums → Mix → Master → Drums");
    assertThat(server.edit(mix, 1, Map.of("edit", "no-such-edit")).status()).isEqualTo(400);
    assertThat(server.postText("/api/mixes/" + mix + "/edits", "{").status()).isEqualTo(400);
    assertThat(server.get("/api/mixes/nobody").detail()).contains("nobody");
    assertThat(server.get("/api/mixes/" + mix).body().path("revision").asInt()).isEqualTo(1);
  }

  private static Map<String, Object> mute(String channel, boolean on) {
    return Map.of("edit", "set-channels", "channels", List.of(channel), "set", Map.of("mute", on));
  }

  private static Map<String, Object> rename(String name) {
    return Map.of("edit", "change-mix", "set", Map.of("name", name));
  }

  @Test
  void findingsAndTheirMendsComeWithTheMix() {
    String mix = session();
    assertThat(server.get("/api/mixes/" + mix).body().path("findings")).isEmpty();
    JsonNode muted = server.edit(mix, 1, mute("hat", true)).body();
    JsonNode finding = muted.path("findings").get(0);
    assertThat(finding.path("rule").asString()).isEqualTo("muted");
    assertThat(finding.path("where").get(0).asString()).isEqualTo("hat");
    JsonNode mend = finding.path("mends").get(0).path("edit");
    assertThat(server.edit(mix, 2, mend).body().path("findings")).isEmpty();
  }

  @Test
  void whatAnEditWouldDoToTheFindingsIsToldAndNothingIsChanged() {
    String path = "/api/mixes/" + session();
    JsonNode before = server.get(path).body();
    Answer preview = server.post(path + "/preview", Map.of("edit", mute("hat", true)));
    assertThat(preview.body().path("come").toString()).contains("\"muted\"");
    assertThat(preview.body().path("gone")).isEmpty();
    assertThat(server.get(path).body()).isEqualTo(before);
    Answer refused = server.post(path + "/preview", Map.of("edit", mute("nobody", true)));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.detail()).isNotBlank();
  }

  private static Map<String, Object> saying(String category, String field, String text) {
    return Map.of(
        "edit",
        "say-of-map",
        "cells",
        List.of(Map.of("entry", category, "field", field, "text", text)));
  }

  @Test
  void whatAChangeOfTheCategoryMapWouldDoIsToldAndThenDone() {
    String path = "/api/mixes/" + session();
    JsonNode map = server.get(path + "/map").body();
    assertThat(map.path("columns").findValuesAsString("id")).contains("destination", "sends");
    assertThat(map.path("rows").toString())
        .contains("{\"own\":\"\",\"inherited\":\"Drums\",\"from\":\"drums\"}");
    Map<String, Object> edit = saying("drums", "destination", "Percussion");
    JsonNode effect = server.post(path + "/effect", Map.of("edit", edit)).body();
    assertThat(server.get(path).body().path("revision").asInt()).isEqualTo(1);
    int lines = effect.path("lines").size();
    assertThat(lines).isPositive();
    assertThat(effect.path("fields").path("Sent to").asInt()).isEqualTo(lines);
    assertThat(effect.path("moves").get(0).path("to").asString()).isEqualTo("Percussion");
    assertThat(effect.path("coverage")).isNotEmpty();
    Answer done =
        server.post(
            path + "/seen-edits", Map.of("id", "r1", "basedOn", 1, "seen", 1, "edit", edit));
    assertThat(done.body().path("channels")).hasSize(lines);
    JsonNode hat = server.get(path + "/channels/hat/decisions").body().get(0);
    assertThat(hat.path("says").asString()).isEqualTo("Percussion");
    assertThat(hat.path("by").asString()).isEqualTo("from the category map: drums");
    assertThat(server.get(path + "/map/document").body().path("entries").toString())
        .contains("\"destination\":\"Percussion\"");
  }

  @Test
  void whatWouldDoSomethingElseThanWasSeenIsNotDone() {
    String mix = session();
    String path = "/api/mixes/" + mix;
    Map<String, Object> edit = saying("drums", "destination", "Percussion");
    server.edit(mix, 1, mute("kick-in", true));
    Map<String, Object> asked = Map.of("id", "s1", "basedOn", 2, "seen", 1, "edit", edit);
    assertThat(server.post(path + "/seen-edits", asked).status())
        .as("another field of another thing makes no difference")
        .isEqualTo(200);
    server.post(path + "/undo", shown(3));
    server.edit(
        mix,
        2,
        Map.of(
            "edit", "send-channels-to", "channels", List.of("hat"), "destination", "percussion"));
    Answer refused =
        server.post(
            path + "/seen-edits", Map.of("id", "s2", "basedOn", 4, "seen", 2, "edit", edit));
    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.detail())
        .contains("What it would change is another now", "no longer Hat, sent to", "Look at it");
    JsonNode hat = server.get(path + "/channels/hat/decisions").body().get(0);
    assertThat(hat.path("pinned").asBoolean()).isTrue();
    assertThat(hat.path("pinnedBy").asString()).isEqualTo("send “Hat” to “Percussion”");
    assertThat(hat.path("pinnedAt").asString()).startsWith("20");
    Answer nonsense =
        server.post(
            path + "/effect", Map.of("edit", saying("drums", "destination", "Nowhere at all")));
    assertThat(nonsense.status()).isEqualTo(422);
    assertThat(nonsense.detail()).isEqualTo("drums: There is no bus “Nowhere at all”.");
  }

  @Test
  void settingsAreUnderstoodAndDrawnByTheServer() {
    String cut = "/api/processors/equaliser/parameters/low-cut/typed?tempo=120&text=";
    assertThat(server.get(cut + "1.2k").body().path("value").asDouble()).isEqualTo(1200);
    assertThat(server.get(cut + "5").detail()).contains("20 to 2000 Hz, or off");
    assertThat(server.get("/api/processors/none/parameters/x/typed?tempo=120&text=1").status())
        .isEqualTo(404);
    String mix = session();
    Map<String, Object> delay =
        Map.of("id", "d", "processor", "tempo-delay", "on", true, "settings", Map.of("beats", 1));
    Map<String, Object> chain = Map.of("chain", Map.of("added", List.of(Map.of("item", delay))));
    Map<String, Object> set =
        Map.of("edit", "set-channels", "channels", List.of("hat"), "set", chain);
    assertThat(server.edit(mix, 1, set).status()).isEqualTo(200);
    JsonNode drawn =
        server.get("/api/mixes/" + mix + "/channels/hat/pictures").body().path("each").path("d");
    assertThat(drawn.path("stems").asBoolean()).isTrue();
    // A beat at the 96 bpm of the session.
    assertThat(drawn.path("lines").path(0).path("points").path(0).path("x").asDouble())
        .isEqualTo(0.625);
    assertThat(server.get("/api/mixes/" + mix + "/channels/nobody/pictures").status())
        .isEqualTo(404);
  }

  @Test
  void whatBecomesOfNamesIsToldBeforeChannelsAreMadeOrRenamed() {
    String path = "/api/mixes/" + session();
    JsonNode before = server.get(path).body();
    Map<String, Object> create = Map.of("edit", "create-channels", "names", List.of("Snare top"));
    JsonNode named = server.post(path + "/named", Map.of("edit", create)).body();
    assertThat(named.path(0).path("category").asString()).isEqualTo("drums/snare");
    assertThat(named.path(0).path("because")).isNotEmpty();
    Map<String, Object> backwards =
        Map.of("edit", "create-channels", "names", List.of("Bus [9-1]"));
    Answer refused = server.post(path + "/named", Map.of("edit", backwards));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.detail()).contains("runs forwards");
    Map<String, Object> rename =
        Map.of("edit", "rename-channels", "names", Map.of("hat", "Lead vox"));
    JsonNode renamed = server.post(path + "/renamed", Map.of("edit", rename)).body();
    assertThat(renamed.isArray()).isTrue();
    assertThat(server.get(path).body()).isEqualTo(before);
  }

  @Test
  void anOutlineIsToldPreviewedAndMadeAsOneRevision() {
    String mix = session();
    String path = "/api/mixes/" + mix;
    JsonNode before = server.get(path).body();
    JsonNode outline = server.get(path + "/outline").body();
    String text = outline.path("text").asString();
    assertThat(outline.path("revision").asInt()).isEqualTo(1);
    assertThat(outline.path("lines"))
        .hasSize((int) text.lines().filter(line -> !line.startsWith("&")).count());
    Map<String, Object> same = Map.of("basedOn", 1, "text", text);
    JsonNode nothing = server.post(path + "/outline/preview", same).body();
    assertThat(nothing.path("differences")).isEmpty();
    assertThat(nothing.path("faults")).isEmpty();

    String edited = text.replace("Hat", "Hi-hat").replace("Rack tom", "Rack tom\n      Gong");
    Map<String, Object> draft = Map.of("basedOn", 1, "text", edited);
    JsonNode preview = server.post(path + "/outline/preview", draft).body();
    assertThat(preview.path("says").asString()).contains("add the channel “Gong”");
    assertThat(preview.path("change").path("order")).isNotEmpty();
    assertThat(server.get(path).body()).isEqualTo(before);
    Map<String, Object> wrong = Map.of("basedOn", 1, "text", edited + "Hat >Nowhere\n");
    JsonNode fault = server.post(path + "/outline/preview", wrong).body().path("faults").path(0);
    assertThat(fault.path("says").asString()).contains("no line “Nowhere”");
    assertThat(fault.path("line").asInt()).isEqualTo((int) edited.lines().count() + 1);

    // Somebody else has set something meanwhile: it stays.
    Map<String, Object> fader =
        Map.of("edit", "set-channels", "channels", List.of("hat"), "set", Map.of("faderDb", -7.5));
    server.edit(mix, 1, fader);
    Map<String, Object> request = Map.of("id", "once", "basedOn", 2, "draft", draft);
    JsonNode made = server.post(path + "/outline", request).body();
    assertThat(made.path("revision").asInt()).isEqualTo(3);
    JsonNode after = server.get(path + "/outline").body();
    assertThat(after.path("text").asString()).isEqualTo(edited);
    for (JsonNode channel : server.get(path).body().path("document").path("channels")) {
      if (channel.path("id").asString().equals("hat")) {
        assertThat(channel.path("name").asString()).isEqualTo("Hi-hat");
        assertThat(channel.path("faderDb").asDouble()).isEqualTo(-7.5);
      }
    }
    assertThat(server.post(path + "/outline", request).body().path("revision").asInt())
        .as("asked again, it is not done again")
        .isEqualTo(3);
    Map<String, Object> silent = Map.of("basedOn", 3);
    assertThat(
            server
                .post(path + "/outline", Map.of("id", "x", "basedOn", 3, "draft", silent))
                .status())
        .isEqualTo(422);
    Map<String, Object> mixed = Map.of("basedOn", 3, "text", "A\n B\n\tC");
    Answer bad = server.post(path + "/outline", Map.of("id", "y", "basedOn", 3, "draft", mixed));
    assertThat(bad.status()).isEqualTo(422);
    assertThat(bad.detail()).contains("Line 3").contains("tabs");
  }

  @Test
  void chainsAreKeptRemovedBroughtBackAndPutOnChannels() {
    String mix = session();
    JsonNode fitting = server.get("/api/chains?category=vocals/lead").body();
    JsonNode forReturns = server.get("/api/chains?category=unknown&kind=return").body();
    assertThat(forReturns.get(0).get("chain").get("category").asString()).isEqualTo("print/return");
    assertThat(fitting.path(0).path("chain").path("category").asString()).isEqualTo("vocals/lead");
    Map<String, Object> wanted =
        Map.of("mix", mix, "channel", "master", "name", "Mine", "category", "print", "purpose", "");
    JsonNode kept = null;
    for (JsonNode line : server.post("/api/chains", wanted).body()) {
      kept = line.path("chain").path("name").asString().equals("Mine") ? line : kept;
    }
    assertThat(kept.path("chain").path("chain")).hasSize(3);
    int chains = server.get("/api/chains").body().size();
    assertThat(server.post("/api/chains", wanted).body())
        .as("kept again under its name, it is in its own place")
        .hasSize(chains);
    Map<String, Object> none = new HashMap<>(wanted);
    none.put("channel", "kick-in");
    assertThat(server.post("/api/chains", none).detail()).contains("has no chain");
    none.put("channel", "nobody");
    assertThat(server.post("/api/chains", none).status()).isEqualTo(404);
    Map<String, Object> put =
        Map.of("edit", "put-chain", "chain", kept.path("chain"), "channels", List.of("hat"));
    JsonNode changed = server.edit(mix, 1, put).body();
    assertThat(changed.path("channels").path(0).path("chain")).hasSize(3);
    assertThat(changed.path("undo").asString()).isEqualTo("put the chain “Mine” on “Hat”");
    String there = "/api/space/chain/" + kept.path("id").asString();
    assertThat(server.delete(there).status()).isEqualTo(200);
    assertThat(server.get("/api/chains").body().toString()).contains("removedAt");
    assertThat(server.post(there + "/back", Map.of()).status()).isEqualTo(200);
    assertThat(server.get("/api/chains").body().toString()).doesNotContain("removedAt");
  }

  @Test
  void whatIsKeptIsRenamedAndGoesThroughAFile() {
    String mix = session();
    Map<String, Object> wanted =
        Map.of("mix", mix, "channel", "master", "name", "Kept", "category", "print", "purpose", "");
    server.post("/api/chains", wanted);
    server.post("/api/maps", Map.of("mix", mix, "name", "Kept"));
    for (String shelf : List.of("/api/chains", "/api/maps")) {
      JsonNode line =
          server
              .get(shelf)
              .body()
              .valueStream()
              .filter(
                  one -> one.at("/chain/name").asString(one.path("name").asString()).equals("Kept"))
              .findFirst()
              .orElseThrow();
      String one = shelf + "/" + line.path("id").asString();
      int count = server.get(shelf).body().size();
      assertThat(server.post(one + "/name", Map.of("name", "Kept two")).status()).isEqualTo(200);
      assertThat(server.post(one + "/name", Map.of("name", " ")).status()).isEqualTo(422);
      JsonNode file = server.get(one + "/document").body();
      assertThat(file.path("name").asString()).isEqualTo("Kept two");
      String text = file.toString().replace("Kept two", "Kept three");
      Answer read = server.post(shelf + "/files", Map.of("text", text));
      assertThat(read.body()).hasSize(count + 1);
      assertThat(server.post(shelf + "/files", Map.of("text", text)).body())
          .as("read again, it is in its own place")
          .hasSize(count + 1);
      assertThat(server.post(one + "/name", Map.of("name", "KEPT three")).detail())
          .contains("choose another");
      assertThat(server.post(shelf + "/files", Map.of("text", "{}")).status()).isEqualTo(422);
    }
  }

  @Test
  void revisionsAreKeptAsChangesAndReadAsTheyWere() {
    String mix = session();
    JdbcClient jdbc = server.bean(JdbcClient.class);
    for (int i = 1; i <= 30; i++) {
      Map<String, Object> set = Map.of("faderDb", -i);
      assertThat(
              server
                  .edit(
                      mix,
                      i,
                      Map.of("edit", "set-channels", "channels", List.of("hat"), "set", set))
                  .status())
          .isEqualTo(200);
    }
    assertThat(
            jdbc.sql("select count(*) from mix_revision where mix_id = ? and document is not null")
                .param(mix)
                .query(Integer.class)
                .single())
        .as("the first, and one behind 24 changes")
        .isEqualTo(2);
    assertThat(
            jdbc.sql("select max(length(changes::text)) from mix_revision where mix_id = ?")
                .param(mix)
                .query(Integer.class)
                .single())
        .isLessThan(200);
    // Under another id nothing of it is kept in memory.
    for (String table : List.of("mix", "mix_revision")) {
      String id = table.equals("mix") ? "id" : "mix_id";
      jdbc.sql(
              "insert into %1$s select (jsonb_populate_record(r, '{\"%2$s\":\"as-kept\"}')).* from %1$s r where %2$s = ?"
                  .formatted(table, id))
          .param(mix)
          .update();
    }
    JsonNode read = server.get("/api/mixes/as-kept").body().path("document");
    assertThat(read.toString())
        .isEqualTo(server.get("/api/mixes/" + mix).body().path("document").toString())
        .contains("\"faderDb\":-30.0");
  }

  @Test
  void mapsAreKeptComparedRemovedAndBroughtBack() {
    String mix = session();
    JsonNode kept =
        server.post("/api/maps", Map.of("mix", mix, "name", "As delivered")).body().path(0);
    assertThat(kept.path("name").asString()).isEqualTo("As delivered");
    assertThat(kept.path("entries").asInt()).isPositive();
    assertThat(server.post("/api/maps", Map.of("mix", mix, "name", " ")).detail())
        .contains("write one");
    JsonNode one = server.get("/api/maps/" + kept.path("id").asString()).body();
    Map<String, Object> cell = Map.of("entry", "drums/kick", "field", "trimDb", "text", "-4,5");
    assertThat(server.edit(mix, 1, Map.of("edit", "say-of-map", "cells", List.of(cell))).status())
        .isEqualTo(200);
    JsonNode now = server.get("/api/mixes/" + mix + "/map/document").body();
    JsonNode lines = server.post("/api/maps/differences", Map.of("one", one, "other", now)).body();
    assertThat(lines).hasSize(1);
    assertThat(lines.path(0).path("other").asString()).isEqualTo("−4.5");
    Map<String, Object> back = Map.of("edit", "put-map", "map", one, "inOrder", false);
    assertThat(server.edit(mix, 2, back).status()).isEqualTo(200);
    JsonNode again = server.get("/api/mixes/" + mix + "/map/document").body();
    assertThat(server.post("/api/maps/differences", Map.of("one", one, "other", again)).body())
        .isEmpty();
    String there = "/api/space/map/" + kept.path("id").asString();
    assertThat(server.delete(there).status()).isEqualTo(200);
    assertThat(server.get("/api/maps").body().toString()).contains("removedAt");
    assertThat(server.post(there + "/back", Map.of()).status()).isEqualTo(200);
    assertThat(server.get("/api/maps").body().toString()).doesNotContain("removedAt");
    assertThat(server.delete(there).status()).isEqualTo(200);
    assertThat(server.delete(there + "/for-good").status()).isEqualTo(200);
    assertThat(server.get("/api/maps/" + kept.path("id").asString()).status()).isEqualTo(404);
    assertThat(
            server
                .post("/api/mixes/" + mix + "/meant", Map.of("channels", List.of(), "words", "hat"))
                .body()
                .toString())
        .contains("hat");
  }

  @Test
  void whatCanStandInAnOutlineIsOfferedAndListsBecomeLines() {
    Map<String, Object> place = Map.of("text", "Kick :ste", "line", 1, "column", 9);
    JsonNode offered = server.post("/api/outline/completion", place).body();
    assertThat(offered.path("from").asInt()).isEqualTo(6);
    assertThat(offered.path("choices").toString()).contains("stereo");
    Map<String, Object> list = Map.of("text", "1 Kick\n2 Snare\n3 Hat");
    assertThat(server.post("/api/outline/pasted", list).body().path("text").asString())
        .isEqualTo("Kick\nSnare\nHat");
  }

  @Test
  void anEditWhoseResultCouldNotBeReadBackIsRefused() {
    String mix = session();
    Map<String, Object> nameless = Map.of("id", "x", "on", true, "settings", Map.of());
    Answer refused =
        server.edit(
            mix,
            1,
            Map.of(
                "edit",
                "set-channels",
                "channels",
                List.of("hat"),
                "set",
                Map.of("chain", Map.of("added", List.of(Map.of("item", nameless))))));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.detail()).contains("“Processor” of “Chain”").contains("is missing");
    assertThat(server.get("/api/mixes/" + mix).body().path("revision").asInt()).isEqualTo(1);
  }

  @Test
  void coverageNamesWhatReachesWhatAndByWhichWays() {
    String mix = session();
    JsonNode coverage = server.get("/api/mixes/" + mix + "/coverage").body();
    assertThat(coverage.path("revision").asInt()).isEqualTo(1);
    List<String> kick = new ArrayList<>();
    coverage
        .path("cells")
        .forEach(
            cell -> {
              if (cell.path("channel").asString().equals("kick-in")) {
                kick.add(cell.path("output").asString());
              }
            });
    assertThat(kick).containsExactlyInAnyOrder("out-master", "out-mix", "out-drums");
    String paths = "/api/mixes/" + mix + "/paths?channel=kick-in&output=out-mix";
    assertThat(server.get(paths).body().get(0).toString())
        .isEqualTo("[\"kick-in\",\"kick\",\"drums\",\"mix\"]");
    assertThat(server.get(paths + "x").status()).isEqualTo(404);
  }

  @Test
  void theLedgerIsATableOfTexts() {
    String mix = session();
    JsonNode ledger = server.get("/api/mixes/" + mix + "/ledger").body();
    JsonNode first = ledger.path("rows").get(0);
    assertThat(first.path("channel").asString()).isEqualTo("kick-in");
    assertThat(first.path("cells")).hasSize(ledger.path("columns").size());
    assertThat(first.path("cells").get(0).asString()).isEqualTo("Kick in");
    Answer refused =
        server.edit(
            mix,
            1,
            Map.of(
                "edit",
                "paste-cells",
                "channels",
                List.of("kick-in", "kick-out"),
                "columns",
                List.of("name", "layout"),
                "cells",
                List.of(List.of("Kick A"), List.of("Kick B", "round"))));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.detail())
        .contains("Row 2 (“Kick B”), column “Layout”", "Nothing was changed");
    assertThat(server.get("/api/mixes/" + mix).body().path("revision").asInt()).isEqualTo(1);
  }

  @Test
  void historyIsListedAndAnyRevisionCanBeGoneTo() {
    String mix = session();
    server.edit(mix, 1, mute("hat", true));
    server.edit(mix, 2, mute("room", true));
    JsonNode lines = server.get("/api/mixes/" + mix + "/revisions").body();
    assertThat(lines).hasSize(3);
    assertThat(lines.get(0).path("says").asString()).isEqualTo("mute “Room”");
    JsonNode first = server.post("/api/mixes/" + mix + "/revisions/1", shown(3)).body();
    assertThat(first.path("revision").asInt()).isEqualTo(1);
    assertThat(first.path("findings")).isEmpty();
    assertThat(server.post("/api/mixes/" + mix + "/revisions/3", shown(1)).body().path("findings"))
        .hasSize(2);
    assertThat(server.post("/api/mixes/" + mix + "/revisions/9", shown(3)).status()).isEqualTo(404);
  }

  @Test
  void revisionsHaveNamesAndDifferInWords() {
    String mix = session();
    server.edit(mix, 1, mute("hat", true));
    server.edit(mix, 2, rename("Second take"));
    String second = "/api/mixes/" + mix + "/revisions/2/name";
    JsonNode named = server.post(second, Map.of("name", " Before the chorus ")).body();
    assertThat(named.get(1).path("name").asString()).isEqualTo("Before the chorus");
    assertThat(named.get(0).has("name")).isFalse();
    assertThat(server.post(second, Map.of("name", "x".repeat(201))).detail()).contains("200");
    assertThat(server.post(second, Map.of("name", " ")).body().get(1).has("name")).isFalse();
    Answer nowhere = server.post("/api/mixes/" + mix + "/revisions/8/name", Map.of("name", "No"));
    assertThat(nowhere.status()).isEqualTo(404);
    String differences = "/api/mixes/" + mix + "/differences?from=%d&to=%d";
    List<String> words = new ArrayList<>();
    server.get(differences.formatted(1, 3)).body().forEach(one -> words.add(one.asString()));
    assertThat(words).containsExactly("name: Test song → Second take", "Hat, muted: no → yes");
    assertThat(server.get(differences.formatted(3, 3)).body()).isEmpty();
    assertThat(server.get(differences.formatted(1, 7)).status()).isEqualTo(404);
  }

  @Test
  void everyStarterStandsOnTheShelfWithItsPictureAndWithoutTheDemo() {
    Map<String, JsonNode> shelf = new HashMap<>();
    server.get("/api/mixes").body().forEach(item -> shelf.put(item.path("name").asString(), item));
    for (Mix starter : Starters.all()) {
      JsonNode item = shelf.get(starter.name());
      assertThat(item).as(starter.name()).isNotNull();
      assertThat(item.path("description").asString()).isNotBlank();
      assertThat(item.path("sketch").path("columns").size()).isGreaterThan(3);
      assertThat(item.path("sketch").path("ties")).isNotEmpty();
    }
    assertThat(shelf).doesNotContainKey(Demo.WEATHERVANE.session());
  }

  @Test
  void theShelfCopiesMakesTemplatesReadsFilesAndPutsAway() {
    String mix = session();
    String copy =
        server.post("/api/mixes/" + mix + "/duplicate", Map.of()).body().path("id").asString();
    JsonNode copied = server.get("/api/mixes/" + copy).body();
    assertThat(copied.path("document").path("name").asString()).endsWith(", copy");
    String template =
        server
            .post("/api/mixes/" + mix + "/template", Map.of("name", "From a session"))
            .body()
            .path("id")
            .asString();
    JsonNode made = server.get("/api/mixes/" + template).body().path("document");
    assertThat(made.path("kind").asString()).isEqualTo("template");
    assertThat(made.has("origin")).isFalse();
    assertThat(server.post("/api/mixes/" + template + "/template", Map.of("name", "")).detail())
        .contains("template already");
    String file = new String(server.get("/api/mixes/" + mix + "/document").bytes(), UTF_8);
    assertThat(server.postText("/api/mixes/files", file).status()).isEqualTo(200);
    Answer album = server.post("/api/mixes/albums", Map.of("songs", 3));
    JsonNode songs = server.get("/api/mixes/" + album.body().path("id").asString()).body();
    assertThat(songs.path("document").path("markers")).hasSize(3);
    assertThat(server.post("/api/mixes/albums", Map.of("songs", 900)).detail()).contains("1 to 60");
    assertThat(server.postText("/api/mixes/files", "[[[").detail()).contains("no readable Mix");
    server.post("/api/mixes/" + copy + "/archive", Map.of("archived", true));
    List<Boolean> archived = new ArrayList<>();
    server
        .get("/api/mixes")
        .body()
        .forEach(
            item -> {
              if (item.path("id").asString().equals(copy)) {
                archived.add(item.path("archived").asBoolean());
              }
            });
    assertThat(archived).containsExactly(true);
  }

  @Test
  void aFileThatIsLargerThanAnyMixIsRefusedAndNothingIsKept() {
    int before = server.get("/api/mixes").body().size();
    String mix = new String(server.get("/api/mixes/" + session() + "/document").bytes(), UTF_8);
    Answer large = server.postText("/api/mixes/files", mix + " ".repeat(32_000_000));
    assertThat(large.status()).isEqualTo(413);
    assertThat(large.detail()).contains("longer than the 32 MB");
    String described =
        mix.replaceFirst("\"job\"", "\"description\": \"" + "x".repeat(5_000_000) + "\", $0");
    assertThat(server.postText("/api/mixes/files", described).detail())
        .contains("“Description” of the Mix may have 4000 characters at most");
    // The template and the session that this test began with.
    assertThat(server.get("/api/mixes").body()).hasSize(before + 2);
  }

  @Test
  void badFilesAreRefusedInWordsAndGoodOnesBesideThemTaken() throws IOException {
    String delivery = delivery(session());
    Answer text =
        server.upload(delivery, "notes.wav", BodyPublishers.ofString("just some words here"));
    Answer empty = server.upload(delivery, "nothing.wav", BodyPublishers.noBody());
    assertThat(text.status()).isEqualTo(422);
    assertThat(text.detail()).contains("“notes.wav” is no audio file");
    assertThat(empty.detail()).contains("“nothing.wav” is empty");
    for (String name : List.of("../../evil.wav", "/etc/evil.wav", "C:\\evil.wav", "a\u0000b.wav")) {
      Answer evil = receive(delivery, name, 48_000);
      assertThat(evil.status()).as(name).isBetween(400, 422);
    }
    assertThat(receive(delivery, "folder/Kick.wav", 48_000).status()).isEqualTo(200);
    JsonNode files = server.get("/api/deliveries/" + delivery).body().path("files");
    assertThat(files.findValuesAsString("name"))
        .containsExactlyInAnyOrder("notes.wav", "nothing.wav", "folder/Kick.wav");
    assertThat(files.findValuesAsString("fault")).hasSize(2);
    try (Stream<Path> arriving = Files.walk(server.data().resolve("arriving"))) {
      assertThat(arriving.filter(p -> p.toString().endsWith(".wav"))).isEmpty();
    }
  }

  /** Opens an upload, sends some bytes of it and leaves the line open. */
  private static Socket beginUpload(String delivery, String name, long announced, byte[] sent)
      throws IOException {
    Socket socket = new Socket("127.0.0.1", server.uri("/").getPort());
    String head =
        "PUT /api/deliveries/%s/files?name=%s HTTP/1.1\r\nHost: 127.0.0.1\r\n"
                .formatted(delivery, name)
            + "Content-Type: application/octet-stream\r\nContent-Length: %d\r\n\r\n"
                .formatted(announced);
    socket.getOutputStream().write(head.getBytes(US_ASCII));
    socket.getOutputStream().write(sent);
    socket.getOutputStream().flush();
    return socket;
  }

  private static JsonNode files(String delivery) {
    return server.get("/api/deliveries/" + delivery).body().path("files");
  }

  @Test
  void anUploadThatBreaksOffLeavesNothing() throws IOException {
    String delivery = delivery(session());
    byte[] wav = Files.readAllBytes(tone("half.wav", 48_000));
    byte[] half = Arrays.copyOf(wav, wav.length / 2);
    beginUpload(delivery, "half.wav", wav.length, half).close();
    assertThat(receive(delivery, "Snare.wav", 48_000).status()).isEqualTo(200);
    assertThat(files(delivery).findValuesAsString("name")).containsExactly("Snare.wav");
  }

  @Test
  void whatIsNoAudioIsKnownByItsFirstBytesLongBeforeAllOfItHasArrived() throws Exception {
    String delivery = delivery(session());
    long fiveGibibytes = 5L << 30;
    try (Socket open = beginUpload(delivery, "sparse.wav", fiveGibibytes, new byte[64])) {
      RunningServer.waitUntil(() -> files(delivery).findValuesAsString("fault").size() == 1);
      assertThat(open.isConnected()).isTrue();
    }
    assertThat(files(delivery).get(0).path("fault").asString())
        .contains("“sparse.wav” is no audio file");
  }

  @Test
  void moreThanTheDiskHoldsIsRefusedBeforeItIsSent() throws IOException {
    String delivery = delivery(session());
    byte[] start = "RIFF\0\0\0\0WAVEfmt ".getBytes(US_ASCII);
    try (Socket open = beginUpload(delivery, "huge.wav", 1L << 60, start)) {
      byte[] answer = new byte[2_000];
      int length = open.getInputStream().read(answer);
      assertThat(new String(answer, 0, length, UTF_8))
          .startsWith("HTTP/1.1 507")
          .contains("There is no room")
          .contains("Free some space");
    }
    assertThat(files(delivery)).isEmpty();
  }

  @Test
  void theSameContentIsKeptOnce() throws IOException {
    String delivery = delivery(session());
    Path kick = tone("Kick a.wav", 32_000);
    server.upload(delivery, "Kick a.wav", BodyPublishers.ofFile(kick));
    server.upload(delivery, "Kick b.wav", BodyPublishers.ofFile(kick));
    String hash = drevik.audio.Sha256.of(kick);
    try (Stream<Path> kept = Files.walk(server.data())) {
      assertThat(kept.filter(p -> p.getFileName().toString().equals(hash))).hasSize(1);
    }
    JsonNode files = server.get("/api/deliveries/" + delivery).body().path("files");
    assertThat(files.findValuesAsString("name")).containsExactly("Kick a.wav", "Kick b.wav");
  }

  @Test
  void aDeliveryIsSeatedInOneRevisionConformedAndPrinted() throws Exception {
    String mix = session();
    String delivery = delivery(mix);
    receive(delivery, "01 Kick in.wav", 48_000);
    receive(delivery, "Clarinet.wav", 44_100);
    String odd = receive(delivery, "mystery.wav", 48_000).body().path("id").asString();
    server.measured(delivery);
    JsonNode place =
        server
            .post(
                "/api/deliveries/" + delivery + "/category",
                Map.of("files", List.of(odd), "category", "vocals/lead"))
            .body();
    assertThat(place.path("files").findValuesAsString("seatName"))
        .containsExactlyInAnyOrder("Kick in", "Clarinet", "mystery");
    Answer seated = server.post("/api/deliveries/" + delivery + "/seat", RunningServer.basedOn(1));
    assertThat(seated.body().path("revision").asInt()).isEqualTo(2);
    assertThat(server.get("/api/deliveries/" + delivery).body().path("seated").asBoolean())
        .isTrue();

    JsonNode run = print(mix, List.of("out-drums", "out-winds"));
    assertThat(run.path("state").asString()).isEqualTo("done");
    JsonNode drums = run.path("report").path("files").get(0);
    assertThat(drums.path("samplePeakDbfs").asDouble()).isBetween(-30.0, -5.0);
    byte[] file =
        server.get("/api/prints/" + run.path("id").asString() + "/files/Drums%20stem.wav").bytes();
    assertThat(new String(file, 0, 4, US_ASCII)).isEqualTo("RIFF");
    byte[] zip = server.get("/api/prints/" + run.path("id").asString() + "/zip").bytes();
    try (InputStream in = new ByteArrayInputStream(zip);
        var entries = new java.util.zip.ZipInputStream(in)) {
      assertThat(entries.getNextEntry().getName()).isEqualTo("Drums stem.wav");
      assertThat(entries.readAllBytes()).isEqualTo(file);
    }
    assertThat(
            server.get("/api/prints/" + run.path("id").asString() + "/files/..%2Fsecret").status())
        .isEqualTo(400);
  }

  @Test
  void aSessionWithoutAudioPrintsMeasuredSilence() throws Exception {
    JsonNode run = print(session(), List.of());
    // No clip, but the template sets its end.
    assertThat(run.path("state").asString()).isEqualTo("done");
    assertThat(run.path("report").path("files").get(0).has("integratedLufs")).isFalse();
  }

  @Test
  void anOutputThatIsNotThereIsNamed() {
    Answer asked =
        server.post("/api/mixes/" + session() + "/prints", Map.of("outputs", List.of("x")));
    assertThat(asked.status()).isEqualTo(422);
    assertThat(asked.detail()).contains("no output “x”");
  }

  /** A page that is told of a change asks for what it shows, and not for what came since. */
  @Test
  void whatFollowsFromARevisionIsAskedOfIt() throws Exception {
    String mix = session();
    String path = "/api/mixes/" + mix;
    JsonNode view = server.get(path).body();
    int shown = view.path("revision").asInt();
    String seat = view.path("document").path("channels").get(0).path("id").asString();
    Map<String, JsonNode> before = new LinkedHashMap<>();
    for (String what :
        List.of("ledger", "coverage", "proof", "map", "channels/" + seat + "/decisions")) {
      before.put(what, server.get(path + "/" + what).body());
    }
    assertThat(server.edit(mix, shown, mute(seat, true)).status()).isEqualTo(200);
    before.forEach(
        (what, was) ->
            assertThat(server.get(path + "/" + what + "?revision=" + shown).body())
                .as(what)
                .isEqualTo(was));
    assertThat(server.get(path + "/ledger").body()).isNotEqualTo(before.get("ledger"));
    assertThat(server.get(path + "/ledger?revision=999").detail()).contains("no revision 999");
  }

  @Test
  void progressIsToldByEvents() throws Exception {
    String mix = session();
    String id =
        server
            .post("/api/mixes/" + mix + "/prints", Map.of("outputs", List.of()))
            .body()
            .path("id")
            .asString();
    String events = new String(server.get("/api/prints/" + id + "/events").bytes(), UTF_8);
    assertThat(events).contains("event:print").contains("\"state\":\"done\"");
  }

  private static JsonNode print(String mix, List<String> outputs) throws InterruptedException {
    String id =
        server
            .post("/api/mixes/" + mix + "/prints", Map.of("outputs", outputs))
            .body()
            .path("id")
            .asString();
    RunningServer.waitUntil(
        () -> {
          String state = server.get("/api/prints/" + id).body().path("state").asString();
          return !List.of("waiting", "running").contains(state);
        });
    return server.get("/api/prints/" + id).body();
  }

  private static String print(String mix) {
    return server
        .post("/api/mixes/" + mix + "/prints", Map.of("outputs", List.of()))
        .body()
        .path("id")
        .asString();
  }

  private static JsonNode printed(String id) {
    return server.get("/api/prints/" + id).body();
  }

  private static String longAs(long seconds) {
    String mix = session();
    server.edit(mix, 1, Map.of("edit", "change-mix", "set", Map.of("endFrame", seconds * 48_000)));
    return mix;
  }

  @Test
  void aPrintThatIsCancelledLeavesNothingBehind() {
    String id = print(longAs(6 * 3600));
    RunningServer.waitUntil(() -> printed(id).path("state").asString().equals("running"));
    server.post("/api/prints/" + id + "/cancel", Map.of());
    RunningServer.waitUntil(() -> printed(id).path("state").asString().equals("cancelled"));
    assertThat(printed(id).has("report")).isFalse();
    assertThat(server.data().resolve("prints").resolve(id)).doesNotExist();
    assertThat(server.data().resolve("prints").resolve(id + ".unfinished")).doesNotExist();
  }

  @Test
  void twoPrintsAtOnceAreTheSameAsOneAfterTheOther() {
    String mix = longAs(4);
    List<String> ids = List.of(print(mix), print(mix));
    ids.forEach(
        id -> RunningServer.waitUntil(() -> printed(id).path("state").asString().equals("done")));
    List<JsonNode> reports = ids.stream().map(id -> printed(id).path("report")).toList();
    assertThat(reports.get(0).path("revision").asInt()).isEqualTo(2);
    assertThat(reports.get(0).path("files").get(0).path("sha256").asString())
        .matches("[0-9a-f]{64}");
    assertThat(reports.get(0).path("files")).isEqualTo(reports.get(1).path("files"));
  }

  @Test
  void aBodyThatLacksSomethingIsRefusedWithItsName() {
    String mix = session();
    Answer edit = server.edit(mix, 1, Map.of("edit", "set-channels", "channels", List.of("hat")));
    assertThat(edit.status()).isEqualTo(422);
    assertThat(edit.detail()).contains("“edit.set” is missing");
    assertThat(server.post("/api/mixes/sessions", Map.of()).detail())
        .contains("“template” is missing");
  }
}
