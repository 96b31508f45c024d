package drevik.check;

import static drevik.MixWords.mix;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.MixWords;
import drevik.audio.Layout;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class ProofTest {
  private static final Mix SOUND =
      mix()
          .seat("a", "drums")
          .seat("b", "drums")
          .bus("drums", "mix")
          .bus("mix", null)
          .output("mix")
          .output("drums")
          .build();

  private static Proof of(Mix mix) {
    return Proof.of(mix, LineCheck.of(mix));
  }

  @Test
  void everyRuleThatFoundNothingHolds() {
    Proof proof = of(SOUND);
    assertThat(proof.channels()).isEqualTo(4);
    assertThat(proof.outputs()).isEqualTo(2);
    assertThat(proof.ways()).isEqualTo(4);
    assertThat(proof.rules()).contains(Rule.LOOP, Rule.MUTED, Rule.REACHED_TWICE);
    assertThat(proof.open()).isNotEmpty();
    Mix muted = SOUND.mapChannels(c -> c.id().equals("drums") ? c.withMute(true) : c);
    assertThat(of(muted).rules()).doesNotContain(Rule.MUTED).contains(Rule.LOOP);
    // What is muted is wired all the same.
    assertThat(of(muted).ways()).isEqualTo(4);
  }

  @Test
  void whereTheRoutingCannotBeFollowedNothingIsProved() {
    Mix looped = SOUND.mapChannels(c -> c.id().equals("mix") ? c.withOutput("drums") : c);
    assertThat(of(looped).rules()).isEmpty();
    assertThat(of(looped).ways()).isZero();
  }

  @Test
  void aRuleThatHadNothingToLookAtIsNotProved() {
    Proof proof = of(SOUND);
    assertThat(proof.idle())
        .contains(Rule.RETURN_NOT_WET, Rule.REFERENCE_HEARD, Rule.STEMS_DIFFER, Rule.TAIL_CUT)
        .doesNotContainAnyElementsOf(proof.rules());
    Mix returning =
        mix()
            .seat("a", "mix")
            .channel(
                ChannelKind.RETURN,
                "plate",
                Layout.STEREO,
                "mix",
                c -> c.withChain(List.of(MixWords.insert("reverberation", Map.of()))))
            .bus("mix", null)
            .output("mix")
            .build();
    assertThat(of(returning).rules()).contains(Rule.RETURN_NOT_WET);
  }

  @ParameterizedTest
  @EnumSource(Rule.class)
  void everyRuleSaysWhatHoldsInASentence(Rule rule) {
    assertThat(rule.holds()).matches("[A-Z].*[a-z]\\.").isNotEqualTo(rule.why());
  }
}
