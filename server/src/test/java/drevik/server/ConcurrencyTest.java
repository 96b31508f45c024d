package drevik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.demo.Demo;
import drevik.edit.SetChannels;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.field.ChannelField;
import drevik.server.RunningServer.Answer;
import drevik.server.mix.MixChange;
import drevik.server.mix.MixEdits;
import drevik.server.mix.MixEdits.Asked;
import drevik.server.mix.Mixes;
import drevik.server.mix.Shelf;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Several people on one Mix, requests that are repeated, and rows of other programs. */
class ConcurrencyTest {
  @RegisterExtension static final RunningServer server = new RunningServer();

  private static final int PEOPLE = 8;
  private static final int EDITS = 12;

  private static String mix() {
    return server.bean(Shelf.class).create(Demo.WEATHERVANE.template(), "test");
  }

  private static Channel channel(String mix, String id) {
    return server.bean(Mixes.class).document(mix).channel(id).orElseThrow();
  }

  private static Map<String, Object> set(String channel, String field, Object value) {
    return Map.of(
        "edit", "set-channels", "channels", List.of(channel), "set", Map.of(field, value));
  }

  @Test
  void eightPeopleAtOnceGetOnlySuccessesAndEachKeepsTheirChange() throws Exception {
    String mix = mix();
    List<String> channels =
        server.bean(Mixes.class).document(mix).channels().stream()
            .map(Channel::id)
            .limit(PEOPLE)
            .toList();
    ExecutorService people = Executors.newFixedThreadPool(PEOPLE);
    List<Future<List<Integer>>> answers = new ArrayList<>();
    for (String own : channels) {
      answers.add(
          people.submit(
              () -> {
                List<Integer> statuses = new ArrayList<>();
                for (int i = 1; i <= EDITS; i++) {
                  // Always on the first revision: as stale as can be.
                  statuses.add(server.edit(mix, 1, set(own, "faderDb", -i)).status());
                  String word = own + " " + i;
                  statuses.add(server.edit(mix, 1, set(channels.get(0), "comment", word)).status());
                }
                return statuses;
              }));
    }
    for (Future<List<Integer>> answer : answers) {
      assertThat(answer.get()).containsOnly(200);
    }
    people.shutdown();
    for (String own : channels) {
      assertThat(channel(mix, own).faderDb()).isEqualTo(-EDITS);
    }
    assertThat(server.bean(Mixes.class).headOf(mix)).isEqualTo(1 + PEOPLE * EDITS * 2);
  }

  @Test
  void manyWhoUndoTheSameAtOnceUndoItOnceAndTheOthersAreTold() throws Exception {
    String mix = mix();
    server.edit(mix, 1, set("hat", "mute", true));
    server.edit(mix, 2, set("room", "mute", true));
    ExecutorService people = Executors.newFixedThreadPool(PEOPLE);
    List<Future<Answer>> answers = new ArrayList<>();
    for (int i = 0; i < PEOPLE; i++) {
      answers.add(
          people.submit(
              () -> server.post("/api/mixes/" + mix + "/undo", RunningServer.basedOn(3))));
    }
    List<Integer> statuses = new ArrayList<>();
    for (Future<Answer> answer : answers) {
      statuses.add(answer.get().status());
    }
    people.shutdown();
    assertThat(statuses).containsOnly(200, 409).containsOnlyOnce(200);
    assertThat(channel(mix, "hat").mute()).isTrue();
    assertThat(channel(mix, "room").mute()).isFalse();
  }

  @Test
  void undoFromAStalePageTakesNobodysEditBackAndShowsBothSides() {
    String mix = mix();
    server.edit(mix, 1, set("hat", "mute", true));
    server.edit(mix, 2, set("room", "mute", true));
    Answer stale = server.post("/api/mixes/" + mix + "/undo", RunningServer.basedOn(2));
    assertThat(stale.status()).isEqualTo(409);
    assertThat(stale.detail()).contains("undo: mute “Hat”.", "revision 3: mute “Room”");
    assertThat(channel(mix, "room").mute()).isTrue();
    assertThat(server.post("/api/mixes/" + mix + "/revisions/1", RunningServer.basedOn(2)).status())
        .isEqualTo(409);
  }

