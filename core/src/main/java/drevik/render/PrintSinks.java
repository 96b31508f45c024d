package drevik.render;

import drevik.audio.BroadcastTags;
import drevik.audio.Speaker;
import drevik.audio.WavWriter;
import drevik.deliver.Check;
import drevik.deliver.FileNames;
import drevik.deliver.NamePattern;
import drevik.mix.Channel;
import drevik.mix.Clip;
import drevik.mix.Lookup;
import drevik.mix.Marker;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.StemSet;
import drevik.route.SignalGraph;
import drevik.route.Tails;
import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/** What listens to a Mix when it is printed: files with their measurements, and null tests. */
final class PrintSinks implements Closeable {
  /** A stem set, and its files with that of its mix. */
  private record Comparison(StemSet set, NullNode node, List<OutputNode> files) {
    /** Silence adds up to silence, which proves nothing. */
    boolean isSilent() {
      return files.stream().allMatch(OutputNode::isSilent);
    }
  }

  private final List<OutputNode> outputs = new ArrayList<>();
  private final List<Comparison> comparisons = new ArrayList<>();
  private final List<WavWriter> writers = new ArrayList<>();
  private final List<Path> files = new ArrayList<>();
  private final List<Stage> stages = new ArrayList<>();

  /** By output. */
  private final Map<String, OutputNode> written = new HashMap<>();

  private final Map<String, Stage> writing = new HashMap<>();
  private final Mix mix;
  private final Wiring wiring;
  private final int blockSize;
  private final NamePattern.Occasion occasion;
  private final Span span;
  private final List<PrintReport.NullTest> incomparable = new ArrayList<>();
  private final List<PrintReport.NotCompared> notCompared = new ArrayList<>();
  private long runFrames;

  /**
   * From where to where is computed and printed, in frames of the Mix.
   *
   * @param from the first that is computed: a print that begins inside sound sounds as if all
   *     before it had been printed too
   * @param start the first that is printed
   * @param end behind the last
   */
  record Span(long from, long start, long end) {
    /** Of a Mix and the outputs that are printed of it. */
    static Span of(Mix mix, List<Output> chosen) {
      long first =
          mix.channels().stream()
              .filter(channel -> !channel.stowed())
              .flatMap(channel -> channel.clips().stream())
              .mapToLong(Clip::startFrame)
              .min()
              .orElse(mix.startFrame());
      Long set = mix.endFrame();
      long end = set != null ? set : new Tails(mix, SignalGraph.of(mix)).endOf(chosen);
      return new Span(Math.min(first, mix.startFrame()), mix.startFrame(), end);
    }

    long frames() {
      return end - start;
    }

    /** Frames that are computed before those that are printed. */
    long preRoll() {
      return start - from;
    }
  }

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
  PrintSinks(
      Mix mix, Wiring wiring, List<Output> chosen, Span span, PrintOptions options, Path folder) {
    this.mix = mix;
    this.wiring = wiring;
    this.blockSize = options.blockSize();
    this.occasion = options.occasion();
    this.span = span;
    try {
      for (Output output : chosen) {
        open(output, folder);
      }
      Set<String> printed = new HashSet<>(chosen.stream().map(Output::id).toList());
      for (StemSet set : mix.stemSets()) {
        List<String> missing =
            Stream.concat(Stream.of(set.mixOutput()), set.stems().stream())
                .filter(id -> !printed.contains(id))
                .toList();
        if (missing.isEmpty()) {
          addNullTest(set);
        } else {
          notCompared.add(notCompared(set, missing));
        }
      }
    } catch (RuntimeException e) {
      Wiring.closeQuietly(this);
      throw e;
    }
  }

  private PrintReport.NotCompared notCompared(StemSet set, List<String> missing) {
    Map<String, String> names = new HashMap<>();
    mix.outputs().forEach(output -> names.put(output.id(), output.name()));
    return new PrintReport.NotCompared(
        set.id(), set.name(), missing.stream().map(id -> names.getOrDefault(id, id)).toList());
  }

  /** Stem sets of which not all is printed. */
  /** Of which files were missing, or of which there was nothing to compare; after the run. */
  List<PrintReport.NotCompared> notCompared() {
    return Stream.concat(
            notCompared.stream(),
            comparisons.stream()
                .filter(Comparison::isSilent)
                .map(one -> notCompared(one.set(), List.of())))
        .toList();
  }

  List<Stage> stages() {
    return stages;
  }

  /** Frames of every file. */
  long frames() {
    return span.frames();
  }

  /** Frames that have to be computed, so that the latest output is whole. */
  long runFrames() {
    return runFrames;
  }

  /** Names of the files, in the order of the outputs. */
  List<String> fileNames() {
    return files.stream().map(file -> file.getFileName().toString()).toList();
  }

  List<PrintReport.Printed> printed() {
    List<PrintReport.Printed> printed = new ArrayList<>();
    for (int i = 0; i < outputs.size(); i++) {
      printed.add(printed(outputs.get(i), files.get(i).getFileName().toString()));
    }
    return printed;
  }

