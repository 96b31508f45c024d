package drevik.edit;

import drevik.mix.Mix;
import java.util.List;

/** Stows channels (hidden and inactive), or brings them back. */
public record StowChannels(List<String> channels, boolean stowed) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    return ChannelsById.change(mix, channels, channel -> channel.withStowed(stowed));
  }

  @Override
  public String says(Mix before) {
    return (stowed ? "stow " : "bring back ") + ChannelsById.names(before, channels);
  }
}
