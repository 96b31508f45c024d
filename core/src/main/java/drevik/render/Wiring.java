package drevik.render;

import drevik.audio.ChannelMatrix;
import drevik.audio.Layout;
import drevik.audio.Position;
import drevik.dsp.Processor;
import drevik.dsp.ProcessorType;
import drevik.dsp.Processors;
import drevik.dsp.Settings;
import drevik.mix.AudioLocator;
import drevik.mix.Channel;
import drevik.mix.Clip;
import drevik.mix.Insert;
import drevik.mix.Key;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.Tap;
import drevik.route.ControlGains;
import drevik.route.SignalFeed;
import drevik.route.SignalGraph;
import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A Mix compiled for listening to: stages, every one behind those that it reads. Who listens (a
 * file, a null test, a pair of ears) asks for a feed of a tap, and for the stage to stand behind.
 *
 * <p>Invariants: all feeds of a node arrive with the same latency, keys included; a node reads only
 * buffers of stages before it; sums are taken in document order. So what is heard is aligned to the
 * sample and has the same bits for any block size and thread count.
 */
final class Wiring implements Closeable {
  private final List<Stage> stages = new ArrayList<>();
  private final List<ClipPlayer.Sources> played = new ArrayList<>();
  private final Mix mix;
  private final int blockSize;
  private final long start;
  private final AudioLocator audio;
  private final Map<String, Channel> channels;
  private final Map<String, Double> controlDb;
  private final Map<String, Compiled> compiled = new HashMap<>();
  private final Map<String, List<Source>> sources = new HashMap<>();

  /** A node with the latency at each of its taps, in frames. */
  private record Compiled(
      ChannelNode node, Stage stage, Channel channel, int atInput, int atPreFader, int atOutput) {
    int latencyAt(Tap tap) {
      return switch (tap) {
        case PRE_CHAIN -> atInput;
        case PRE_FADER -> atPreFader;
        case POST_FADER -> atOutput;
      };
    }

    float[][] bufferAt(Tap tap, int blockSize) {
      int channels = channel.layout().channels();
      return switch (tap) {
        case PRE_CHAIN -> {
          node.preChain = madeOnce(node.preChain, channels, blockSize);
          yield node.preChain;
        }
        case PRE_FADER -> {
          node.preFader = madeOnce(node.preFader, channels, blockSize);
          yield node.preFader;
        }
        case POST_FADER -> node.audio;
      };
    }

    private static float[][] madeOnce(float @Nullable [][] tap, int channels, int blockSize) {
      return tap == null ? new float[channels][blockSize] : tap;
    }
  }

  /** A tap that a processor listens to. */
  private record Keyed(Compiled from, Tap tap) {
    int latency() {
      return from.latencyAt(tap);
    }
  }

  /** Something that feeds a channel. */
  private record Source(String from, SignalFeed feed) {
    Tap tap() {
      return feed.tap();
    }
  }

  /**
   * @param heard ids of the channels that somebody listens to; only what they hear is computed
   * @param start frame of the Mix at which the run begins
   * @throws Refused if the routing cannot work
   * @throws drevik.audio.AudioException if audio cannot be opened
   */
  Wiring(Mix mix, AudioLocator audio, int blockSize, Collection<String> heard, long start) {
    this.start = start;
    this.mix = mix;
    this.audio = audio;
    this.blockSize = blockSize;
    this.channels = mix.channelsById();
    this.controlDb = ControlGains.of(mix);
    SignalGraph.requireSound(mix);
    try {
      collectSources();
      Set<String> needed = new HashSet<>();
      heard.forEach(id -> need(id, needed));
      for (String id : SignalGraph.of(mix).order()) {
        if (needed.contains(id)) {
          compile(Lookup.in(channels, id));
        }
      }
    } catch (RuntimeException e) {
      closeQuietly(this);
      throw e;
    }
  }

