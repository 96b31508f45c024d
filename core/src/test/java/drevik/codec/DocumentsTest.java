package drevik.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import drevik.MixWords;
import drevik.RandomMix;
import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.edit.SendChannelsTo;
import drevik.mix.CategoryMap;
import drevik.mix.MapEntry;
import drevik.mix.Mix;
import drevik.mix.Pin;
import drevik.mix.Refused;
import drevik.mix.Tap;
import drevik.mix.field.Changes;
import drevik.mix.field.MixField;
import drevik.shelf.NamedMap;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

class DocumentsTest {
  private static final Mix MIX =
      MixWords.mix()
          .seat("kick", "mix", c -> c.withClips(List.of(MixWords.clip("k.wav", 99))))
          .bus(
              "mix",
              null,
              c -> c.withChain(List.of(MixWords.insert("equaliser", Map.of("low-cut", 40.0)))))
          .output("mix")
          .stems("mix", "mix")
          .map("drums", "mix")
          .build();

  @Test
  void aMixIsReadAsItWasWritten() {
    assertThat(Documents.readForeign(Documents.writeMix(MIX))).isEqualTo(MIX);
  }

  @Property(tries = 100)
  void anyMixIsReadAsItWasWritten(@ForAll long seed) {
    Mix mix = RandomMix.of(seed);
    assertThat(Documents.readForeign(Documents.writeMix(mix))).isEqualTo(mix);
  }

  @Test
  void aChannelIsWrittenWithoutWhatIsZeroOffOrEmptyAndWithNothingThatFollowsFromTheRest() {
    JsonNode channels = Documents.mapper().readTree(Documents.writeMix(MIX)).path("channels");
    assertThat(channels.get(1).propertyNames())
        .containsExactlyInAnyOrder("id", "kind", "name", "layout", "category", "chain");
  }

