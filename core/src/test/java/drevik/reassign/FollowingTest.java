package drevik.reassign;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.MixWords;
import drevik.RandomMix;
import drevik.audio.Layout;
import drevik.edit.AddChannels;
import drevik.edit.ChangeMix;
import drevik.edit.Edit;
import drevik.edit.RemoveChannels;
import drevik.edit.SetCategory;
import drevik.edit.SetCategoryRule;
import drevik.edit.SetChannels;
import drevik.merge.Differences;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Insert;
import drevik.mix.MapEntry;
import drevik.mix.MapSend;
import drevik.mix.Mix;
import drevik.mix.Pin;
import drevik.mix.Refused;
import drevik.mix.Slot;
import drevik.mix.Tap;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.InsertField;
import drevik.mix.field.MapEntryField;
import drevik.mix.field.Slots;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** How channels follow the category map, and what holds them back. */
class FollowingTest {
  private static final Slot OUTPUT = Slot.OUTPUT;

  /** In step, so that only a change can make a difference. */
  private static Mix settled(long seed) {
    return Following.settled(RandomMix.full(seed));
  }

  private static List<String> ids(Mix mix) {
    return mix.channels().stream().map(Channel::id).toList();
  }

  private static Mix withMap(Mix mix, CategoryMap map) {
    return Following.after(mix, mix.withCategoryMap(map), Actor.HAND);
  }

  private static CategoryMap otherMap(Mix mix, long seed) {
    List<String> buses =
        mix.channels().stream().filter(c -> !c.kind().holdsClips()).map(Channel::id).toList();
    return RandomMix.map(new Random(seed), buses, mix.outputs());
  }

  @Property(tries = 300)
  void followingTwiceIsFollowingOnce(@ForAll long seed) {
    Mix once = Following.all(RandomMix.full(seed), ids(RandomMix.full(seed)));
    assertThat(Following.all(once, ids(once))).isEqualTo(once);
    assertThat(Following.departures(once)).isEmpty();
  }

  @Property(tries = 300)
  void anotherMapAndTheFirstAgainChangeNothing(@ForAll long seed, @ForAll long other) {
    Mix mix = settled(seed);
    Mix there = withMap(mix, otherMap(mix, other));
    assertThat(Following.departures(there)).isEmpty();
    Mix back = withMap(there, mix.categoryMap());
    assertThat(Differences.between(mix, back)).isEmpty();
    assertThat(back).isEqualTo(mix);
  }

  @Property(tries = 300)
  void anotherCategoryAndTheFirstAgainChangeNothing(@ForAll long seed) {
    Mix mix = settled(seed);
    Random random = new Random(seed);
    String of = mix.channels().get(random.nextInt(mix.channels().size())).id();
    String first = mix.channel(of).orElseThrow().category();
    Mix there = new SetCategory(List.of(of), "vocals").applyTo(mix);
    assertThat(new SetCategory(List.of(of), first).applyTo(there)).isEqualTo(mix);
  }

  @Property(tries = 300)
  void aPinHoldsWhateverTheMapSays(@ForAll long seed, @ForAll long other) {
    Mix mix = settled(seed);
    Mix there = withMap(mix, otherMap(mix, other));
    Memberships before = new Memberships(mix);
    Memberships after = new Memberships(there);
    for (Channel channel : mix.channels()) {
      Channel now = there.channel(channel.id()).orElseThrow();
      assertThat(now.pins()).isEqualTo(channel.pins());
      for (Pin pin : channel.pins()) {
        Slot slot = Slots.byId(pin.id()).orElseThrow();
        assertThat(SlotValues.of(now, slot, after))
            .as("%s of %s", slot, channel.name())
            .isEqualTo(SlotValues.of(channel, slot, before));
      }
    }
  }

  @Property(tries = 300)
  void withoutPinsEverythingIsAsTheMapSays(@ForAll long seed) {
    Mix mix = RandomMix.full(seed);
    Mix free = Following.all(Following.unpinned(mix, ids(mix), null), ids(mix));
    MapAnswers answers = MapAnswers.of(free);
    Memberships members = new Memberships(free);
    for (Channel channel : free.channels()) {
      assertThat(channel.pins()).isEmpty();
      answers
          .answers(channel)
          .forEach(
              (slot, answer) ->
                  assertThat(SlotValues.of(channel, slot, members))
                      .as("%s of %s", slot, channel.name())
                      .isEqualTo(answer.value()));
    }
  }

