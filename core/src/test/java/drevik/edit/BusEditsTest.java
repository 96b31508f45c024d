package drevik.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.MixWords;
import drevik.check.LineCheck;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.Insert;
import drevik.mix.MapEntry;
import drevik.mix.MapSend;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.mix.StemSet;
import drevik.mix.Tap;
import drevik.mix.field.Changes;
import drevik.mix.field.MapEntryField;
import drevik.reassign.Following;
import drevik.reassign.Meant;
import drevik.shelf.KeptChain;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Moving channels out of a bus, splitting one, joining two; and reassigning by hand. */
class BusEditsTest {
  private static Mix band() {
    Mix mix =
        MixWords.mix()
            .bus("mix", null)
            .bus("drums", "mix")
            .bus("voices", "mix")
            .seat("kick", "drums", c -> c.withCategory("drums/kick"))
            .seat("shaker", "drums", c -> c.withCategory("percussion/shaker"))
            .seat("congas", "drums", c -> c.withCategory("percussion/hand"))
            .seat("ada", "voices", c -> c.withCategory("vocals/lead").withPerson("Ada"))
            .seat("bo", "voices", c -> c.withCategory("vocals/backing").withPerson("Bo"))
            .map("drums", "drums")
            .map("percussion", "drums")
            .map("vocals", "voices")
            .output("mix")
            .output("drums")
            .output("voices")
            .build();
    List<Output> outputs =
        mix.outputs().stream()
            .map(o -> o.channel().equals("mix") ? o : o.withKind(OutputKind.STEM))
            .toList();
    List<String> ids = outputs.stream().map(Output::id).toList();
    return Following.settled(
        mix.withOutputs(outputs)
            .withStemSets(
                List.of(new StemSet("set", "Stems", ids.get(0), ids.subList(1, ids.size())))));
  }

  private static Channel of(Mix mix, String id) {
    return mix.channel(id).orElseThrow();
  }

  @Test
  void percussionGetsABusWithStemReturnAndMapEntry() {
    Mix after =
        new MoveOut(List.of("shaker", "congas"), "Percussion", true, true, true, "percussion")
            .applyTo(band());
    assertThat(of(after, "shaker").output()).isEqualTo("percussion");
    assertThat(of(after, "shaker").pins()).isEmpty();
    assertThat(of(after, "percussion").output()).isEqualTo("mix");
    assertThat(of(after, "percussion").category()).isEqualTo("percussion");
    assertThat(of(after, "percussion-verb").output()).isEqualTo("percussion");
    assertThat(of(after, "congas").sendTo("percussion-verb").orElseThrow().levelDb())
        .isEqualTo(-144);
    assertThat(of(after, "congas").colour()).isEqualTo("percussion");
    assertThat(after.categoryMap().ofCategory("percussion").orElseThrow().destination())
        .isEqualTo("percussion");
    assertThat(after.outputs()).extracting(Output::channel).contains("percussion");
    assertThat(after.stemSets().get(0).stems()).hasSize(3);
    assertThat(LineCheck.of(after)).hasSameSizeAs(LineCheck.of(band()));
    assertThat(of(after, "kick")).isEqualTo(of(band(), "kick"));
  }

  @Test
  void withoutTheMapWhatIsMovedOutIsAnException() {
    Mix after =
        new MoveOut(List.of("shaker"), "Shakers", false, false, false, null).applyTo(band());
    assertThat(of(after, "shaker").pins()).hasSize(1);
    assertThat(after.categoryMap()).isEqualTo(band().categoryMap());
    assertThat(after.outputs()).hasSameSizeAs(band().outputs());
  }

