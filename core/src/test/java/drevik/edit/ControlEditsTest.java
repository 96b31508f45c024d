package drevik.edit;

import static drevik.edit.Band.add;
import static drevik.edit.Band.band;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.mix.Control;
import drevik.mix.Mix;
import drevik.mix.field.Changes;
import drevik.mix.field.ControlField;
import drevik.mix.field.MixField;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Controls. */
class ControlEditsTest {
  @Test
  void controlsMayBeNestedButNotInThemselves() {
    Mix one = add(band(), MixField.CONTROLS, new Control("a", "A", -3, List.of("kick")));
    Mix two = add(one, MixField.CONTROLS, new Control("b", "B", -3, List.of("a", "voice")));
    assertThat(two.controls()).hasSize(2);
    assertThatThrownBy(() -> with("a", List.of("kick"), List.of("b")).applyTo(two))
        .hasMessageContaining("hold itself");
    assertThatThrownBy(() -> add(two, MixField.CONTROLS, new Control("kick", "K", 0, List.of())))
        .hasMessageContaining("taken");
    Mix removed = new RemoveControls(List.of("a")).applyTo(two);
    assertThat(removed.controls().get(0).members()).containsExactly("voice");
  }

  private static ChangeMix with(String control, List<String> were, List<String> are) {
    Control before = new Control(control, "", 0, were);
    return ChangeMix.ofMember(
        MixField.CONTROLS,
        control,
        Changes.between(ControlField.ALL, before, before.withMembers(are)));
  }

  @Test
  void twoPeopleAddMembersAndBothAreIn() {
    Mix one = add(band(), MixField.CONTROLS, new Control("a", "A", -3, List.of("kick")));
    Mix both =
        with("a", List.of("kick"), List.of("kick", "voice"))
            .applyTo(with("a", List.of("kick"), List.of("snare", "kick")).applyTo(one));
    assertThat(both.controls().get(0).members()).containsExactly("snare", "kick", "voice");
    assertThat(both.controls().get(0).gainDb()).isEqualTo(-3);
    assertThat(ChangeMix.withoutMembers("a", List.of("kick")).applyTo(both).controls().get(0))
        .extracting(Control::members)
        .isEqualTo(List.of("snare", "voice"));
    assertThatThrownBy(() -> with("a", List.of(), List.of("nobody")).applyTo(both))
        .hasMessageContaining("a member that is not in this Mix");
  }
}
