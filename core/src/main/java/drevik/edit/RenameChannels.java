package drevik.edit;

import drevik.mix.Mix;
import java.util.List;
import java.util.Map;

/**
 * Gives channels new names.
 *
 * @param names channel id → new name
 */
public record RenameChannels(Map<String, String> names) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    return ChannelsById.change(
        mix,
        List.copyOf(names.keySet()),
        channel -> channel.withName(ChannelsById.cleanName(names.getOrDefault(channel.id(), ""))));
  }

  @Override
  public String says(Mix before) {
    return "rename " + ChannelsById.names(before, List.copyOf(names.keySet()));
  }
}
