package drevik.check;

import static drevik.MixWords.mix;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.mix.Mix;
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

  @ParameterizedTest
  @EnumSource(Rule.class)
  void everyRuleSaysWhatHoldsInASentence(Rule rule) {
    assertThat(rule.holds()).matches("[A-Z].*[a-z]\\.").isNotEqualTo(rule.why());
  }
}
