package drevik.edit;

import drevik.mix.Mix;
import java.util.List;

/** Turns the polarity of many channels over, or back. */
public record SetPolarity(List<String> channels, boolean inverted) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    return Picked.change(mix, channels, channel -> channel.withInvertPolarity(inverted));
  }

  @Override
  public String says(Mix before) {
    return (inverted ? "invert " : "put right the polarity of ") + Picked.names(before, channels);
  }
}
