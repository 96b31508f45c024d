package drevik.merge;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.MixWords;
import drevik.RandomMix;
import drevik.audio.Layout;
import drevik.edit.Edit;
import drevik.edit.RemoveChannels;
import drevik.edit.SendChannelsTo;
import drevik.edit.SetCategoryRule;
import drevik.edit.SetChannels;
import drevik.edit.Soundness;
import drevik.edit.UnpinSlots;
import drevik.merge.Clash.Cause;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.mix.Slot;
import drevik.mix.Tap;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.Field;
import drevik.mix.field.MapEntryField;
import drevik.mix.field.MixField;
import drevik.mix.field.ValueField;
import drevik.reassign.Actor;
import drevik.reassign.Following;
import drevik.reassign.MapAnswers;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.statistics.Statistics;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** Two people make something of one Mix; what comes of both is one Mix, and no change is lost. */
class MergeTest {
  private static Mix band() {
    return MixWords.mix()
        .seat("kick", "drums")
        .seat("hat", "drums", c -> c.withCategory("drums/hat"))
        .seat("voice", "mix")
        .bus("drums", "mix")
        .bus("cymbals", "mix")
        .bus("mix", null)
        .channel(ChannelKind.RETURN, "plate", Layout.STEREO, "mix", c -> c)
        .output("mix")
        .build();
  }

  private static Channel of(Mix mix, String id) {
    return Lookup.in(mix.channelsById(), id);
  }

  private static Mix with(Edit... edits) {
    Mix mix = band();
    for (Edit edit : edits) {
      mix = edit.applyTo(mix);
    }
    return mix;
  }

  @Property(tries = 200)
  void whatOnlyOneMadeIsWhatComesOut(@ForAll long seed, @ForAll long other) {
    Mix base = RandomMix.full(seed);
    Mix made = RandomMix.full(other);
    assertThat(Merge.of(base, made, base, "theirs")).isEqualTo(new Merge(made, List.of()));
    assertThat(Merge.of(base, base, made, "theirs")).isEqualTo(new Merge(made, List.of()));
    assertThat(Merge.of(base, made, made, "theirs")).isEqualTo(new Merge(made, List.of()));
  }

  /** What two random people do to fields of random channels, none to one that the other has. */
  @Property(tries = 200)
  void changesOfDifferentFieldsNeverClashAndAllHold(@ForAll long seed) {
    Random random = new Random(seed);
    Mix base = RandomMix.full(seed);
    List<Field<Channel, ?>> fields =
        List.of(
            ChannelField.FADER,
            ChannelField.TRIM,
            ChannelField.PAN,
            ChannelField.COMMENT,
            ChannelField.MUTE,
            ChannelField.HEIGHT);
    Mix ours = base;
    Mix theirs = base;
    for (Channel channel : base.channels()) {
      for (Field<Channel, ?> field : fields) {
        int who = random.nextInt(3);
        ours = who == 0 ? otherwise(ours, channel.id(), field, random) : ours;
        theirs = who == 1 ? otherwise(theirs, channel.id(), field, random) : theirs;
      }
    }
    Merge merge = Merge.of(base, ours, theirs, "theirs");
    assertThat(merge.clashes()).isEmpty();
    for (Channel channel : base.channels()) {
      for (Field<Channel, ?> field : fields) {
        Object was = field.get(channel);
        Object our = field.get(of(ours, channel.id()));
        Object their = field.get(of(theirs, channel.id()));
        assertThat((Object) field.get(of(merge.mix(), channel.id())))
            .isEqualTo(was.equals(our) ? their : our);
      }
    }
  }

  private static Mix otherwise(Mix mix, String id, Field<Channel, ?> field, Random random) {
    return mix.mapChannels(
        channel -> {
          if (!channel.id().equals(id)) {
            return channel;
          }
          double figure = random.nextInt(100) / 100.0;
          return switch (field.id()) {
            case "faderDb" -> channel.withFaderDb(-figure);
            case "trimDb" -> channel.withTrimDb(figure);
            case "pan" -> channel.withPan(-figure);
            case "comment" -> channel.withComment("said " + figure);
            case "mute" -> channel.withMute(!channel.mute());
            default -> channel.withHeight(figure);
          };
        });
  }

