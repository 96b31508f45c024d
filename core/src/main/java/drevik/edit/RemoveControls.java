package drevik.edit;

import drevik.mix.Control;
import drevik.mix.Mix;
import drevik.mix.field.Field.Target;
import drevik.mix.field.References;
import java.util.List;
import java.util.Set;

/** Removes controls; their members stay, at the gain of their own faders. */
public record RemoveControls(List<String> controls) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    ListsById.requireAll(mix.controls(), controls, Control::id, "control");
    Set<String> gone = Set.copyOf(controls);
    Mix rest =
        mix.withControls(mix.controls().stream().filter(c -> !gone.contains(c.id())).toList());
    return References.without(rest, Target.CONTROL, gone);
  }

  @Override
  public String says(Mix before) {
    return "remove " + ListsById.count(controls.size(), "control");
  }
}