  @Test
  void aBusIsSplitByPersonAndJoinedAgain() {
    Mix split = new SplitBus("voices", SplitBus.By.PERSON, false, true).applyTo(band());
    assertThat(of(split, "ada").output()).isEqualTo("ada-2");
    assertThat(of(split, "ada-2").name()).isEqualTo("Ada");
    assertThat(split.stemSets().get(0)).as("what was held to").isEqualTo(band().stemSets().get(0));
    assertThat(split.stemSets().get(1).mixOutput()).isEqualTo("out voices");
    assertThat(split.stemSets().get(1).stems()).containsExactly("out-ada-2", "out-bo-2");
    Mix joined =
        new JoinBuses("bo-2", "voices").applyTo(new JoinBuses("ada-2", "voices").applyTo(split));
    assertThat(of(joined, "ada").output()).isEqualTo("voices");
    assertThat(joined.outputs()).isEqualTo(band().outputs());
    assertThat(joined.stemSets()).isEqualTo(band().stemSets());
    Mix mapped = new SplitBus("voices", SplitBus.By.PERSON, true, true).applyTo(band());
    assertThat(of(mapped, "ada").output()).isEqualTo(of(split, "ada").output());
    assertThat(of(mapped, "ada").pins()).as("the map says so").isEmpty();
    assertThat(mapped.categoryMap().byId("vocals/lead:Ada").orElseThrow().destination())
        .isEqualTo(of(mapped, "ada").output());
    Mix unfiled = band().mapChannels(c -> c.id().equals("bo") ? c.withCategory("unknown") : c);
    Mix both = new SplitBus("voices", SplitBus.By.PERSON, true, true).applyTo(unfiled);
    assertThat(of(both, "bo").output()).as("pinned, as no entry can say it").isEqualTo("bo-2");
    Mix byCategory = new SplitBus("drums", SplitBus.By.CATEGORY, true, false).applyTo(band());
    assertThat(of(byCategory, "kick").output()).isEqualTo("kick-2");
    assertThat(of(byCategory, "kick").pins()).isEmpty();
    assertThatThrownBy(() -> new SplitBus("mix", SplitBus.By.GROUP, true, true).applyTo(band()))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("0 to split by group");
  }

  @Test
  void whateverHadToDoWithAJoinedBusHasToDoWithTheOther() {
    Mix mix =
        band()
            .mapChannels(
                c ->
                    c.id().equals("kick")
                        ? c.withSends(List.of(Send.of("s", List.of("voices"), Tap.PRE_FADER, -6)))
                        : c);
    Mix joined = new JoinBuses("voices", "drums").applyTo(mix);
    assertThat(of(joined, "ada").output()).isEqualTo("drums");
    assertThat(of(joined, "kick").sends().get(0).destinations()).containsExactly("drums");
    assertThat(joined.channel("voices")).isEmpty();
    assertThat(joined.categoryMap().ofCategory("vocals").orElseThrow().destination())
        .isEqualTo("drums");
    assertThatThrownBy(() -> new JoinBuses("drums", "drums").applyTo(mix))
        .hasMessageContaining("to itself");
    assertThatThrownBy(() -> new JoinBuses("kick", "drums").applyTo(mix))
        .hasMessageContaining("not what plays files");
    MapEntry both =
        MapEntry.of("vocals")
            .withSends(
                List.of(
                    MapSend.of(List.of("drums"), Tap.POST_FADER, -6),
                    MapSend.of(List.of("voices"), Tap.POST_FADER, -9)));
    Mix sent = band().withCategoryMap(new CategoryMap(List.of(both)));
    assertThat(new JoinBuses("voices", "drums").applyTo(sent).categoryMap().entries())
        .extracting(entry -> entry.sends().size())
        .containsExactly(1);
    Mix chained = new JoinBuses("mix", "drums").applyTo(band());
    assertThat(of(chained, "drums").output()).isNull();
    assertThat(of(chained, "voices").output()).isEqualTo("drums");
  }

