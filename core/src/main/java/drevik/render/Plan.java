package drevik.render;

import drevik.audio.ChannelMatrix;
import drevik.audio.Decibels;
import drevik.audio.Layout;
import drevik.audio.WavWriter;
import drevik.deliver.FileNames;
import drevik.deliver.NamePattern;
import drevik.dsp.Processor;
import drevik.dsp.ProcessorType;
import drevik.dsp.Processors;
import drevik.dsp.Settings;
import drevik.mix.AudioLocator;
import drevik.mix.Channel;
import drevik.mix.Clip;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.mix.StemSet;
import drevik.mix.Tap;
import drevik.route.ControlGains;
import drevik.route.SignalGraph;
import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A Mix compiled for printing: stages, every one behind those that it reads.
 *
 * <p>Invariants: all feeds of a node arrive with the same latency, keys included; a node reads only
 * buffers of stages before it; sums are taken in document order. So a print is aligned to the
 * sample and gives the same bits for any block size and thread count.
 */
final class Plan implements Closeable {
  /** Channels, files and null tests, each behind what it reads. */
  final List<Stage> stages = new ArrayList<>();

  final List<OutputNode> outputs = new ArrayList<>();
  final List<NullNode> nullTests = new ArrayList<>();
  final List<WavWriter> writers = new ArrayList<>();
  private final List<ClipPlayer.Sources> played = new ArrayList<>();
  final List<Path> files = new ArrayList<>();
  final long frames;
  long runFrames;

