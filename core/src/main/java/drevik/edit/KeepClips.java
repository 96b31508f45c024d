package drevik.edit;

import drevik.mix.Clip;
import drevik.mix.Mix;
import java.util.List;

/** Marks the clips of channels as kept on purpose when a template is made, or no longer. */
public record KeepClips(List<String> channels, boolean keep) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    return ChannelsById.change(
        mix,
        channels,
        channel -> channel.withClips(channel.clips().stream().map(this::mark).toList()));
  }

  @Override
  public String says(Mix before) {
    return (keep ? "keep" : "no longer keep")
        + " the audio of "
        + ChannelsById.names(before, channels)
        + " in templates";
  }

  private Clip mark(Clip clip) {
    return clip.withKeep(keep);
  }
}
