package drevik.route;

import drevik.audio.ChannelMatrix;
import drevik.audio.Decibels;
import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.mix.Tap;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * How much of each channel reaches each output. Chains count as passing audio unchanged: this is
 * about routes and faders, not about what a processor does.
 *
 * <p>From each output the graph is walked once against the signal, in topological order, adding up
 * gains and counting paths; nothing is enumerated, so that the time grows with outputs × ties and
 * not with the number of paths.
 */
public final class Coverage {
  /** What a path passes; the later one wins. */
  public enum Way {
    /** Buses only. */
    DRY,
    /** A bus that hears nothing but sends: a parallel. */
    PARALLEL,
    /** A return. */
    RETURN
  }

  /** Which sends and mutes count. */
  public enum View {
    /** As it is: a closed send and a muted channel carry nothing. */
    NOW,
    /** As it is wired: what is closed or muted counts as open at 0 dB. */
    WIRED
  }

  /**
   * What of one channel arrives at one output.
   *
   * @param paths by way; {@link Long#MAX_VALUE} stands for more than can be counted
   * @param gainDb static gain of the dry paths together, or of the parallels, or of the returns, in
   *     dB of power per source channel
   */
  public record Cell(String channel, String output, Map<Way, Long> paths, double gainDb) {
    public Cell {
      paths = Map.copyOf(paths);
    }

    public long paths(Way way) {
      return paths.getOrDefault(way, 0L);
    }

    /** All paths together. */
    public long count() {
      return paths.values().stream().reduce(0L, Coverage::saturated);
    }
  }

  /** One step along the signal: into the node {@code to}, by {@code gains[to channel][channel]}. */
  private record Step(int to, double[][] gains) {}

  /** What arrives at an output, by way: paths and gains {@code [output channel][node channel]}. */
  private static final class Reach {
    final long[] paths = new long[Way.values().length];
    final double[][][] gains = new double[Way.values().length][][];

    void add(int way, long count, double[][] more) {
      paths[way] = saturated(paths[way], count);
      if (gains[way] == null) {
        gains[way] = more;
        return;
      }
      for (int row = 0; row < more.length; row++) {
        for (int column = 0; column < more[row].length; column++) {
          gains[way][row][column] += more[row][column];
        }
      }
    }
  }

  private final Mix mix;
  private final View view;
  private final Map<String, Channel> byId;
  private final List<Channel> order = new ArrayList<>();
  private final Map<String, Integer> indexOf = new HashMap<>();
  private final Way[] ways;
  private final List<List<Step>> steps = new ArrayList<>();
  private final Map<String, Double> controlDb;
  private final Map<String, Reach[]> reaches = new HashMap<>();

  private Coverage(Mix mix, View view) {
    this.mix = mix;
    this.view = view;
    this.controlDb = ControlGains.of(mix);
    this.byId = mix.channelsById();
    SignalGraph graph = SignalGraph.of(mix);
    for (String id : graph.order()) {
      indexOf.put(id, order.size());
      order.add(byId.get(id));
    }
    Set<String> parallels = graph.parallels();
    ways = new Way[order.size()];
    for (int i = 0; i < ways.length; i++) {
      Channel channel = order.get(i);
      ways[i] =
          channel.kind() == ChannelKind.RETURN
              ? Way.RETURN
              : parallels.contains(channel.id()) ? Way.PARALLEL : Way.DRY;
      steps.add(stepsFrom(channel));
    }
    mix.outputs().forEach(output -> reaches.put(output.id(), walk(output)));
  }

  /**
   * The coverage of a Mix as it is.
   *
   * @throws Refused if the routing has a loop
   */
  public static Coverage of(Mix mix) {
    return of(mix, View.NOW);
  }

  public static Coverage of(Mix mix, View view) {
    return new Coverage(mix, view);
  }

  /** Every seat and reference that reaches an output, in document order, output by output. */
  public List<Cell> cells() {
    List<Cell> cells = new ArrayList<>();
    for (Channel channel : mix.channels()) {
      if (channel.kind().holdsClips()) {
        for (Output output : mix.outputs()) {
          Cell cell = cell(channel.id(), output.id());
          if (cell != null) {
            cells.add(cell);
          }
        }
      }
    }
    return cells;
  }

  /** What of a channel reaches an output; null if nothing does. */
  public @Nullable Cell cell(String channel, String output) {
    Reach reach = reachOf(channel, output);
    if (reach == null) {
      return null;
    }
    Map<Way, Long> paths = new HashMap<>();
    Double gainDb = null;
    for (Way way : Way.values()) {
      if (reach.paths[way.ordinal()] > 0) {
        paths.put(way, reach.paths[way.ordinal()]);
        gainDb = gainDb != null ? gainDb : powerDb(reach.gains[way.ordinal()]);
      }
    }
    return gainDb == null ? null : new Cell(channel, output, paths, gainDb);
  }

  /** True if anything of the channel reaches the output. */
  public boolean reaches(String channel, String output) {
    return reachOf(channel, output) != null;
  }

