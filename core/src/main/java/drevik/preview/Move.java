package drevik.preview;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Channels that go from one place to another.
 *
 * @param from the channel that they feed now; null for none
 * @param to the channel that they feed then
 * @param channels their ids
 */
public record Move(@Nullable String from, @Nullable String to, List<String> channels) {
  public Move {
    channels = List.copyOf(channels);
  }
}
