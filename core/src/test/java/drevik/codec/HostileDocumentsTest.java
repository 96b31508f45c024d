package drevik.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.MixWords;
import drevik.check.LineCheck;
import drevik.flow.FlowLayout;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.Insert;
import drevik.mix.Key;
import drevik.mix.MapEntry;
import drevik.mix.Marker;
import drevik.mix.Mix;
import drevik.mix.Pin;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.mix.Tap;
import drevik.mix.field.Validity;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Documents that nobody should have written: each is read or refused in words, and no more. */
class HostileDocumentsTest {
  private static final Mix SOUND =
      MixWords.mix()
          .seat(
              "kick",
              "mix",
              c ->
                  c.withClips(List.of(MixWords.clip("kick.wav", 100)))
                      .withSends(List.of(MixWords.send("plate", Tap.PRE_FADER, -6))))
          .bus(
              "mix",
              null,
              c ->
                  c.withChain(
                      List.of(
                          MixWords.insert("compressor", Map.of("ratio", 2.0))
                              .withKey(new Key("kick", Tap.PRE_FADER)))))
          .bus("plate", "mix")
          .output("mix")
          .stems("mix", "mix")
          .map("drums", "mix")
          .build()
          .withMarkers(List.of(new Marker("m", "Verse", 0)));

  private static final String TEXT = Documents.writeMix(SOUND);

  /** Reads it, and if that went well, looks at it as the application would. */
  private static void survive(String document) {
    Mix mix;
    try {
      mix = Documents.readForeign(document);
    } catch (Refused e) {
      assertThat(e.getMessage()).isNotBlank();
      return;
    }
    try {
      assertThat(LineCheck.of(mix)).isNotNull();
      if (LineCheck.of(mix).stream().noneMatch(finding -> finding.says().contains("loop"))) {
        assertThat(FlowLayout.of(mix).stages()).isNotNull();
      }
    } catch (Refused e) {
      assertThat(e.getMessage()).isNotBlank();
    }
  }

  @Property(tries = 400)
  void mutatedBytesAreReadOrRefused(@ForAll long seed) {
    Random random = new Random(seed);
    StringBuilder text = new StringBuilder(TEXT);
    int changes = 1 + random.nextInt(4);
    for (int i = 0; i < changes; i++) {
      int at = random.nextInt(text.length());
      switch (random.nextInt(3)) {
        case 0 -> text.setCharAt(at, (char) (32 + random.nextInt(95)));
        case 1 -> text.deleteCharAt(at);
        default -> text.insert(at, (char) (32 + random.nextInt(95)));
      }
    }
    survive(text.toString());
  }

  @Property(tries = 600)
  void nodesOfAnotherKindAreReadOrRefused(@ForAll long seed) {
    Random random = new Random(seed);
    JsonNode tree = Documents.mapper().readTree(TEXT);
    List<Runnable> places = new ArrayList<>();
    collect(tree, random, places);
    places.get(random.nextInt(places.size())).run();
    survive(tree.toString());
  }

  private static void collect(JsonNode node, Random random, List<Runnable> places) {
    if (node instanceof ObjectNode object) {
      for (String field : List.copyOf(object.propertyNames())) {
        places.add(() -> object.set(field, odd(random)));
        places.add(() -> object.remove(field));
        collect(object.get(field), random, places);
      }
    } else if (node instanceof ArrayNode array) {
      for (int i = 0; i < array.size(); i++) {
        int at = i;
        places.add(() -> array.set(at, odd(random)));
        places.add(() -> array.insert(at, array.get(at).deepCopy()));
        collect(array.get(i), random, places);
      }
    }
  }

  private static JsonNode odd(Random random) {
    JsonNodeFactory nodes = JsonNodeFactory.instance;
    return switch (random.nextInt(9)) {
      case 0 -> nodes.nullNode();
      case 1 -> nodes.numberNode(-1);
      case 2 -> nodes.numberNode(1e300);
      case 3 -> nodes.stringNode("");
      case 4 -> nodes.stringNode("<script>alert(1)</script>");
      case 5 -> nodes.arrayNode();
      case 6 -> nodes.objectNode();
      case 7 -> nodes.booleanNode(true);
      default -> nodes.stringNode("mix");
    };
  }

  private static UnaryOperator<Mix> channel(UnaryOperator<Channel> change) {
    return mix -> mix.mapChannels(c -> c.id().equals("kick") ? change.apply(c) : c);
  }

