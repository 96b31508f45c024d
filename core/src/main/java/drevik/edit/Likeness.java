package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Control;
import drevik.mix.FreshIds;
import drevik.mix.Mix;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** A channel that is like another in everything but its name and its audio. */
final class Likeness {
  private Likeness() {}

  static Channel of(Channel like, String id, String name, FreshIds fresh) {
    return fresh.renewed(like.withId(id).withName(name).withClips(List.of()).withDeliveredBy(null));
  }

  /**
   * What controls act on one, they act on those that are like it, too.
   *
   * @param likes id of a copy → id of what it is like
   */
  static Mix controlled(Mix mix, Map<String, String> likes) {
    List<Control> controls = new ArrayList<>();
    for (Control control : mix.controls()) {
      List<String> members = new ArrayList<>(control.members());
      likes.forEach(
          (copy, like) -> {
            if (control.members().contains(like)) {
              members.add(copy);
            }
          });
      controls.add(
          members.size() == control.members().size() ? control : control.withMembers(members));
    }
    return controls.equals(mix.controls()) ? mix : mix.withControls(controls);
  }
}
