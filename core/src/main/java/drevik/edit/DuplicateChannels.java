package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.FreshIds;
import drevik.mix.Mix;
import drevik.naming.FreshNames;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Copies channels with their routing, chains and sends, each behind its original; audio is not
 * copied.
 */
public record DuplicateChannels(List<String> channels) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    Set<String> wanted = ChannelsById.known(mix, channels);
    FreshNames fresh = new FreshNames(mix);
    FreshIds ids = new FreshIds(mix);
    List<Channel> all = new ArrayList<>();
    for (Channel channel : mix.channels()) {
      all.add(channel);
      if (wanted.contains(channel.id())) {
        String name = fresh.next(channel.name());
        Channel copy = channel.withId(fresh.id(name)).withName(name).withClips(List.of());
        all.add(ids.renewed(copy));
      }
    }
    return mix.withChannels(all);
  }

  @Override
  public String says(Mix before) {
    return "duplicate " + ChannelsById.names(before, channels);
  }
}
