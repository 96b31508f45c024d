package drevik.edit;

import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.List;

/** Writes one comment on many channels. */
public record SetComment(List<String> channels, String comment) implements Edit {
  @Override
  public Mix applyTo(Mix mix) {
    if (comment.length() > 2000) {
      throw new Refused(
          "A comment has at most 2000 characters; this one has " + comment.length() + ".");
    }
    return Picked.change(mix, channels, channel -> channel.withComment(comment));
  }

  @Override
  public String says(Mix before) {
    return "comment on " + Picked.names(before, channels);
  }
}