  @Test
  void settingsOfOneAreCopiedWithOrWithoutLevels() {
    Mix mix =
        band()
            .mapChannels(
                c ->
                    c.id().equals("kick")
                        ? c.withFaderDb(-7)
                            .withSends(List.of(Send.of("s", List.of("voices"), Tap.PRE_FADER, -6)))
                            .withChain(
                                List.of(
                                    new Insert(
                                        "kick/limiter", "limiter", true, false, Map.of(), null)))
                        : c);
    List<String> others = List.of("shaker", "ada");
    Mix without = new CopySettings("kick", others, true, true, false, false).applyTo(mix);
    assertThat(of(without, "ada").sends().get(0).levelDb()).isEqualTo(-144);
    assertThat(of(without, "ada").chain().get(0).id()).isEqualTo("ada/limiter");
    assertThat(of(without, "ada").faderDb()).isEqualTo(of(mix, "ada").faderDb());
    assertThat(of(without, "ada").output()).isEqualTo("voices");
    Mix with = new CopySettings("kick", others, true, true, true, true).applyTo(mix);
    assertThat(of(with, "ada").sends().get(0).levelDb()).isEqualTo(-6);
    assertThat(of(with, "ada").faderDb()).isEqualTo(-7);
    assertThat(of(with, "ada").output()).isEqualTo("drums");
    assertThat(of(with, "ada").pins()).as("against the map").hasSize(1);
    assertThat(of(with, "shaker").pins()).isEmpty();
    assertThatThrownBy(
            () -> new CopySettings("kick", others, false, false, false, false).applyTo(mix))
        .hasMessageContaining("Nothing is to be copied");
  }

  private static Reassign reassign(List<String> channels, boolean inMap, String to) {
    return new Reassign(
        Meant.picked(channels), inMap, null, to, null, null, null, null, null, null);
  }

  @Test
  void channelsAreReassignedInTheMapOrAsExceptions() {
    Mix byMap = reassign(List.of("shaker"), true, "voices").applyTo(band());
    assertThat(of(byMap, "shaker").output()).isEqualTo("voices");
    assertThat(of(byMap, "congas").output()).isEqualTo("drums");
    assertThat(of(byMap, "shaker").pins()).isEmpty();
    Mix byHand = reassign(List.of("shaker"), false, "voices").applyTo(band());
    assertThat(of(byHand, "shaker").pins()).hasSize(1);
    assertThat(byHand.categoryMap()).isEqualTo(band().categoryMap());
    Mix filed =
        new Reassign(
                Meant.picked(List.of("congas")),
                false,
                "vocals",
                null,
                "drums",
                "bass",
                null,
                "drums −6 pre-fader",
                null,
                null)
            .applyTo(band());
    Channel congas = of(filed, "congas");
    assertThat(congas.output()).as("follows the map of its new category").isEqualTo("voices");
    assertThat(congas.pins()).isEmpty();
    assertThat(congas.group()).isEqualTo("drums");
    assertThat(congas.sends()).hasSize(1);
    assertThatThrownBy(() -> reassign(List.of("shaker"), true, null).applyTo(band()))
        .hasMessageContaining("Nothing is to become");
    String stem = band().outputs().get(2).id();
    Mix toStem =
        new Reassign(
                Meant.picked(List.of("kick")), true, null, null, null, null, stem, null, null, null)
            .applyTo(band());
    assertThat(of(toStem, "kick").output()).isEqualTo("voices");
  }

  private static Reassign to(Meant of, boolean inMap, String destination) {
    return new Reassign(of, inMap, null, destination, null, null, null, null, null, null);
  }

  private static String outputOf(Mix mix, String id) {
    return of(mix, id).output();
  }

