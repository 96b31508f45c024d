package drevik.edit;

import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.Insert;
import drevik.mix.Key;
import drevik.mix.MapEntry;
import drevik.mix.MapSend;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Send;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Joins a bus to another: whatever went to it, listened to it, or was to go there by the category
 * map now has to do with the other. Its own outputs go with it.
 */
public record JoinBuses(String bus, String into) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    Channel gone = ChannelsById.one(mix, bus);
    Channel stays = ChannelsById.one(mix, into);
    if (bus.equals(into)) {
      throw Refused.about(bus, "“" + gone.name() + "” cannot be joined to itself; choose another.");
    }
    if (gone.kind().holdsClips() || stays.kind().holdsClips()) {
      throw Refused.about(bus, "Buses are joined, not what plays files; choose two buses.");
    }
    Mix pointed =
        mix.mapChannels(
                channel -> channel.id().equals(bus) ? channel : pointed(channel, gone.output()))
            .withCategoryMap(
                new CategoryMap(mix.categoryMap().entries().stream().map(this::pointed).toList()));
    return Soundness.require(mix, new RemoveChannels(List.of(bus)).changed(pointed));
  }

  /**
   * A channel that has to do with the other bus.
   *
   * @param beyond where the joined bus went
   */
  private Channel pointed(Channel channel, @Nullable String beyond) {
    boolean itself = channel.id().equals(into);
    List<Send> sends = new ArrayList<>();
    for (Send send : channel.sends()) {
      List<String> to = pointed(send.destinations());
      boolean known =
          !to.equals(send.destinations())
              && channel.sends().stream().anyMatch(other -> other.destinations().equals(to));
      if (!known && !(itself && to.contains(into))) {
        sends.add(send.withDestinations(to));
      }
    }
    List<Insert> chain =
        channel.chain().stream()
            .map(
                insert ->
                    insert.key() == null || itself
                        ? insert
                        : insert.withKey(
                            new Key(
                                String.valueOf(point(insert.key().source())), insert.key().tap())))
            .toList();
    return channel
        .with()
        .output(itself && bus.equals(channel.output()) ? beyond : point(channel.output()))
        .group(itself && bus.equals(channel.group()) ? null : point(channel.group()))
        .sends(sends)
        .chain(chain)
        .build();
  }

  private MapEntry pointed(MapEntry entry) {
    return entry
        .with()
        .destination(point(entry.destination()))
        .group(point(entry.group()))
        .sends(pointedSends(entry.sends()))
        .build();
  }

  /** Of two that lead to the same place now, the first stays. */
  private List<MapSend> pointedSends(List<MapSend> sends) {
    Map<String, MapSend> all = new LinkedHashMap<>();
    for (MapSend send : sends) {
      MapSend to =
          new MapSend(pointed(send.destinations()), send.tap(), send.levelDb(), send.none());
      all.putIfAbsent(to.id(), to);
    }
    return List.copyOf(all.values());
  }

  private List<String> pointed(List<String> ids) {
    Set<String> all = new LinkedHashSet<>();
    ids.forEach(id -> all.add(String.valueOf(point(id))));
    return List.copyOf(all);
  }

  private @Nullable String point(@Nullable String id) {
    return bus.equals(id) ? into : id;
  }

  @Override
  public String says(Mix before) {
    return "join "
        + ChannelsById.names(before, List.of(bus))
        + " to "
        + ChannelsById.names(before, List.of(into));
  }
}
