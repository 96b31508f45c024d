package drevik.route;

import drevik.audio.ChannelMatrix;
import drevik.audio.Decibels;
import drevik.audio.Layout;
import drevik.audio.Position;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.Tap;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Deque;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * How much of each channel reaches each output. Chains count as passing audio unchanged: this is
 * about routes and faders, not about what a processor does.
 *
 * <p>From each output the graph is walked once against the signal, in topological order, counting
 * paths; nothing is enumerated, so that the time grows with outputs × ties and not with the number
 * of paths. Gains are added up by a second walk, of those outputs only of which they are asked. Not
 * for several threads at once.
 */
public final class Coverage {
  /** What a path passes; the later one wins. */
  public enum Way {
    /** Buses only. */
    DRY,
    /** A bus that hears nothing but sends: a parallel. */
    PARALLEL,
    /** A return. */
    RETURN;

    /** In arrays of one number a way. */
    @SuppressWarnings("EnumOrdinal")
    private int place() {
      return ordinal();
    }
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
   * @param gains static gain of the paths of each way, in dB of power per source channel; a way
   *     whose paths cancel each other has none
   * @param gainDb the same of all paths together, as an impulse would measure it; null if they
   *     cancel each other
   * @param dipped true if some of it passes a fader that a dip rides
   */
  public record Cell(
      String channel,
      String output,
      Map<Way, Long> paths,
      Map<Way, Double> gains,
      @Nullable Double gainDb,
      boolean dipped) {
    public Cell {
      paths = Map.copyOf(paths);
      gains = Map.copyOf(gains);
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
  @SuppressWarnings("ArrayRecordComponent") // never compared
  private record Step(int to, double[][] gains, boolean dipped) {}

  private static final int WAYS = Way.values().length;

  private final Mix mix;
  private final View view;
  private final Map<String, Channel> byId;
  private final List<Channel> order = new ArrayList<>();
  private final Map<String, Integer> indexOf = new HashMap<>();
  private final Way[] ways;
  private final List<List<Step>> steps = new ArrayList<>();
  private final Map<String, Double> controlDb;

  /** Channels whose faders a dip rides. */
  private final Set<String> dips;

  /** Output → the nodes of which something arrives dipped. */
  private final Map<String, BitSet> dipped = new HashMap<>();

  private final Map<String, Output> outputs = new HashMap<>();

  /** Output → paths {@code [node × ways + way]}. */
  private final Map<String, long[]> counts = new HashMap<>();

  /** Output → the nodes of which something arrives. */
  private final Map<String, BitSet> leading = new HashMap<>();

  /** Output → gains {@code [node × ways + way][output channel][node channel]}; null where none. */
  private final Map<String, double[][][]> gains = new HashMap<>();

  /** Node → the nodes that it steps to, for counting, which is done for every output. */
  private final int[][] next;

  /** Node → the nodes that step to it. */
  private final int[][] previous;

  /** Node → the most dry paths into one output. */
  private final long[] mostDry;

  /** Node → the outputs that something of it reaches, in document order. */
  private final List<List<Output>> reached = new ArrayList<>();

  private Coverage(Mix mix, SignalGraph graph, View view) {
    this.mix = mix;
    this.view = view;
    this.controlDb = ControlGains.of(mix);
    this.dips = ControlGains.dipped(mix);
    this.byId = mix.channelsById();
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
      reached.add(new ArrayList<>());
    }
    next =
        steps.stream().map(all -> all.stream().mapToInt(Step::to).toArray()).toArray(int[][]::new);
    previous = turned(next);
    mostDry = new long[order.size()];
    for (Output output : mix.outputs()) {
      outputs.put(output.id(), output);
      counts.put(output.id(), count(output));
      if (!dips.isEmpty()) {
        dipped.put(output.id(), dippedOnTheWayTo(output));
      }
    }
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
    return of(mix, SignalGraph.of(mix), view);
  }

  /** The same, with the graph of the same Mix, if it is there already. */
  public static Coverage of(Mix mix, SignalGraph graph, View view) {
    return new Coverage(mix, graph, view);
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
    Integer at = indexOf.get(channel);
    if (at == null || !reaches(at, output)) {
      return null;
    }
    Map<Way, Long> paths = new EnumMap<>(Way.class);
    Map<Way, Double> gains = new EnumMap<>(Way.class);
    for (Way way : Way.values()) {
      int place = at * WAYS + way.place();
      if (countsOf(output)[place] > 0) {
        paths.put(way, countsOf(output)[place]);
        double[][] one = gainsOf(output)[place];
        Double ofWay = one == null ? null : powerDb(one);
        if (ofWay != null) {
          gains.put(way, ofWay);
        }
      }
    }
    double[][] together = gains(channel, output, EnumSet.allOf(Way.class));
    return new Cell(channel, output, paths, gains, powerDb(together), isDipped(channel, output));
  }

  /** How many paths of a way lead from a channel to an output. */
  public long paths(String channel, String output, Way way) {
    Integer at = indexOf.get(channel);
    long[] of = counts.get(output);
    return at == null || of == null ? 0 : of[at * WAYS + way.place()];
  }

  /**
   * Those of some outputs that the channel reaches by one of these ways, in document order.
   *
   * @param among ids of outputs
   */
  public List<Output> holding(String channel, Set<String> among, Set<Way> chosen) {
    Integer at = indexOf.get(channel);
    if (at == null) {
      return List.of();
    }
    List<Output> found = new ArrayList<>();
    for (Output output : reached.get(at)) {
      if (among.contains(output.id()) && reaches(at, output.id(), chosen)) {
        found.add(output);
      }
    }
    return found;
  }

  /** True if the channel reaches the output by one of these ways. */
  public boolean reaches(String channel, String output, Set<Way> chosen) {
    Integer at = indexOf.get(channel);
    return at != null && reaches(at, output, chosen);
  }

  private boolean reaches(int at, String output, Set<Way> chosen) {
    long[] of = counts.get(output);
    for (Way way : chosen) {
      if (of != null && of[at * WAYS + way.place()] > 0) {
        return true;
      }
    }
    return false;
  }

  /** True if anything of the channel reaches the output. */
  public boolean reaches(String channel, String output) {
    Integer at = indexOf.get(channel);
    return at != null && counts.containsKey(output) && reaches(at, output);
  }

  /** True if anything of the channel reaches any output. */
  public boolean reachesAnything(String channel) {
    Integer at = indexOf.get(channel);
    return at != null && !reached.get(at).isEmpty();
  }

  /** True if the channel reaches an output by two dry paths or more. */
  public boolean isHeardTwice(String channel) {
    Integer at = indexOf.get(channel);
    return at != null && mostDry[at] > 1;
  }

  /** True if something of the channel reaches the output through a fader that a dip rides. */
  public boolean isDipped(String channel, String output) {
    Integer at = indexOf.get(channel);
    return at != null && dipped.containsKey(output) && dipped.get(output).get(at);
  }

  private BitSet dippedOnTheWayTo(Output output) {
    BitSet found = new BitSet();
    int tapped = tapped(output);
    for (int at = tapped; at >= 0; at--) {
      boolean here =
          at == tapped && output.tap() == Tap.POST_FADER && dips.contains(order.get(at).id());
      for (Step step : steps.get(at)) {
        here |= reaches(step.to(), output.id()) && (step.dipped() || found.get(step.to()));
      }
      found.set(at, here);
    }
    return found;
  }

  private boolean reaches(int at, String output) {
    BitSet leads = leading.get(output);
    return leads != null && leads.get(at);
  }

  /**
   * The gains of all paths of the chosen ways together, {@code [output channel][channel]}; zeros
   * where nothing arrives.
   */
  public double[][] gains(String channel, String output, Set<Way> chosen) {
    int at = Lookup.in(indexOf, channel);
    double[][] sum =
        new double[outputOf(output).layout().channels()][order.get(at).layout().channels()];
    for (Way way : reaches(at, output) ? chosen : Set.<Way>of()) {
      double[][] one = gainsOf(output)[at * WAYS + way.place()];
      if (one != null) {
        add(sum, one);
      }
    }
    return sum;
  }

  /** Up to {@code most} paths from a channel to an output, each as channel ids. */
  public List<List<String>> paths(String channel, String output, int most) {
    List<List<String>> found = new ArrayList<>();
    Integer start = indexOf.get(channel);
    Output to = outputOf(output);
    if (start == null || !reaches(start, output)) {
      return found;
    }
    // By hand and not by recursion: a Mix may be thousands of buses deep.
    List<String> way = new ArrayList<>();
    Deque<Iterator<Step>> open = new ArrayDeque<>();
    enter(start, to, way, found, open);
    while (!open.isEmpty() && found.size() < most) {
      if (!open.peek().hasNext()) {
        open.pop();
        way.remove(way.size() - 1);
        continue;
      }
      int next = open.peek().next().to();
      if (reaches(next, output)) {
        enter(next, to, way, found, open);
      }
    }
    return found;
  }

  private void enter(
      int at,
      Output output,
      List<String> way,
      List<List<String>> found,
      Deque<Iterator<Step>> open) {
    way.add(order.get(at).id());
    if (order.get(at).id().equals(output.channel())) {
      found.add(List.copyOf(way));
    }
    open.push(steps.get(at).iterator());
  }

  private Output outputOf(String id) {
    Output output = outputs.get(id);
    if (output == null) {
      throw new NoSuchElementException(id);
    }
    return output;
  }

  /** The place in the order of the channel that an output taps; −1 if nothing can come from it. */
  private int tapped(Output output) {
    Integer at = indexOf.get(output.channel());
    boolean silent =
        at == null || order.get(at).stowed() || gainTo(output.tap(), order.get(at)) == 0;
    return silent ? -1 : at;
  }

  private long[] count(Output output) {
    long[] paths = new long[order.size() * WAYS];
    int tapped = tapped(output);
    if (tapped < 0) {
      return paths;
    }
    // Against the order, from the tapped channel to all that leads to it and nothing else.
    BitSet leads = new BitSet(tapped + 1);
    leads.set(tapped);
    leading.put(output.id(), leads);
    for (int at = tapped; at >= 0; at = leads.previousSetBit(at - 1)) {
      int own = ways[at].place();
      if (at == tapped) {
        paths[at * WAYS + own] = 1;
      }
      for (int to : next[at]) {
        for (int way = 0; way < WAYS; way++) {
          long more = paths[to * WAYS + way];
          if (more > 0) {
            int place = at * WAYS + Math.max(way, own);
            paths[place] = saturated(paths[place], more);
          }
        }
      }
      for (int from : previous[at]) {
        leads.set(from);
      }
      reached.get(at).add(output);
      mostDry[at] = Math.max(mostDry[at], paths[at * WAYS + Way.DRY.place()]);
    }
    return paths;
  }

  /** Who steps to each, from whom each steps to. */
  private static int[][] turned(int[][] next) {
    int[] filled = new int[next.length];
    for (int[] all : next) {
      for (int to : all) {
        filled[to]++;
      }
    }
    int[][] previous = new int[next.length][];
    Arrays.setAll(previous, at -> new int[filled[at]]);
    for (int from = 0; from < next.length; from++) {
      for (int to : next[from]) {
        previous[to][--filled[to]] = from;
      }
    }
    return previous;
  }

  private long[] countsOf(String output) {
    return Lookup.in(counts, output);
  }

  private double[][][] gainsOf(String output) {
    return gains.computeIfAbsent(output, id -> weigh(outputOf(id)));
  }

  private double[][][] weigh(Output output) {
    double[][][] sums = new double[order.size() * WAYS][][];
    BitSet leads = leading.getOrDefault(output.id(), new BitSet());
    int tapped = tapped(output);
    for (int at = tapped; at >= 0; at = leads.previousSetBit(at - 1)) {
      Channel channel = order.get(at);
      int own = ways[at].place();
      if (at == tapped) {
        sums[at * WAYS + own] =
            feed(
                channel.layout(),
                output.layout(),
                SignalFeed.positionAt(output.tap(), channel),
                gainTo(output.tap(), channel));
      }
      for (Step step : steps.get(at)) {
        for (int way = 0; way < WAYS; way++) {
          double[][] next = sums[step.to() * WAYS + way];
          if (next != null) {
            int place = at * WAYS + Math.max(way, own);
            if (sums[place] == null) {
              sums[place] = new double[next.length][channel.layout().channels()];
            }
            addProduct(sums[place], next, step.gains());
          }
        }
      }
    }
    return sums;
  }

  private List<Step> stepsFrom(Channel channel) {
    List<Step> found = new ArrayList<>();
    for (SignalFeed feed : SignalFeed.of(channel)) {
      double gain = feed.gain() == 0 && view == View.WIRED ? 1 : feed.gain();
      double whole = gain * gainTo(feed.tap(), channel);
      Integer to = indexOf.get(feed.to());
      if (whole != 0 && to != null) {
        boolean dip = feed.tap() == Tap.POST_FADER && dips.contains(channel.id());
        Layout into = order.get(to).layout();
        found.add(new Step(to, feed(channel.layout(), into, feed.position(), whole), dip));
      }
    }
    return found;
  }

  private double[][] feed(Layout from, Layout to, Position position, double gain) {
    double[][] gains = ChannelMatrix.of(from, to, position, mix.panLaw());
    for (double[] row : gains) {
      for (int i = 0; i < row.length; i++) {
        row[i] *= gain;
      }
    }
    return gains;
  }

  /** Linear gain from a channel's sum of inputs to one of its taps. */
  private double gainTo(Tap tap, Channel channel) {
    double trim = SignalFeed.trimOf(channel);
    if (tap != Tap.POST_FADER) {
      return trim;
    }
    double fader = SignalFeed.faderOf(channel, controlDb.getOrDefault(channel.id(), 0.0));
    return trim * (fader == 0 && view == View.WIRED ? 1 : fader);
  }

  private static void add(double[][] sum, double[][] more) {
    for (int row = 0; row < sum.length; row++) {
      for (int column = 0; column < sum[row].length; column++) {
        sum[row][column] += more[row][column];
      }
    }
  }

  /** Adds the matrix product of a and b to a sum. */
  private static void addProduct(double[][] sum, double[][] a, double[][] b) {
    for (int row = 0; row < a.length; row++) {
      for (int inner = 0; inner < b.length; inner++) {
        double gain = a[row][inner];
        for (int column = 0; column < sum[row].length; column++) {
          sum[row][column] += gain * b[inner][column];
        }
      }
    }
  }

  /** Null for what is no louder than silence. */
  private static @Nullable Double powerDb(double[][] gains) {
    double power = 0;
    for (double[] row : gains) {
      for (double gain : row) {
        power += gain * gain;
      }
    }
    double db = Decibels.ofPower(power / gains[0].length);
    return db <= Decibels.SILENCE ? null : db;
  }

  private static long saturated(long a, long b) {
    long sum = a + b;
    return sum < 0 ? Long.MAX_VALUE : sum;
  }
}
