package drevik.intake;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.intake.DeliveryComparison.Against;
import drevik.intake.DeliveryComparison.Known;
import drevik.intake.DeliveryComparison.State;
import java.util.List;
import org.junit.jupiter.api.Test;

class DeliveryComparisonTest {
  private static final List<Known> FIRST =
      List.of(
          new Known("1", "song/Kick.wav", "aaa"),
          new Known("2", "song/Lead Vox v1.wav", "bbb"),
          new Known("3", "song/Choir.wav", "ccc"));

  @Test
  void theFirstDeliveryIsNewThroughout() {
    DeliveryComparison found = DeliveryComparison.of(FIRST, List.of());
    assertThat(found.states().values()).containsOnly(new Against(State.NEW, null));
    assertThat(found.missing()).isEmpty();
  }

  @Test
  void theSecondTellsNewSameChangedAndMissing() {
    List<Known> second =
        List.of(
            new Known("4", "Kick renamed.wav", "aaa"),
            new Known("5", "revisions/lead_vox_v2.wav", "ddd"),
            new Known("6", "Tambourine.wav", "eee"));
    DeliveryComparison found = DeliveryComparison.of(second, List.of(FIRST));
    assertThat(found.states())
        .containsEntry("4", new Against(State.SAME, "1"))
        .containsEntry("5", new Against(State.CHANGED, "2"))
        .containsEntry("6", new Against(State.NEW, null));
    assertThat(found.missing()).containsExactly("song/Choir.wav");
  }

  @Test
  void theNewestVersionIsTheOneThatIsReplaced() {
    List<Known> second = List.of(new Known("5", "Lead Vox v2.wav", "ddd"));
    List<Known> third = List.of(new Known("7", "Lead Vox v3.wav", "fff"));
    assertThat(DeliveryComparison.of(third, List.of(second, FIRST)).states())
        .containsEntry("7", new Against(State.CHANGED, "5"));
  }

  @Test
  void aNameThatIsOnlyAVersionStaysItself() {
    List<Known> earlier = List.of(new Known("1", "v2.wav", "a"));
    assertThat(DeliveryComparison.of(List.of(new Known("2", "new.wav", "b")), List.of(earlier)))
        .satisfies(found -> assertThat(found.states().get("2").state()).isEqualTo(State.NEW));
  }
}
