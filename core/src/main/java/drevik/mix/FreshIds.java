package drevik.mix;

import java.util.HashSet;
import java.util.Set;

/**
 * Ids of sends and inserts that a Mix does not have yet: the channel's with a word behind it. The
 * same Mix gives the same ones each time.
 */
public final class FreshIds {
  private final Set<String> taken = new HashSet<>();

  public FreshIds(Mix mix) {
    mix.channels()
        .forEach(
            channel -> {
              channel.sends().forEach(send -> taken.add(send.id()));
              channel.chain().forEach(insert -> taken.add(insert.id()));
            });
  }

  /** {@code kick/plate}; {@code kick/plate-2} where that is taken. */
  public String of(String channel, String word) {
    return Limits.firstFree(channel + "/" + word, "-", taken);
  }

  /** What a channel gave up can be given anew. */
  public void free(String id) {
    taken.remove(id);
  }

  /** A channel that is new, though its sends and inserts are like those of another. */
  public Channel renewed(Channel channel) {
    return channel
        .withSends(
            channel.sends().stream()
                .map(send -> send.withId(of(channel.id(), send.destinations().get(0))))
                .toList())
        .withChain(
            channel.chain().stream()
                .map(insert -> insert.withId(of(channel.id(), insert.processor())))
                .toList());
  }
}
