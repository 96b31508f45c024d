package drevik.edit;

import drevik.mix.Mix;
import drevik.naming.ChannelName;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Gives channels new names. A category that the old name said follows the new one.
 *
 * @param names channel id → new name
 * @param keepCategory ids of channels whose category stays all the same; null for none
 */
public record RenameChannels(Map<String, String> names, @Nullable List<String> keepCategory)
    implements Edit {

  /**
   * A category that follows a name.
   *
   * @param channel its id
   * @param because why, in plain words
   */
  public record Followed(String channel, String from, String to, List<String> because) {}

  public RenameChannels(Map<String, String> names) {
    this(names, null);
  }

  @Override
  public Mix changed(Mix mix) {
    List<String> kept = keepCategory == null ? List.of() : keepCategory;
    return ChannelsById.change(
        mix,
        List.copyOf(names.keySet()),
        channel -> {
          String name = ChannelsById.cleanName(names.getOrDefault(channel.id(), ""));
          String category =
              kept.contains(channel.id())
                  ? channel.category()
                  : CategoryByName.after(channel, name);
          return channel.withName(name).withCategory(category);
        });
  }

  /** Which categories follow, whether or not they are kept; names that are none are left out. */
  public List<Followed> followed(Mix mix) {
    return mix.channels().stream()
        .filter(channel -> !names.getOrDefault(channel.id(), "").isBlank())
        .map(
            channel -> {
              String name = names.getOrDefault(channel.id(), "");
              return new Followed(
                  channel.id(),
                  channel.category(),
                  CategoryByName.after(channel, name),
                  ChannelName.of(name).sorting().because());
            })
        .filter(one -> !one.from().equals(one.to()))
        .toList();
  }

  @Override
  public String says(Mix before) {
    return "rename " + ChannelsById.names(before, List.copyOf(names.keySet()));
  }
}
