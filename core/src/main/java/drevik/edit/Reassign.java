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
import drevik.reassign.Following;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Says of channels what they are and where they belong, in one move. What is null stays.
 *
 * @param inMap true: said of their categories in the category map, so that all others of these
 *     follow too; false: of these channels alone, as exceptions
 * @param category that they are filed under first
 * @param destination a channel's id
 * @param group a channel's id
 * @param colour a colour family's id
 * @param stem an output's id: they go where it is taken, unless a destination is said
 * @param sends that they get, as {@link MapText} writes them; others stay
 * @param controls ids of controls that they become members of
 */
public record Reassign(
    List<String> channels,
    boolean inMap,
    @Nullable String category,
    @Nullable String destination,
    @Nullable String group,
    @Nullable String colour,
    @Nullable String stem,
    @Nullable String sends,
    @Nullable List<String> controls)
    implements Edit {

  @Override
  public Mix changed(Mix mix) {
    Set<String> wanted = ChannelsById.known(mix, channels);
    Mix filed = category == null ? mix : new SetCategory(channels, category).applyTo(mix);
    if (saysNothingMore()) {
      if (category == null) {
        throw new Refused("Nothing is to become of these channels; say what.");
      }
      return filed;
    }
    List<MapSend> given = sends == null ? List.of() : MapText.sends(mix, sends);
    Mix after = inMap ? mapped(filed, wanted, given) : byHand(filed, wanted, given);
    return Soundness.require(mix, after);
  }

  /** Filing is followed by itself; what comes behind it is told from there. */
  @Override
  public Mix applyTo(Mix mix) {
    Mix filed = category == null ? mix : new SetCategory(channels, category).applyTo(mix);
    return Following.after(filed, changed(mix));
  }

  private boolean saysNothingMore() {
    return destination == null
        && group == null
        && colour == null
        && stem == null
        && (sends == null || sends.isBlank())
        && (controls == null || controls.isEmpty());
  }

  private Mix mapped(Mix mix, Set<String> wanted, List<MapSend> given) {
    Set<String> categories = new LinkedHashSet<>();
    mix.channels().stream()
        .filter(channel -> wanted.contains(channel.id()))
        .map(Channel::category)
        .forEach(categories::add);
    if (categories.contains(CategoryTree.UNKNOWN)) {
      throw new Refused("Some of these channels have no category yet; give them one first.");
    }
    CategoryMap map = mix.categoryMap();
    for (String of : categories) {
      map = map.saying(of, entry -> said(entry, given));
    }
    return mix.withCategoryMap(map);
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
        .destination(destination == null ? entry.destination() : destination)
        .group(group == null ? entry.group() : group)
        .colour(colour == null ? entry.colour() : colour)
        .stem(stem == null ? entry.stem() : stem)
        .sends(all)
        .controls(List.copyOf(members))
        .build();
  }

  private Mix byHand(Mix mix, Set<String> wanted, List<MapSend> given) {
    String to = destination != null ? destination : stem == null ? null : tapped(mix, stem);
    FreshIds fresh = new FreshIds(mix);
    Mix after =
        mix.mapChannels(
            channel -> wanted.contains(channel.id()) ? placed(channel, to, given, fresh) : channel);
    return controls == null || controls.isEmpty()
        ? after
        : after.withControls(mix.controls().stream().map(one -> joined(one, after)).toList());
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

  private Control joined(Control control, Mix mix) {
    if (controls == null || !controls.contains(control.id())) {
      return control;
    }
    Set<String> members = new LinkedHashSet<>(control.members());
    Set<String> wanted = Set.copyOf(channels);
    mix.channels().stream().map(Channel::id).filter(wanted::contains).forEach(members::add);
    return control.withMembers(List.copyOf(members));
  }

  @Override
  public String says(Mix before) {
    return "reassign "
        + ChannelsById.names(before, channels)
        + (category == null ? "" : " to " + category)
        + (inMap ? ", by the category map" : "");
  }
}
