package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Send;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Copies channels with their routing, chains and sends, each behind its original; audio is not
 * copied.
 */
public record DuplicateChannels(List<String> channels) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    Set<String> wanted = Picked.known(mix, channels);
    FreshNames fresh = new FreshNames(mix);
    List<Channel> all = new ArrayList<>();
    for (Channel channel : mix.channels()) {
      all.add(channel);
      if (wanted.contains(channel.id())) {
        String name = fresh.next(channel.name());
        all.add(copy(channel, fresh.id(name), name));
      }
    }
    return mix.withChannels(all);
  }

  @Override
  public String says(Mix before) {
    return "duplicate " + Picked.names(before, channels);
  }

  private static Channel copy(Channel channel, String id, String name) {
    List<Send> sends =
        channel.sends().stream()
            .map(send -> send.withId(id + ">" + String.join("+", send.destinations())))
            .toList();
    return channel.withId(id).withName(name).withSends(sends).withClips(List.of());
  }
}
