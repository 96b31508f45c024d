package drevik.outline;

import drevik.category.CategoryTree;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.route.SignalGraph;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Which categories belong to a bus without anybody saying so. That of the bus itself, if it is the
 * only one of it that others stand under; and a family of which no bus is, but whose seats all
 * stand under this one. A parallel takes nothing but sends, and what only keys hear is for those.
 */
final class OwnCategories {
  private final Mix mix;
  private final Map<String, List<String>> own = new HashMap<>();

  private OwnCategories(Mix mix) {
    this.mix = mix;
  }

  /** Id of the bus → its categories. */
  static Map<String, List<String>> of(Mix mix) {
    OwnCategories categories = new OwnCategories(mix);
    categories.ofBuses();
    categories.ofSeats();
    return categories.own;
  }

  private void add(String bus, String category) {
    own.computeIfAbsent(bus, id -> new ArrayList<>()).add(category);
  }

  private void ofBuses() {
    SignalGraph graph = SignalGraph.of(mix);
    Set<String> aside = new HashSet<>(graph.parallels());
    aside.addAll(graph.heardByKeysAlone());
    Set<String> fedInto =
        mix.channels().stream()
            .map(Channel::output)
            .filter(Objects::nonNull)
            .collect(Collectors.toSet());
    Map<String, List<Channel>> buses =
        mix.channels().stream()
            .filter(one -> one.kind() == ChannelKind.BUS && !aside.contains(one.id()))
            .filter(one -> !one.category().equals(CategoryTree.UNKNOWN))
            .collect(Collectors.groupingBy(Channel::category));
    buses.forEach(
        (category, of) -> {
          List<Channel> fed = of.stream().filter(bus -> fedInto.contains(bus.id())).toList();
          List<Channel> meant = fed.isEmpty() ? of : fed;
          if (meant.size() == 1) {
            add(meant.get(0).id(), category);
          }
        });
  }

  private void ofSeats() {
    Set<String> taken = new HashSet<>();
    mix.channels().stream()
        .filter(one -> one.kind() == ChannelKind.BUS)
        .forEach(one -> taken.add(CategoryTree.topOf(one.category())));
    Map<String, Set<@Nullable String>> under = new HashMap<>();
    for (Channel seat : mix.channels()) {
      String family = CategoryTree.topOf(seat.category());
      if (seat.kind() == ChannelKind.SEAT
          && !family.equals(CategoryTree.UNKNOWN)
          && !taken.contains(family)) {
        under.computeIfAbsent(family, one -> new HashSet<>()).add(seat.output());
      }
    }
    Map<String, Channel> channels = mix.channelsById();
    under.forEach(
        (family, outputs) -> {
          Channel bus = outputs.size() == 1 ? channels.get(outputs.iterator().next()) : null;
          if (bus != null && bus.kind() == ChannelKind.BUS) {
            add(bus.id(), family);
          }
        });
  }
}
