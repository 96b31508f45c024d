package drevik.edit;

import drevik.mix.Mix;
import java.util.List;

/** Takes the audio off seats. The files stay where they are kept. */
public record FreeSeats(List<String> channels) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    return ChannelsById.change(mix, channels, channel -> channel.withClips(List.of()));
  }

  @Override
  public String says(Mix before) {
    return "take the audio off " + ChannelsById.names(before, channels);
  }
}
