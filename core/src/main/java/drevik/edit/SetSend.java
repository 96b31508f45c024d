package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Send;
import drevik.mix.Tap;
import drevik.route.SignalGraph;
import java.util.ArrayList;
import java.util.List;

/**
 * Gives many channels a send to one destination, or changes the one they have.
 *
 * @param levelDb dB
 */
public record SetSend(
    List<String> channels, String destination, Tap tap, double levelDb, boolean on)
    implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    Picked.requireRange("The send level", levelDb, -144, 24, " dB");
    Picked.one(mix, destination);
    Mix after = Picked.change(mix, channels, this::set);
    SignalGraph.requireSound(after);
    return after;
  }

  private Channel set(Channel channel) {
    List<Send> sends = new ArrayList<>(channel.sends());
    for (int i = 0; i < sends.size(); i++) {
      if (sends.get(i).destination().equals(destination)) {
        sends.set(i, sends.get(i).withTap(tap).withLevelDb(levelDb).withOn(on));
        return channel.withSends(sends);
      }
    }
    String id = channel.id() + ">" + destination;
    sends.add(new Send(id, destination, tap, levelDb, channel.pan(), on));
    return channel.withSends(sends);
  }

  @Override
  public String says(Mix before) {
    String to = before.channel(destination).map(Channel::name).orElse("another channel");
    return "set the send of " + Picked.names(before, channels) + " to “" + to + "”";
  }
}
