package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.route.SignalGraph;
import java.util.ArrayList;
import java.util.List;

/** Gives many channels the sends of one. A send that they have to the same places is replaced. */
public record CopySends(String from, List<String> channels) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    Channel source = Picked.one(mix, from);
    if (source.sends().isEmpty()) {
      throw new Refused("“" + source.name() + "” has no sends to copy.");
    }
    Mix after = Picked.change(mix, channels, channel -> copyTo(channel, source.sends()));
    SignalGraph.requireSound(after);
    return after;
  }

  @Override
  public String says(Mix before) {
    return "copy the sends of "
        + Picked.names(before, List.of(from))
        + " to "
        + Picked.names(before, channels);
  }

  private Channel copyTo(Channel channel, List<Send> wanted) {
    if (channel.id().equals(from)) {
      return channel;
    }
    List<Send> sends = new ArrayList<>();
    for (Send send : channel.sends()) {
      if (wanted.stream().noneMatch(w -> w.destinations().equals(send.destinations()))) {
        sends.add(send);
      }
    }
    for (Send send : wanted) {
      sends.add(send.withId(channel.id() + ">" + String.join("+", send.destinations())));
    }
    return channel.withSends(sends);
  }
}
