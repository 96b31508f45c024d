package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.FreshIds;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.route.SignalGraph;
import java.util.ArrayList;
import java.util.List;

/**
 * Gives many channels the sends of one. A send that they have to the same places is replaced; a
 * reference among others gets none.
 */
public record CopySends(String from, List<String> channels) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    Channel source = ChannelsById.one(mix, from);
    if (source.sends().isEmpty()) {
      throw Refused.about(from, "“" + source.name() + "” has no sends to copy.");
    }
    FreshIds fresh = new FreshIds(mix);
    Mix after =
        ChannelsById.change(
            mix,
            ChannelsById.sending(mix, channels),
            channel -> copyTo(channel, source.sends(), fresh));
    SignalGraph.requireSound(after);
    return after;
  }

  @Override
  public String says(Mix before) {
    return "copy the sends of "
        + ChannelsById.names(before, List.of(from))
        + " to "
        + ChannelsById.names(before, ChannelsById.sending(before, channels));
  }

  private Channel copyTo(Channel channel, List<Send> wanted, FreshIds fresh) {
    if (channel.id().equals(from)) {
      return channel;
    }
    List<Send> sends = new ArrayList<>(channel.sends());
    for (Send send : wanted) {
      int there = -1;
      for (int i = 0; i < sends.size(); i++) {
        there = sends.get(i).destinations().equals(send.destinations()) ? i : there;
      }
      if (there >= 0) {
        sends.set(there, send.withId(sends.get(there).id()));
      } else {
        sends.add(send.withId(fresh.of(channel.id(), send.destinations().get(0))));
      }
    }
    return channel.withSends(sends);
  }
}
