package drevik.edit;

import drevik.dsp.Processors;
import drevik.mix.Channel;
import drevik.mix.FreshIds;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * Adds processors behind what stands in the chains of channels; what stands there stays as it is.
 *
 * @param add what each gets, in order; ids are given anew
 */
public record AddProcessors(List<String> channels, List<Insert> add) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    if (add.isEmpty()) {
      throw new Refused("No processor is to be added; choose one.");
    }
    FreshIds fresh = new FreshIds(mix);
    return Soundness.require(
        mix, ChannelsById.change(mix, channels, channel -> longer(channel, fresh)));
  }

  private Channel longer(Channel channel, FreshIds fresh) {
    List<Insert> chain = new ArrayList<>(channel.chain());
    add.forEach(one -> chain.add(one.withId(fresh.of(channel.id(), one.processor()))));
    return channel.withChain(chain);
  }

  @Override
  public String says(Mix before) {
    return "add "
        + add.stream()
            .map(one -> Processors.nameOf(one.processor()))
            .collect(Collectors.joining(", "))
        + " to "
        + ChannelsById.names(before, channels);
  }
}
