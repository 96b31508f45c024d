package drevik.edit;

import drevik.audio.Decibels;
import drevik.audio.Layout;
import drevik.category.CategoryTree;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.FreshIds;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Send;
import drevik.mix.StemSet;
import drevik.mix.Tap;
import drevik.naming.FreshNames;
import drevik.reassign.MapAnswers;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Moves channels out of their bus into a new one that stands beside it and goes where it goes; out
 * of a bus that goes nowhere, such as a master, into one that leads to it.
 *
 * @param name of the new bus
 * @param inMap whether their categories go there from now on; else they are exceptions
 * @param stem whether it is printed as the old bus is, and counted in the same stem sets
 * @param withReturn whether it has a reverberation of its own, ready and not open
 */
public record MoveOut(
    List<String> channels,
    String name,
    boolean inMap,
    boolean stem,
    boolean withReturn,
    @Nullable String colour)
    implements Edit {
  @Override
  public Mix changed(Mix mix) {
    ChannelsById.known(mix, channels);
    Channel first = ChannelsById.one(mix, channels.get(0));
    Channel old = first.output() == null ? null : ChannelsById.one(mix, first.output());
    String beyond = old == null || old.output() != null ? null : old.id();
    return moved(mix, old, old == null || beyond != null ? beyond : old.output());
  }

  /** The new bus leads to the old one, so that what is moved keeps every way that it had. */
  Mix under(Channel old, Mix mix) {
    return moved(mix, old, old.id());
  }

  private Mix moved(Mix mix, @Nullable Channel old, @Nullable String to) {
    Set<String> wanted = ChannelsById.known(mix, channels);
    String clean = ChannelsById.cleanName(name);
    FreshNames fresh = new FreshNames(mix);
    Channel bus =
        Channel.of(
                fresh.id(clean),
                ChannelKind.BUS,
                clean,
                old == null ? Layout.STEREO : old.layout(),
                commonCategory(mix, wanted))
            .withOutput(to)
            .withColour(colour);
    Channel verb =
        Channel.of(
                fresh.id(clean + " verb"),
                ChannelKind.RETURN,
                clean + " verb",
                Layout.STEREO,
                bus.category())
            .withOutput(bus.id())
            .withColour(colour);
    FreshIds ids = new FreshIds(mix);
    List<Channel> all = new ArrayList<>();
    for (Channel channel : mix.channels()) {
      all.add(wanted.contains(channel.id()) ? moved(channel, bus, verb, ids) : channel);
      if (old != null && channel.id().equals(old.id())) {
        all.add(bus);
      }
    }
    if (old == null) {
      all.add(bus);
    }
    if (withReturn) {
      Insert wet =
          new Insert(
              ids.of(verb.id(), "reverberation"), "reverberation", true, false, Map.of(), null);
      all.add(verb.withChain(List.of(wet)));
    }
    Mix after = mix.withChannels(all);
    if (stem && old != null) {
      after = printed(after, old, bus);
    }
    return Soundness.require(mix, inMap ? mapped(after, wanted, bus) : after);
  }

  private Channel moved(Channel channel, Channel bus, Channel verb, FreshIds ids) {
    Channel after = channel.withOutput(bus.id());
    if (!withReturn) {
      return after;
    }
    List<Send> sends = new ArrayList<>(channel.sends());
    sends.add(
        Send.of(
            ids.of(channel.id(), verb.id()), List.of(verb.id()), Tap.POST_FADER, Decibels.SILENCE));
    return after.withSends(sends);
  }

  /** What all of them are, as near as can be said. */
  private static String commonCategory(Mix mix, Set<String> wanted) {
    Set<String> categories =
        mix.channels().stream()
            .filter(channel -> wanted.contains(channel.id()))
            .map(Channel::category)
            .collect(Collectors.toCollection(LinkedHashSet::new));
    Set<String> families =
        categories.stream()
            .map(CategoryTree::topOf)
            .collect(Collectors.toCollection(LinkedHashSet::new));
    if (categories.size() == 1) {
      return categories.iterator().next();
    }
    return families.size() == 1 ? families.iterator().next() : CategoryTree.UNKNOWN;
  }

  /** The new bus is printed by every output of its own that the old one has as a stem. */
  private static Mix printed(Mix mix, Channel old, Channel bus) {
    Mix after = mix;
    for (Output output : mix.outputs()) {
      if (StemsBeside.isStemOf(output, old)) {
        StemsBeside beside = StemsBeside.of(after, output, old, bus);
        after =
            beside
                .mix()
                .withStemSets(
                    after.stemSets().stream()
                        .map(set -> counted(set, output.id(), beside.id()))
                        .toList());
      }
    }
    return after;
  }

  private static StemSet counted(StemSet set, String beside, String id) {
    int at = set.stems().indexOf(beside);
    if (at < 0) {
      return set;
    }
    List<String> stems = new ArrayList<>(set.stems());
    stems.add(at + 1, id);
    return new StemSet(set.id(), set.name(), set.mixOutput(), stems);
  }

  /** A whole family is said as one; else each of its categories for itself. */
  private Mix mapped(Mix mix, Set<String> wanted, Channel bus) {
    CategoryMap map = mix.categoryMap();
    Set<String> said = new LinkedHashSet<>();
    for (Channel channel : mix.channels()) {
      if (wanted.contains(channel.id()) && MapAnswers.decidesOf(channel)) {
        String family = CategoryTree.topOf(channel.category());
        boolean whole =
            mix.channels().stream()
                .filter(one -> MapAnswers.decidesOf(one))
                .filter(one -> CategoryTree.isWithin(one.category(), family))
                .allMatch(one -> wanted.contains(one.id()));
        said.add(whole ? family : channel.category());
      }
    }
    said.remove(CategoryTree.UNKNOWN);
    for (String category : said) {
      map =
          map.saying(
              category,
              entry ->
                  entry
                      .withDestination(bus.id())
                      .withColour(colour == null ? entry.colour() : colour));
    }
    return mix.withCategoryMap(map);
  }

  @Override
  public String says(Mix before) {
    return "move " + ChannelsById.names(before, channels) + " into the new bus “" + name + "”";
  }
}
