package drevik.edit;

import drevik.dsp.Processors;
import drevik.mix.Channel;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.field.Changes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Sets one processor, and those that are like it on other channels: the first compressor there, if
 * this is the first compressor here. A channel that has none stays as it is.
 *
 * @param channel on which the processor is
 * @param insert the processor's id
 * @param others channels whose like ones are set too
 * @param set what becomes of fields of each; what is not named stays as each has it
 */
public record SetAlike(String channel, String insert, List<String> others, Changes<Insert> set)
    implements Edit {
  @Override
  public Mix changed(Mix mix) {
    Channel from = ChannelsById.one(mix, channel);
    Insert like = like(mix).orElseThrow(() -> gone(from));
    int ordinal = alike(from, like.processor()).indexOf(like);
    List<String> all = new ArrayList<>(others);
    all.add(channel);
    return Soundness.require(
        mix, ChannelsById.change(mix, all, one -> set(one, like.processor(), ordinal)));
  }

  private Refused gone(Channel from) {
    return Refused.about(
        channel,
        "“" + from.name() + "” has no such processor; it may have been removed meanwhile.");
  }

  private Optional<Insert> like(Mix mix) {
    return mix.channel(channel).stream()
        .flatMap(one -> one.chain().stream())
        .filter(one -> one.id().equals(insert))
        .findFirst();
  }

  private static List<Insert> alike(Channel channel, String processor) {
    return channel.chain().stream().filter(one -> one.processor().equals(processor)).toList();
  }

  @SuppressWarnings("ReferenceEquality") // one of several alike
  private Channel set(Channel channel, String processor, int ordinal) {
    List<Insert> alike = alike(channel, processor);
    if (ordinal >= alike.size()) {
      return channel;
    }
    Insert wanted = alike.get(ordinal);
    return channel.withChain(
        channel.chain().stream().map(one -> one == wanted ? set.applyTo(one) : one).toList());
  }

  @Override
  public String says(Mix before) {
    String what = like(before).map(one -> Processors.nameOf(one.processor())).orElse("processor");
    return "set the " + what + " of " + (others.size() + 1) + " channels";
  }
}
