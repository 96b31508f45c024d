package drevik.check;

import static drevik.MixWords.mix;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.RandomMix;
import drevik.mix.Mix;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class CheckChangeTest {
  private static final Mix SOUND =
      mix()
          .seat("a", "drums")
          .bus("drums", "mix")
          .bus("mix", null)
          .output("mix")
          .output("drums")
          .build();

  private static List<Rule> rules(List<Finding> findings) {
    return findings.stream().map(Finding::rule).toList();
  }

  @Test
  void whatIsMendedGoesAndWhatThatBringsComes() {
    Mix muted = SOUND.mapChannels(c -> c.id().equals("a") ? c.withMute(true) : c);
    Mix lost = SOUND.mapChannels(c -> c.id().equals("a") ? c.withOutput(null) : c);
    CheckChange change = CheckChange.between(LineCheck.of(muted), LineCheck.of(lost));
    assertThat(rules(change.gone())).contains(Rule.MUTED);
    assertThat(rules(change.come())).contains(Rule.GOES_NOWHERE).doesNotContain(Rule.MUTED);
  }

  @Property(tries = 100)
  void whatStaysIsNeitherGoneNorCome(@ForAll long one, @ForAll long other) {
    List<Finding> before = LineCheck.of(RandomMix.of(one));
    List<Finding> after = LineCheck.of(RandomMix.of(other));
    CheckChange change = CheckChange.between(before, after);
    assertThat(before).containsAll(change.gone());
    assertThat(after).containsAll(change.come());
    assertThat(before.size() - change.gone().size())
        .as("as many stay, seen from either side")
        .isEqualTo(after.size() - change.come().size());
    assertThat(CheckChange.between(before, before))
        .isEqualTo(new CheckChange(List.of(), List.of()));
    CheckChange back = CheckChange.between(after, before);
    assertThat(back.gone()).isEqualTo(change.come());
    assertThat(back.come()).isEqualTo(change.gone());
  }
}
