package drevik.edit;

import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Shows channels with the seats of another bus than the one that they are sent to; null: with its
 * own.
 */
public record SetGroup(List<String> channels, @Nullable String group) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    if (group != null && Picked.one(mix, group).kind().holdsClips()) {
      throw new Refused(
          "“" + Picked.one(mix, group).name() + "” is no bus; a group belongs to a bus.");
    }
    return Picked.change(mix, channels, channel -> channel.withGroup(group));
  }

  @Override
  public String says(Mix before) {
    return "show "
        + Picked.names(before, channels)
        + (group == null ? " with their own bus" : " with " + Picked.names(before, List.of(group)));
  }
}