  @Test
  void whatIsWrittenFitsThePublishedSchema() throws IOException {
    String schema = Files.readString(Path.of("../docs/formats/mix.schema.json"));
    var registry = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12);
    var compiled = registry.getSchema(schema, InputFormat.JSON);
    assertThat(compiled.validate(Documents.writeMix(MIX), InputFormat.JSON)).isEmpty();
    for (long seed = 0; seed < 50; seed++) {
      String full = Documents.writeMix(RandomMix.full(seed));
      assertThat(compiled.validate(full, InputFormat.JSON)).as(full).isEmpty();
    }
    assertThat(compiled.validate("{\"version\": 1, \"channels\": 7}", InputFormat.JSON))
        .isNotEmpty();
  }

  @Test
  void aCategoryMapFitsItsPublishedSchema() throws IOException {
    String schema = Files.readString(Path.of("../docs/formats/map.schema.json"));
    var registry = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12);
    var compiled = registry.getSchema(schema, InputFormat.JSON);
    for (long seed = 0; seed < 50; seed++) {
      Mix mix = RandomMix.full(seed);
      Mix named = mix.withOutputs(mix.outputs().stream().map(o -> o.withName(o.id())).toList());
      NamedMap map = NamedMap.of(named, "Map");
      String written = Documents.writeMap(map);
      assertThat(compiled.validate(written, InputFormat.JSON)).as(written).isEmpty();
      assertThat(Documents.readMap(written)).isEqualTo(map);
      assertThat(map.in(named)).isEqualTo(named.categoryMap());
    }
  }

  @Test
  void aMixOfTheFirstVersionIsBroughtUpToDate() {
    String old =
        """
        {"version": 1, "kind": "template", "name": "Old", "job": "mix", "sampleRate": 48000, "tempo": 120,
         "panLaw": "-3 dB",
         "channels": [
           {"id": "a", "kind": "bus", "name": "A", "layout": "stereo", "category": "unknown",
            "sends": [{"id": "s", "destination": "b", "tap": "pre-fader", "levelDb": -6, "on": true}]},
           {"id": "b", "kind": "return", "name": "B", "layout": "stereo", "category": "unknown"}],
         "outputs": [{"id": "o", "name": "Mix", "kind": "mix", "channel": "a",
           "tap": "post-fader", "layout": "stereo", "format": "24-bit", "fileName": "The mix"}]}
        """;
    Mix mix = Documents.readForeign(old);
    assertThat(mix.version()).isEqualTo(Mix.CURRENT_VERSION);
    assertThat(mix.channels().get(0).sends().get(0).destinations()).containsExactly("b");
    assertThat(mix.outputs().get(0).namePattern()).isEqualTo("The mix");
    assertThat(Documents.readForeign(Documents.writeMix(mix))).isEqualTo(mix);
  }

  @Test
  void aMixOfTheThirdVersionKeepsItsIds() {
    Mix full = RandomMix.full(3).withCategoryMap(CategoryMap.EMPTY);
    String third = Documents.writeMix(full).replaceFirst("(\"version\" *: *)5", "$13");
    assertThat(third).isNotEqualTo(Documents.writeMix(full));
    assertThat(Documents.readForeign(third)).isEqualTo(full);
  }

  @Test
  void whatDepartedFromTheMapOfTheFourthVersionIsPinned() {
    String old =
        """
        {"version": 4, "kind": "template", "name": "Old", "job": "mix", "sampleRate": 48000, "tempo": 120,
         "panLaw": "-3 dB",
         "categoryMap": {"rules": {"drums": {"destination": "a", "colour": "bass"}}},
         "channels": [
           {"id": "a", "kind": "bus", "name": "A", "layout": "stereo", "category": "drums"},
           {"id": "b", "kind": "bus", "name": "B", "layout": "stereo", "category": "drums"},
           {"id": "k", "kind": "seat", "name": "K", "layout": "mono", "category": "drums", "output": "a"},
           {"id": "s", "kind": "seat", "name": "S", "layout": "mono", "category": "drums/snare",
            "output": "b", "colour": "keys"}]}
        """;
    Mix mix = Documents.readForeign(old);
    assertThat(mix.categoryMap().ofCategory("drums").orElseThrow())
        .isEqualTo(MapEntry.of("drums").withDestination("a").withColour("bass"));
    assertThat(mix.channel("k").orElseThrow().pins()).isEmpty();
    assertThat(mix.channel("k").orElseThrow().colour()).isEqualTo("bass");
    assertThat(mix.channel("s").orElseThrow().pins())
        .extracting(Pin::id)
        .containsExactly("output", "colour");
    assertThat(mix.channel("s").orElseThrow().output()).isEqualTo("b");
    assertThat(Documents.readForeign(Documents.writeMix(mix))).isEqualTo(mix);
  }

  @Test
  void aMixOfTheSecondVersionGetsIdsThatAreItsOwnAndTheSameAtEachReading() {
    String insert =
        """
        {"id": "eq", "processor": "equaliser", "on": true, "postFader": false, "settings": {}}""";
    String clip =
        """
        {"id": "clip-f1+f2.2", "audio": {"sha256": "", "name": "a.wav"}, "startFrame": 0,
         "sourceIn": 0, "sourceOut": 9, "gainDb": 0, "keep": false, "fadeIn": 0, "fadeOut": 0}""";
    String old =
        """
        {"version": 2, "kind": "session", "name": "Old", "job": "mix", "sampleRate": 48000, "tempo": 120,
         "panLaw": "-3 dB",
         "channels": [
           {"id": "a", "kind": "seat", "name": "A", "layout": "stereo", "category": "unknown",
            "chain": [%1$s], "clips": [%2$s],
            "sends": [{"id": "a>b", "destinations": ["b"], "tap": "pre-fader", "levelDb": -6, "on": true}]},
           {"id": "b", "kind": "return", "name": "B", "layout": "stereo", "category": "unknown",
            "chain": [%1$s]}]}
        """
            .formatted(insert, clip);
    Mix mix = Documents.readForeign(old);
    assertThat(mix.channels())
        .extracting(channel -> channel.chain().get(0).id())
        .containsExactly("a/eq", "b/eq");
    assertThat(mix.channels().get(0).sends().get(0).id()).isEqualTo("a/b");
    assertThat(mix.channels().get(0).clips().get(0).delivered()).containsExactly("f1", "f2");
    assertThat(Documents.readForeign(old)).isEqualTo(mix);
  }

  @Test
  void whatThisProgramWroteIsOpenedThoughARuleThatCameLaterSpeaksAgainstIt() {
    Mix loud = MIX.mapChannels(channel -> channel.withFaderDb(99));
    assertThat(Documents.readTrusted(Documents.writeMix(loud))).isEqualTo(loud);
    assertThatThrownBy(() -> Documents.readForeign(Documents.writeMix(loud)))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("“Fader” of channel");
  }

  @Property(tries = 200)
  void changesAreReadAsTheyWereWritten(@ForAll long seed, @ForAll long other) {
    Changes<Mix> changes =
        Changes.between(MixField.ALL, RandomMix.full(seed), RandomMix.full(other));
    Edit edit = new ChangeMix(changes);
    String json = Documents.mapper().writerFor(Edit.class).writeValueAsString(edit);
    assertThat(Documents.mapper().readValue(json, Edit.class)).isEqualTo(edit);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "{\"loud\": 1}",
        "7",
        "{\"channels\": 7}",
        "{\"channels\": {\"added\": [{}]}}",
        "{\"channels\": {\"removed\": [7]}}",
        "{\"tempo\": \"fast\"}",
        "{\"channels\": {\"changed\": {\"a\": {\"chain\": {\"changed\": {\"b\": {\"settings\": {\"x\": []}}}}}}}}"
      })
  void changesThatMeanNothingAreNotRead(String set) {
    String json = "{\"edit\":\"change-mix\",\"set\":" + set + "}";
    assertThatThrownBy(() -> Documents.mapper().readValue(json, Edit.class))
        .isInstanceOf(JacksonException.class);
  }

  @Test
  void editsAreToldApartByTheirName() {
    String json = "{\"edit\":\"send-channels-to\",\"channels\":[\"kick\"],\"destination\":\"mix\"}";
    Edit edit = Documents.mapper().readValue(json, Edit.class);
    assertThat(edit).isEqualTo(new SendChannelsTo(List.of("kick"), "mix"));
    assertThat(Documents.mapper().writerFor(Edit.class).writeValueAsString(edit)).isEqualTo(json);
  }

  @Test
  void enumsAreWrittenAsPeopleSayThem() {
    assertThat(Documents.mapper().writeValueAsString(Tap.POST_FADER)).isEqualTo("\"post-fader\"");
  }

  @Test
  void whatIsNoMixIsRefusedInWords() {
    assertThatThrownBy(() -> Documents.readForeign("{}")).hasMessageContaining("This is no Mix");
    assertThatThrownBy(() -> Documents.readForeign("not json")).isInstanceOf(Refused.class);
    assertThatThrownBy(() -> Documents.readForeign("{\"version\": 99, \"channels\": []}"))
        .hasMessageContaining("newer Drevik");
    assertThatThrownBy(() -> Documents.readForeign("[".repeat(100_000)))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("nesting");
  }
}
