package drevik.edit;

import drevik.mix.Mix;
import drevik.reassign.Following;
import java.util.List;

/**
 * Channels as the category map wants them, wherever they departed from it without a pin.
 *
 * @param inOrder whether they are put in the map's order too, among those that go to the same bus
 */
public record FollowMap(List<String> channels, boolean inOrder) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    ChannelsById.known(mix, channels);
    Mix followed = Following.all(mix, channels);
    return Soundness.require(mix, inOrder ? Following.inOrder(followed, channels) : followed);
  }

  @Override
  public String says(Mix before) {
    return "let " + ChannelsById.names(before, channels) + " follow the category map";
  }
}
