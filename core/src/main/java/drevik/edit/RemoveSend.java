package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Send;
import java.util.List;

/** Takes one destination out of the sends of many channels; a send that reaches nothing goes. */
public record RemoveSend(List<String> channels, String destination) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    return ChannelsById.change(
        mix,
        channels,
        channel ->
            channel.withSends(
                channel.sends().stream()
                    .map(send -> without(destination, send))
                    .filter(send -> !send.destinations().isEmpty())
                    .toList()));
  }

  static Send without(String destination, Send send) {
    return send.withDestinations(
        send.destinations().stream().filter(id -> !id.equals(destination)).toList());
  }

  @Override
  public String says(Mix before) {
    String to = before.channel(destination).map(Channel::name).orElse("another channel");
    return "remove the send of " + ChannelsById.names(before, channels) + " to “" + to + "”";
  }
}
