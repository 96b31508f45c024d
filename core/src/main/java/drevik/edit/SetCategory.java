package drevik.edit;

import drevik.category.CategoryTree;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.List;

/** Files many channels under one category. Routing stays as it is. */
public record SetCategory(List<String> channels, String category) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    if (!CategoryTree.has(category)) {
      throw new Refused(CategoryTree.unknownMessage(category));
    }
    return ChannelsById.change(mix, channels, channel -> channel.withCategory(category));
  }

  @Override
  public String says(Mix before) {
    return "file " + ChannelsById.names(before, channels) + " under " + category;
  }
}
