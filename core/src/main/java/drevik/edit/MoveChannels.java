package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Moves channels, in their order, to stand before another, or at the end. */
public record MoveChannels(List<String> channels, @Nullable String before) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    Set<String> moved = ChannelsById.known(mix, channels);
    if (before != null && moved.contains(before)) {
      throw new Refused("Channels cannot be moved before one of themselves; choose another place.");
    }
    List<Channel> rest = new ArrayList<>(mix.channels());
    rest.removeIf(channel -> moved.contains(channel.id()));
    int at = before == null ? rest.size() : rest.indexOf(ChannelsById.one(mix, before));
    rest.addAll(at, mix.channels().stream().filter(c -> moved.contains(c.id())).toList());
    return mix.withChannels(rest);
  }

  @Override
  public String says(Mix mix) {
    return "move "
        + ChannelsById.names(mix, channels)
        + (before == null ? " to the end" : " before " + ChannelsById.names(mix, List.of(before)));
  }
}
