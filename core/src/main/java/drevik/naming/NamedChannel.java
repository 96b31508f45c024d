package drevik.naming;

import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What becomes of a name: a suggestion that is taken unless something else is said.
 *
 * @param id that the channel will have
 * @param output the id of what it is sent to, or null
 * @param destinationOf the category that would go to this bus from now on: its name says it, and
 *     the category map is silent; else null
 * @param moved names of the channels that would go there with it and go elsewhere now
 * @param like the id of the channel behind which it stands and which it is like in all that is not
 *     said here: chain, sends, controls, levels; else null
 * @param because why, in plain words
 */
public record NamedChannel(
    String id,
    String name,
    ChannelKind kind,
    Layout layout,
    String category,
    @Nullable String output,
    @Nullable String destinationOf,
    List<String> moved,
    @Nullable String like,
    List<String> because) {
  public NamedChannel {
    moved = List.copyOf(moved);
    because = List.copyOf(because);
  }

  public Channel channel() {
    return Channel.of(id, kind, name, layout, category).withOutput(output);
  }

  NamedChannel movedBy(List<String> channels) {
    return new NamedChannel(
        id, name, kind, layout, category, output, destinationOf, channels, like, because);
  }
}
