package drevik.render;

import drevik.audio.WavWriter;
import drevik.deliver.FileNames;
import drevik.deliver.NamePattern;
import drevik.mix.Channel;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.StemSet;
import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What listens to a Mix when it is printed: files with their measurements, and null tests. */
final class PrintSinks implements Closeable {
  private final List<OutputNode> outputs = new ArrayList<>();
  private final List<NullNode> nullTests = new ArrayList<>();
  private final List<WavWriter> writers = new ArrayList<>();
  private final List<Path> files = new ArrayList<>();
  private final List<Stage> stages = new ArrayList<>();
  private final Mix mix;
  private final Wiring wiring;
  private final int blockSize;
  private final NamePattern.Occasion occasion;
  private final long frames;
  private long runFrames;

  /**
   * The outputs that are to be printed.
   *
   * @throws Refused if there is nothing to print, or an output that cannot be
   */
  static List<Output> chosen(Mix mix, PrintOptions options) {
    FileNames.requireSound(mix, options.occasion());
    if (mix.effectiveEndFrame() <= mix.startFrame()) {
      throw new Refused(
          "There is nothing to print: no seat holds audio and no end is set. Seat a delivery first.");
    }
    Map<String, Channel> channels = mix.channelsById();
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

  /**
   * @param folder where the files are made
   */
  PrintSinks(Mix mix, Wiring wiring, List<Output> chosen, PrintOptions options, Path folder) {
    this.mix = mix;
    this.wiring = wiring;
    this.blockSize = options.blockSize();
    this.occasion = options.occasion();
    this.frames = mix.effectiveEndFrame() - mix.startFrame();
    try {
      for (Output output : chosen) {
        open(output, folder);
      }
      Set<String> printed = new HashSet<>(chosen.stream().map(Output::id).toList());
      mix.stemSets().stream()
          .filter(set -> printed.contains(set.mixOutput()) && printed.containsAll(set.stems()))
          .forEach(set -> nullTests.add(nullNode(set)));
    } catch (RuntimeException e) {
      Wiring.closeQuietly(this);
      throw e;
    }
  }

  List<Stage> stages() {
    return stages;
  }

  /** Frames of every file. */
  long frames() {
    return frames;
  }

  /** Frames that have to be computed, so that the latest output is whole. */
  long runFrames() {
    return runFrames;
  }

  List<PrintReport.Printed> printed() {
    List<PrintReport.Printed> printed = new ArrayList<>();
    for (int i = 0; i < outputs.size(); i++) {
      printed.add(outputs.get(i).report(files.get(i).getFileName().toString(), frames));
    }
    return printed;
  }

  List<PrintReport.NullTest> nullTests() {
    return nullTests.stream().map(NullNode::report).toList();
  }

  private void open(Output output, Path folder) {
    if (!wiring.isHeard(output.channel())) {
      throw new Refused(
          "Output “"
              + output.name()
              + "” taps “"
              + mix.channel(output.channel()).orElseThrow().name()
              + "”, which is stowed; bring it back or leave the output out.");
    }
    Path file = folder.resolve(NamePattern.resolve(mix, output, occasion) + ".wav");
    WavWriter writer = WavWriter.create(file, output.format(), mix.sampleRate(), output.layout());
    writers.add(writer);
    files.add(file);
    Feed feed = wiring.outputFeed(output, output.layout(), 1, 0);
    int latency = wiring.latencyOf(output);
    runFrames = Math.max(runFrames, frames + latency);
    OutputNode node =
        new OutputNode(output, feed, writer, mix.sampleRate(), blockSize, latency, frames);
    outputs.add(node);
    addLast((at, count) -> node.process(count), List.of(output));
  }

  private NullNode nullNode(StemSet set) {
    Map<String, Output> byId = new HashMap<>();
    mix.outputs().forEach(output -> byId.put(output.id(), output));
    Output whole = Lookup.in(byId, set.mixOutput());
    int latency = wiring.latencyOf(whole);
    for (String stem : set.stems()) {
      latency = Math.max(latency, wiring.latencyOf(Lookup.in(byId, stem)));
    }
    runFrames = Math.max(runFrames, frames + latency);
    NullNode node = new NullNode(set, whole.layout().channels(), blockSize, latency, frames);
    node.feeds.add(wiring.outputFeed(whole, whole.layout(), -1, latency - wiring.latencyOf(whole)));
    for (String id : set.stems()) {
      Output stem = Lookup.in(byId, id);
      node.feeds.add(wiring.outputFeed(stem, whole.layout(), 1, latency - wiring.latencyOf(stem)));
    }
    List<Output> heard = new ArrayList<>(List.of(whole));
    set.stems().forEach(id -> heard.add(Lookup.in(byId, id)));
    addLast((at, count) -> node.process(count), heard);
    return node;
  }

  /** Something behind the graph, which listens to outputs. */
  private void addLast(Stage.Work work, List<Output> heard) {
    Stage stage = new Stage(work);
    heard.forEach(output -> stage.after(wiring.stageOf(output)));
    stages.add(stage);
  }

  @Override
  public void close() throws IOException {
    for (WavWriter writer : writers) {
      writer.close();
    }
  }
}