  /**
   * The gains of all paths of the chosen ways together, {@code [output channel][channel]}; zeros
   * where nothing arrives.
   */
  public double[][] gains(String channel, String output, Set<Way> chosen) {
    Output to = outputOf(output);
    Channel from = order.get(indexOf.get(channel));
    double[][] sum = new double[to.layout().channels()][from.layout().channels()];
    Reach reach = reachOf(channel, output);
    for (Way way : chosen) {
      double[][] gains = reach == null ? null : reach.gains[way.ordinal()];
      for (int row = 0; gains != null && row < sum.length; row++) {
        for (int column = 0; column < sum[row].length; column++) {
          sum[row][column] += gains[row][column];
        }
      }
    }
    return sum;
  }

  /** Up to {@code most} paths from a channel to an output, each as channel ids. */
  public List<List<String>> paths(String channel, String output, int most) {
    List<List<String>> found = new ArrayList<>();
    Integer start = indexOf.get(channel);
    if (start != null) {
      follow(start, outputOf(output), new ArrayList<>(), found, most);
    }
    return found;
  }

  private void follow(int at, Output output, List<String> way, List<List<String>> found, int most) {
    Reach reach = reaches.get(output.id())[at];
    if (reach == null || found.size() >= most) {
      return;
    }
    way.add(order.get(at).id());
    if (order.get(at).id().equals(output.channel())) {
      found.add(List.copyOf(way));
    }
    for (Step step : steps.get(at)) {
      follow(step.to(), output, way, found, most);
    }
    way.remove(way.size() - 1);
  }

  private @Nullable Reach reachOf(String channel, String output) {
    Integer at = indexOf.get(channel);
    Reach[] of = reaches.get(output);
    return at == null || of == null ? null : of[at];
  }

  private Output outputOf(String id) {
    return mix.outputs().stream().filter(o -> o.id().equals(id)).findFirst().orElseThrow();
  }

  private Reach[] walk(Output output) {
    Reach[] reach = new Reach[order.size()];
    Integer tapped = indexOf.get(output.channel());
    if (tapped == null || order.get(tapped).stowed()) {
      return reach;
    }
    for (int at = order.size() - 1; at >= 0; at--) {
      Channel channel = order.get(at);
      if (at == tapped) {
        double gain = gainTo(output.tap(), channel);
        if (gain != 0) {
          double pan = output.tap() == Tap.POST_FADER ? channel.pan() : 0;
          double[][] gains = feed(channel.layout(), output.layout(), pan, gain);
          reach[at] = new Reach();
          reach[at].add(ways[at].ordinal(), 1, gains);
        }
      }
      for (Step step : steps.get(at)) {
        Reach next = reach[step.to()];
        if (next != null) {
          reach[at] = reach[at] == null ? new Reach() : reach[at];
          for (int way = 0; way < next.paths.length; way++) {
            if (next.paths[way] > 0) {
              double[][] gains = product(next.gains[way], step.gains());
              reach[at].add(Math.max(way, ways[at].ordinal()), next.paths[way], gains);
            }
          }
        }
      }
    }
    return reach;
  }

  private List<Step> stepsFrom(Channel channel) {
    List<Step> found = new ArrayList<>();
    if (channel.stowed()) {
      return found;
    }
    if (channel.output() != null) {
      step(channel, channel.output(), Tap.POST_FADER, channel.pan(), 1, found);
    }
    for (Send send : channel.sends()) {
      double level = send.on() ? Decibels.toGain(send.levelDb()) : 0;
      double gain = level == 0 && view == View.WIRED ? 1 : level;
      for (String destination : send.destinations()) {
        step(channel, destination, send.tap(), send.pan(), gain, found);
      }
    }
    return found;
  }

  private void step(
      Channel from, String destination, Tap tap, double pan, double gain, List<Step> found) {
    double whole = gain * gainTo(tap, from);
    Integer to = indexOf.get(destination);
    if (whole != 0 && to != null) {
      found.add(new Step(to, feed(from.layout(), byId.get(destination).layout(), pan, whole)));
    }
  }

  private double[][] feed(Layout from, Layout to, double pan, double gain) {
    double[][] gains = ChannelMatrix.of(from, to, pan, mix.panLaw());
    for (double[] row : gains) {
      for (int i = 0; i < row.length; i++) {
        row[i] *= gain;
      }
    }
    return gains;
  }

  /** Linear gain from a channel's sum of inputs to one of its taps. */
  private double gainTo(Tap tap, Channel channel) {
    double trim = Decibels.toGain(channel.trimDb()) * (channel.invertPolarity() ? -1 : 1);
    if (tap != Tap.POST_FADER) {
      return trim;
    }
    double faderDb = channel.faderDb() + controlDb.getOrDefault(channel.id(), 0.0);
    double fader = channel.mute() ? 0 : Decibels.toGain(faderDb);
    return trim * (fader == 0 && view == View.WIRED ? 1 : fader);
  }

  private static double[][] product(double[][] a, double[][] b) {
    double[][] c = new double[a.length][b[0].length];
    for (int row = 0; row < a.length; row++) {
      for (int inner = 0; inner < b.length; inner++) {
        double gain = a[row][inner];
        for (int column = 0; column < c[row].length; column++) {
          c[row][column] += gain * b[inner][column];
        }
      }
    }
    return c;
  }

  private static double powerDb(double[][] gains) {
    double power = 0;
    for (double[] row : gains) {
      for (double gain : row) {
        power += gain * gain;
      }
    }
    return 10 * Math.log10(power / gains[0].length);
  }

  private static long saturated(long a, long b) {
    long sum = a + b;
    return sum < 0 ? Long.MAX_VALUE : sum;
  }
}