  @Property(tries = 200)
  void aSettledMixSaysWhatItSaidBefore(@ForAll long seed) {
    Mix mix = RandomMix.full(seed);
    Mix settled = Following.settled(mix);
    for (Channel channel : mix.channels()) {
      Channel now = settled.channel(channel.id()).orElseThrow();
      assertThat(now.output()).isEqualTo(channel.output());
      assertThat(now.sends()).isEqualTo(channel.sends());
      assertThat(now.chain()).isEqualTo(channel.chain());
    }
    assertThat(Following.settled(settled)).isEqualTo(settled);
  }

  private static Mix band() {
    return MixWords.mix()
        .bus("mix", null)
        .bus("drums", "mix")
        .bus("hard", "mix")
        .bus("soft", "mix")
        .bus("voices", "mix")
        .seat("kick in", "drums", c -> c.withCategory("drums/kick"))
        .seat("snare", "drums", c -> c.withCategory("drums/snare"))
        .seat("hat", "drums", c -> c.withCategory("drums/hat"))
        .seat("lead", "voices", c -> c.withCategory("vocals/lead").withPerson("Ada"))
        .map("drums", "drums")
        .map("vocals", "voices")
        .output("mix")
        .build();
  }

  private static Channel of(Mix mix, String id) {
    return mix.channel(id).orElseThrow();
  }

  private static Mix say(Mix mix, String category, Changes<MapEntry> what) {
    return new SetCategoryRule(List.of(category), what).applyTo(mix);
  }

  private static Changes<MapEntry> sends(MapSend send) {
    return Changes.adding(MapEntryField.ALL, MapEntryField.SENDS, send, List.of());
  }

