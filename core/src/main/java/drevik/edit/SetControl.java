package drevik.edit;

import drevik.mix.Control;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Adds a control, or replaces the one of its id. A control may hold controls, but not itself. */
public record SetControl(Control control) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    Picked.requireRange("The gain of a control", control.gainDb(), -144, 24, " dB");
    if (mix.channel(control.id()).isPresent()) {
      throw new Refused("The id “" + control.id() + "” is a channel's; ids are given once.");
    }
    Mix after = mix.withControls(Listed.with(mix.controls(), control, Control::id));
    Map<String, Control> controls =
        after.controls().stream().collect(Collectors.toMap(Control::id, c -> c));
    for (String member : control.members()) {
      if (after.channel(member).isEmpty() && !controls.containsKey(member)) {
        throw new Refused(
            "“"
                + control.name()
                + "” has a member that is not in this Mix; pick the members again.");
      }
    }
    if (holds(control, control.id(), controls, new HashSet<>())) {
      throw new Refused(
          "“" + control.name() + "” would hold itself; take it out of its members' members.");
    }
    return after;
  }

  @Override
  public String says(Mix before) {
    return "set the control “"
        + control.name()
        + "” over "
        + Listed.count(control.members().size(), "member");
  }

  private static boolean holds(
      Control at, String wanted, Map<String, Control> controls, Set<String> seen) {
    for (String member : at.members()) {
      Control nested = controls.get(member);
      if (member.equals(wanted)
          || nested != null && seen.add(member) && holds(nested, wanted, controls, seen)) {
        return true;
      }
    }
    return false;
  }
}
