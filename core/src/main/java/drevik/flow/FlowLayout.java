package drevik.flow;

import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.route.SignalGraph;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

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
 * @param into channel → the one that it feeds, where both are shown
 * @param groups buses that are one row when everything is folded: for each seat the last before the
 *     mix
 */
public record FlowLayout(
    List<FlowColumn> stages,
    List<String> returns,
    List<Ribbon> ribbons,
    Map<String, String> into,
    List<String> groups) {

  /** What stands in a column. */
  public enum Stage {
    SEATS,
    SUB_SUMS,
    GROUPS,
    MIX,
    MASTER,
    FILES
  }

  /**
   * One column.
   *
   * @param ids channel ids, or output ids in the last stage, from top to bottom
   */
  public record FlowColumn(String name, Stage stage, List<String> ids) {}

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

  /** The bus that a pick of a channel means: a bus or master itself, of all else what it feeds. */
  public static @Nullable String busMeantBy(Channel channel) {
    return switch (channel.kind()) {
      case BUS, MASTER -> channel.id();
      case SEAT, RETURN, REFERENCE -> channel.output();
    };
  }

  private static final class Builder {
    private final Mix mix;
    private final Map<String, Channel> shown = new LinkedHashMap<>();
    private final Map<String, List<Channel>> feeders = new HashMap<>();
    private final Map<String, List<Channel>> standingBy = new HashMap<>();
    private final Set<String> band = new LinkedHashSet<>();
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
    private @Nullable String outputOf(Channel channel) {
      return channel.output() != null && shown.containsKey(channel.output())
          ? channel.output()
          : null;
    }

    /** With whose seats a channel is shown: those of its group, else those of its output. */
    private @Nullable String placeOf(Channel channel) {
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
      roots.sort(Comparator.comparing(root -> root.kind().holdsClips()));
      for (Channel root : roots) {
        boolean atTheEnd = root.kind() == ChannelKind.MASTER || root.kind().holdsClips();
        walk(root, atTheEnd ? 0 : rootDepth, depth, rows);
      }
      return new FlowLayout(
          stages(depth, rows), List.copyOf(band), ribbons(), into(), groups(depth, rows));
    }

    private boolean hasMaster() {
      return shown.values().stream().anyMatch(c -> c.kind() == ChannelKind.MASTER);
    }

    /** Depth first, without recursion: a Mix may be thousands of buses deep. */
    private void walk(Channel root, int level, Map<String, Integer> depth, List<String> rows) {
      Deque<Channel> open = new ArrayDeque<>(List.of(root));
      Map<String, Integer> levels = new HashMap<>(Map.of(root.id(), level));
      while (!open.isEmpty()) {
        Channel channel = open.pop();
        int own = levels.getOrDefault(channel.id(), level);
        if (depth.putIfAbsent(channel.id(), own) != null) {
          continue;
        }
        rows.add(channel.id());
        List<Channel> beside = standingBy.getOrDefault(channel.id(), List.of());
        for (int i = beside.size() - 1; i >= 0; i--) {
          levels.put(beside.get(i).id(), own + 1);
          open.push(beside.get(i));
        }
      }
    }

    private List<FlowColumn> stages(Map<String, Integer> depth, List<String> rows) {
      List<FlowColumn> stages = new ArrayList<>();
      stages.add(
          new FlowColumn("Seats", Stage.SEATS, rows.stream().filter(id -> isSeat(id)).toList()));
      Map<Integer, List<String>> columns = new TreeMap<>(Comparator.reverseOrder());
      for (String id : rows) {
        if (isColumnBus(id)) {
          columns.computeIfAbsent(depth.get(id), k -> new ArrayList<>()).add(id);
        }
      }
      columns.forEach(
          (level, ids) ->
              stages.add(new FlowColumn(nameOf(level), stageOf(level), List.copyOf(ids))));
      stages.add(
          new FlowColumn("Files", Stage.FILES, mix.outputs().stream().map(Output::id).toList()));
      return stages;
    }

    private boolean isSeat(String id) {
      Channel channel = shown.get(id);
      return channel != null && channel.kind().holdsClips();
    }

    private boolean isColumnBus(String id) {
      return !isSeat(id) && !band.contains(id);
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

    private static Stage stageOf(int level) {
      return switch (level) {
        case 0 -> Stage.MASTER;
        case 1 -> Stage.MIX;
        case 2 -> Stage.GROUPS;
        default -> Stage.SUB_SUMS;
      };
    }

    private Map<String, String> into() {
      Map<String, String> into = new LinkedHashMap<>();
      for (Channel channel : shown.values()) {
        String output = outputOf(channel);
        if (output != null) {
          into.put(channel.id(), output);
        }
      }
      return into;
    }

    /** What sums other buses is the mix; a bus that goes straight to a master is a group. */
    private List<String> groups(Map<String, Integer> depth, List<String> rows) {
      Map<String, String> into = into();
      Set<String> sums = new HashSet<>();
      into.forEach((from, to) -> sums.addAll(isSeat(from) ? Set.of() : Set.of(to)));
      Set<String> groups = new LinkedHashSet<>();
      for (String seat : rows.stream().filter(this::isSeat).toList()) {
        String group = null;
        Set<String> passed = new HashSet<>();
        for (String at = into.get(seat); at != null && passed.add(at); at = into.get(at)) {
          Stage stage = isColumnBus(at) ? stageOf(depth.getOrDefault(at, 0)) : null;
          if (stage == Stage.MASTER
              || (stage == Stage.MIX && (group != null || sums.contains(at)))) {
            break;
          }
          group = at;
        }
        if (group != null) {
          groups.add(group);
        }
      }
      return List.copyOf(groups);
    }

    private List<Ribbon> ribbons() {
      List<Ribbon> ribbons = new ArrayList<>();
      for (Channel channel : shown.values()) {
        int width = channel.layout().channels();
        String output = outputOf(channel);
        if (output != null) {
          ribbons.add(ribbon(channel.id(), output, "output", width));
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

    /** Seats by main outputs: what feeds a channel is counted before it. */
    private int seatsIn(String id) {
      Deque<String> open = new ArrayDeque<>(List.of(id));
      Set<String> entered = new HashSet<>(open);
      while (!open.isEmpty()) {
        String at = open.peek();
        List<Channel> feeding = feeders.getOrDefault(at, List.of());
        int count = isSeat(at) ? 1 : 0;
        boolean complete = true;
        for (Channel feeder : feeding) {
          Integer known = seats.get(feeder.id());
          if (known == null && entered.add(feeder.id())) {
            open.push(feeder.id());
            complete = false;
          } else {
            // In a loop, which is a finding of its own, it is counted by who met it first.
            count += known == null ? 0 : known;
          }
        }
        if (complete) {
          seats.put(at, count);
          open.pop();
        }
      }
      return seats.getOrDefault(id, 0);
    }
  }
}
