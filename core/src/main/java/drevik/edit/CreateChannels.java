package drevik.edit;

import drevik.audio.Layout;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.FreshIds;
import drevik.mix.Mix;
import drevik.naming.FreshNames;
import drevik.naming.NameLines;
import drevik.naming.NamedChannel;
import drevik.naming.NamedChannels;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Creates channels in bulk, of lines of names ({@link NameLines}). What is null is read from each
 * name ({@link NamedChannels}). What is of the kind and category of the channel that it stands
 * behind is like it in all that is not said.
 *
 * @param category a path of the tree, or null
 * @param output where they are sent; empty for nowhere yet, or null
 * @param after the channel that they stand behind, or null for the end
 * @param destinations whether new buses become the destination of the category that their name
 *     says, where the category map is silent; null for those by which no channel would move
 */
public record CreateChannels(
    @Nullable ChannelKind kind,
    @Nullable Layout layout,
    List<String> names,
    @Nullable String category,
    @Nullable String output,
    @Nullable String after,
    @Nullable Boolean destinations)
    implements Edit {

  @Override
  public Mix changed(Mix mix) {
    List<NamedChannel> made = named(mix);
    FreshIds fresh = new FreshIds(mix);
    Map<String, String> likes = new LinkedHashMap<>();
    List<Channel> channels = new ArrayList<>();
    for (NamedChannel one : made) {
      if (one.like() != null) {
        Channel like = ChannelsById.one(mix, one.like());
        channels.add(Likeness.of(like, one.id(), one.name(), fresh));
        likes.put(one.id(), one.like());
      } else {
        channels.add(NamedChannels.NOWHERE.equals(output) ? one.channel() : sent(one));
      }
    }
    CategoryMap map = mix.categoryMap();
    for (NamedChannel bus : made) {
      String of = bus.destinationOf();
      if (of != null && (destinations == null ? bus.moved().isEmpty() : destinations)) {
        map = map.sending(of, bus.id());
      }
    }
    Mix with = new AddChannels(channels, after).changed(mix);
    return Soundness.require(mix, Likeness.controlled(with.withCategoryMap(map), likes));
  }

  /** What is not there is refused, and not left out. */
  private Channel sent(NamedChannel one) {
    return output == null ? one.channel() : one.channel().withOutput(output);
  }

  /**
   * What becomes of the names in a Mix.
   *
   * @throws drevik.mix.Refused if they are no names
   */
  public List<NamedChannel> named(Mix mix) {
    FreshNames fresh = new FreshNames(mix);
    List<String> all = new ArrayList<>();
    NameLines.expand(names).forEach(name -> all.add(ChannelsById.cleanName(name)));
    Channel like = after == null ? null : ChannelsById.one(mix, after);
    return NamedChannels.of(
        mix,
        all,
        all.stream().map(fresh::id).toList(),
        new NamedChannels.Said(kind, layout, category, output, like));
  }

  @Override
  public String says(Mix before) {
    List<String> all = NameLines.expand(names);
    return all.size() == 1 ? "create “" + all.get(0) + "”" : "create " + all.size() + " channels";
  }
}
