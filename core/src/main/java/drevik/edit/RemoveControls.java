package drevik.edit;

import drevik.mix.Control;
import drevik.mix.Mix;
import java.util.List;

/** Removes controls; their members stay, at the gain of their own faders. */
public record RemoveControls(List<String> controls) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    Listed.requireAll(mix.controls(), controls, Control::id, "control");
    return mix.withControls(
        mix.controls().stream()
            .filter(control -> !controls.contains(control.id()))
            .map(this::without)
            .toList());
  }

  @Override
  public String says(Mix before) {
    return "remove " + Listed.count(controls.size(), "control");
  }

  private Control without(Control control) {
    return control.withMembers(
        control.members().stream().filter(member -> !controls.contains(member)).toList());
  }
}
