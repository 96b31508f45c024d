package drevik.intake.seat;

import drevik.category.FileName;
import drevik.category.NameWords;
import drevik.intake.conform.DeliveredFile;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Marker;
import drevik.mix.Mix;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Which song a delivered file belongs to, where a Mix holds several: a song is a bus with a section
 * of its own name, and all that leads to it; a folder of the delivery is the song that it is named
 * after, else the one of its number, else those that are left, in order. A delivery of one folder
 * says nothing unless its name or number does.
 */
final class Songs {
  private static final Pattern NUMBER = Pattern.compile("(?<!\\d)0*(\\d{1,2})(?!\\d)");

  /**
   * A song of a Mix.
   *
   * @param channels ids of its bus and of all that leads there
   * @param folder of the delivery
   */
  record Song(Channel bus, Set<String> channels, String folder) {
    boolean holds(String channel) {
      return channels.contains(channel);
    }
  }

  /** By the folder. */
  private final Map<String, Song> songs = new HashMap<>();

  /** File → folder. */
  private final Map<String, String> folders;

  private Songs(Mix mix, List<DeliveredFile> files) {
    folders = foldersOf(files);
    List<Channel> buses = busesOf(mix);
    if (buses.size() > 1) {
      Map<String, Channel> found = matched(buses, folders.values().stream().distinct().toList());
      found.forEach((folder, bus) -> songs.put(folder, new Song(bus, leadingTo(bus, mix), folder)));
    }
  }

  static Songs of(Mix mix, List<DeliveredFile> files) {
    return new Songs(mix, files);
  }

  Optional<Song> of(DeliveredFile file) {
    return Optional.ofNullable(folders.get(file.id())).map(songs::get);
  }

  /** Buses that a section is named after, in the order of the sections. */
  private static List<Channel> busesOf(Mix mix) {
    List<Channel> buses = new ArrayList<>();
    mix.markers().stream()
        .sorted(Comparator.comparingLong(Marker::startFrame))
        .forEach(
            section ->
                mix.channels().stream()
                    .filter(one -> one.kind() == ChannelKind.BUS && !one.stowed())
                    .filter(one -> one.name().equalsIgnoreCase(section.name()))
                    .filter(one -> !buses.contains(one))
                    .findFirst()
                    .ifPresent(buses::add));
    return buses;
  }

  private static Set<String> leadingTo(Channel bus, Mix mix) {
    Set<String> found = new HashSet<>(Set.of(bus.id()));
    boolean more = true;
    while (more) {
      more = false;
      for (Channel channel : mix.channels()) {
        more |= found.contains(String.valueOf(channel.output())) && found.add(channel.id());
      }
    }
    return found;
  }

  /** The first folder by which files differ; where all lie in one, that one. */
  private static Map<String, String> foldersOf(List<DeliveredFile> files) {
    Map<String, List<String>> ways = new LinkedHashMap<>();
    for (DeliveredFile file : files) {
      String folder = FileName.folderOf(file.name());
      ways.put(file.id(), folder.isEmpty() ? List.of() : List.of(folder.split("[/\\\\]+")));
    }
    int shared = 0;
    while (isShared(ways, shared)) {
      shared++;
    }
    boolean one = ways.values().stream().distinct().count() == 1;
    int level = one ? shared - 1 : shared;
    Map<String, String> folders = new HashMap<>();
    ways.forEach(
        (file, way) -> {
          if (level >= 0 && way.size() > level) {
            folders.put(file, way.get(level));
          }
        });
    return folders;
  }

  private static boolean isShared(Map<String, List<String>> ways, int level) {
    Set<String> there = new HashSet<>();
    for (List<String> way : ways.values()) {
      if (way.size() <= level || (!there.add(way.get(level)) && there.size() > 1)) {
        return false;
      }
    }
    return there.size() == 1;
  }

  private static Map<String, Channel> matched(List<Channel> buses, List<String> folders) {
    Map<String, Channel> found = new HashMap<>();
    List<Channel> left = new ArrayList<>(buses);
    List<String> inOrder = folders.stream().sorted().toList();
    for (String folder : inOrder) {
      Set<String> words = NameWords.of(folder);
      left.stream()
          .filter(bus -> words.containsAll(NameWords.of(bus.name())))
          .findFirst()
          .ifPresent(bus -> found.put(folder, bus));
      left.remove(found.get(folder));
    }
    for (String folder : inOrder) {
      OptionalInt number = found.containsKey(folder) ? OptionalInt.empty() : numberOf(folder);
      if (number.isPresent() && number.getAsInt() >= 1 && number.getAsInt() <= buses.size()) {
        Channel bus = buses.get(number.getAsInt() - 1);
        if (left.remove(bus)) {
          found.put(folder, bus);
        }
      }
    }
    List<String> open = inOrder.stream().filter(folder -> !found.containsKey(folder)).toList();
    if (folders.size() > 1 && open.size() <= left.size()) {
      for (int i = 0; i < open.size(); i++) {
        found.put(open.get(i), left.get(i));
      }
    }
    return found;
  }

  private static OptionalInt numberOf(String folder) {
    Matcher matcher = NUMBER.matcher(folder);
    return matcher.find()
        ? OptionalInt.of(Integer.parseInt(matcher.group(1)))
        : OptionalInt.empty();
  }
}
