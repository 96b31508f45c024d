package drevik.edit;

import drevik.mix.Mix;
import drevik.route.SignalGraph;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Points the outputs of many channels at one destination.
 *
 * @param destination a channel's id, or null for nowhere
 */
public record SendChannelsTo(List<String> channels, @Nullable String destination) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    Mix after = ChannelsById.change(mix, channels, channel -> channel.withOutput(destination));
    SignalGraph.requireSound(after);
    return after;
  }

  @Override
  public String says(Mix before) {
    String to =
        destination == null
            ? "nowhere"
            : before.channel(destination).map(c -> "“" + c.name() + "”").orElse("another channel");
    return "send " + ChannelsById.names(before, channels) + " to " + to;
  }
}
