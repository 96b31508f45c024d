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
    return Picked.change(
        mix,
        List.copyOf(names.keySet()),
        channel -> channel.withName(Picked.cleanName(names.get(channel.id()))));
  }

  @Override
  public String says(Mix before) {
    return "rename " + Picked.names(before, List.copyOf(names.keySet()));
  }
}
