package drevik.route;

import static drevik.MixWords.mix;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.audio.Decibels;
import drevik.mix.Control;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

class ControlGainsTest {
  private static Mix with(Control... controls) {
    return mix()
        .seat("kick", "mix")
        .seat("snare", "mix")
        .bus("mix", null)
        .build()
        .withControls(List.of(controls));
  }

  private static Control control(String id, double gainDb, boolean dip, String... members) {
    return new Control(id, id, gainDb, List.of(members), dip);
  }

  @Test
  void whatHoldsAChannelByTwoWaysActsOnceOnIt() {
    Mix diamond =
        with(
            control("all", -1, true, "left", "right", "kick"),
            control("left", -2, false, "kick", "snare"),
            control("right", -4, false, "kick"));
    assertThat(ControlGains.of(diamond))
        .hasSize(2)
        .containsEntry("kick", -7.0)
        .containsEntry("snare", -3.0);
    assertThat(ControlGains.dipped(diamond)).containsExactlyInAnyOrder("kick", "snare");
  }

  @Test
  void aControlThatStandsBehindWhatItHoldsActsAlike() {
    Mix nested =
        with(
            control("inner", -2, true, "kick"),
            control("outer", Decibels.SILENCE, false, "inner", "snare"));
    assertThat(ControlGains.of(nested))
        .containsEntry("kick", Double.NEGATIVE_INFINITY)
        .containsEntry("snare", Double.NEGATIVE_INFINITY);
    assertThat(ControlGains.dipped(nested)).containsExactly("kick");
  }

  @Test
  void whatHoldsItselfIsRefused() {
    Mix circle = with(control("one", 0, false, "two"), control("two", 0, false, "one"));
    assertThatThrownBy(() -> ControlGains.of(circle))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("holds itself");
  }

  /** Two ways from each layer to the next: a million millions of ways to the channel. */
  @Test
  @Timeout(60)
  void fortyLayersOfControlsAreAsManySteps() {
    List<Control> controls = new ArrayList<>();
    for (int layer = 0; layer < 40; layer++) {
      String[] below =
          layer == 39 ? new String[] {"kick"} : new String[] {"a" + (layer + 1), "b" + (layer + 1)};
      controls.add(control("a" + layer, -1, false, below));
      controls.add(control("b" + layer, -1, false, below));
    }
    Mix deep = with(controls.toArray(Control[]::new));
    assertThat(ControlGains.of(deep)).containsEntry("kick", -80.0);
  }
}
