package drevik.route;

import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.Output;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * The Flow: which channel stands in which stage, in which order, and what ties them.
 *
 * <p>Main outputs form a forest (each channel has one), so walking it depth first gives an order of
 * rows in which no main ribbon crosses another. Stages count from the end of the path: the master
 * last, the mix before it, groups before that, all deeper buses as sub-sums; seats always stand
 * first and files last. Stable: an edit moves only the rows that it concerns.
 *
 * @param stages from left to right
 * @param returns ids in the returns band: returns, and buses fed by sends alone
 * @param ribbons everything that is heard, and the files
 */
public record FlowLayout(List<Stage> stages, List<String> returns, List<Ribbon> ribbons) {

  /**
   * One column.
   *
   * @param ids channel ids, or output ids in the last stage, from top to bottom
   */
  public record Stage(String name, List<String> ids) {}

  /**
   * One ribbon.
   *
   * @param to a channel's id, or an output's for kind {@code file}
   * @param kind {@code output}, {@code send}, {@code key} or {@code file}
   * @param channels width of what it carries, in audio channels
   * @param seats how many seats are in it by main outputs
   */
  public record Ribbon(String from, String to, String kind, int channels, int seats) {}

  public static FlowLayout of(Mix mix) {
    return new Builder(mix).build();
  }

  private static final class Builder {
    private final Mix mix;
    private final Map<String, Channel> shown = new LinkedHashMap<>();
    private final Map<String, List<Channel>> feeders = new HashMap<>();
    private final Map<String, List<Channel>> standingBy = new HashMap<>();
    private final Set<String> band = new java.util.LinkedHashSet<>();
    private final Map<String, Integer> seats = new HashMap<>();

    Builder(Mix mix) {
      this.mix = mix;
      Set<String> parallels = SignalGraph.of(mix).parallels();
      for (Channel channel : mix.channels()) {
        if (channel.stowed()) {
          continue;
        }
        shown.put(channel.id(), channel);
        if (channel.kind() == ChannelKind.RETURN || parallels.contains(channel.id())) {
          band.add(channel.id());
        }
      }
      for (Channel channel : shown.values()) {
        feeders.computeIfAbsent(outputOf(channel), k -> new ArrayList<>()).add(channel);
        standingBy.computeIfAbsent(placeOf(channel), k -> new ArrayList<>()).add(channel);
      }
    }

    /** The shown channel that this one feeds; null at the end of a path. */
    private String outputOf(Channel channel) {
      return channel.output() != null && shown.containsKey(channel.output())
          ? channel.output()
          : null;
    }

    /** With whose seats a channel is shown: those of its group, else those of its output. */
    private String placeOf(Channel channel) {
      return channel.kind().holdsClips() && shown.containsKey(channel.group())
          ? channel.group()
          : outputOf(channel);
    }

    FlowLayout build() {
      Map<String, Integer> depth = new HashMap<>();
      List<String> rows = new ArrayList<>();
      int rootDepth = hasMaster() ? 0 : 1;
      List<Channel> roots = new ArrayList<>(standingBy.getOrDefault(null, List.of()));
      // What is only compared or feeds nothing stands below everything that is heard.
      roots.sort(java.util.Comparator.comparing(root -> root.kind().holdsClips()));
      for (Channel root : roots) {
        boolean atTheEnd = root.kind() == ChannelKind.MASTER || root.kind().holdsClips();
        walk(root, atTheEnd ? 0 : rootDepth, depth, rows);
      }
      return new FlowLayout(stages(depth, rows), List.copyOf(band), ribbons());
    }

    private boolean hasMaster() {
      return shown.values().stream().anyMatch(c -> c.kind() == ChannelKind.MASTER);
    }

    private void walk(Channel channel, int level, Map<String, Integer> depth, List<String> rows) {
      if (depth.putIfAbsent(channel.id(), level) != null) {
        return;
      }
      rows.add(channel.id());
      standingBy
          .getOrDefault(channel.id(), List.of())
          .forEach(one -> walk(one, level + 1, depth, rows));
    }

    private List<Stage> stages(Map<String, Integer> depth, List<String> rows) {
      List<Stage> stages = new ArrayList<>();
      stages.add(
          new Stage(
              "Seats", rows.stream().filter(id -> shown.get(id).kind().holdsClips()).toList()));
      Set<Integer> depths = new TreeSet<>(java.util.Comparator.reverseOrder());
      for (String id : rows) {
        if (isColumnBus(id)) {
          depths.add(depth.get(id));
        }
      }
      for (int level : depths) {
        List<String> ids =
            rows.stream().filter(id -> isColumnBus(id) && depth.get(id) == level).toList();
        stages.add(new Stage(nameOf(level), ids));
      }
      stages.add(new Stage("Files", mix.outputs().stream().map(Output::id).toList()));
      return stages;
    }

    private boolean isColumnBus(String id) {
      return !shown.get(id).kind().holdsClips() && !band.contains(id);
    }

    private static String nameOf(int level) {
      return switch (level) {
        case 0 -> "Master";
        case 1 -> "Mix";
        case 2 -> "Groups";
        case 3 -> "Sub-sums";
        default -> "Sub-sums " + (level - 2);
      };
    }

    private List<Ribbon> ribbons() {
      List<Ribbon> ribbons = new ArrayList<>();
      for (Channel channel : shown.values()) {
        int width = channel.layout().channels();
        if (outputOf(channel) != null) {
          ribbons.add(ribbon(channel.id(), channel.output(), "output", width));
        }
        channel.sends().stream()
            .flatMap(send -> send.destinations().stream())
            .filter(shown::containsKey)
            .forEach(to -> ribbons.add(ribbon(channel.id(), to, "send", width)));
        channel.chain().stream()
            .filter(insert -> insert.key() != null && shown.containsKey(insert.key().source()))
            .forEach(
                insert -> ribbons.add(ribbon(insert.key().source(), channel.id(), "key", width)));
      }
      for (Output output : mix.outputs()) {
        if (shown.containsKey(output.channel())) {
          ribbons.add(ribbon(output.channel(), output.id(), "file", output.layout().channels()));
        }
      }
      return ribbons;
    }

    private Ribbon ribbon(String from, String to, String kind, int channels) {
      return new Ribbon(from, to, kind, channels, seatsIn(from));
    }

    private int seatsIn(String id) {
      Integer known = seats.get(id);
      if (known != null) {
        return known;
      }
      int count = shown.containsKey(id) && shown.get(id).kind().holdsClips() ? 1 : 0;
      for (Channel feeder : feeders.getOrDefault(id, List.of())) {
        count += seatsIn(feeder.id());
      }
      seats.put(id, count);
      return count;
    }
  }
}
