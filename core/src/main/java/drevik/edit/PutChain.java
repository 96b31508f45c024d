package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.FreshIds;
import drevik.mix.Insert;
import drevik.mix.Key;
import drevik.mix.Mix;
import drevik.shelf.KeptChain;
import java.util.ArrayList;
import java.util.List;

/**
 * Gives channels a chain from the shelf, in the place of theirs. What listened to a key still does:
 * the first processor of the same kind takes it over.
 */
public record PutChain(KeptChain chain, List<String> channels) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    FreshIds fresh = new FreshIds(mix);
    return Soundness.require(
        mix,
        ChannelsById.change(mix, channels, channel -> channel.withChain(chainOf(channel, fresh))));
  }

  private List<Insert> chainOf(Channel channel, FreshIds fresh) {
    List<Insert> put = new ArrayList<>();
    for (Insert insert : chain.chain()) {
      put.add(insert.withId(fresh.of(channel.id(), insert.processor())).withKey(null));
    }
    for (Insert before : channel.chain()) {
      Key key = before.key();
      for (int i = 0; key != null && i < put.size(); i++) {
        if (put.get(i).processor().equals(before.processor()) && put.get(i).key() == null) {
          put.set(i, put.get(i).withKey(key));
          key = null;
        }
      }
    }
    return put;
  }

  @Override
  public String says(Mix before) {
    return "put the chain “" + chain.name() + "” on " + ChannelsById.names(before, channels);
  }
}
