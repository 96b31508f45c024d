package drevik.edit;

import drevik.category.CategoryTree;
import drevik.ledger.MapText;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.Control;
import drevik.mix.FreshIds;
import drevik.mix.MapEntry;
import drevik.mix.MapSend;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.reassign.Actor;
import drevik.reassign.Following;
import drevik.reassign.Meant;
import drevik.shelf.KeptChain;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Says of channels what they are and where they belong, in one move. What is null stays.
 *
 * @param of which channels
 * @param inMap true: said in the category map of what is meant (a category with all below it; a
 *     person or words of the name within their categories; the categories of picked channels), so
 *     that all others of these follow too; false: of these channels alone, as exceptions
 * @param category that they are filed under first
 * @param destination a channel's id
 * @param group a channel's id
 * @param colour a colour family's id
 * @param stem an output's id: they go where it is taken, unless a destination is said
 * @param sends that they get, as {@link MapText} writes them; others stay
 * @param controls ids of controls that they become members of
 * @param chain in the place of theirs
 */
public record Reassign(
    Meant of,
    boolean inMap,
    @Nullable String category,
    @Nullable String destination,
    @Nullable String group,
    @Nullable String colour,
    @Nullable String stem,
    @Nullable String sends,
    @Nullable List<String> controls,
    @Nullable KeptChain chain)
    implements Edit {

  @Override
  public Mix changed(Mix mix) {
    List<String> channels = channels(mix);
    Mix filed = filed(mix, channels);
    if (saysNothingMore()) {
      if (category == null) {
        throw new Refused("Nothing is to become of these channels; say what.");
      }
      return filed;
    }
    List<MapSend> given = sends == null ? List.of() : MapText.sends(mix, sends);
    Mix after =
        inMap
            ? filed.withCategoryMap(mapped(filed, channels, given))
            : byHand(filed, channels, given);
    return Soundness.require(mix, after);
  }

  /** Filing is followed by itself; what comes behind it is told from there. */
  @Override
  public Mix applyTo(Mix mix, Actor actor) {
    return Following.after(filed(mix, channels(mix)), changed(mix), actor);
  }

  private List<String> channels(Mix mix) {
    List<String> channels = of.in(mix);
    if (channels.isEmpty()) {
      // What the map says of a category holds for channels that come later.
      if (inMap && of.category() != null && category == null) {
        return channels;
      }
      throw new Refused("No channel of this Mix is meant by " + of.says() + ".");
    }
    ChannelsById.known(mix, channels);
    return channels;
  }

  private Mix filed(Mix mix, List<String> channels) {
    return category == null ? mix : new SetCategory(channels, category).applyTo(mix);
  }

  private boolean saysNothingMore() {
    return destination == null
        && group == null
        && colour == null
        && stem == null
        && (sends == null || sends.isBlank())
        && (controls == null || controls.isEmpty())
        && chain == null;
  }

  private CategoryMap mapped(Mix mix, List<String> channels, List<MapSend> given) {
    CategoryMap map = mix.categoryMap();
    for (MapEntry asking : of.entries(mix, channels, category)) {
      map = map.saying(asking, entry -> said(entry, given));
      if (of.category() != null && category == null) {
        map = partsFollow(map, asking.category(), given);
      }
    }
    return map;
  }

  /** What is said of a whole category, its parts do not contradict. */
  private CategoryMap partsFollow(CategoryMap map, String whole, List<MapSend> given) {
    CategoryMap after = map;
    for (MapEntry part : map.entries()) {
      if (part.asksForCategoryAlone()
          && !part.category().equals(whole)
          && CategoryTree.isWithin(part.category(), whole)) {
        after = after.saying(part, entry -> unsaid(entry, given));
      }
    }
    return after;
  }

  private MapEntry unsaid(MapEntry entry, List<MapSend> given) {
    Set<String> to = new HashSet<>();
    given.forEach(send -> to.add(send.id()));
    boolean goes = destination != null || stem != null;
    return entry
        .with()
        .destination(goes ? null : entry.destination())
        .group(group == null ? entry.group() : null)
        .colour(colour == null ? entry.colour() : null)
        .stem(goes ? null : entry.stem())
        .sends(entry.sends().stream().filter(send -> !to.contains(send.id())).toList())
        .chain(chain == null ? entry.chain() : List.of())
        .build();
  }

  private MapEntry said(MapEntry entry, List<MapSend> given) {
    List<MapSend> all = new ArrayList<>(entry.sends());
    given.forEach(
        send -> {
          all.removeIf(other -> other.id().equals(send.id()));
          all.add(send);
        });
    Set<String> members = new LinkedHashSet<>(entry.controls());
    members.addAll(controls == null ? List.of() : controls);
    return entry
        .with()
        // Where both are said the destination wins, so that the one gives way to the other.
        .destination(destination != null || stem != null ? destination : entry.destination())
        .group(group == null ? entry.group() : group)
        .colour(colour == null ? entry.colour() : colour)
        .stem(destination != null || stem != null ? stem : entry.stem())
        .sends(all)
        .controls(List.copyOf(members))
        .chain(chain == null ? entry.chain() : chain.chain())
        .build();
  }

  private Mix byHand(Mix mix, List<String> channels, List<MapSend> given) {
    String to = destination != null ? destination : stem == null ? null : tapped(mix, stem);
    FreshIds fresh = new FreshIds(mix);
    Mix placed = ChannelsById.change(mix, channels, channel -> placed(channel, to, given, fresh));
    Mix chained = chain == null ? placed : new PutChain(chain, channels).changed(placed);
    Set<String> wanted = Set.copyOf(channels);
    return controls == null || controls.isEmpty()
        ? chained
        : chained.withControls(
            mix.controls().stream().map(one -> joined(one, chained, wanted)).toList());
  }

  private static String tapped(Mix mix, String stem) {
    return mix.outputs().stream()
        .filter(output -> output.id().equals(stem))
        .map(Output::channel)
        .findFirst()
        .orElseThrow(() -> new Refused("This Mix has no output “" + stem + "”; choose another."));
  }

  private Channel placed(
      Channel channel, @Nullable String to, List<MapSend> given, FreshIds fresh) {
    Channel after =
        channel
            .with()
            .output(to == null ? channel.output() : to)
            .group(group == null ? channel.group() : group)
            .colour(colour == null ? channel.colour() : colour)
            .build();
    List<Send> all = new ArrayList<>(channel.sends());
    for (MapSend send : given) {
      Send before =
          all.stream()
              .filter(one -> one.destinations().equals(send.destinations()))
              .findFirst()
              .orElse(null);
      all.remove(before);
      if (!send.none()) {
        all.add(
            before == null
                ? Send.of(
                    fresh.of(channel.id(), send.destinations().get(0)),
                    send.destinations(),
                    send.tap(),
                    send.levelDb())
                : before.withTap(send.tap()).withLevelDb(send.levelDb()).withOn(true));
      }
    }
    return after.withSends(all);
  }

  private Control joined(Control control, Mix mix, Set<String> wanted) {
    if (controls == null || !controls.contains(control.id())) {
      return control;
    }
    Set<String> members = new LinkedHashSet<>(control.members());
    mix.channels().stream().map(Channel::id).filter(wanted::contains).forEach(members::add);
    return control.withMembers(List.copyOf(members));
  }

  @Override
  public String says(Mix before) {
    return "reassign "
        + (of.channels().isEmpty() ? of.says() : ChannelsById.names(before, of.channels()))
        + (category == null ? "" : " to " + category)
        + (inMap ? ", by the category map" : "");
  }
}