  /** Some of what leads from one Mix to another, at random, and sound as edits are. */
  private static Mix partly(Mix from, Mix to, Random random) {
    Mix mix = from;
    for (Pieces.Piece piece : Pieces.of(Changes.between(MixField.ALL, from, to))) {
      try {
        mix = random.nextBoolean() ? Soundness.require(mix, piece.changes().applyTo(mix)) : mix;
      } catch (Refused e) {
        // It needs another that was left out; people make nothing that is not sound.
      }
    }
    return mix;
  }

  @Property(tries = 100)
  void whatTheirsAloneChangedHoldsOrIsTold(@ForAll long seed, @ForAll long other) {
    Random random = new Random(seed ^ other);
    Mix base = RandomMix.full(seed);
    Mix ours = partly(base, RandomMix.full(other), random);
    Mix theirs = partly(base, RandomMix.full(other + 1), random);
    Merge merge = Merge.of(base, ours, theirs, "theirs");
    int compared = 0;
    for (Channel was : base.channels()) {
      Channel our = ours.channelsById().get(was.id());
      Channel their = theirs.channelsById().get(was.id());
      if (our == null || their == null) {
        continue;
      }
      for (Field<Channel, ?> field : ChannelField.ALL.all()) {
        // A layout follows the map where a seat waits for audio; pins and the like follow from it.
        boolean plain = field instanceof ValueField && field != ChannelField.LAYOUT;
        Object wanted = field.get(their);
        if (plain
            && Objects.equals(field.get(was), field.get(our))
            && !Objects.equals(field.get(was), wanted)) {
          List<String> at = List.of("channels", was.id(), field.id());
          if (merge.clashes().stream().noneMatch(clash -> isAt(clash, at))) {
            assertThat((Object) field.get(of(merge.mix(), was.id())))
                .as("%s", at)
                .isEqualTo(wanted);
          }
          compared++;
        }
      }
    }
    Statistics.label("fields that theirs alone changed").collect(compared > 0);
    Statistics.label("fields that theirs alone changed")
        .coverage(coverage -> coverage.check(true).percentage(share -> share > 80));
    if (!ours.equals(base)) {
      // Where ours is the base, what comes out is theirs, as it is.
      assertThat(Soundness.require(ours, merge.mix())).isEqualTo(merge.mix());
    }
  }

  /** True if a clash speaks of a field, or of the whole thing that it is of. */
  private static boolean isAt(Clash clash, List<String> at) {
    int shared = Math.min(clash.at().size(), at.size());
    return clash.at().subList(0, shared).equals(at.subList(0, shared));
  }

  @Test
  void oneFieldThatBothChangeStaysAsOursAndIsTold() {
    Mix ours = with(SetChannels.of(List.of("kick"), ChannelField.FADER, -3.0));
    Mix theirs =
        with(
            SetChannels.of(List.of("kick"), ChannelField.FADER, -9.0),
            SetChannels.of(List.of("kick"), ChannelField.PAN, 0.5));
    Merge merge = Merge.of(band(), ours, theirs, "theirs");
    assertThat(of(merge.mix(), "kick").faderDb()).isEqualTo(-3);
    assertThat(of(merge.mix(), "kick").pan()).isEqualTo(0.5);
    assertThat(merge.clashes())
        .containsExactly(
            new Clash(
                Cause.BOTH_CHANGED, List.of("channels", "kick", "faderDb"), -3.0, -9.0, null));
  }