  /** Everything that is computed, each behind what it reads. */
  List<Stage> stages() {
    return stages;
  }

  /** False for a channel that is stowed: nobody hears it. */
  boolean isHeard(String channel) {
    return compiled.containsKey(channel);
  }

  /** The stage that writes what an output taps. */
  Stage stageOf(Output output) {
    return compiled(output.channel()).stage();
  }

  private void collectSources() {
    for (Channel channel : mix.channels()) {
      for (SignalFeed feed : SignalFeed.of(channel)) {
        if (feed.gain() > 0) {
          feeders(feed.to()).add(new Source(channel.id(), feed));
        }
      }
    }
  }

  private List<Source> feeders(String id) {
    return sources.computeIfAbsent(id, key -> new ArrayList<>());
  }

  private void need(String id, Set<String> needed) {
    Deque<String> open = new ArrayDeque<>(List.of(id));
    while (!open.isEmpty()) {
      Channel channel = Lookup.in(channels, open.pop());
      if (channel.stowed() || !needed.add(channel.id())) {
        continue;
      }
      sources.getOrDefault(channel.id(), List.of()).forEach(source -> open.push(source.from()));
      for (Insert insert : channel.chain()) {
        Key key = insert.key();
        if (runs(insert) && key != null) {
          open.push(key.source());
        }
      }
    }
  }

  private static boolean runs(Insert insert) {
    return insert.on() && Processors.byId(insert.processor()).isPresent();
  }

  private void compile(Channel channel) {
    ChannelNode node = new ChannelNode(channel.layout().channels(), blockSize);
    List<Source> feeding = sources.getOrDefault(channel.id(), List.of());
    List<Processor> processors = new ArrayList<>();
    List<Insert> inserts = new ArrayList<>();
    for (boolean post : new boolean[] {false, true}) {
      channel.chain().stream().filter(i -> i.postFader() == post && runs(i)).forEach(inserts::add);
    }
    inserts.forEach(insert -> processors.add(create(insert, channel)));

    Stage stage = new Stage((at, frames) -> node.process(start + at, frames));
    int latency = 0;
    for (Source source : feeding) {
      Compiled from = compiled(source.from());
      latency = Math.max(latency, from.latencyAt(source.tap()));
      stage.after(from.stage());
    }
    // A key that arrives later than its processor's input holds the whole channel back.
    int before = 0;
    for (int i = 0; i < inserts.size(); i++) {
      Keyed keyed = keyOf(inserts.get(i));
      if (keyed != null) {
        latency = Math.max(latency, keyed.latency() - before);
        stage.after(keyed.from().stage());
      }
      before += processors.get(i).latency();
    }

    for (Source source : feeding) {
      Compiled from = compiled(source.from());
      int delay = latency - from.latencyAt(source.tap());
      node.feeds.add(
          feed(
              from,
              source.tap(),
              channel.layout(),
              source.feed().position(),
              source.feed().gain(),
              delay));
    }
    ClipPlayer.Sources files =
        new ClipPlayer.Sources(channel.id(), audio, mix.sampleRate(), blockSize);
    played.add(files);
    for (Clip clip : channel.clips()) {
      ClipPlayer.Fades fades = ClipPlayer.Fades.of(clip, channel.clips());
      node.clips.add(new ClipPlayer(clip, fades, files, channel.layout(), latency));
    }
    int at = latency;
    int preFader = latency;
    for (int i = 0; i < inserts.size(); i++) {
      boolean post = inserts.get(i).postFader();
      (post ? node.afterFader : node.beforeFader).add(slot(inserts.get(i), processors.get(i), at));
      at += processors.get(i).latency();
      preFader = post ? preFader : at;
    }
    node.trim = (float) SignalFeed.trimOf(channel);
    node.fader = (float) SignalFeed.faderOf(channel, controlDb.getOrDefault(channel.id(), 0.0));
    compiled.put(channel.id(), new Compiled(node, stage, channel, latency, preFader, at));
    stages.add(stage);
  }

