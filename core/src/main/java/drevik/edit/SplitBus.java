package drevik.edit;

import drevik.category.CategoryTree;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.Insert;
import drevik.mix.Limits;
import drevik.mix.MapEntry;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.StemSet;
import drevik.mix.Tap;
import drevik.reassign.Meant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * Splits what goes to one bus: each category, person or group gets a bus of its own, and these go
 * to the bus that was split. So each keeps every way that it had, by the bus's chain, sends,
 * controls and outputs, and nothing is heard otherwise than before.
 *
 * @param inMap whether what is of the category, or of the person, goes there from now on; a group
 *     is nothing that the category map asks for
 * @param stem whether each is printed as the bus is; where they add up to a stem of the bus, a stem
 *     set says so, and a print proves it
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
    List<String> made = new ArrayList<>();
    for (Map.Entry<String, List<String>> part : parts.entrySet()) {
      List<String> moving = part.getValue();
      boolean ofCategory = inMap && by == By.CATEGORY;
      after = new MoveOut(moving, part.getKey(), ofCategory, false, false, null).under(old, after);
      made.add(String.valueOf(ChannelsById.one(after, moving.get(0)).output()));
      if (inMap && by == By.PERSON) {
        after = sentInMap(after, part.getKey(), moving);
      }
    }
    return Soundness.require(mix, stem ? printed(after, old, made) : after);
  }

  /** Each part is printed as the bus is, and a stem set holds them to it where they add up. */
  private Mix printed(Mix mix, Channel old, List<String> made) {
    Mix after = mix;
    boolean whole = isAllOf(mix, old, Set.copyOf(made));
    for (Output stem : mix.outputs()) {
      if (StemsBeside.isStemOf(stem, old)) {
        List<String> parts = new ArrayList<>();
        for (String part : made) {
          StemsBeside beside = StemsBeside.of(after, stem, old, ChannelsById.one(after, part));
          parts.add(beside.id());
          after = beside.mix();
        }
        if (whole && (stem.tap() == Tap.PRE_CHAIN || passesAsItCame(mix, old))) {
          List<StemSet> sets = new ArrayList<>(after.stemSets());
          Set<String> taken = new HashSet<>();
          sets.forEach(set -> taken.add(set.id()));
          String id = Limits.firstFree("parts-of-" + stem.id(), "-", taken);
          sets.add(new StemSet(id, stem.name() + " by " + by, stem.id(), parts));
          after = after.withStemSets(sets);
        }
      }
    }
    return after;
  }

  /** True if nothing but the parts arrives at the bus. */
  private static boolean isAllOf(Mix mix, Channel old, Set<String> parts) {
    return mix.channels().stream()
        .filter(one -> !parts.contains(one.id()))
        .allMatch(
            one ->
                !old.id().equals(one.output())
                    && one.sends().stream()
                        .noneMatch(send -> send.destinations().contains(old.id())));
  }

  /** True if what a bus gives on at its fader is what it gets. */
  private static boolean passesAsItCame(Mix mix, Channel bus) {
    return bus.chain().stream().noneMatch(Insert::on)
        && bus.trimDb() == 0
        && bus.faderDb() == 0
        && !bus.invertPolarity()
        && !bus.mute()
        && mix.controls().stream().noneMatch(control -> control.members().contains(bus.id()));
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
