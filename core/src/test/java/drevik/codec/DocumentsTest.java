package drevik.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import drevik.MixWords;
import drevik.RandomMix;
import drevik.edit.Edit;
import drevik.edit.SendChannelsTo;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Tap;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
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
    assertThat(Documents.readMix(Documents.writeMix(MIX))).isEqualTo(MIX);
  }

  @Property(tries = 100)
  void anyMixIsReadAsItWasWritten(@ForAll long seed) {
    Mix mix = RandomMix.of(seed);
    assertThat(Documents.readMix(Documents.writeMix(mix))).isEqualTo(mix);
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
    assertThat(compiled.validate("{\"version\": 1, \"channels\": 7}", InputFormat.JSON))
        .isNotEmpty();
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
    Mix mix = Documents.readMix(old);
    assertThat(mix.version()).isEqualTo(Mix.CURRENT_VERSION);
    assertThat(mix.channels().get(0).sends().get(0).destinations()).containsExactly("b");
    assertThat(mix.outputs().get(0).namePattern()).isEqualTo("The mix");
    assertThat(Documents.readMix(Documents.writeMix(mix))).isEqualTo(mix);
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
    assertThatThrownBy(() -> Documents.readMix("{}")).hasMessageContaining("This is no Mix");
    assertThatThrownBy(() -> Documents.readMix("not json")).isInstanceOf(Refused.class);
    assertThatThrownBy(() -> Documents.readMix("{\"version\": 99, \"channels\": []}"))
        .hasMessageContaining("newer Drevik");
    assertThatThrownBy(() -> Documents.readMix("[".repeat(100_000)))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("nesting");
  }
}
