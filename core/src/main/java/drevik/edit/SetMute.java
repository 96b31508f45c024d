package drevik.edit;

import drevik.mix.Mix;
import java.util.List;

/** Mutes or opens many channels. */
public record SetMute(List<String> channels, boolean mute) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    return Picked.change(mix, channels, channel -> channel.withMute(mute));
  }

  @Override
  public String says(Mix before) {
    return (mute ? "mute " : "unmute ") + Picked.names(before, channels);
  }
}
