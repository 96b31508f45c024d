package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Mix;
import java.util.List;

/** Takes the send to one destination from many channels. */
public record RemoveSend(List<String> channels, String destination) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    return Picked.change(
        mix,
        channels,
        channel ->
            channel.withSends(
                channel.sends().stream()
                    .filter(send -> !send.destination().equals(destination))
                    .toList()));
  }

  @Override
  public String says(Mix before) {
    String to = before.channel(destination).map(Channel::name).orElse("another channel");
    return "remove the send of " + Picked.names(before, channels) + " to “" + to + "”";
  }
}
