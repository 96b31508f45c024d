package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Limits;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;

/** What edits share: acting on many channels, and naming them. */
final class ChannelsById {
  private ChannelsById() {}

  /** Changes the channels in {@code ids}; refuses an id that the Mix does not have. */
  static Mix change(Mix mix, List<String> ids, UnaryOperator<Channel> change) {
    Set<String> wanted = known(mix, ids);
    return mix.mapChannels(c -> wanted.contains(c.id()) ? change.apply(c) : c);
  }

  static Set<String> known(Mix mix, List<String> ids) {
    mix.requireChannels(ids);
    if (ids.isEmpty()) {
      throw new Refused("No channel is picked; pick at least one.");
    }
    return new HashSet<>(ids);
  }

  static Channel one(Mix mix, String id) {
    return mix.channel(id)
        .orElseThrow(
            () ->
                new Refused(
                    "This Mix has no channel “" + id + "”; it may have been removed meanwhile."));
  }

  /**
   * Those of many that a send can be meant for: what is only compared with is left out, unless
   * nothing else is named.
   */
  static List<String> sending(Mix mix, List<String> ids) {
    List<String> heard =
        ids.stream()
            .filter(id -> mix.channel(id).map(Channel::kind).orElse(null) != ChannelKind.REFERENCE)
            .toList();
    return heard.isEmpty() ? ids : heard;
  }

  /** “Kick” for one, “12 channels” for many. */
  static String names(Mix mix, List<String> ids) {
    return ids.size() == 1
        ? mix.channel(ids.get(0)).map(c -> "“" + c.name() + "”").orElse("1 channel")
        : ids.size() + " channels";
  }

  static String cleanName(String name) {
    String clean = name == null ? "" : name.strip();
    if (clean.isEmpty()
        || clean.length() > Limits.NAME
        || clean.chars().anyMatch(Character::isISOControl)) {
      throw new Refused(
          "A name needs 1 to 200 characters and no control characters; this one has "
              + clean.length()
              + ".");
    }
    return clean;
  }
}
