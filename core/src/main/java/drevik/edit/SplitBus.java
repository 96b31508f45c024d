package drevik.edit;

import drevik.category.CategoryTree;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.MapEntry;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.reassign.Meant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Splits what goes to one bus: each category, person or group gets a bus of its own beside it.
 *
 * @param inMap whether what is of the category, or of the person, goes there from now on; a group
 *     is nothing that the category map asks for
 * @param stem whether each is printed as the bus is
 */
public record SplitBus(String bus, By by, boolean inMap, boolean stem) implements Edit {
  private static final int MOST = 40;

  /** What each new bus is for. */
  public enum By {
    CATEGORY,
    PERSON,
    GROUP;

    @Override
    public String toString() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  @Override
  public Mix changed(Mix mix) {
    Channel old = ChannelsById.one(mix, bus);
    Map<String, List<String>> parts = new LinkedHashMap<>();
    for (Channel channel : mix.channels()) {
      if (bus.equals(channel.output()) && channel.kind().holdsClips()) {
        String part = nameOf(mix, channel);
        if (!part.isEmpty()) {
          parts.computeIfAbsent(part, name -> new ArrayList<>()).add(channel.id());
        }
      }
    }
    if (parts.size() < 2 || parts.size() > MOST) {
      throw Refused.about(
          bus,
          "“"
              + old.name()
              + "” has "
              + parts.size()
              + " to split by "
              + by
              + "; it takes 2 to "
              + MOST
              + ".");
    }
    Mix after = mix;
    for (Map.Entry<String, List<String>> part : parts.entrySet()) {
      List<String> moving = part.getValue();
      boolean ofCategory = inMap && by == By.CATEGORY;
      after = new MoveOut(moving, part.getKey(), ofCategory, stem, false, null).changed(after);
      if (inMap && by == By.PERSON) {
        after = sentInMap(after, part.getKey(), moving);
      }
    }
    return Soundness.require(mix, after);
  }

  /** What is of a person goes to the bus of that person from now on. */
  private static Mix sentInMap(Mix mix, String person, List<String> moved) {
    String to = ChannelsById.one(mix, moved.get(0)).output();
    CategoryMap map = mix.categoryMap();
    Meant of = new Meant(List.of(), null, person, null);
    // What has no category yet no entry can speak of.
    List<String> filed =
        moved.stream()
            .filter(id -> !ChannelsById.one(mix, id).category().equals(CategoryTree.UNKNOWN))
            .toList();
    for (MapEntry asking : of.entries(mix, filed, null)) {
      map = map.saying(asking, entry -> entry.withDestination(to));
    }
    return mix.withCategoryMap(map);
  }

  private String nameOf(Mix mix, Channel channel) {
    return switch (by) {
      case CATEGORY -> {
        String leaf = channel.category().substring(channel.category().lastIndexOf('/') + 1);
        yield leaf.substring(0, 1).toUpperCase(Locale.ROOT) + leaf.substring(1).replace('-', ' ');
      }
      case PERSON -> channel.person() == null ? "" : channel.person();
      case GROUP ->
          channel.group() == null
              ? ""
              : mix.channel(channel.group()).map(Channel::name).orElse("") + " group";
    };
  }

  @Override
  public String says(Mix before) {
    return "split " + ChannelsById.names(before, List.of(bus)) + " by " + by;
  }
}