  @Test
  void whatIsAskedTwiceUnderOneIdIsDoneOnceAndAnswersWhatHappened() {
    String mix = mix();
    Map<String, Object> more = Map.of("edit", "duplicate-channels", "channels", List.of("hat"));
    Answer first = server.edit(mix, "the same", 1, more);
    server.edit(mix, 2, set("room", "mute", true));
    Answer again = server.edit(mix, "the same", 1, more);
    assertThat(again.status()).isEqualTo(200);
    assertThat(first.body().path("revision").asInt()).isEqualTo(2);
    assertThat(again.body().path("revision").asInt()).isEqualTo(3);
    assertThat(again.body().path("channels").toString()).contains("Hat 2");
    assertThat(server.bean(Mixes.class).document(mix).channels())
        .filteredOn(channel -> channel.name().startsWith("Hat"))
        .hasSize(2);
    Map<String, Object> undo = RunningServer.basedOn(3);
    server.post("/api/mixes/" + mix + "/undo", undo);
    assertThat(server.post("/api/mixes/" + mix + "/undo", undo).body().path("revision").asInt())
        .isEqualTo(2);
    assertThat(server.edit(mix, " ", 2, more).detail()).contains("an id of its own");
  }

  @Test
  void servicesAreUsedWithoutHttp() {
    String mix = mix();
    MixEdits edits = server.bean(MixEdits.class);
    MixChange change =
        edits.edit(
            mix, new Asked("a", 1), SetChannels.of(List.of("hat"), ChannelField.FADER, -3.0));
    assertThat(change.undo()).isEqualTo("set fader of “Hat” to −3.0 dB");
    assertThatThrownBy(() -> edits.undo(mix, new Asked("b", 1))).isInstanceOf(Conflict.class);
    assertThat(edits.undo(mix, new Asked("c", 2)).redo()).startsWith("set fader");
    assertThat(edits.isDone(mix, new Asked("c", 2))).isTrue();
    assertThat(edits.isDone(mix, new Asked("d", 2))).isFalse();
  }

  @Test
  void aMixOfANewerProgramIsListedByItsNameAndHidesNothing() {
    String mix = mix();
    JdbcClient jdbc = server.bean(JdbcClient.class);
    jdbc.sql(
            "update mix_revision set document = jsonb_set(document, '{version}', '99') where mix_id = ?")
        .param(mix)
        .update();
    jdbc.sql("update mix set summary = null, name = 'From the future' where id = ?")
        .param(mix)
        .update();
    Answer shelf = server.get("/api/mixes");
    assertThat(shelf.status()).isEqualTo(200);
    assertThat(shelf.body().valueStream())
        .filteredOn(item -> item.path("id").asString().equals(mix))
        .singleElement()
        .satisfies(
            item -> {
              assertThat(item.path("name").asString()).isEqualTo("From the future");
              assertThat(item.path("unreadable").asString()).contains("newer Drevik");
            });
    assertThat(shelf.body().size()).isGreaterThan(5);
    Answer opened = server.get("/api/mixes/" + mix);
    assertThat(opened.status()).isEqualTo(422);
    assertThat(opened.detail()).contains("version 99").contains("newer Drevik");
  }

  @Test
  void aMixOfAnEarlierProgramIsOpenedThoughItsRowKnowsLess() {
    String mix = mix();
    JdbcClient jdbc = server.bean(JdbcClient.class);
    jdbc.sql("update mix set summary = null where id = ?").param(mix).update();
    jdbc.sql(
            "update mix_revision set document = jsonb_set(jsonb_set(document, '{version}', '2'),"
                + " '{channels,0,faderDb}', '99') where mix_id = ?")
        .param(mix)
        .update();
    assertThat(server.get("/api/mixes").body().valueStream())
        .filteredOn(item -> item.path("id").asString().equals(mix))
        .singleElement()
        .satisfies(item -> assertThat(item.path("seats").asInt()).isPositive());
    Answer opened = server.get("/api/mixes/" + mix);
    assertThat(opened.status()).isEqualTo(200);
    assertThat(opened.body().path("document").path("version").asInt())
        .isEqualTo(Mix.CURRENT_VERSION);
    assertThat(opened.body().path("document").path("channels").get(0).path("faderDb").asInt())
        .as("a rule that came later does not close it")
        .isEqualTo(99);
  }
}
