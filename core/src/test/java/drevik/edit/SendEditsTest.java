package drevik.edit;

import static drevik.edit.Band.band;
import static drevik.edit.Band.send;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Send;
import drevik.mix.Tap;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Sends and chains. */
class SendEditsTest {
  @Test
  void aSendIsChangedNotDoubled() {
    Mix after =
        new SetSend(List.of("voice", "kick"), List.of("plate"), send(Tap.PRE_FADER, -3.0, false))
            .applyTo(band());
    assertThat(after.channel("voice").orElseThrow().sends())
        .singleElement()
        .matches(s -> s.levelDb() == -3 && !s.on() && s.tap() == Tap.PRE_FADER);
    assertThat(after.channel("kick").orElseThrow().sends()).hasSize(1);
    Mix without = new RemoveSend(List.of("voice", "kick"), "plate").applyTo(after);
    assertThat(without.channels()).allMatch(c -> c.sends().isEmpty());
  }

  /** By the form, as by the category map. */
  @Test
  void aNewSendStandsWhereItsChannelStandsInTheLfeToo() {
    Mix before =
        ChannelsById.change(band(), List.of("kick"), c -> c.with().pan(-0.4).lfeDb(-6.0).build());
    Channel low = before.channel("kick").orElseThrow();
    Mix after =
        new SetSend(List.of("kick"), List.of("plate"), send(Tap.POST_FADER, -3.0, true))
            .applyTo(before);
    assertThat(after.channel("kick").orElseThrow().sends())
        .singleElement()
        .extracting(Send::position)
        .isEqualTo(low.position());
  }

  @Test
  void sendsAreCopiedOverTheOldOnes() {
    Mix with =
        new SetSend(List.of("kick"), List.of("plate"), send(Tap.PRE_FADER, -6.0, true))
            .applyTo(band());
    Mix after = new CopySends("kick", List.of("snare", "voice", "kick")).applyTo(with);
    assertThat(after.channel("voice").orElseThrow().sends())
        .singleElement()
        .extracting(s -> s.levelDb())
        .isEqualTo(-6.0);
    assertThatThrownBy(() -> new CopySends("mix", List.of("kick")).applyTo(band()))
        .hasMessageContaining("no sends");
  }
}
