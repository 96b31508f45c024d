package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Adds channels at the end of the document, or after {@code after}. */
public record AddChannels(List<Channel> channels, @Nullable String after) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    if (channels.isEmpty()) {
      throw new Refused("There is no channel to add; say how many.");
    }
    Set<String> ids = new HashSet<>(mix.channelsById().keySet());
    List<Channel> all = new ArrayList<>(mix.channels());
    int at = after == null ? all.size() : all.indexOf(ChannelsById.one(mix, after)) + 1;
    for (Channel channel : channels) {
      if (!ids.add(channel.id())) {
        throw new Refused("The id “" + channel.id() + "” is taken; ids are given once.");
      }
      all.add(at++, channel.withName(ChannelsById.cleanName(channel.name())));
    }
    return Soundness.require(mix, mix.withChannels(all));
  }

  @Override
  public String says(Mix before) {
    return channels.size() == 1
        ? "add “" + channels.get(0).name() + "”"
        : "add " + channels.size() + " channels";
  }
}
