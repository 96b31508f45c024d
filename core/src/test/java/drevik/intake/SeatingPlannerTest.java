package drevik.intake;

import static drevik.MixWords.mix;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import drevik.intake.SeatingPlan.Act;
import drevik.mix.AudioRef;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
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
    return new DeliveredFile(name, name, new AudioRef("", name), Layout.MONO, 100, false, category);
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
        new DeliveredFile("s", "s", new AudioRef("", "s"), Layout.MONO, 9, true, "drums/snare");
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
}
