package drevik.outline;

import drevik.category.CategoryTree;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Which bus a category belongs to without anybody saying so: the only one of it that others stand
 * under, as a parallel takes nothing but sends; where none stand under any, the only one.
 */
final class OwnCategories {
  private OwnCategories() {}

  /** Id of the bus → its category. */
  static Map<String, String> of(Mix mix) {
    Map<String, List<Channel>> buses =
        mix.channels().stream()
            .filter(one -> one.kind() == ChannelKind.BUS)
            .filter(one -> !one.category().equals(CategoryTree.UNKNOWN))
            .collect(Collectors.groupingBy(Channel::category));
    Set<String> fedInto =
        mix.channels().stream()
            .map(Channel::output)
            .filter(Objects::nonNull)
            .collect(Collectors.toSet());
    Map<String, String> own = new HashMap<>();
    buses.forEach(
        (category, of) -> {
          List<Channel> fed = of.stream().filter(bus -> fedInto.contains(bus.id())).toList();
          List<Channel> meant = fed.isEmpty() ? of : fed;
          if (meant.size() == 1) {
            own.put(meant.get(0).id(), category);
          }
        });
    return own;
  }
}
