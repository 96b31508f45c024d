package drevik.edit;

import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.route.SignalGraph;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Gives many channels one chain, in the place of theirs. With an empty list it takes their chains
 * away.
 */
public record SetChain(List<String> channels, List<Insert> chain) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    Set<String> ids = new HashSet<>();
    for (Insert insert : chain) {
      if (!ids.add(insert.id())) {
        throw new Refused("The insert id “" + insert.id() + "” is taken; ids are given once.");
      }
    }
    Mix after = Picked.change(mix, channels, channel -> channel.withChain(chain));
    SignalGraph.requireSound(after);
    return after;
  }

  @Override
  public String says(Mix before) {
    return "set the chain of " + Picked.names(before, channels);
  }
}
