package drevik.edit;

import drevik.audio.Decibels;
import drevik.mix.Channel;
import drevik.mix.FreshIds;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.mix.Tap;
import drevik.mix.field.Changes;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Changes the send of many channels to these destinations; a channel that has none gets one, ready
 * and not open until it is given a level; a reference among others gets none. Several destinations
 * make it a fan.
 *
 * @param set what becomes of its fields; those that are not named stay
 */
public record SetSend(List<String> channels, List<String> destinations, Changes<Send> set)
    implements Edit {

  @Override
  public Mix changed(Mix mix) {
    if (destinations.isEmpty()) {
      throw new Refused("A send needs at least one destination; choose a return or a bus.");
    }
    if (Set.copyOf(destinations).size() < destinations.size()) {
      throw new Refused("A send reaches each destination once; one is named twice.");
    }
    destinations.forEach(destination -> ChannelsById.one(mix, destination));
    FreshIds fresh = new FreshIds(mix);
    return Soundness.require(
        mix,
        ChannelsById.change(
            mix, ChannelsById.sending(mix, channels), channel -> set(channel, fresh)));
  }

  private Channel set(Channel channel, FreshIds fresh) {
    List<Send> sends = new ArrayList<>(channel.sends());
    for (int i = 0; i < sends.size(); i++) {
      if (sends.get(i).destinations().equals(destinations)) {
        sends.set(i, set.applyTo(sends.get(i)));
        return channel.withSends(sends);
      }
    }
    String id = fresh.of(channel.id(), destinations.get(0));
    sends.add(
        set.applyTo(Send.of(id, destinations, Tap.POST_FADER, Decibels.SILENCE).placedAs(channel)));
    return channel.withSends(sends);
  }

  @Override
  public String says(Mix before) {
    return "set the send of "
        + ChannelsById.names(before, ChannelsById.sending(before, channels))
        + " to "
        + ChannelsById.names(before, destinations);
  }
}
