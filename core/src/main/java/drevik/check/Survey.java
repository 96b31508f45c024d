package drevik.check;

import drevik.audio.SampleFormat;
import drevik.check.Finding.Mend;
import drevik.check.Finding.Severity;
import drevik.edit.Edit;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Insert;
import drevik.mix.Limits;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Tap;
import drevik.reassign.MapAnswers;
import drevik.route.Coverage;
import drevik.route.SignalGraph;
import drevik.route.Tie;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** A Mix with all that the rules ask about it, computed once. */
final class Survey {
  private static final int NAMED = 3;

  final Mix mix;
  final SignalGraph graph;
  final Map<String, Channel> channels;
  final Map<String, List<Tie>> into = new HashMap<>();
  final Map<String, List<Tie>> from = new HashMap<>();
  final Set<String> parallels;
  final MapAnswers map;
  final Coverage now;
  final Coverage wired;
  private final Map<Output, Coverage> wiredWith = new HashMap<>();
  final List<Finding> findings = new ArrayList<>();

  Survey(Mix mix, SignalGraph graph) {
    this.mix = mix;
    this.graph = graph;
    this.channels = mix.channelsById();
    this.map = MapAnswers.of(mix);
    for (Tie tie : graph.ties()) {
      into.computeIfAbsent(tie.to(), k -> new ArrayList<>()).add(tie);
      from.computeIfAbsent(tie.from(), k -> new ArrayList<>()).add(tie);
    }
    this.parallels = graph.parallels();
    this.now = Coverage.of(mix, graph, Coverage.View.NOW);
    this.wired = Coverage.of(mix, graph, Coverage.View.WIRED);
  }

  /** The wired coverage as it would be with one output changed; worked out once for each. */
  Coverage wiredWith(Output changed) {
    return wiredWith.computeIfAbsent(
        changed,
        output ->
            Coverage.of(
                mix.withOutputs(
                    mix.outputs().stream()
                        .map(one -> one.id().equals(output.id()) ? output : one)
                        .toList()),
                Coverage.View.WIRED));
  }

  Map<String, Output> outputs() {
    Map<String, Output> outputs = new HashMap<>();
    mix.outputs().forEach(output -> outputs.put(output.id(), output));
    return outputs;
  }

  /** A file that is not there yet, of what leaves a channel, under an id that is free. */
  Output newFileOf(Channel channel, String name, OutputKind kind, SampleFormat format) {
    return new Output(
        Limits.firstFree("out-" + channel.id(), "-", new HashSet<>(outputs().keySet())),
        name,
        kind,
        channel.id(),
        Tap.POST_FADER,
        channel.layout(),
        format,
        "{output}");
  }

  Stream<Channel> active() {
    return mix.channels().stream().filter(channel -> !channel.stowed());
  }

  List<Tie> into(String id) {
    return into.getOrDefault(id, List.of());
  }

  List<Tie> from(String id) {
    return from.getOrDefault(id, List.of());
  }

  boolean isStowed(String id) {
    return channels.containsKey(id) && channels.get(id).stowed();
  }

  /** A channel that a tie, a path or a finding names. */
  Channel channel(String id) {
    return Lookup.in(channels, id);
  }

  /** True for a channel that is there and that nobody hears. */
  boolean isSilent(String id) {
    Channel channel = channels.get(id);
    return channel != null && (channel.stowed() || channel.mute());
  }

  /** “Kick” for one, “12 channels (Kick, Snare, …)” for many. */
  String names(List<String> ids) {
    List<String> names = ids.stream().limit(NAMED).map(id -> channel(id).name()).toList();
    return ids.size() == 1
        ? "“" + names.get(0) + "”"
        : ids.size()
            + " channels ("
            + String.join(", ", names)
            + (ids.size() > NAMED ? ", …)" : ")");
  }

  List<String> chiefFirst(List<String> ids, String other) {
    List<String> all = new ArrayList<>(ids);
    all.add(other);
    return all;
  }

  /** True if sound can be on the channel: it plays, or something that is not stowed feeds it. */
  boolean isFed(String id) {
    Channel channel = channels.get(id);
    return channel != null
        && !channel.stowed()
        && (channel.kind().holdsClips()
            || into(id).stream()
                .anyMatch(
                    tie ->
                        tie.kind() != Tie.Kind.KEY
                            && channels.containsKey(tie.from())
                            && !channels.get(tie.from()).stowed()));
  }

  static boolean isProcessed(Channel channel) {
    return channel.chain().stream().anyMatch(Insert::on);
  }

  /**
   * Where the category map sends a channel's category; null if it does not say, or not usefully.
   */
  @Nullable String mapped(Channel channel) {
    return map.usableDestination(channel).map(Channel::id).orElse(null);
  }

  /** The channel that most others lead to: the mix, or a master. */
  @Nullable Channel trunk() {
    return active()
        .filter(c -> c.kind() == ChannelKind.MASTER || c.kind() == ChannelKind.BUS)
        .filter(c -> c.output() == null)
        .max(java.util.Comparator.comparingInt(c -> into(c.id()).size()))
        .orElse(null);
  }

  void report(
      Rule rule, Severity severity, List<String> where, String says, @Nullable Edit... mends) {
    List<Mend> offered = new ArrayList<>();
    for (Edit mend : mends) {
      if (mend != null) {
        offered.add(Mend.of(mix, mend));
      }
    }
    findings.add(new Finding(rule, severity, where, says, offered));
  }
}
