package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.mix.Tap;
import drevik.route.SignalGraph;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Gives many channels a send, or changes the one they have with these destinations. Several
 * destinations make it a fan.
 *
 * @param levelDb dB
 */
public record SetSend(
    List<String> channels, List<String> destinations, Tap tap, double levelDb, boolean on)
    implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    Picked.requireRange("The send level", levelDb, -144, 24, " dB");
    if (destinations.isEmpty()) {
      throw new Refused("A send needs at least one destination; choose a return or a bus.");
    }
    if (Set.copyOf(destinations).size() < destinations.size()) {
      throw new Refused("A send reaches each destination once; one is named twice.");
    }
    destinations.forEach(destination -> Picked.one(mix, destination));
    Mix after = Picked.change(mix, channels, this::set);
    SignalGraph.requireSound(after);
    return after;
  }

  private Channel set(Channel channel) {
    List<Send> sends = new ArrayList<>(channel.sends());
    for (int i = 0; i < sends.size(); i++) {
      if (sends.get(i).destinations().equals(destinations)) {
        sends.set(i, sends.get(i).withTap(tap).withLevelDb(levelDb).withOn(on));
        return channel.withSends(sends);
      }
    }
    String id = channel.id() + ">" + String.join("+", destinations);
    sends.add(new Send(id, destinations, tap, levelDb, channel.pan(), on));
    return channel.withSends(sends);
  }

  @Override
  public String says(Mix before) {
    return "set the send of "
        + Picked.names(before, channels)
        + " to "
        + Picked.names(before, destinations);
  }
}
