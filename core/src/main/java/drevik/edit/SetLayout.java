package drevik.edit;

import drevik.audio.Layout;
import drevik.mix.Mix;
import java.util.List;

/** Gives many channels one layout. What is sent to them is folded or spread into it. */
public record SetLayout(List<String> channels, Layout layout) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    return Picked.change(mix, channels, channel -> channel.withLayout(layout));
  }

  @Override
  public String says(Mix before) {
    return "make " + Picked.names(before, channels) + " " + layout;
  }
}
