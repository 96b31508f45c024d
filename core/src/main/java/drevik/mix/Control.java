package drevik.mix;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;

/**
 * A control group (VCA): one gain over the faders of its members, so that their post-fader sends
 * follow.
 *
 * @param members ids of channels or of other controls
 * @param dip true if it is ridden to make room for a voice; what passes its members is dipped
 */
@RecordBuilder
public record Control(String id, String name, double gainDb, List<String> members, boolean dip)
    implements ControlBuilder.With {
  public Control {
    members = Lists.copy(members);
  }

  /** A control that is no dip. */
  public Control(String id, String name, double gainDb, List<String> members) {
    this(id, name, gainDb, members, false);
  }
}
