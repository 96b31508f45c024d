package drevik.intake.seat;

import static drevik.MixWords.mix;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import drevik.audio.Layout;
import drevik.edit.FollowMap;
import drevik.edit.SeatDelivery;
import drevik.edit.SendChannelsTo;
import drevik.edit.UnpinSlots;
import drevik.intake.conform.DeliveredFile;
import drevik.intake.conform.SeatWish;
import drevik.intake.seat.SeatingPlan.Act;
import drevik.mix.AudioRef;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Clip;
import drevik.mix.Insert;
import drevik.mix.MapEntry;
import drevik.mix.MapSend;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Refused;
import drevik.mix.Tap;
import drevik.preview.EditPreview;
import drevik.reassign.Following;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class SeatingPlannerTest {
  private static final Mix MIX =
      mix()
          .seat("Snare bottom", "drums", c -> c.withCategory("drums/snare"))
          .seat("Snare top", "drums", c -> c.withCategory("drums/snare").withFaderDb(-4))
          .seat("Cowbell", "drums", c -> c.withCategory("percussion/hand"))
          .bus("drums", "mix")
          .bus("keys bus", "mix")
          .bus("mix", null)
          .channel(
              ChannelKind.REFERENCE,
              "Rough",
              Layout.STEREO,
              null,
              c -> c.withCategory("reference/rough"))
          .map("drums", "drums")
          .map("keys", "keys bus")
          .build();

  private static DeliveredFile file(String name, String category) {
    return DeliveredFile.of(name, name, new AudioRef("", name), Layout.MONO, 100, false, category);
  }

  private static SeatingPlan plan(DeliveredFile... files) {
    return SeatingPlanner.plan(MIX, List.of(files));
  }

  @Test
  void theSeatWhoseNameFitsIsTaken() {
    SeatingPlan plan =
        plan(file("03 Snr Top.wav", "drums/snare"), file("04 Snr Btm.wav", "drums/snare"));
    assertThat(plan.places())
        .extracting("calledBefore")
        .containsExactly("Snare top", "Snare bottom");
    assertThat(plan.places()).extracting("seatName").containsExactly("Snr Top", "Snr Btm");
    assertThat(plan.places()).extracting("act").containsOnly(Act.TAKES);
    assertThat(plan.stow()).extracting("name").containsExactly("Cowbell");
  }

  @Test
  void moreFilesThanSeatsAddSeatsLikeTheirNeighbours() {
    SeatingPlan plan =
        plan(
            file("snare a.wav", "drums/snare"),
            file("snare b.wav", "drums/snare"),
            file("05_snare c.wav", "drums/snare"));
    Mix after = plan.toEdit("d").applyTo(MIX);
    Channel added = after.channel("seat-05_snare c.wav").orElseThrow();
    assertThat(added.name()).isEqualTo("snare c");
    assertThat(added.output()).isEqualTo("drums");
    assertThat(after.channels().indexOf(added)).isEqualTo(2);
  }

  @Test
  void withoutANeighbourTheMapDecides() {
    SeatingPlan.Place place = plan(file("Pno.wav", "keys/piano")).places().get(0);
    assertThat(place.act()).isEqualTo(Act.ADDS);
    assertThat(place.destination()).isEqualTo("keys bus");
    assertThat(place.because()).contains("from the category map: keys");
  }

  @Test
  void whatIsNotMixedIsLeftOutWithItsReason() {
    DeliveredFile silent =
        DeliveredFile.of("s", "s", new AudioRef("", "s"), Layout.MONO, 9, true, "drums/snare");
    SeatingPlan plan =
        plan(file("x", "unknown"), silent, file("stem", "print/stem"), file("fl", "winds/flute"));
    assertThat(plan.places()).extracting("act").containsOnly(Act.LEFT_OUT);
    assertThat(plan.places())
        .extracting("because")
        .containsExactly(
            "give it a category first",
            "silent all through",
            "already a print; its parts are mixed instead",
            "the category map has no destination for winds/flute");
  }

  @Test
  void mixesTakeTheSeatsOfAMixThatIsMadeOfThem() {
    Mix mastering =
        mix()
            .seat("Delivered mix", "tone", c -> c.withCategory("print"))
            .bus("tone", null)
            .map("print", "tone")
            .build();
    SeatingPlan plan =
        SeatingPlanner.plan(
            mastering,
            List.of(file("Harbour final mix.wav", "print"), file("Quay final.wav", "print")));
    assertThat(plan.places()).extracting("act").containsExactly(Act.TAKES, Act.ADDS);
    assertThat(plan.stow()).isEmpty();
  }

  @Test
  void inWorkForPictureAnyPartOfAFamilyTakesWhatIsKnownByTheFamilyAlone() {
    Mix film =
        mix()
            .seat("Dialogue 1", "dx", c -> c.withCategory("dialogue/production"))
            .seat("ADR 1", "dx", c -> c.withCategory("dialogue/adr"))
            .bus("dx", null)
            .map("dialogue", "dx")
            .build();
    SeatingPlan plan =
        SeatingPlanner.plan(
            film, List.of(file("DX Maria 01", "dialogue"), file("DX Jonas", "dialogue")));
    assertThat(plan.places()).extracting("act").containsOnly(Act.TAKES);
    assertThat(plan.places()).extracting("calledBefore").contains("Dialogue 1", "ADR 1");
    assertThat(plan.places().get(0).because()).endsWith("a part of dialogue");
    assertThat(plan(file("Drums.wav", "drums")).places().get(0).act())
        .as("a kit is no snare")
        .isEqualTo(Act.ADDS);
  }

  @Test
  void whereNothingIsRoutedFilesAreSeatedAndNothingIsPinned() {
    Mix empty = Mix.empty(MixKind.SESSION, "Recording");
    SeatingPlan plan =
        SeatingPlanner.plan(
            empty, List.of(file("Kick.wav", "drums/kick"), file("Pno.wav", "keys/piano")));
    assertThat(plan.places()).extracting("act").containsOnly(Act.ADDS);
    assertThat(plan.places().get(0).because()).contains("sent nowhere yet");
    Mix seated = plan.toEdit("d").applyTo(empty);
    assertThat(seated.channels()).hasSize(2).allMatch(c -> c.pins().isEmpty());
  }

  @Test
  void theRoughMixGoesBesideTheMix() {
    SeatingPlan plan =
        plan(file("rough.wav", "reference/rough"), file("rough 2.wav", "reference/rough"));
    assertThat(plan.places()).extracting("act").containsExactly(Act.REFERENCE, Act.ADDS);
    Channel second = plan.seatings().get(1).added();
    assertThat(second.kind()).isEqualTo(ChannelKind.REFERENCE);
    assertThat(second.output()).isNull();
  }

  @Test
  void aReferenceMoreIsComparedWhereTheOthersAre() {
    Channel comparison = MIX.channel("mix").orElseThrow().withId("cmp").withName("Comparison");
    List<Channel> channels = new ArrayList<>(MIX.channels());
    channels.replaceAll(one -> one.id().equals("Rough") ? one.withOutput("cmp") : one);
    channels.add(comparison);
    SeatingPlan plan =
        SeatingPlanner.plan(
            MIX.withChannels(channels),
            List.of(file("rough.wav", "reference/rough"), file("r 2.wav", "reference/rough")));
    assertThat(plan.seatings().get(1).added().output()).isEqualTo("cmp");
  }

  @Test
  void whereNoReferenceWaitsForTheRoughMixOneIsMade() {
    Mix empty = Mix.empty(MixKind.SESSION, "Recording");
    SeatingPlan plan =
        SeatingPlanner.plan(
            empty,
            List.of(
                file("Kick.wav", "drums/kick"),
                file("Click.wav", "click"),
                file("rough v3.wav", "reference/rough")));
    assertThat(plan.places()).extracting("act").containsExactly(Act.ADDS, Act.LEFT_OUT, Act.ADDS);
    assertThat(plan.places().get(2).because()).startsWith("a new reference, to compare");
    Mix seated = plan.toEdit("d").applyTo(empty);
    Channel rough = seated.channels().get(1);
    assertThat(rough.kind()).isEqualTo(ChannelKind.REFERENCE);
    assertThat(rough.name()).isEqualTo("rough");
  }

  @Test
  void aLeftSideIsNotPutOnAStereoSeat() {
    Mix stereo =
        mix()
            .channel(
                ChannelKind.SEAT,
                "OH",
                Layout.STEREO,
                "drums",
                c -> c.withCategory("drums/overhead"))
            .bus("drums", null)
            .build();
    var files = List.of(file("OH_L.wav", "drums/overhead"), file("OH_R.wav", "drums/overhead"));
    SeatingPlan plan = SeatingPlanner.plan(stereo, files);
    assertThat(plan.places()).extracting("act").containsOnly(Act.ADDS);
    assertThat(plan.seatings()).extracting(s -> s.added().pan()).containsExactly(-1.0, 1.0);
  }

  @Test
  void aNewVersionTakesThePlaceOfTheOldOneAndNothingElseChanges() {
    DeliveredFile first = file("Snare top.wav", "drums/snare").withFrames(100);
    Mix seated = plan(first).toEdit("one").applyTo(MIX.withKind(MixKind.SESSION));
    DeliveredFile second =
        file("Snare top v2.wav", "drums/snare")
            .playedFrom(new AudioRef("", "Snare top v2.wav"), 90)
            .withReplaces(first.id());
    SeatingPlan plan = SeatingPlanner.plan(seated, List.of(second));
    assertThat(plan.places()).extracting("act").containsExactly(Act.REPLACES);
    assertThat(plan.places().get(0).because()).isEqualTo("a new version of “Snare top.wav”");
    Mix after = plan.toEdit("two").applyTo(seated);
    Channel seat = after.channelsById().get(plan.places().get(0).seat());
    assertThat(seat.clips())
        .singleElement()
        .satisfies(
            clip -> {
              assertThat(clip.audio().name()).isEqualTo("Snare top v2.wav");
              assertThat(clip.frames()).isEqualTo(90);
            });
    assertThat(after.channels()).hasSameSizeAs(seated.channels());
    assertThatThrownBy(() -> plan.toEdit("twice").applyTo(after))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("no longer plays the earlier version");
  }

  @Test
  void aNewVersionOfAFlippedFileSaysThatItsSeatTurnsIt() {
    DeliveredFile first = file("Snare top.wav", "drums/snare").withFlip(true);
    Mix seated = plan(first).toEdit("one").applyTo(MIX.withKind(MixKind.SESSION));
    DeliveredFile mended = file("Snare top v2.wav", "drums/snare").withReplaces(first.id());
    assertThat(SeatingPlanner.plan(seated, List.of(mended)).places().get(0).because())
        .contains("its seat turns the polarity");
    assertThat(
            SeatingPlanner.plan(seated, List.of(mended.withFlip(true))).places().get(0).because())
        .isEqualTo("a new version of “Snare top.wav”");
  }

  @Test
  void whatIsSeatedAlreadyIsNotSeatedTwice() {
    DeliveredFile first = file("Snare top.wav", "drums/snare");
    Mix seated = plan(first).toEdit("one").applyTo(MIX.withKind(MixKind.SESSION));
    DeliveredFile again = file("again.wav", "drums/snare").withKnown(first.id());
    assertThat(SeatingPlanner.plan(seated, List.of(again)).places())
        .singleElement()
        .satisfies(
            place -> {
              assertThat(place.act()).isEqualTo(Act.LEFT_OUT);
              assertThat(place.because()).contains("plays already");
            });
  }

  @Test
  void aFlippedMicrophoneTurnsItsSeat() {
    SeatingPlan plan = plan(file("Snare top.wav", "drums/snare").withFlip(true));
    assertThat(plan.seatings().get(0).inverted()).isTrue();
  }

  private static SeatingPlan plan(Mix mix, DeliveredFile... files) {
    return SeatingPlanner.plan(mix, List.of(files));
  }

  @Test
  void whatAPersonWishesComesFirst() {
    DeliveredFile top =
        file("Snr Top.wav", "drums/snare")
            .withWish(new SeatWish(SeatWish.Kind.SEAT, "Snare bottom"));
    DeliveredFile other =
        file("Snr Btm.wav", "drums/snare").withWish(new SeatWish(SeatWish.Kind.LEFT_OUT, null));
    DeliveredFile bell =
        file("Bell.wav", "percussion/hand")
            .withWish(new SeatWish(SeatWish.Kind.NEW_SEAT, "keys bus"));
    SeatingPlan plan = plan(MIX, other, top, bell);
    assertThat(plan.places()).extracting("act").containsExactly(Act.LEFT_OUT, Act.TAKES, Act.ADDS);
    assertThat(plan.places().get(1).calledBefore()).isEqualTo("Snare bottom");
    assertThat(plan.places().get(2).destination()).isEqualTo("keys bus");
    assertThat(plan.places()).extracting("wished").containsOnly(true);
    assertThat(plan.stow()).extracting("name").containsExactly("Snare top", "Cowbell");
  }

  @Test
  void aWishThatCanNoLongerBeMetFallsBackToThePlan() {
    DeliveredFile first = file("Snare top.wav", "drums/snare");
    Mix seated = plan(first).toEdit("one").applyTo(MIX.withKind(MixKind.SESSION));
    DeliveredFile second =
        file("Snr x.wav", "drums/snare").withWish(new SeatWish(SeatWish.Kind.SEAT, "Snare top"));
    SeatingPlan plan = plan(seated, second);
    assertThat(plan.places().get(0).calledBefore()).isEqualTo("Snare bottom");
    assertThat(plan.places().get(0).wished()).isFalse();
  }

  private static Mix mapped(MapEntry... entries) {
    Mix mix =
        mix()
            .bus("mix", null)
            .bus("drums", "mix")
            .bus("voices", "mix")
            .bus("plate", "mix")
            .bus("hard", "mix")
            .seat("Snare", "drums", c -> c.withCategory("drums/snare").withFaderDb(-4))
            .build();
    return Following.settled(mix.withCategoryMap(new CategoryMap(List.of(entries))))
        .withKind(MixKind.SESSION);
  }

  @Test
  void aNewSeatIsLikeItsNeighbourButForWhatTheMapSaysOfIt() {
    Insert limiter = new Insert("one", "limiter", true, false, Map.of(), null);
    MapSend plate = MapSend.of(List.of("plate"), Tap.POST_FADER, -6);
    MapSend hard = MapSend.of(List.of("hard"), Tap.PRE_FADER, -3);
    Mix mix =
        mapped(
            MapEntry.of("drums").withDestination("drums").withColour("bass"),
            MapEntry.of("drums/snare").withSends(List.of(plate)),
            MapEntry.of("drums/kick")
                .withTrimDb(-3.0)
                .withChain(List.of(limiter))
                .withSends(List.of(hard)));
    Mix free =
        new FollowMap(List.of("Snare"), false)
            .applyTo(new UnpinSlots(List.of("Snare"), null).applyTo(mix));
    assertThat(free.channel("Snare").orElseThrow().sends()).hasSize(1);
    Mix taken = plan(free, file("Snare.wav", "drums/snare")).toEdit("one").applyTo(free);
    SeatingPlan plan = plan(taken, file("Kick.wav", "drums/kick"));
    Channel kick = plan.toEdit("two", "Mill").applyTo(taken).channel("seat-Kick.wav").orElseThrow();
    assertThat(kick.faderDb()).as("as its neighbour's").isEqualTo(-4);
    assertThat(kick.output()).isEqualTo("drums");
    assertThat(kick.colour()).isEqualTo("bass");
    assertThat(kick.trimDb()).isEqualTo(-3);
    assertThat(kick.chain()).extracting(Insert::processor).containsExactly("limiter");
    assertThat(kick.sends()).singleElement().satisfies(s -> assertThat(s.levelDb()).isEqualTo(-3));
    assertThat(kick.pins()).isEmpty();
    assertThat(kick.deliveredBy()).isEqualTo("Mill");
  }

  @Test
  void whatIsSeatedBeginsAtItsLevelGuide() {
    Mix mix =
        mapped(
            MapEntry.of("drums").withDestination("drums").withGuideLufs(-24.0),
            MapEntry.of("vocals").withDestination("voices").withGuideLufs(-20.0));
    SeatingPlan plan =
        plan(
            mix,
            file("Kick in.wav", "drums/kick").withLoudness(-18.0),
            file("Kick out.wav", "drums/kick").withLoudness(-26.0),
            file("Lead.wav", "vocals/lead").withLoudness(-14.0),
            file("Lead 2.wav", "vocals/lead").withLoudness(-60.0),
            file("Silent.wav", "vocals/lead"));
    assertThat(plan.seatings())
        .extracting(seating -> seating.clips().get(0).gainDb())
        .as("one instrument keeps its balance; a voice is set by itself, and by 24 dB at most")
        .containsExactly(-6.0, -6.0, -6.0, 24.0, 0.0);
    assertThat(plan.places().get(0).because()).endsWith("; −6.0 dB to the level guide");
  }

  @Test
  void aChangedGuideOffersGainsForWhatIsSeated() {
    Mix mix =
        mapped(
            MapEntry.of("drums").withDestination("drums").withGuideLufs(-24.0),
            MapEntry.of("vocals").withDestination("voices").withGuideLufs(-20.0));
    Map<String, Double> loudness = Map.of("Kick.wav", -18.0, "Lead.wav", -14.0);
    SeatingPlan plan =
        plan(
            mix,
            file("Kick.wav", "drums/kick").withLoudness(-18.0),
            file("Lead.wav", "vocals/lead").withLoudness(-14.0));
    Mix seated = plan.toEdit("d").applyTo(mix);
    assertThat(LevelGuides.offer(seated, null, loudness)).isEmpty();
    Mix changed =
        seated.withCategoryMap(
            new CategoryMap(
                List.of(
                    MapEntry.of("drums").withDestination("drums").withGuideLufs(-20.0),
                    MapEntry.of("vocals").withDestination("voices").withGuideLufs(-20.0))));
    Mix ridden =
        changed.mapChannels(
            c ->
                c.category().startsWith("vocals")
                    ? c.withClips(c.clips().stream().map(k -> k.withGainDb(3)).toList())
                    : c);
    var offer = LevelGuides.offer(ridden, seated, loudness).orElseThrow();
    assertThat(offer.says(ridden)).isEqualTo("set 1 seat to the level guides");
    Mix after = offer.applyTo(ridden);
    assertThat(after.channels().stream().flatMap(c -> c.clips().stream()).map(Clip::gainDb))
        .as(
            "the kick follows its guide; the voice, whose guide is the same, stays as it was ridden")
        .containsExactlyInAnyOrder(-2.0, 3.0);
    assertThat(EditPreview.of(ridden, offer).lines())
        .singleElement()
        .extracting("label", "before", "after")
        .containsExactly("Clip’s gain", "−6 dB", "−2 dB");
  }

  @Test
  void aSecondDeliveryLeavesWhatIsPinned() {
    Mix mix = mapped(MapEntry.of("drums").withDestination("drums"));
    Mix seated = plan(mix, file("Snare.wav", "drums/snare")).toEdit("one").applyTo(mix);
    Mix pinned = new SendChannelsTo(List.of("Snare"), "hard").applyTo(seated);
    Mix after =
        plan(pinned, file("Snare v2.wav", "drums/snare").withReplaces("Snare.wav"))
            .toEdit("two")
            .applyTo(pinned);
    Channel snare = after.channel("Snare").orElseThrow();
    assertThat(snare.clips())
        .extracting(clip -> clip.audio().name())
        .containsExactly("Snare v2.wav");
    assertThat(snare.output()).isEqualTo("hard");
    assertThat(snare.pins()).hasSize(1);
  }

  @Test
  void newSeatsStandByConventionAndThenByWhenTheyAreFirstHeard() {
    Mix mix = mix().bus("band", null).map("guitar", "band").map("keys", "band").build();
    SeatingPlan plan =
        plan(
            mix,
            file("Pno.wav", "keys/piano"),
            file("Gtr c.wav", "guitar/electric").withFirstSound(900),
            file("Gtr a.wav", "guitar/electric").withFirstSound(500),
            file("Gtr b.wav", "guitar/electric").withFirstSound(100).withStartFrame(200));
    Mix after = plan.toEdit("d").applyTo(mix.withKind(MixKind.SESSION));
    assertThat(after.channels())
        .filteredOn(c -> c.kind() == ChannelKind.SEAT)
        .extracting(Channel::name)
        .containsExactly("Gtr b", "Gtr a", "Gtr c", "Pno");
  }

  @Test
  void aMicrophoneGoesIntoTheSumOfItsKind() {
    Mix mix =
        mix()
            .seat("Snare", "snares", c -> c.withCategory("drums/snare"))
            .bus("snares", "drums", c -> c.withCategory("drums/snare"))
            .bus("drums", null)
            .map("drums", "drums")
            .build();
    SeatingPlan plan =
        plan(mix, file("Snr Top.wav", "drums/snare"), file("Snr Btm.wav", "drums/snare"));
    assertThat(plan.places()).extracting("destination").containsOnly("snares");
    assertThat(plan.places().get(1).because()).contains("into “snares”, which sums");
  }

  @Test
  void thePersonsOwnSeatIsTheirs() {
    Mix mix =
        mix()
            .seat("Voice 1", "voices", c -> c.withCategory("interview").withPerson("Ines Vale"))
            .seat("Voice 2", "voices", c -> c.withCategory("interview").withPerson("Tomas Ruhl"))
            .bus("voices", null)
            .build();
    SeatingPlan plan =
        plan(mix, file("Ruhl lav.wav", "interview"), file("Vale lav.wav", "interview"));
    assertThat(plan.places()).extracting("calledBefore").containsExactly("Voice 2", "Voice 1");
  }

  @Test
  void seatsAreNamedByThePatternAndNeverTwiceTheSame() {
    List<DeliveredFile> files =
        List.of(
            file("a/Snr.wav", "drums/snare"),
            file("b/Snr.wav", "drums/snare"),
            file("Bell.wav", "percussion/hand"));
    List<String> names = files.stream().map(DeliveredFile::name).toList();
    assertThat(SeatingPlanner.plan(MIX, files, SeatNames.of(null, names)).places())
        .extracting("seatName")
        .containsExactly("Snr", "Snare top", "Bell");
    assertThat(SeatingPlanner.plan(MIX, files, SeatNames.of("{seat} ({file})", names)).places())
        .extracting("seatName")
        .containsExactly("Snare bottom (Snr)", "Snare top (Snr)", "Cowbell (Bell)");
    assertThatThrownBy(() -> SeatNames.requireSound("{take}"))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("use {file}, {seat} or {category}");
    assertThatThrownBy(() -> SeatNames.requireSound("{category}"))
        .hasMessageContaining("needs {file} or {seat}");
  }

  @Test
  void aSeatKeepsItsNameWhereTheFileIsCalledLikeABus() {
    SeatingPlan.Place place = plan(file("Drums.wav", "drums/snare")).places().get(0);
    assertThat(place.act()).isEqualTo(Act.TAKES);
    assertThat(place.seatName()).isEqualTo(place.calledBefore()).isEqualTo("Snare bottom");
  }

  @Test
  void aFamilyIsNoneOfItsInstrumentsUnlessItsNameSaysSo() {
    SeatingPlan plan = plan(file("Kit sum.wav", "drums"), file("Snr Btm loud.wav", "drums"));
    assertThat(plan.places()).extracting("act").containsExactly(Act.ADDS, Act.TAKES);
    assertThat(plan.places().get(1).calledBefore()).isEqualTo("Snare bottom");
    assertThat(plan.places().get(1).because())
        .isEqualTo("a free seat for drums/snare, whose name it shares");
  }

  @Test
  void aReferenceOfAnyKindIsKeptBesideTheMix() {
    SeatingPlan.Place place = plan(file("As we like it.wav", "reference")).places().get(0);
    assertThat(place.act()).isEqualTo(Act.REFERENCE);
    assertThat(place.calledBefore()).isEqualTo("Rough");
  }

  @Test
  void aContentThatComesTwiceIsSeatedOnce() {
    AudioRef same = new AudioRef("abc", "x");
    SeatingPlan plan =
        plan(
            file("Snr Top.wav", "drums/snare").withAudio(same),
            file("Snr Top copy.wav", "drums/snare").withAudio(same),
            file("Cowbell from the snare.wav", "percussion/hand")
                .withAudio(same)
                .withWish(new SeatWish(SeatWish.Kind.SEAT, "Cowbell")));
    assertThat(plan.places()).extracting("act").containsExactly(Act.TAKES, Act.LEFT_OUT, Act.TAKES);
    assertThat(plan.places().get(1).because()).isEqualTo("the same, bit for bit, as “Snr Top.wav”");
  }

  @Test
  void aSeatIsNamedAfterWhatAFileCallsItself() {
    DeliveredFile file = file("Audio 23_01.wav", "drums/snare").withTitle("Snare Top");
    SeatingPlan.Place place = plan(file).places().get(0);
    assertThat(place.calledBefore()).isEqualTo("Snare top");
    assertThat(place.seatName()).isEqualTo("Snare Top");
  }

  @Test
  void aReferenceStandsAboutAsLoudAsTheTracksTogether() {
    Mix mix =
        mix()
            .seat("Snare", "mix", c -> c.withCategory("drums/snare").withFaderDb(-6))
            .seat("Bell", "mix", c -> c.withCategory("percussion/hand"))
            .bus("mix", null)
            .output("mix")
            .channel(
                ChannelKind.REFERENCE,
                "Rough",
                Layout.STEREO,
                null,
                c -> c.withCategory("reference/rough"))
            .build();
    Output whole = mix.outputs().get(0).withKind(OutputKind.MIX);
    SeatingPlan plan =
        plan(
            mix.withOutputs(List.of(whole)),
            file("snare.wav", "drums/snare").withLoudness(-20.0),
            file("bell.wav", "percussion/hand").withLoudness(-26.0),
            file("rough.wav", "reference/rough").withLoudness(-10.0),
            file("older rough.wav", "reference/rough").withLoudness(-13.0));
    assertThat(plan.seatings().get(3).clips().get(0).gainDb())
        .as("a new one")
        .isCloseTo(-10, within(0.1));
    SeatDelivery.Seating rough =
        plan.seatings().stream().filter(s -> s.seat().equals("Rough")).findFirst().orElseThrow();
    // Two tracks at −26 LUFS behind their faders make −23 LUFS.
    assertThat(rough.clips().get(0).gainDb()).isCloseTo(-13, within(0.1));
    assertThat(plan.places().get(2).because()).contains("at -13.0 dB about as loud");
    SeatingPlan picture =
        plan(
            mix.withOutputs(List.of(whole)),
            file("snare.wav", "drums/snare").withLoudness(-20.0),
            file("Reel 1.mp4", "reference/rough").withLoudness(-10.0));
    assertThat(picture.seatings().get(1).clips()).extracting(Clip::gainDb).containsOnly(0.0);
    assertThat(picture.places().get(1).because()).contains("own sound, as loud as it came");
  }

  @Test
  void theSecondHalfOfAStereoFileIsShownBesideTheFirst() {
    DeliveredFile choir =
        file("Choir.L.wav", "keys").withLayout(Layout.STEREO).withJoined("Choir.R.wav");
    SeatingPlan plan = plan(choir);
    assertThat(plan.places()).extracting("act").containsExactly(Act.ADDS, Act.JOINS);
    assertThat(plan.places()).extracting("seatName").containsOnly("Choir");
    Clip clip = plan.seatings().get(0).clips().get(0);
    assertThat(clip.delivered()).containsExactly("Choir.L.wav", "Choir.R.wav");
  }

  @Test
  void oneSideOfAJoinedPairDoesNotReplaceBoth() {
    DeliveredFile both = file("Choir.L.wav", "keys").withJoined("r").withId("l");
    Mix seated = plan(both).toEdit("one").applyTo(MIX.withKind(MixKind.SESSION));
    DeliveredFile right = file("Choir.R v2.wav", "keys").withReplaces("r");
    assertThat(plan(seated, right).places().get(0).because()).contains("send both sides");
    SeatingPlan again =
        plan(seated, file("Choir.L v2.wav", "keys").withJoined("r2").withReplaces("l"));
    assertThat(again.places().get(0).act()).isEqualTo(Act.REPLACES);
    Mix after = again.toEdit("two").applyTo(seated);
    Channel seat = after.channel(again.places().get(0).seat()).orElseThrow();
    assertThat(seat.clips()).singleElement().extracting("audio.name").isEqualTo("Choir.L v2.wav");
  }

  private static final Mix BRASS =
      mix()
          .seat("Horns", "band", c -> c.withCategory("brass").withFaderDb(-3).withPerson("Ilse"))
          .seat("Pad", "synths", c -> c.withCategory("synth/pad").withFaderDb(-9))
          .bus("band", "mix")
          .bus("trumpets", "mix")
          .bus("synths", "mix")
          .bus("mix", null)
          .map("brass", "band")
          .map("brass/trumpet", "trumpets")
          .map("synth", "synths")
          .build();

  @Test
  void aSeatIsFiledUnderItsFileAndTheMapSaysTheRest() {
    SeatingPlan plan =
        plan(BRASS, file("Trumpet 1.wav", "brass/trumpet"), file("Trumpet 2.wav", "brass/trumpet"));
    assertThat(plan.places().get(0).because()).contains("; filed under brass/trumpet");
    assertThat(plan.places()).extracting("destination").containsOnly("trumpets");
    Mix after = plan.toEdit("d").applyTo(BRASS);
    Channel taken = after.channel("Horns").orElseThrow();
    Channel added = after.channel("seat-Trumpet 2.wav").orElseThrow();
    assertThat(taken.category()).isEqualTo("brass/trumpet");
    assertThat(taken.pins()).isEmpty();
    assertThat(List.of(taken.output(), added.output())).containsOnly("trumpets");
    assertThat(added.faderDb()).isEqualTo(taken.faderDb());
  }

  @Test
  void whatIsPutOnAnotherFamilysSeatStaysThereAndItsLikeFollow() {
    SeatWish wish = new SeatWish(SeatWish.Kind.SEAT, "Pad");
    DeliveredFile first = file("Trombone.wav", "brass/trombone").withWish(wish);
    Mix without = BRASS.mapChannels(c -> c.id().equals("Horns") ? c.withCategory("keys") : c);
    SeatingPlan plan = plan(without, first, file("Trombone 2.wav", "brass/trombone"));
    Mix after = plan.toEdit("d").applyTo(without);
    Channel taken = after.channel("Pad").orElseThrow();
    Channel added = after.channel("seat-Trombone 2.wav").orElseThrow();
    assertThat(taken.category()).isEqualTo("brass/trombone");
    assertThat(taken.pins()).extracting("id").containsExactly("output");
    assertThat(List.of(taken.output(), added.output())).containsOnly("synths");
    assertThat(plan.places().get(1).because()).contains("“Pad”, which was put there by hand");
    assertThat(Following.departures(after)).isEmpty();
  }

  @Test
  void aFileThatNamesSomebodyIsTheirs() {
    Mix voices =
        mix()
            .seat("Host", "voices", c -> c.withCategory("interview").withPerson("Mara"))
            .seat("Guest", "voices", c -> c.withCategory("dialogue").withPerson("Ilse"))
            .bus("voices", null)
            .map("interview", "voices")
            .build();
    SeatingPlan plan =
        plan(voices, file("Ilse_01.wav", "interview"), file("Mara_02.wav", "dialogue"));
    Mix after = plan.toEdit("d").applyTo(voices);
    assertThat(after.channel("Host").orElseThrow().person()).isEqualTo("Ilse");
    assertThat(plan.places().get(0).because()).endsWith("; Ilse’s");
    Mix signs =
        voices.mapChannels(c -> c.id().equals("Guest") ? c.withPerson("—") : c.withPerson(null));
    assertThat(plan(signs, file("Lav 1.wav", "interview")).places().get(0).because())
        .doesNotContain("’s");
    SeatingPlan none = plan(voices, file("Lav 1.wav", "interview"));
    assertThat(none.places().get(0).because()).endsWith("; Mara’s");
  }

  @Test
  void aFileOfAnyNameGivesANameThatASeatMayHave() {
    String name = "Kick " + "x".repeat(230);
    SeatingPlan plan = plan(file("a/" + name + ".wav", "drums"), file(name + ".wav", "drums"));
    assertThat(plan.places()).hasSize(2).allMatch(place -> place.seatName().length() == 200);
    assertThat(plan.toEdit("D").applyTo(MIX).channels()).hasSize(MIX.channels().size() + 2);
  }

  @Test
  void aReelsNumberBeforeAllNamesIsNoSeatsNumber() {
    Mix film =
        mix()
            .seat("ADR 1", "dx", c -> c.withCategory("dialogue/adr"))
            .seat("ADR 2", "dx", c -> c.withCategory("dialogue/adr"))
            .seat("Feet 1", "dx", c -> c.withCategory("foley/feet"))
            .seat("Feet 2", "dx", c -> c.withCategory("foley/feet"))
            .bus("dx", null)
            .build();
    SeatingPlan plan =
        plan(
            film,
            file("R2_ADR Maria.wav", "dialogue/adr"),
            file("R2_FOL feet 02.wav", "foley/feet"),
            file("R2_FOL feet 01.wav", "foley/feet"),
            file("R2_BG city.wav", "ambience"));
    assertThat(plan.places().subList(0, 3))
        .extracting("calledBefore")
        .containsExactly("ADR 1", "Feet 2", "Feet 1");
  }

  @Test
  void aNewSeatWithoutANeighbourStandsWithThoseOfItsBus() {
    Mix band =
        mix()
            .seat("Piano", "keys", c -> c.withCategory("keys/piano"))
            .bus("keys", null)
            .seat("Voice", "keys", c -> c.withCategory("vocals").withOutput(null))
            .map("synth", "keys")
            .build();
    SeatingPlan plan = plan(band, file("Pad.wav", "synth/pad"));
    assertThat(plan.seatings().get(0).addedAfter()).isEqualTo("Piano");
  }
}
