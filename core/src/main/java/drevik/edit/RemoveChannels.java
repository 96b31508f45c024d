package drevik.edit;

import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.field.Field.Target;
import drevik.mix.field.References;
import java.util.List;
import java.util.Set;

/**
 * Removes channels with all that points at them: outputs of other channels become empty, sends and
 * keys go, and outputs that tap a removed channel go with their place in stem sets.
 */
public record RemoveChannels(List<String> channels) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    Set<String> gone = ChannelsById.known(mix, channels);
    List<String> silent =
        mix.outputs().stream()
            .filter(output -> gone.contains(output.channel()))
            .map(Output::id)
            .toList();
    Mix printed = silent.isEmpty() ? mix : new RemoveOutputs(silent).changed(mix);
    Mix rest =
        printed.withChannels(
            printed.channels().stream().filter(c -> !gone.contains(c.id())).toList());
    return References.without(rest, Target.CHANNEL, gone);
  }

  @Override
  public String says(Mix before) {
    return "remove " + ChannelsById.names(before, channels);
  }
}
