package drevik.edit;

import drevik.audio.Decibels;
import drevik.mix.Channel;
import drevik.mix.FreshIds;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Send;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Gives many channels the settings of one. What departs from the category map by that is pinned.
 *
 * @param sends its sends in the place of theirs; a reference among others keeps its own
 * @param chain its chain in the place of theirs
 * @param levels trim, fader and position, and the levels of sends; without them, a send that they
 *     have to the same place keeps its level, and a new one is ready and not open
 * @param routing where it goes, with what it is shown, its colour
 */
public record CopySettings(
    String from,
    List<String> channels,
    boolean sends,
    boolean chain,
    boolean levels,
    boolean routing)
    implements Edit {

  @Override
  public Mix changed(Mix mix) {
    Channel source = ChannelsById.one(mix, from);
    if (!sends && !chain && !levels && !routing) {
      throw new Refused("Nothing is to be copied; say what.");
    }
    FreshIds fresh = new FreshIds(mix);
    Set<String> sending = Set.copyOf(ChannelsById.sending(mix, channels));
    return Soundness.require(
        mix,
        ChannelsById.change(
            mix,
            channels,
            channel ->
                channel.id().equals(from)
                    ? channel
                    : like(source, channel, sends && sending.contains(channel.id()), fresh)));
  }

  private Channel like(Channel source, Channel channel, boolean withSends, FreshIds fresh) {
    Channel after = channel;
    if (routing) {
      after =
          after.withOutput(source.output()).withGroup(source.group()).withColour(source.colour());
    }
    if (levels) {
      after =
          after
              .with()
              .trimDb(source.trimDb())
              .faderDb(source.faderDb())
              .pan(source.pan())
              .wholeImage(source.wholeImage())
              .frontBack(source.frontBack())
              .height(source.height())
              .lfeDb(source.lfeDb())
              .build();
    }
    if (chain) {
      List<Insert> inserts = new ArrayList<>();
      source
          .chain()
          .forEach(
              insert -> inserts.add(insert.withId(fresh.of(channel.id(), insert.processor()))));
      after = after.withChain(inserts);
    }
    return withSends ? after.withSends(sendsLike(source, channel, fresh)) : after;
  }

  private List<Send> sendsLike(Channel source, Channel channel, FreshIds fresh) {
    List<Send> all = new ArrayList<>();
    for (Send send : source.sends()) {
      Send there =
          channel.sends().stream()
              .filter(one -> one.destinations().equals(send.destinations()))
              .findFirst()
              .orElse(null);
      String id = there == null ? fresh.of(channel.id(), send.destinations().get(0)) : there.id();
      double level = levels ? send.levelDb() : there == null ? Decibels.SILENCE : there.levelDb();
      all.add(send.withId(id).withLevelDb(level));
    }
    return all;
  }

  @Override
  public String says(Mix before) {
    return "copy settings of "
        + ChannelsById.names(before, List.of(from))
        + " to "
        + ChannelsById.names(before, channels);
  }
}