  @Test
  void whatOneRemovedAndTheOtherChangedIsTold() {
    Mix removed = with(new RemoveChannels(List.of("hat")));
    Mix changed = with(SetChannels.of(List.of("hat"), ChannelField.FADER, -3.0));
    Merge gone = Merge.of(band(), removed, changed, "theirs");
    assertThat(gone.mix()).isEqualTo(removed);
    Merge kept = Merge.of(band(), changed, removed, "theirs");
    assertThat(kept.mix()).isEqualTo(changed);
    for (Merge merge : List.of(gone, kept)) {
      assertThat(merge.clashes())
          .extracting(Clash::cause, Clash::at)
          .containsExactly(
              org.assertj.core.groups.Tuple.tuple(
                  Cause.CHANGED_AND_REMOVED, List.of("channels", "hat")));
    }
  }

  @Test
  void aSendToWhatTheOtherRemovedIsAClashOfTheFieldThatPointsThere() {
    Mix sent =
        band()
            .mapChannels(
                c ->
                    c.id().equals("voice")
                        ? c.withSends(List.of(Send.of("s", List.of("plate"), Tap.POST_FADER, -6)))
                        : c);
    Mix removed = with(new RemoveChannels(List.of("plate")));
    Merge without = Merge.of(band(), removed, sent, "theirs");
    assertThat(without.mix()).isEqualTo(removed);
    assertThat(without.clashes()).hasSize(1);
    assertThat(without.clashes().get(0).cause()).isEqualTo(Cause.NOT_SOUND);
    assertThat(without.clashes().get(0).at()).containsExactly("channels", "voice", "sends");
    Merge with = Merge.of(band(), sent, removed, "theirs");
    assertThat(with.mix()).isEqualTo(sent);
    assertThat(with.clashes().get(0).at()).containsExactly("channels", "plate");
  }

  @Test
  void whatIsShownWithWhatWentIsAClashToo() {
    Mix shown = with(SetChannels.of(List.of("kick"), ChannelField.GROUP, "cymbals"));
    Mix removed =
        band()
            .withChannels(
                band().channels().stream().filter(c -> !c.id().equals("cymbals")).toList());
    Merge merge = Merge.of(band(), shown, removed, "theirs");
    assertThat(merge.mix()).isEqualTo(shown);
    assertThat(merge.clashes())
        .extracting(Clash::at)
        .containsExactly(List.of("channels", "cymbals"));
    assertThat(merge.clashes().get(0).why()).contains("is shown with a channel");
  }

  @Test
  void whatTheMapPointsAtDoesNotGo() {
    Mix mapped = band().withCategoryMap(CategoryMap.EMPTY.sending("drums/hat", "cymbals"));
    Mix removed =
        band()
            .withChannels(
                band().channels().stream().filter(c -> !c.id().equals("cymbals")).toList());
    Merge merge = Merge.of(band(), mapped, removed, "theirs");
    assertThat(merge.mix()).isEqualTo(mapped);
    assertThat(merge.clashes().get(0).why()).contains("destination of drums/hat");
  }

  @Test
  void twoThatPointIntoEachOtherAreAClashAndAllElseIsTaken() {
    Mix ours = with(new SendChannelsTo(List.of("drums"), "cymbals"));
    Mix theirs =
        with(
            new SendChannelsTo(List.of("cymbals"), "drums"),
            SetChannels.of(List.of("voice"), ChannelField.FADER, -3.0));
    Merge merge = Merge.of(band(), ours, theirs, "theirs");
    assertThat(of(merge.mix(), "drums").output()).isEqualTo("cymbals");
    assertThat(of(merge.mix(), "cymbals").output()).isEqualTo("mix");
    assertThat(of(merge.mix(), "voice").faderDb()).isEqualTo(-3);
    assertThat(merge.clashes()).hasSize(1);
    assertThat(merge.clashes().get(0).at()).containsExactly("channels", "cymbals", "output");
    assertThat(merge.clashes().get(0).why()).contains("loop");
  }

