package drevik.edit;

import drevik.category.CategoryTree;
import drevik.mix.Channel;
import drevik.naming.ChannelName;

/** A category that came from a name follows the name; one that somebody chose stays. */
final class CategoryByName {
  private CategoryByName() {}

  /** The category of a channel under a new name. */
  static String after(Channel channel, String name) {
    String said = ChannelName.of(name).sorting().category();
    boolean followed =
        channel.category().equals(CategoryTree.UNKNOWN)
            || channel.category().equals(ChannelName.of(channel.name()).sorting().category());
    return followed && !said.equals(CategoryTree.UNKNOWN) ? said : channel.category();
  }
}
