package drevik.intake;

import static drevik.MixWords.mix;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.audio.Layout;
import drevik.intake.SeatingPlan.Act;
import drevik.mix.AudioRef;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Refused;
import java.util.List;
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
    assertThat(plan.places()).extracting("seatName").containsExactly("Snare top", "Snare bottom");
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
  void theRoughMixGoesBesideTheMix() {
    SeatingPlan plan =
        plan(file("rough.wav", "reference/rough"), file("rough 2.wav", "reference/rough"));
    assertThat(plan.places()).extracting("act").containsExactly(Act.REFERENCE, Act.LEFT_OUT);
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
    assertThat(plan.places()).extracting(p -> p.seating().seat().pan()).containsExactly(-1.0, 1.0);
  }

  @Test
  void aNewVersionTakesThePlaceOfTheOldOneAndNothingElseChanges() {
    DeliveredFile first = file("Snare top.wav", "drums/snare").withFrames(100);
    Mix seated = plan(first).toEdit("one").applyTo(MIX.withKind(MixKind.SESSION));
    DeliveredFile second =
        file("Snare top v2.wav", "drums/snare").withFrames(90).withReplaces(first.id());
    SeatingPlan plan = SeatingPlanner.plan(seated, List.of(second));
    assertThat(plan.places()).extracting("act").containsExactly(Act.REPLACES);
    assertThat(plan.places().get(0).because()).isEqualTo("a new version of “Snare top.wav”");
    Mix after = plan.toEdit("two").applyTo(seated);
    Channel seat = after.channelsById().get(plan.places().get(0).seating().seat().id());
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
    assertThat(plan.places().get(0).seating().seat().invertPolarity()).isTrue();
  }
}