  @Test
  void aDecisionIsMadeOnceAndAllFollowButWhatAHandHasSet() {
    Mix pinned = SetChannels.of(List.of("hat"), ChannelField.OUTPUT, "soft").applyTo(band());
    assertThat(of(pinned, "hat").isPinned(OUTPUT)).isTrue();
    Mix moved =
        say(pinned, "drums", Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, "hard"));
    assertThat(of(moved, "kick in").output()).isEqualTo("hard");
    assertThat(of(moved, "snare").output()).isEqualTo("hard");
    assertThat(of(moved, "hat").output()).isEqualTo("soft");
    Mix free = Following.unpinned(moved, List.of("hat"), null);
    assertThat(of(free, "hat").output()).isEqualTo("hard");
    assertThat(of(free, "hat").pins()).isEmpty();
  }

  @Test
  void whatAHandSetsAsTheMapSaysIsNoException() {
    Mix same = SetChannels.of(List.of("hat"), ChannelField.OUTPUT, "drums").applyTo(band());
    assertThat(of(same, "hat").pins()).isEmpty();
    Mix louder = SetChannels.of(List.of("hat"), ChannelField.TRIM, -3.0).applyTo(band());
    assertThat(of(louder, "hat").pins()).as("the map says nothing of trims").isEmpty();
  }

  @Test
  void sendsGoByCategoryAndTheShellsAloneToTheHardOne() {
    Mix mix = say(band(), "drums", sends(MapSend.of(List.of("soft"), Tap.PRE_FADER, -6)));
    mix = say(mix, "drums/kick", sends(MapSend.of(List.of("hard"), Tap.PRE_FADER, -3)));
    mix = say(mix, "drums/snare", sends(MapSend.of(List.of("hard"), Tap.PRE_FADER, -3)));
    mix = say(mix, "drums/hat", sends(new MapSend(List.of("soft"), Tap.PRE_FADER, -6, true)));
    assertThat(of(mix, "kick in").sendTo("soft").orElseThrow().levelDb()).isEqualTo(-6);
    assertThat(of(mix, "kick in").sendTo("hard").orElseThrow().tap()).isEqualTo(Tap.PRE_FADER);
    assertThat(of(mix, "hat").sends()).isEmpty();
    assertThat(of(mix, "lead").sends()).isEmpty();
    Mix without = withMap(mix, band().categoryMap());
    assertThat(without).isEqualTo(band());
  }

  @Test
  void ofSeveralEntriesTheOneThatAsksForMoreWins() {
    Mix mix = band();
    List<MapEntry> entries = new ArrayList<>(mix.categoryMap().entries());
    entries.add(MapEntry.of("drums").withId("in").withPosition("in").withDestination("hard"));
    entries.add(MapEntry.of("drums/kick").withColour("bass"));
    entries.add(MapEntry.of("vocals").withId("ada").withPerson("ada").withDestination("soft"));
    entries.add(
        MapEntry.of("vocals").withId("mono").withLayout(Layout.STEREO).withDestination("hard"));
    mix = withMap(mix, new CategoryMap(entries));
    assertThat(of(mix, "kick in").output()).isEqualTo("hard");
    assertThat(of(mix, "kick in").colour()).isEqualTo("bass");
    assertThat(of(mix, "snare").output()).isEqualTo("drums");
    assertThat(of(mix, "lead").output()).isEqualTo("soft");
    assertThat(MapAnswers.of(mix).answers(of(mix, "kick in")).get(OUTPUT).words())
        .isEqualTo("from the category map: drums, microphone in");
  }

  @Test
  void aChainOfTheMapIsOnEachWithIdsOfItsOwnAndChangingItIsAnException() {
    Insert glue = new Insert("x", "compressor", true, false, Map.of("ratio", 2.0), null);
    Mix mix =
        say(
            band(),
            "drums",
            Changes.adding(MapEntryField.ALL, MapEntryField.CHAIN, glue, List.of()));
    assertThat(of(mix, "kick in").chain().get(0).id()).isEqualTo("kick in/compressor");
    assertThat(of(mix, "hat").chain().get(0).settings()).containsEntry("ratio", 2.0);
    Edit harder =
        ChangeMix.insert("hat", "hat/compressor", InsertField.SETTINGS, Map.of("ratio", 8.0));
    Mix changed = harder.applyTo(mix);
    assertThat(of(changed, "hat").isPinned(Slot.of("chain"))).isTrue();
    assertThat(of(changed, "snare").pins()).isEmpty();
  }

  @Test
  void aRemovedBusIsNobodysException() {
    Mix mix =
        say(band(), "drums/hat", Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, "soft"));
    assertThat(of(mix, "hat").output()).isEqualTo("soft");
    Mix without = new RemoveChannels(List.of("soft")).applyTo(mix);
    assertThat(of(without, "hat").pins()).isEmpty();
    assertThat(of(without, "hat").output()).isEqualTo("drums");
  }

  @Test
  void whatAFieldReturnsToMayBeGone() {
    Mix mix =
        say(
            SetChannels.of(List.of("lead"), ChannelField.GROUP, "soft").applyTo(band()),
            "vocals",
            Changes.of(MapEntryField.ALL, MapEntryField.GROUP, "hard"));
    assertThat(of(mix, "lead").group()).isEqualTo("hard");
    Mix without = new RemoveChannels(List.of("soft")).applyTo(mix);
    Mix silent = say(without, "vocals", Changes.of(MapEntryField.ALL, MapEntryField.GROUP, null));
    assertThat(of(silent, "lead").group()).isNull();
    assertThat(of(silent, "lead").fallbacks()).isEmpty();
  }

  @Test
  void aNewChannelFollowsWhereItSaysNothing() {
    Mix mix = say(band(), "drums", Changes.of(MapEntryField.ALL, MapEntryField.COLOUR, "bass"));
    Channel tom =
        Channel.of("tom", ChannelKind.SEAT, "Tom", Layout.MONO, "drums/tom").withOutput("hard");
    Mix with = new AddChannels(List.of(tom), null).applyTo(mix);
    assertThat(of(with, "tom").colour()).isEqualTo("bass");
    assertThat(of(with, "tom").isPinned(OUTPUT)).isTrue();
  }

  @Test
  void aMapThatCannotBeIsRefused() {
    for (Changes<MapEntry> bad :
        List.of(
            Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, "nobody"),
            Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, "hat"),
            Changes.of(MapEntryField.ALL, MapEntryField.STEM, "no output"),
            Changes.of(MapEntryField.ALL, MapEntryField.TRIM, Double.NaN),
            Changes.of(MapEntryField.ALL, MapEntryField.COLOUR, "plaid"),
            sends(MapSend.of(List.of("lead"), Tap.PRE_FADER, 0)),
            sends(MapSend.of(List.of("soft"), Tap.PRE_FADER, 99)))) {
      assertThatThrownBy(() -> say(band(), "drums", bad))
          .as(bad.toString())
          .isInstanceOf(Refused.class)
          .hasMessageContaining("drums");
    }
  }
}
