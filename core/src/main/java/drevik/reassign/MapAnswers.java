package drevik.reassign;

import drevik.category.CategoryMap;
import drevik.category.ColourFamily;
import drevik.mix.Channel;
import drevik.mix.Mix;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What the category map of a Mix says of its channels, asked in one way by all who ask. */
public final class MapAnswers {
  private final CategoryMap map;
  private final Map<String, Channel> channels;

  private MapAnswers(CategoryMap map, Map<String, Channel> channels) {
    this.map = map;
    this.channels = channels;
  }

  public static MapAnswers of(Mix mix) {
    return new MapAnswers(mix.categoryMap(), new HashMap<>(mix.channelsById()));
  }

  /** True if the map says anything at all. */
  public boolean isUsed() {
    return !map.rules().isEmpty();
  }

  /** Where a category goes; empty if the map is silent. */
  public Optional<CategoryMap.Answer> destinationOf(String category) {
    return map.destinationOf(category);
  }

  /**
   * Where the map would send a channel: somewhere that is there and active, and not the channel
   * itself.
   */
  public Optional<Channel> usableDestination(Channel channel) {
    return destinationOf(channel.category())
        .map(answer -> channels.get(answer.value()))
        .filter(to -> !to.id().equals(channel.id()) && !to.stowed());
  }

  /** A colour family's id: the channel's own, else the map's, else that of its category. */
  public String colourOf(Channel channel) {
    return Optional.ofNullable(channel.colour())
        .or(() -> map.colourOf(channel.category()).map(CategoryMap.Answer::value))
        .orElse(ColourFamily.ofCategory(channel.category()).toString());
  }

  /** Why a channel goes where it goes; null if it goes nowhere. */
  public @Nullable String whyThere(Channel channel) {
    if (channel.output() == null) {
      return null;
    }
    return destinationOf(channel.category())
        .filter(answer -> answer.value().equals(channel.output()))
        .map(MapAnswers::words)
        .orElse("set by hand");
  }

  /** “from the category map: drums”. */
  public static String words(CategoryMap.Answer answer) {
    return "from the category map: " + answer.saidBy();
  }
}
