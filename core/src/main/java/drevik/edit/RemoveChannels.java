package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.Output;
import java.util.List;
import java.util.Set;

/**
 * Removes channels with all that points at them: outputs of other channels become empty, sends and
 * keys go, and outputs that tap a removed channel go with their place in stem sets.
 */
public record RemoveChannels(List<String> channels) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    Set<String> gone = Picked.known(mix, channels);
    List<String> silent =
        mix.outputs().stream()
            .filter(output -> gone.contains(output.channel()))
            .map(Output::id)
            .toList();
    Mix printed = silent.isEmpty() ? mix : new RemoveOutputs(silent).applyTo(mix);
    return printed
        .withChannels(
            mix.channels().stream()
                .filter(channel -> !gone.contains(channel.id()))
                .map(channel -> withoutPointersTo(gone, channel))
                .toList())
        .withControls(
            mix.controls().stream()
                .map(
                    control ->
                        control.withMembers(
                            control.members().stream().filter(m -> !gone.contains(m)).toList()))
                .toList())
        .withCategoryMap(mix.categoryMap().withoutDestinations(gone));
  }

  private static Channel withoutPointersTo(Set<String> gone, Channel channel) {
    return channel
        .withOutput(gone.contains(channel.output()) ? null : channel.output())
        .withSends(
            channel.sends().stream()
                .map(
                    send ->
                        send.withDestinations(
                            send.destinations().stream().filter(id -> !gone.contains(id)).toList()))
                .filter(send -> !send.destinations().isEmpty())
                .toList())
        .withGroup(gone.contains(channel.group()) ? null : channel.group())
        .withChain(channel.chain().stream().map(insert -> withoutKeyFrom(gone, insert)).toList());
  }

  private static Insert withoutKeyFrom(Set<String> gone, Insert insert) {
    return insert.key() != null && gone.contains(insert.key().source())
        ? insert.withKey(null)
        : insert;
  }

  @Override
  public String says(Mix before) {
    return "remove " + Picked.names(before, channels);
  }
}
