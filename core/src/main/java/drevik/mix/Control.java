package drevik.mix;

import java.util.List;

/**
 * A control group (VCA): one gain over the faders of its members, so that their post-fader sends
 * follow.
 *
 * @param members ids of channels or of other controls
 */
public record Control(String id, String name, double gainDb, List<String> members) {
  public Control {
    members = List.copyOf(members);
  }
}
