package drevik.shelf;

import drevik.category.CategoryTree;
import drevik.mix.CategoryMap;
import drevik.mix.Channel;
import drevik.mix.Control;
import drevik.mix.Limits;
import drevik.mix.Lists;
import drevik.mix.MapEntry;
import drevik.mix.MapSend;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.field.Validity;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * A category map apart from any Mix: where its entries speak of channels, controls and outputs they
 * have their names in the place of ids, so that it fits another Mix that has such.
 *
 * @param version of the document format, see {@code docs/formats/map.schema.json}
 * @param name what it is kept under
 */
public record NamedMap(int version, String name, List<MapEntry> entries) {
  /** The version that this code writes. */
  public static final int CURRENT_VERSION = 1;

  public NamedMap {
    name = name == null ? "" : name;
    entries = Lists.copy(entries);
  }

  /**
   * The map of a Mix.
   *
   * @throws Refused if it points at one of two things of the same name
   */
  public static NamedMap of(Mix mix, String name) {
    Words words = new Words();
    Ids channels = Ids.ofBuses(mix);
    Ids controls = Ids.of(mix.controls(), Control::id, Control::name, "control");
    Ids outputs = Ids.of(mix.outputs(), Output::id, Output::name, "output");
    NamedMap map =
        new NamedMap(
            CURRENT_VERSION,
            name,
            mix.categoryMap().entries().stream()
                .map(
                    entry ->
                        pointing(
                            entry,
                            id -> channels.nameOf(id, words),
                            id -> controls.nameOf(id, words),
                            id -> outputs.nameOf(id, words)))
                .toList());
    words.refuse("This map cannot be kept by names: ");
    return map;
  }

  /**
   * The map of a Mix, as it is kept on the shelf.
   *
   * @throws Refused if it has no name, says nothing, or points at one of two things of a name
   */
  public static NamedMap kept(Mix mix, @Nullable String name) {
    NamedMap map = of(mix, Limits.keptName(name, "A category map"));
    if (map.entries().isEmpty()) {
      throw new Refused("The category map of this Mix says nothing yet; write into it first.");
    }
    return map;
  }

  /**
   * The same, if it may be used.
   *
   * @throws Refused if it is of another version, or says what no map may
   */
  public NamedMap cleaned() {
    if (version != CURRENT_VERSION) {
      throw new Refused(
          "This category map has format version "
              + version
              + ", and this Drevik reads "
              + CURRENT_VERSION
              + "; open it with another Drevik.");
    }
    Limits.requireText(name, Limits.NAME, "The name of a category map");
    for (MapEntry entry : entries) {
      if (entry.category() == null || !CategoryTree.has(entry.category())) {
        throw new Refused(CategoryTree.unknownMessage(String.valueOf(entry.category())));
      }
    }
    Validity.requireEntries(entries);
    return this;
  }

  /**
   * The same map with the ids of a Mix.
   *
   * @throws Refused with every name that the Mix does not have, or has twice
   */
  public CategoryMap in(Mix mix) {
    Words words = new Words();
    Ids channels = Ids.ofBuses(mix);
    Ids controls = Ids.of(mix.controls(), Control::id, Control::name, "control");
    Ids outputs = Ids.of(mix.outputs(), Output::id, Output::name, "output");
    List<MapEntry> found = new ArrayList<>();
    for (MapEntry entry : entries) {
      found.add(
          pointing(
              entry,
              wanted -> channels.idOf(wanted, words),
              wanted -> controls.idOf(wanted, words),
              wanted -> outputs.idOf(wanted, words)));
    }
    words.refuse("The map does not fit this Mix: ");
    return new CategoryMap(found);
  }

  private static MapEntry pointing(
      MapEntry entry,
      Function<String, String> channel,
      Function<String, String> control,
      Function<String, String> output) {
    return entry
        .withDestination(or(entry.destination(), channel))
        .withGroup(or(entry.group(), channel))
        .withSends(
            entry.sends().stream()
                .map(
                    send ->
                        new MapSend(
                            send.destinations().stream().map(channel).toList(),
                            send.tap(),
                            send.levelDb(),
                            send.none()))
                .toList())
        .withControls(entry.controls().stream().map(control).toList())
        .withStem(or(entry.stem(), output));
  }

  private static @Nullable String or(@Nullable String word, Function<String, String> change) {
    return word == null ? null : change.apply(word);
  }

  /** What is wrong, once each. */
  private static final class Words {
    private static final int SAID = 5;
    private final Set<String> faults = new LinkedHashSet<>();

    void add(String fault) {
      faults.add(fault);
    }

    void refuse(String begins) {
      if (!faults.isEmpty()) {
        String more = faults.size() > SAID ? " and " + (faults.size() - SAID) + " more" : "";
        throw new Refused(
            begins + faults.stream().limit(SAID).collect(Collectors.joining("; ")) + more + ".");
      }
    }
  }

  /** Things of a Mix that a map may point at. */
  private record Ids(String what, Map<String, String> names, Map<String, List<String>> ids) {
    /** Only what takes sound is pointed at, so that a seat may be called as its bus is. */
    static Ids ofBuses(Mix mix) {
      return of(
          mix.channels().stream().filter(channel -> !channel.kind().holdsClips()).toList(),
          Channel::id,
          Channel::name,
          "bus");
    }

    static <T> Ids of(
        List<T> things, Function<T, String> idOf, Function<T, String> nameOf, String what) {
      return new Ids(
          what,
          things.stream().collect(Collectors.toMap(idOf, nameOf)),
          things.stream()
              .collect(
                  Collectors.groupingBy(nameOf, Collectors.mapping(idOf, Collectors.toList()))));
    }

    String nameOf(String id, Words words) {
      String name = names.get(id);
      if (name == null) {
        words.add("there is no " + what + " “" + id + "” any more; choose another");
        return id;
      }
      single(name, words);
      return name;
    }

    String idOf(String name, Words words) {
      if (!ids.containsKey(name)) {
        words.add("there is no " + what + " “" + name + "”" + nearest());
        return name;
      }
      single(name, words);
      return ids.get(name).get(0);
    }

    private void single(String name, Words words) {
      if (ids.getOrDefault(name, List.of()).size() > 1) {
        words.add("there are two " + plural() + " “" + name + "”; rename one");
      }
    }

    private String plural() {
      return what.equals("bus") ? "buses" : what + "s";
    }

    private String nearest() {
      Stream<String> some = ids.keySet().stream().sorted().limit(4);
      return ids.isEmpty()
          ? "; this Mix has none"
          : "; there are " + some.collect(Collectors.joining(", ")) + (ids.size() > 4 ? ", …" : "");
    }
  }
}
