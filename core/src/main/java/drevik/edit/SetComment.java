package drevik.edit;

import drevik.mix.Limits;
import drevik.mix.Mix;
import java.util.List;

/** Writes one comment on many channels. */
public record SetComment(List<String> channels, String comment) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    Limits.requireText(comment, Limits.COMMENT, "A comment");
    return Picked.change(mix, channels, channel -> channel.withComment(comment));
  }

  @Override
  public String says(Mix before) {
    return "comment on " + Picked.names(before, channels);
  }
}