  @Test
  void whatIsAddedComesWithAllThatPointsAtIt() {
    Mix ours = with(new RemoveChannels(List.of("plate")));
    List<Channel> more = new ArrayList<>(band().channels());
    more.add(Channel.of("tom", ChannelKind.SEAT, "Tom", Layout.MONO, "drums").withOutput("toms"));
    more.add(
        Channel.of("toms", ChannelKind.BUS, "Toms", Layout.STEREO, "drums").withOutput("drums"));
    Mix theirs =
        band()
            .withChannels(more)
            .mapChannels(
                c ->
                    c.id().equals("hat")
                        ? c.withSends(List.of(Send.of("s", List.of("plate"), Tap.POST_FADER, 0)))
                        : c);
    Merge merge = Merge.of(band(), ours, theirs, "theirs");
    assertThat(of(merge.mix(), "tom").output()).isEqualTo("toms");
    assertThat(of(merge.mix(), "toms").output()).isEqualTo("drums");
    assertThat(merge.clashes())
        .extracting(Clash::at)
        .containsExactly(List.of("channels", "hat", "sends"));
  }

  private static Mix underAMap() {
    return Following.all(
        band().withCategoryMap(CategoryMap.EMPTY.sending("drums/hat", "drums")), List.of("hat"));
  }

  /** Merged with a Mix in which the hat goes to the cymbals, against the map. */
  private static Mix withTheHatElsewhere(@Nullable String from) {
    Mix base = underAMap();
    Mix theirs = base.mapChannels(c -> c.id().equals("hat") ? c.withOutput("cymbals") : c);
    Mix ours = SetChannels.of(List.of("voice"), ChannelField.FADER, -3.0).applyTo(base);
    return Merge.of(base, ours, theirs, from).mix();
  }

  @Test
  void onlyAHandPinsAndWhatWasMergedStandsUnderAPinAndOverTheMap() {
    Slot output = Slot.OUTPUT;
    Mix merged = withTheHatElsewhere("the Tuesday session");

    Channel hat = of(merged, "hat");
    assertThat(hat.output()).isEqualTo("cymbals");
    assertThat(hat.pins()).isEmpty();
    assertThat(hat.taken(output))
        .hasValueSatisfying(taken -> assertThat(taken.from()).isEqualTo("the Tuesday session"));
    assertThat(MapAnswers.of(merged).whyThere(hat))
        .isEqualTo("taken over from the Tuesday session");
    Mix remapped =
        new SetCategoryRule(
                List.of("drums/hat"),
                Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, "mix"))
            .applyTo(merged);
    assertThat(of(remapped, "hat").output()).as("the map leaves it alone").isEqualTo("cymbals");
    Mix byHand = new SendChannelsTo(List.of("hat"), "mix").applyTo(merged);
    assertThat(of(byHand, "hat").isPinned(output)).isTrue();
    Mix back = new UnpinSlots(List.of("hat"), null).applyTo(byHand);
    assertThat(of(back, "hat").output()).as("what stands below the pin").isEqualTo("cymbals");
    Mix gone = new UnpinSlots(List.of("hat"), null).applyTo(back);
    assertThat(of(gone, "hat").output()).as("the map again").isEqualTo("drums");
    assertThat(of(gone, "hat").taken()).isEmpty();
  }

  @Test
  void whatWasTakenOverAndPointsAtWhatWentLeavesTheMapToAnswer() {
    Mix merged = withTheHatElsewhere(null);

    Mix without = new RemoveChannels(List.of("cymbals")).applyTo(merged);
    assertThat(of(without, "hat").output()).isEqualTo("drums");
    assertThat(Following.departures(without)).isEmpty();
  }

  @Test
  void whatTheMapOrAFileSaysAgainstItFollowsIt() {
    Mix base = underAMap();
    Mix changed = base.mapChannels(c -> c.id().equals("hat") ? c.withOutput("cymbals") : c);
    for (Actor actor : List.of(Actor.MAP, Actor.IMPORT)) {
      Channel hat = of(Following.after(base, changed, actor), "hat");
      assertThat(hat.output()).isEqualTo("drums");
      assertThat(hat.pins()).isEmpty();
      assertThat(hat.taken()).isEmpty();
    }
    assertThat(of(Following.after(base, changed, Actor.HAND), "hat").pins()).hasSize(1);
  }
}
