package drevik.edit;

import static drevik.MixWords.clip;
import static drevik.edit.Band.band;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.MixWords;
import drevik.edit.SeatDelivery.Seating;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Send;
import drevik.mix.field.ChannelField;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Audio on seats. */
class AudioEditsTest {
  @Test
  void aTemplateTakesNoAudioAndATakenSeatNoSecondFile() {
    var seating = SeatDelivery.Seating.onto("kick", List.of(clip("k.wav", 10)));
    SeatDelivery edit = new SeatDelivery("d", null, List.of(seating), List.of("snare"));
    assertThatThrownBy(() -> edit.applyTo(band().withKind(MixKind.TEMPLATE)))
        .hasMessageContaining("holds no audio");
    Mix seated = edit.applyTo(band());
    assertThat(seated.channel("snare").orElseThrow().stowed()).isTrue();
    assertThatThrownBy(() -> edit.applyTo(seated)).hasMessageContaining("holds audio already");
  }

  @Test
  void aTemplateKeepsOnlyWhatIsKeptOnPurpose() {
    Mix played =
        band()
            .mapChannels(
                c ->
                    c.kind() == ChannelKind.SEAT
                        ? c.withClips(List.of(MixWords.clip("a.wav", 9)))
                        : c);
    Mix kept = new KeepClips(List.of("kick"), true).applyTo(played);
    Mix template = kept.asTemplate();
    assertThat(template.channel("kick").orElseThrow().clips()).hasSize(1);
    assertThat(template.channel("voice").orElseThrow().awaitsAudio()).isTrue();
    Mix freed = new FreeSeats(List.of("kick")).applyTo(kept);
    assertThat(freed.channel("kick").orElseThrow().awaitsAudio()).isTrue();
  }

  @Test
  void aSeatKeepsWhatWasSetWhileThePlanWasLookedAt() {
    Mix louder = SetChannels.of(List.of("kick"), ChannelField.FADER, -7.5).applyTo(band());
    Seating renamed =
        Seating.onto("kick", List.of(clip("k.wav", 10))).withName("Kick in").withInverted(true);
    Seating added =
        Seating.adding(band().channel("voice").orElseThrow().withId("voice-2"), "voice", List.of());
    SeatDelivery edit = new SeatDelivery("d", null, List.of(renamed, added), List.of("snare"));
    Mix seated = edit.applyTo(louder);
    Channel kick = seated.channel("kick").orElseThrow();
    assertThat(kick.faderDb()).isEqualTo(-7.5);
    assertThat(kick.name()).isEqualTo("Kick in");
    assertThat(kick.invertPolarity()).isTrue();
    assertThat(seated.channel("voice-2").orElseThrow().sends())
        .as("a send of its own")
        .extracting(Send::id)
        .containsExactly("voice-2/plate");
    Mix gone = new RemoveChannels(List.of("kick")).applyTo(band());
    assertThatThrownBy(() -> edit.applyTo(gone)).hasMessageContaining("removed meanwhile");
    Mix noPlate = new RemoveChannels(List.of("plate")).applyTo(band());
    assertThatThrownBy(() -> edit.applyTo(noPlate)).hasMessageContaining("plan again");
  }
}