  private PrintReport.Printed printed(OutputNode node, String file) {
    PrintReport.Measured measured = node.measured();
    Output output = node.output;
    List<Check> checks =
        Check.of(
            new Check.Printed(
                measured.integratedLufs(),
                measured.truePeakDbtp(),
                measured.clippedSamples(),
                measured.unusableSamples(),
                mix.sampleRate(),
                output.format(),
                output.layout(),
                output.kind(),
                output.mayBeSilent(),
                measured.shape()),
            mix.specifications().stream()
                .filter(one -> one.id().equals(output.specification()))
                .findFirst()
                .orElse(null));
    return new PrintReport.Printed(
        output.id(),
        output.name(),
        file,
        span.frames(),
        measured.samplePeakDbfs(),
        measured.truePeakDbtp(),
        measured.integratedLufs(),
        measured.loudnessRangeLu(),
        null,
        measured.maxMomentaryLufs(),
        measured.maxShortTermLufs(),
        measured.clippedSamples(),
        measured.unusableSamples(),
        measured.shape(),
        checks,
        Check.worst(checks));
  }

  List<PrintReport.NullTest> nullTests() {
    return Stream.concat(
            comparisons.stream().filter(one -> !one.isSilent()).map(one -> one.node().report()),
            incomparable.stream())
        .toList();
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
    WavWriter writer =
        WavWriter.create(
            file,
            output.format(),
            mix.sampleRate(),
            output.layout(),
            output.dither(),
            output.id().hashCode(),
            tags(output));
    writers.add(writer);
    files.add(file);
    Feed feed = wiring.outputFeed(output, output.layout(), 1, 0);
    long skip = span.preRoll() + wiring.latencyOf(output);
    runFrames = Math.max(runFrames, skip + span.frames());
    OutputNode node =
        new OutputNode(output, feed, writer, mix.sampleRate(), blockSize, skip, span.frames());
    outputs.add(node);
    written.put(output.id(), node);
    Stage stage = addLast((at, count) -> node.process(count), List.of(wiring.stageOf(output)));
    writing.put(output.id(), stage);
  }

  private BroadcastTags tags(Output output) {
    List<Speaker> speakers = output.layout().speakers();
    return new BroadcastTags(
        mix.name() + ": " + output.name(),
        output.id(),
        occasion.date().toString(),
        span.start(),
        mix.name(),
        speakers.stream()
            .map(
                speaker ->
                    speakers.size() == 1
                        ? output.name()
                        : output.name() + " " + speaker.shortName())
            .toList(),
        mix.markers().stream()
            .filter(marker -> marker.startFrame() >= span.start())
            .filter(marker -> marker.startFrame() < span.end())
            .sorted(Comparator.comparingLong(Marker::startFrame))
            .map(m -> new BroadcastTags.Mark(m.name(), m.startFrame() - span.start()))
            .toList());
  }

  /** Compares the files themselves: each where it is in step with the latest. */
  private void addNullTest(StemSet set) {
    OutputNode whole = Lookup.in(written, set.mixOutput());
    List<OutputNode> stems = set.stems().stream().map(id -> Lookup.in(written, id)).toList();
    for (OutputNode stem : stems) {
      if (stem.output.layout() != whole.output.layout()) {
        String why =
            "“%s” is %s and “%s” %s: give both the same layout."
                .formatted(
                    stem.output.name(),
                    stem.output.layout(),
                    whole.output.name(),
                    whole.output.layout());
        incomparable.add(
            new PrintReport.NullTest(
                set.id(), set.name(), null, null, null, null, null, false, why));
        return;
      }
    }
    int latest =
        Stream.concat(Stream.of(whole), stems.stream())
            .mapToInt(node -> wiring.latencyOf(node.output))
            .max()
            .orElseThrow();
    long skip = span.preRoll() + latest;
    NullNode node = new NullNode(set, mix.sampleRate(), blockSize, skip, span.frames());
    node.add(whole, -1, latest - wiring.latencyOf(whole.output));
    stems.forEach(stem -> node.add(stem, 1, latest - wiring.latencyOf(stem.output)));
    comparisons.add(
        new Comparison(set, node, Stream.concat(Stream.of(whole), stems.stream()).toList()));
    runFrames = Math.max(runFrames, skip + span.frames());
    List<Stage> read = new ArrayList<>(List.of(Lookup.in(writing, set.mixOutput())));
    set.stems().forEach(id -> read.add(Lookup.in(writing, id)));
    addLast((at, count) -> node.process(count), read);
  }

  /** Something behind the graph. */
  private Stage addLast(Stage.Work work, List<Stage> read) {
    Stage stage = new Stage(work);
    read.forEach(stage::after);
    stages.add(stage);
    return stage;
  }

  @Override
  public void close() throws IOException {
    for (WavWriter writer : writers) {
      writer.close();
    }
  }
}
