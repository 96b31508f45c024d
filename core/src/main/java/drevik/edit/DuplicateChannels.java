package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.FreshIds;
import drevik.mix.Mix;
import drevik.naming.FreshNames;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Copies channels with their routing, chains, sends and controls, each behind its original; audio
 * is not copied.
 */
public record DuplicateChannels(List<String> channels) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    Set<String> wanted = ChannelsById.known(mix, channels);
    FreshNames fresh = new FreshNames(mix);
    FreshIds ids = new FreshIds(mix);
    Map<String, String> likes = new LinkedHashMap<>();
    List<Channel> all = new ArrayList<>();
    for (Channel channel : mix.channels()) {
      all.add(channel);
      if (wanted.contains(channel.id())) {
        String name = fresh.next(channel.name());
        String id = fresh.id(name);
        all.add(Likeness.of(channel, id, name, ids));
        likes.put(id, channel.id());
      }
    }
    return Likeness.controlled(mix.withChannels(all), likes);
  }

  @Override
  public String says(Mix before) {
    return "duplicate " + ChannelsById.names(before, channels);
  }
}
