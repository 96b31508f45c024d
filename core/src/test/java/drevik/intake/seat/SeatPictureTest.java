package drevik.intake.seat;

import static drevik.MixWords.clip;
import static drevik.MixWords.mix;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import drevik.audio.Layout;
import drevik.intake.conform.DeliveredFile;
import drevik.intake.seat.SeatPicture.State;
import drevik.mix.AudioRef;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import java.util.List;
import org.junit.jupiter.api.Test;

class SeatPictureTest {
  private static final Mix MIX =
      mix()
          .seat("Kick in", "drums", c -> c.withCategory("drums/kick"))
          .seat("Snare", "drums", c -> c.withCategory("drums/snare"))
          .seat("Spare", "drums", c -> c.withCategory("drums/hat").withStowed(true))
          .seat("Bass", "drums", c -> c.withCategory("bass").withClips(List.of(clip("x.wav", 100))))
          .bus("drums", null)
          .channel(
              ChannelKind.REFERENCE,
              "Rough",
              Layout.STEREO,
              null,
              c -> c.withCategory("reference/rough"))
          .map("drums", "drums")
          .build();

  private static DeliveredFile file(String name, String category) {
    return DeliveredFile.of(name, name, new AudioRef("", name), Layout.MONO, 100, false, category);
  }

  @Test
  void everySeatIsShownAsThePlanLeavesIt() {
    SeatingPlan plan =
        SeatingPlanner.plan(
            MIX, List.of(file("Kik.wav", "drums/kick"), file("Kik 2.wav", "drums/kick")));
    assertThat(SeatPicture.of(MIX, plan, plan.toEdit("").applyTo(MIX.withKind(MixKind.SESSION))))
        .extracting("name", "calledBefore", "state")
        .containsExactlyInAnyOrder(
            tuple("Kik", "Kick in", State.TAKEN),
            tuple("Kik 2", null, State.NEW),
            tuple("Snare", null, State.STOWED),
            tuple("Spare", null, State.STOWED),
            tuple("Bass", null, State.HOLDS),
            tuple("Rough", null, State.EMPTY));
  }

  @Test
  void aPersonMayChooseWhatHoldsNoAudioAndWhatThePlanLeavesAloneIsToldApart() {
    SeatingPlan plan = SeatingPlanner.plan(MIX, List.of(file("Kik.wav", "drums/kick")));
    List<SeatPicture.Seat> seats =
        SeatPicture.of(MIX, plan, plan.toEdit("").applyTo(MIX.withKind(MixKind.SESSION)));
    assertThat(seats)
        .filteredOn(SeatPicture.Seat::free)
        .extracting("name")
        .containsExactly("Kik", "Snare", "Spare", "Rough");
    assertThat(seats)
        .filteredOn(seat -> !seat.touched())
        .extracting("name")
        .containsExactly("Spare", "Bass");
  }
}