  static Stream<Arguments> wrongs() {
    Send nowhere = Send.of("s", List.of(), Tap.PRE_FADER, 0);
    return Stream.of(
        Arguments.of(channel(c -> c.withName("")), "needs a name"),
        Arguments.of(
            channel(c -> c.withName("x".repeat(300))),
            "may have 200 characters at most; this has 300"),
        Arguments.of(channel(c -> c.withName("a\u0007b")), "control character"),
        Arguments.of(
            channel(c -> c.withId("mix")),
            "A channel has the id “mix”, which is taken; ids are given once"),
        Arguments.of(channel(c -> c.withId(null)), "has no id"),
        Arguments.of(
            channel(c -> c.withPins(Collections.nCopies(2, new Pin("output", null, null)))),
            "“Pins” of channel “kick” has “output” twice"),
        Arguments.of(
            channel(c -> c.withKind(null)),
            "“Kind” of channel “kick” is missing; give one of seat, bus"),
        Arguments.of(
            channel(c -> c.withLayout(null)),
            "“Layout” of channel “kick” is missing; give one of mono"),
        Arguments.of(
            channel(c -> c.withFaderDb(1e9)),
            "“Fader” of channel “kick” is 1000000000; give −200 to 24."),
        Arguments.of(
            channel(c -> c.withPan(Double.NaN)), "“Pan” of channel “kick” is NaN; give −1 to 1."),
        Arguments.of(
            channel(c -> c.withTrimDb(-300)), "“Trim” of channel “kick” is −300; give −60 to 60."),
        Arguments.of(
            channel(c -> c.withSends(List.of(nowhere))),
            "“To” of “Sends” of channel “kick” is empty"),
        Arguments.of(channel(c -> c.withKind(drevik.mix.ChannelKind.BUS)), "cannot hold audio"),
        Arguments.of(
            channel(c -> c.withComment("x".repeat(2_001))),
            "“Comment” of channel “kick” may have 2000 characters at most; this has 2001"),
        Arguments.of(
            channel(c -> c.withPerson("x".repeat(201))),
            "“Person” of channel “kick” may have 200 characters"),
        Arguments.of(
            channel(c -> c.withSends(Collections.nCopies(2_001, c.sends().get(0)))),
            "“Sends” of channel “kick” may have 2000 members at most; this has 2001"),
        Arguments.of(
            (UnaryOperator<Mix>) mix -> mix.withDescription("x".repeat(50_000_000)),
            "“Description” of the Mix may have 4000 characters at most; this has 50000000"),
        Arguments.of(
            (UnaryOperator<Mix>)
                mix -> mix.withChannels(Collections.nCopies(10_001, mix.channels().get(0))),
            "“channel” of the Mix may have 10000 members"),
        Arguments.of(
            (UnaryOperator<Mix>)
                mix -> mix.withMarkers(Collections.nCopies(2_001, mix.markers().get(0))),
            "“section” of the Mix may have 2000 members"),
        Arguments.of(
            (UnaryOperator<Mix>) mix -> mix.withSampleRate(1),
            "“Sample rate” of the Mix is 1; give 8000 to 384000."),
        Arguments.of(
            (UnaryOperator<Mix>) mix -> mix.withTempo(0),
            "“Tempo” of the Mix is 0; give 20 to 400."),
        Arguments.of((UnaryOperator<Mix>) mix -> mix.withEndFrame(-5L), "give 0 or more"),
        Arguments.of(
            (UnaryOperator<Mix>) mix -> mix.withStartFrame(9).withEndFrame(8L), "behind its start"),
        Arguments.of(
            (UnaryOperator<Mix>) mix -> mix.withName(null),
            "“Name” of the Mix is missing; say what it is."));
  }

  @ParameterizedTest
  @MethodSource("wrongs")
  void whatNoEditCouldHaveMadeIsRefusedWithItsPlace(UnaryOperator<Mix> wrong, String says) {
    assertThatThrownBy(() -> Validity.require(wrong.apply(SOUND)))
        .isInstanceOf(Refused.class)
        .hasMessageContaining(says);
  }

  @Test
  void aChainOfAMapHasNoIdsYet() {
    Insert bare = new Insert("", "equaliser", true, false, Map.of(), null);
    CategoryMap map = new CategoryMap(List.of(MapEntry.of("drums").withChain(List.of(bare, bare))));
    Validity.require(SOUND.withCategoryMap(map));
  }

  @Test
  void aSoundMixPasses() {
    Validity.require(SOUND);
    assertThat(Documents.readForeign(TEXT)).isEqualTo(SOUND);
  }

  @Test
  void fiftyMegabytesAreRefusedOrReadWithoutHarm() {
    String large =
        "{\"version\": 2, \"channels\": [], \"name\": \"" + "x".repeat(50_000_000) + "\"}";
    assertThatThrownBy(() -> Documents.readForeign(large)).isInstanceOf(Refused.class);
  }

  @Test
  void deepNestingIsRefused() {
    String deep = "{\"version\": 2, \"channels\": " + "[".repeat(10_000) + "]".repeat(10_000) + "}";
    assertThatThrownBy(() -> Documents.readForeign(deep))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("nesting");
  }
}
