package drevik.preview;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.MixWords;
import drevik.audio.Layout;
import drevik.edit.SayOfMap;
import drevik.ledger.MapText;
import drevik.ledger.Names;
import drevik.mix.CategoryMap;
import drevik.mix.Control;
import drevik.mix.Insert;
import drevik.mix.MapEntry;
import drevik.mix.MapEntryBuilder;
import drevik.mix.MapSend;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Tap;
import drevik.mix.field.Field;
import drevik.mix.field.MapEntryField;
import drevik.shelf.NamedMap;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The category map as people read and write it. */
class MapTableTest {
  private static final Mix MIX =
      MixWords.mix()
          .bus("Mix", null)
          .bus("Drums", "Mix")
          .bus("Hard 2", "Mix")
          .bus("Plate", "Mix")
          .seat("kick in", "Drums", c -> c.withCategory("drums/kick").withPerson("Ada"))
          .seat("hat", "Drums", c -> c.withCategory("drums/hat"))
          .map("drums", "Drums")
          .output("Mix")
          .build()
          .withControls(List.of(new Control("c", "Rhythm", 0, List.of())));

  private static SayOfMap.MapWords words(String entry, String field, String text) {
    return new SayOfMap.MapWords(entry, field, text);
  }

  private static Mix say(String entry, String field, String text) {
    return new SayOfMap(List.of(words(entry, field, text))).applyTo(MIX);
  }

