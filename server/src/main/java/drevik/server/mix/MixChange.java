package drevik.server.mix;

import drevik.check.Finding;
import drevik.flow.FlowLayout;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.server.mix.MixView.ChannelFacts;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * What is different in one revision of a Mix from another, so that an edit of a large Mix has a
 * small answer. What is null is as it was.
 *
 * @param from the revision that this is told from
 * @param revision the revision that it leads to
 * @param undo what undo would take back, or null
 * @param redo what redo would do again, or null
 * @param channels those that are new or changed
 * @param order ids of all channels, if some were added, removed or moved
 * @param rest the document without its channels, if anything of it changed
 * @param facts of channels for which other things follow now
 */
public record MixChange(
    int from,
    int revision,
    @Nullable String undo,
    @Nullable String redo,
    List<Channel> channels,
    @Nullable List<String> order,
    @Nullable Mix rest,
    @Nullable FlowLayout flow,
    Map<String, ChannelFacts> facts,
    @Nullable List<Finding> findings) {

  static MixChange between(
      KnownRevision from, KnownRevision to, @Nullable String undo, @Nullable String redo) {
    Map<String, Channel> before = from.document().channelsById();
    List<Channel> changed =
        to.document().channels().stream()
            .filter(channel -> !channel.equals(before.get(channel.id())))
            .toList();
    Map<String, ChannelFacts> factsBefore = from.derived().facts();
    Map<String, ChannelFacts> facts = new LinkedHashMap<>(to.derived().facts());
    facts.entrySet().removeIf(fact -> fact.getValue().equals(factsBefore.get(fact.getKey())));
    return new MixChange(
        from.number(),
        to.number(),
        undo,
        redo,
        changed,
        changed(ids(from), ids(to)),
        changed(rest(from), rest(to)),
        changed(from.derived().flow(), to.derived().flow()),
        facts,
        changed(from.derived().findings(), to.derived().findings()));
  }

  private static List<String> ids(KnownRevision revision) {
    return revision.document().channels().stream().map(Channel::id).toList();
  }

  private static Mix rest(KnownRevision revision) {
    return revision.document().withChannels(List.of());
  }

  private static <T> @Nullable T changed(T from, T to) {
    return Objects.equals(from, to) ? null : to;
  }
}