  @Test
  void aWholeCategoryIsSaidOnceAndItsPartsFollow() {
    Mix mix =
        new SetCategoryRule(
                List.of("vocals/lead"),
                Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, "drums"))
            .applyTo(band());
    assertThat(outputOf(mix, "ada")).isEqualTo("drums");
    Mix after = to(Meant.ofCategory("vocals"), true, "mix").applyTo(mix);
    assertThat(outputOf(after, "ada")).isEqualTo("mix");
    assertThat(outputOf(after, "bo")).isEqualTo("mix");
    assertThat(after.categoryMap().ofCategory("vocals/lead")).as("it says nothing now").isEmpty();
    assertThat(after.categoryMap().ofCategory("vocals/backing")).isEmpty();
    String stem = mix.outputs().get(1).id();
    Mix byStem =
        new Reassign(
                Meant.ofCategory("vocals"), true, null, null, null, null, stem, null, null, null)
            .applyTo(mix);
    assertThat(outputOf(byStem, "bo")).as("a stem in the place of a bus").isEqualTo("drums");
    assertThat(byStem.categoryMap().ofCategory("vocals").orElseThrow().destination()).isNull();
  }

  @Test
  void whatIsFiledElsewhereLeavesThePartsOfItsNewCategoryAlone() {
    Mix mix =
        new SetCategoryRule(
                List.of("percussion/hand"),
                Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, "mix"))
            .applyTo(band());
    Mix after =
        new Reassign(
                Meant.ofCategory("vocals/backing"),
                true,
                "percussion",
                "voices",
                null,
                null,
                null,
                null,
                null,
                null)
            .applyTo(mix);
    assertThat(outputOf(after, "bo")).isEqualTo("voices");
    assertThat(outputOf(after, "congas")).as("said of hands").isEqualTo("mix");
  }

  @Test
  void aPersonOrWordsOfTheNameAreSaidWithTheCategory() {
    Mix person = to(new Meant(null, null, "Ada", null), true, "mix").applyTo(band());
    assertThat(outputOf(person, "ada")).isEqualTo("mix");
    assertThat(outputOf(person, "bo")).as("another person").isEqualTo("voices");
    MapEntry entry = person.categoryMap().byId("vocals/lead:Ada").orElseThrow();
    assertThat(entry.person()).isEqualTo("Ada");
    Mix again = to(new Meant(null, null, "Ada", null), true, "drums").applyTo(person);
    assertThat(again.categoryMap().entries()).hasSameSizeAs(person.categoryMap().entries());
    assertThat(outputOf(again, "ada")).isEqualTo("drums");
    Mix words = to(new Meant(null, null, null, "shaker"), true, "voices").applyTo(band());
    assertThat(outputOf(words, "shaker")).isEqualTo("voices");
    assertThat(outputOf(words, "congas")).isEqualTo("drums");
    assertThat(words.categoryMap().byId("percussion/shaker:shaker").orElseThrow().words())
        .isEqualTo("shaker");
    assertThatThrownBy(() -> to(new Meant(null, null, "Cy", null), true, "mix").applyTo(band()))
        .hasMessage("No channel of this Mix is meant by all of Cy.");
    assertThatThrownBy(() -> to(new Meant(null, "vocals", "Ada", null), true, "m").applyTo(band()))
        .hasMessageContaining("Say one thing");
    Mix ahead = to(Meant.ofCategory("keys"), true, "mix").applyTo(band());
    assertThat(ahead.categoryMap().hasDestination("keys")).as("for what comes later").isTrue();
    assertThatThrownBy(() -> to(Meant.ofCategory("keys"), false, "mix").applyTo(band()))
        .hasMessageContaining("No channel of this Mix");
    assertThatThrownBy(() -> to(Meant.ofCategory("vox"), true, "mix").applyTo(band()))
        .hasMessageContaining("vox");
  }

  @Test
  void aChainIsSaidInTheMapOrPutOnTheChannels() {
    Insert limiter = new Insert("a", "limiter", true, false, Map.of("ceiling", -3.0), null);
    KeptChain chain = new KeptChain("Loud", "vocals", "", List.of(limiter));
    Meant vocals = Meant.ofCategory("vocals");
    for (boolean inMap : new boolean[] {true, false}) {
      Mix after =
          new Reassign(vocals, inMap, null, null, null, null, null, null, null, chain)
              .applyTo(band());
      for (String id : List.of("ada", "bo")) {
        assertThat(of(after, id).chain()).extracting(Insert::processor).containsExactly("limiter");
        assertThat(of(after, id).chain().get(0).settings()).isEqualTo(limiter.settings());
      }
      assertThat(after.categoryMap().ofCategory("vocals").orElseThrow().chain())
          .hasSize(inMap ? 1 : 0);
    }
  }
}