  private static MapTable.MapRow row(Mix mix, String id) {
    return MapTable.of(mix).rows().stream()
        .filter(r -> r.id().equals(id))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void aRowSaysWhatIsOwnAndWhatIsInheritedAndHowManyItSpeaksOf() {
    MapTable.MapRow kick = row(MIX, "drums/kick");
    assertThat(kick.cells().get(0)).isEqualTo(new MapTable.MapCell("", "Drums", "drums"));
    assertThat(kick.channels()).isEqualTo(1);
    assertThat(row(MIX, "drums").channels()).isEqualTo(2);
    assertThat(row(MIX, "drums").cells().get(0).own()).isEqualTo("Drums");
    assertThat(MapTable.of(MIX).columns())
        .extracting(MapTable.MapColumn::label)
        .contains("Sent to", "Trim dB", "Level guide LUFS");
    Mix asked =
        MIX.withCategoryMap(
            new CategoryMap(
                List.of(
                    MapEntry.of("drums").withDestination("Drums"),
                    MapEntry.of("drums/kick").withId("ada").withPerson("Ada"))));
    MapTable.MapRow ada = row(asked, "ada");
    assertThat(ada.asks()).isEqualTo("of Ada");
    assertThat(ada.channels()).isEqualTo(1);
    assertThat(ada.cells().get(0).inherited()).isEqualTo("Drums");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "destination | plate | Plate",
        "group | Drums | Drums",
        "colour | Bass | bass",
        "trimDb | -3,5 | −3.5",
        "guideLufs | -23 LUFS | −23",
        "order | 4 | 4",
        "wantedLayout | St | stereo",
        "stem | Mix | Mix",
        "controls | rhythm | Rhythm",
        "sends | Plate | Plate −∞",
        "sends | plate −12 dB | Plate −12",
        "sends | Plate + Hard 2 @-6 pre-fader, no Drums | Plate + Hard 2 −6 pre-fader, no Drums",
        "sends | Hard 2 | Hard 2 −∞",
      })
  void whatIsWrittenIsReadAsItIsMeant(String field, String text, String shown) {
    Mix after = say("drums", field, text);
    MapEntry entry = after.categoryMap().ofCategory("drums").orElseThrow();
    Field<MapEntry, ?> of = MapEntryField.ALL.byId(field).orElseThrow();
    assertThat(MapText.of(of, entry, Names.of(after))).isEqualTo(shown);
    Mix again =
        new SayOfMap(List.of(words("drums", field, MapText.of(of, entry, Names.of(after)))))
            .applyTo(after);
    assertThat(again.categoryMap()).isEqualTo(after.categoryMap());
    Mix taken = new SayOfMap(List.of(words("drums", field, ""))).applyTo(after);
    assertThat(taken.categoryMap().ofCategory("drums").map(e -> of.get(e)).orElse(null))
        .isIn(Arrays.asList(null, List.of()));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "destination | Nowhere | no bus “Nowhere”",
        "destination | hat | no bus “hat”",
        "colour | plaid | no colour “plaid”",
        "trimDb | loud | “loud”",
        "trimDb | 999 | give −60 to 60",
        "order | 1.5 | no whole number",
        "wantedLayout | round | no layout “round”",
        "stem | Nothing | no output “Nothing”",
        "controls | Nobody | no control “Nobody”",
        "sends | Plate -6, Plate -9 | has “Plate” twice",
        "chain | compressor | cannot be typed",
        "category | bass | no field “category”",
        "nonsense | x | no field “nonsense”",
      })
  void whatMeansNothingIsRefusedWithItsCategory(String field, String text, String says) {
    assertThatThrownBy(() -> say("drums", field, text))
        .isInstanceOf(Refused.class)
        .hasMessageContaining(says);
  }

  @Test
  void manyCellsAreOneRevisionOrNone() {
    Mix after =
        new SayOfMap(
                List.of(
                    words("drums/kick", "sends", "Hard 2 −3 pre-fader"),
                    words("drums/hat", "colour", "bass"),
                    words("strings", "wantedLayout", "stereo")))
            .applyTo(MIX);
    assertThat(after.categoryMap().entries()).hasSize(4);
    assertThat(after.categoryMap().ofCategory("drums/kick").orElseThrow().sends())
        .containsExactly(MapSend.of(List.of("Hard 2"), Tap.PRE_FADER, -3));
    assertThat(after.categoryMap().ofCategory("strings").orElseThrow().wantedLayout())
        .isEqualTo(Layout.STEREO);
    assertThatThrownBy(() -> new SayOfMap(List.of(words("zithers", "colour", "bass"))).applyTo(MIX))
        .hasMessageContaining("no entry “zithers”");
    assertThatThrownBy(() -> new SayOfMap(List.of()).applyTo(MIX)).hasMessageContaining("Write 1");
  }

  @Test
  void twoMapsDifferInWhatTheySay() {
    NamedMap one = NamedMap.of(say("drums/kick", "sends", "Plate -12"), "one");
    Mix changed = say("drums/kick", "sends", "Plate -9");
    MapEntry ada =
        MapEntryBuilder.builder(MapEntry.of("drums/kick"))
            .id("e")
            .person("Ada")
            .trimDb(-3.0)
            .build();
    NamedMap other =
        NamedMap.of(changed.withCategoryMap(changed.categoryMap().saying(ada, e -> e)), "other");
    assertThat(MapDifference.between(one, other))
        .containsExactly(
            new MapDifference("drums/kick", "", "sends", "Sends", "Plate −12", "Plate −9"),
            new MapDifference("drums/kick", "of Ada", "trimDb", "Trim dB", "", "−3"));
    assertThat(MapDifference.between(other, one)).hasSize(2);
    assertThat(MapDifference.between(one, one)).isEmpty();
    assertThatThrownBy(() -> MapDifference.between(one, new NamedMap(9, "new", List.of())))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("version 9");
  }

  @Test
  void chainsOfTheSameProcessorsMayBeSetOtherwise() {
    assertThat(MapDifference.between(limited("a", -1), limited("b", -1))).as("ids").isEmpty();
    assertThat(MapDifference.between(limited("a", -1), limited("a", -3)))
        .containsExactly(
            new MapDifference("drums", "", "chain", "Chain", "limiter", "limiter, set otherwise"));
  }

  private static NamedMap limited(String id, double ceiling) {
    Insert limiter = new Insert(id, "limiter", true, false, Map.of("ceiling", ceiling), null);
    return new NamedMap(1, "limited", List.of(MapEntry.of("drums").withChain(List.of(limiter))));
  }

  @Test
  void aMapIsKeptUnderANameIfItSaysSomething() {
    assertThat(NamedMap.kept(MIX, " Loud ").name()).isEqualTo("Loud");
    assertThatThrownBy(() -> NamedMap.kept(MIX, " ")).hasMessageContaining("write one");
    assertThatThrownBy(() -> NamedMap.kept(MIX.withCategoryMap(CategoryMap.EMPTY), "x"))
        .hasMessageContaining("says nothing yet");
  }
}