  private Compiled compiled(String channel) {
    return Lookup.in(compiled, channel);
  }

  /** What an insert listens to beside its input; null if to nothing that is heard. */
  private @Nullable Keyed keyOf(Insert insert) {
    Key key = insert.key();
    Compiled from = key == null ? null : compiled.get(key.source());
    return from == null || key == null ? null : new Keyed(from, key.tap());
  }

  private Processor create(Insert insert, Channel channel) {
    ProcessorType type = Processors.byId(insert.processor()).orElseThrow();
    Key key = insert.key();
    Channel source = key == null ? null : channels.get(key.source());
    Layout heard = source == null ? null : source.layout();
    return type.create(
        new Settings(type.parameters(), insert.settings()),
        new ProcessorType.Surroundings(mix.sampleRate(), channel.layout(), mix.tempo(), heard));
  }

  private ChannelNode.Slot slot(Insert insert, Processor processor, int at) {
    Key key = insert.key();
    Channel source = key == null ? null : channels.get(key.source());
    if (source == null) {
      return new ChannelNode.Slot(processor, null);
    }
    Layout layout = source.layout();
    Keyed keyed = keyOf(insert);
    if (keyed == null) {
      // What is stowed says nothing; the processor does not listen to itself instead.
      float[][] silence = new float[layout.channels()][blockSize];
      Feed nothing =
          new Feed(
              silence,
              ChannelMatrix.of(layout, layout, Position.FRONT, mix.panLaw()),
              1,
              0,
              blockSize);
      return new ChannelNode.Slot(processor, new ChannelNode.Key(nothing, silence));
    }
    Feed feed = feed(keyed.from(), keyed.tap(), layout, Position.FRONT, 1, at - keyed.latency());
    return new ChannelNode.Slot(
        processor, new ChannelNode.Key(feed, new float[layout.channels()][blockSize]));
  }

  private Feed feed(Compiled from, Tap tap, Layout to, Position position, double gain, int delay) {
    double[][] gains = ChannelMatrix.of(from.channel().layout(), to, position, mix.panLaw());
    return new Feed(from.bufferAt(tap, blockSize), gains, gain, delay, blockSize);
  }

  /** What an output hears: the tap, with the channel's own balance where it is behind the fader. */
  Feed outputFeed(Output output, Layout layout, double gain, int delay) {
    Compiled from = compiled(output.channel());
    Position position = SignalFeed.positionAt(output.tap(), from.channel());
    return feed(from, output.tap(), layout, position, gain, delay);
  }

  /** Frames by which an output comes later than what is played. */
  int latencyOf(Output output) {
    return compiled(output.channel()).latencyAt(output.tap());
  }

  /** What was wrong with the files that were played; to be asked when all has been. */
  List<PrintReport.SourceFault> faults() {
    return played.stream().flatMap(ClipPlayer.Sources::faults).toList();
  }

  /** The files that are played. */
  List<Path> files() {
    return played.stream().flatMap(ClipPlayer.Sources::files).distinct().toList();
  }

  /** Processors that would be in the way of what is heard, and do not run here. */
  List<PrintReport.StandIn> standIns() {
    List<PrintReport.StandIn> found = new ArrayList<>();
    for (Channel channel : mix.channels()) {
      for (Insert insert : isHeard(channel.id()) ? channel.chain() : List.<Insert>of()) {
        if (insert.on() && !runs(insert)) {
          found.add(new PrintReport.StandIn(channel.id(), insert.processor()));
        }
      }
    }
    return found;
  }

  @Override
  public void close() throws IOException {
    for (ClipPlayer.Sources sources : played) {
      sources.close();
    }
  }

  /** After a failure: the error that led here is the one to report. */
  static void closeQuietly(Closeable open) {
    try {
      open.close();
    } catch (IOException ignored) {
      // See above.
    }
  }
}