  private final Mix mix;
  private final int blockSize;
  private final AudioLocator audio;
  private final NamePattern.Occasion occasion;
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
      switch (tap) {
        case PRE_CHAIN -> {
          if (node.preChain == null) {
            node.preChain = new float[channels][blockSize];
          }
          return node.preChain;
        }
        case PRE_FADER -> {
          if (node.preFader == null) {
            node.preFader = new float[channels][blockSize];
          }
          return node.preFader;
        }
        default -> {
          return node.audio;
        }
      }
    }
  }

  /** Something that feeds a channel. */
  private record Source(String from, Tap tap, double pan, double gain) {}

  Plan(Mix mix, AudioLocator audio, PrintOptions options, Path folder) {
    this.mix = mix;
    this.audio = audio;
    this.blockSize = options.blockSize();
    this.channels = mix.channelsById();
    this.controlDb = ControlGains.of(mix);
    this.frames = mix.effectiveEndFrame() - mix.startFrame();
    this.occasion = options.occasion();
    FileNames.requireSound(mix, occasion);
    SignalGraph.requireSound(mix);
    if (frames <= 0) {
      throw new Refused(
          "There is nothing to print: no seat holds audio and no end is set. Seat a delivery first.");
    }
    List<Output> chosen = chosen(options);
    try {
      collectSources();
      Set<String> needed = needed(chosen);
      for (String id : SignalGraph.of(mix).order()) {
        if (needed.contains(id)) {
          compile(channels.get(id));
        }
      }
      for (Output output : chosen) {
        open(output, folder);
      }
      Set<String> printed = new HashSet<>(chosen.stream().map(Output::id).toList());
      mix.stemSets().stream()
          .filter(set -> printed.contains(set.mixOutput()) && printed.containsAll(set.stems()))
          .forEach(set -> nullTests.add(nullNode(set)));
    } catch (RuntimeException e) {
      closeQuietly();
      throw e;
    }
  }

  private List<Output> chosen(PrintOptions options) {
    List<Output> chosen =
        mix.outputs().stream()
            .filter(o -> options.outputs().isEmpty() || options.outputs().contains(o.id()))
            .toList();
    if (chosen.isEmpty()) {
      throw new Refused(
          "No output is chosen; add an output or choose one of those that are there.");
    }
    for (Output output : chosen) {
      if (!channels.containsKey(output.channel())) {
        throw new Refused(
            "Output “"
                + output.name()
                + "” taps a channel that is not in this Mix; choose another.");
      }
    }
    return chosen;
  }

  private void collectSources() {
    for (Channel channel : mix.channels()) {
      if (channel.stowed()) {
        continue;
      }
      if (channel.output() != null) {
        feeders(channel.output()).add(new Source(channel.id(), Tap.POST_FADER, channel.pan(), 1));
      }
      for (Send send : channel.sends()) {
        double gain = send.on() ? Decibels.toGain(send.levelDb()) : 0;
        if (gain > 0) {
          for (String destination : send.destinations()) {
            feeders(destination).add(new Source(channel.id(), send.tap(), send.pan(), gain));
          }
        }
      }
    }
  }

  private List<Source> feeders(String id) {
    return sources.computeIfAbsent(id, key -> new ArrayList<>());
  }

  /** Channels that something chosen can be heard from; nothing else is computed. */
  private Set<String> needed(List<Output> chosen) {
    Set<String> needed = new HashSet<>();
    chosen.forEach(output -> need(output.channel(), needed));
    return needed;
  }

  private void need(String id, Set<String> needed) {
    Channel channel = channels.get(id);
    if (channel.stowed() || !needed.add(id)) {
      return;
    }
    sources.getOrDefault(id, List.of()).forEach(source -> need(source.from(), needed));
    for (Insert insert : channel.chain()) {
      if (runs(insert) && insert.key() != null) {
        need(insert.key().source(), needed);
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

    long start = mix.startFrame();
    Stage stage = new Stage((at, frames) -> node.process(start + at, frames));
    int latency = 0;
    for (Source source : feeding) {
      latency = Math.max(latency, compiled.get(source.from()).latencyAt(source.tap()));
      stage.after(compiled.get(source.from()).stage());
    }
    // A key that arrives later than its processor's input holds the whole channel back.
    int before = 0;
    for (int i = 0; i < inserts.size(); i++) {
      Compiled keyed = keySource(inserts.get(i));
      if (keyed != null) {
        latency = Math.max(latency, keyed.latencyAt(inserts.get(i).key().tap()) - before);
        stage.after(keyed.stage());
      }
      before += processors.get(i).latency();
    }

    for (Source source : feeding) {
      Compiled from = compiled.get(source.from());
      int delay = latency - from.latencyAt(source.tap());
      node.feeds.add(
          feed(from, source.tap(), channel.layout(), source.pan(), source.gain(), delay));
    }
    ClipPlayer.Sources files = new ClipPlayer.Sources(audio, mix.sampleRate(), blockSize);
    played.add(files);
    for (Clip clip : channel.clips()) {
      node.clips.add(new ClipPlayer(clip, files, channel.layout(), latency));
    }
    int at = latency;
    int preFader = latency;
    for (int i = 0; i < inserts.size(); i++) {
      boolean post = inserts.get(i).postFader();
      (post ? node.afterFader : node.beforeFader)
          .add(slot(inserts.get(i), processors.get(i), channel, at));
      at += processors.get(i).latency();
      preFader = post ? preFader : at;
    }
    node.trim = (float) (Decibels.toGain(channel.trimDb()) * (channel.invertPolarity() ? -1 : 1));
    double faderDb = channel.faderDb() + controlDb.getOrDefault(channel.id(), 0.0);
    node.fader = channel.mute() ? 0f : (float) Decibels.toGain(faderDb);
    compiled.put(channel.id(), new Compiled(node, stage, channel, latency, preFader, at));
    stages.add(stage);
  }

  private Compiled keySource(Insert insert) {
    return insert.key() == null ? null : compiled.get(insert.key().source());
  }

  private Processor create(Insert insert, Channel channel) {
    ProcessorType type = Processors.byId(insert.processor()).orElseThrow();
    return type.create(
        new Settings(type.parameters(), insert.settings()),
        new ProcessorType.Surroundings(mix.sampleRate(), channel.layout().channels(), mix.tempo()));
  }

  private ChannelNode.Slot slot(Insert insert, Processor processor, Channel channel, int at) {
    Compiled from = keySource(insert);
    if (from == null) {
      return new ChannelNode.Slot(processor, null, null);
    }
    Layout layout = from.channel().layout();
    int delay = at - from.latencyAt(insert.key().tap());
    Feed key = feed(from, insert.key().tap(), layout, 0, 1, delay);
    return new ChannelNode.Slot(processor, key, new float[layout.channels()][blockSize]);
  }

  private Feed feed(Compiled from, Tap tap, Layout to, double pan, double gain, int delay) {
    double[][] gains = ChannelMatrix.of(from.channel().layout(), to, pan, mix.panLaw());
    return new Feed(from.bufferAt(tap, blockSize), gains, gain, delay, blockSize);
  }

  /** What an output hears: the tap, with the channel's own balance where it is behind the fader. */
  private Feed outputFeed(Output output, Layout layout, double gain, int delay) {
    Compiled from = compiled.get(output.channel());
    double pan = output.tap() == Tap.POST_FADER ? from.channel().pan() : 0;
    return feed(from, output.tap(), layout, pan, gain, delay);
  }

  private int latencyOf(Output output) {
    return compiled.get(output.channel()).latencyAt(output.tap());
  }

  private void open(Output output, Path folder) {
    if (!compiled.containsKey(output.channel())) {
      throw new Refused(
          "Output “"
              + output.name()
              + "” taps “"
              + channels.get(output.channel()).name()
              + "”, which is stowed; bring it back or leave the output out.");
    }
    Path file = folder.resolve(NamePattern.resolve(mix, output, occasion) + ".wav");
    WavWriter writer = WavWriter.create(file, output.format(), mix.sampleRate(), output.layout());
    writers.add(writer);
    files.add(file);
    Feed feed = outputFeed(output, output.layout(), 1, 0);
    int latency = latencyOf(output);
    runFrames = Math.max(runFrames, frames + latency);
    OutputNode node =
        new OutputNode(output, feed, writer, mix.sampleRate(), blockSize, latency, frames);
    outputs.add(node);
    addLast((at, count) -> node.process(count), List.of(output));
  }

  private NullNode nullNode(StemSet set) {
    Map<String, Output> byId = new HashMap<>();
    mix.outputs().forEach(output -> byId.put(output.id(), output));
    Output whole = byId.get(set.mixOutput());
    int latency = latencyOf(whole);
    for (String stem : set.stems()) {
      latency = Math.max(latency, latencyOf(byId.get(stem)));
    }
    runFrames = Math.max(runFrames, frames + latency);
    NullNode node = new NullNode(set, whole.layout().channels(), blockSize, latency, frames);
    node.feeds.add(outputFeed(whole, whole.layout(), -1, latency - latencyOf(whole)));
    for (String id : set.stems()) {
      Output stem = byId.get(id);
      node.feeds.add(outputFeed(stem, whole.layout(), 1, latency - latencyOf(stem)));
    }
    List<Output> heard = new ArrayList<>(List.of(whole));
    set.stems().forEach(id -> heard.add(byId.get(id)));
    addLast((at, count) -> node.process(count), heard);
    return node;
  }

  /** Something behind the graph, which listens to outputs. */
  private void addLast(Stage.Work work, List<Output> heard) {
    Stage stage = new Stage(work);
    heard.forEach(output -> stage.after(compiled.get(output.channel()).stage()));
    stages.add(stage);
  }

  @Override
  public void close() throws IOException {
    for (WavWriter writer : writers) {
      writer.close();
    }
    for (ClipPlayer.Sources sources : played) {
      sources.close();
    }
  }

  private void closeQuietly() {
    try {
      close();
    } catch (IOException ignored) {
      // The error that led here is the one to report.
    }
  }
}
