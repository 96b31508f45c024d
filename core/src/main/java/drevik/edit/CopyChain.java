package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.FreshIds;
import drevik.mix.Mix;
import java.util.List;

/** Gives many channels the chain of one, in the place of theirs. */
public record CopyChain(String from, List<String> channels) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    Channel source = ChannelsById.one(mix, from);
    FreshIds fresh = new FreshIds(mix);
    return Soundness.require(
        mix,
        ChannelsById.change(
            mix,
            channels,
            channel ->
                channel.id().equals(from)
                    ? channel
                    : channel.withChain(
                        source.chain().stream()
                            .map(i -> i.withId(fresh.of(channel.id(), i.processor())))
                            .toList())));
  }

  @Override
  public String says(Mix before) {
    return "copy the chain of "
        + ChannelsById.names(before, List.of(from))
        + " to "
        + ChannelsById.names(before, channels);
  }
}
