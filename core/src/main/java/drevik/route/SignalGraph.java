package drevik.route;

import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Insert;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.mix.Tap;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jgrapht.Graph;
import org.jgrapht.alg.connectivity.KosarajuStrongConnectivityInspector;
import org.jgrapht.alg.shortestpath.BFSShortestPath;
import org.jgrapht.graph.DefaultEdge;
import org.jgrapht.graph.builder.GraphTypeBuilder;
import org.jgrapht.traverse.NotDirectedAcyclicGraphException;
import org.jgrapht.traverse.TopologicalOrderIterator;
import org.jspecify.annotations.Nullable;

/**
 * The signal graph of a Mix: channels, tied by outputs, sends and keys. Building it, ordering it
 * and finding loops all take time in proportion to channels plus ties. Not for several threads at
 * once: graph and order are worked out when they are first asked for.
 */
public final class SignalGraph {
  private final Mix mix;
  private final Map<String, Channel> channels;
  private final List<Tie> ties;
  private @Nullable Graph<Integer, DefaultEdge> graph;
  private @Nullable List<String> order;

  private SignalGraph(Mix mix) {
    this.mix = mix;
    this.channels = mix.channelsById();
    this.ties = mix.channels().stream().flatMap(c -> tiesOf(c).stream()).toList();
  }

  /** Channels stand in it as their places in the document. */
  private Graph<Integer, DefaultEdge> graph() {
    if (graph == null) {
      graph = build();
    }
    return graph;
  }

  private Graph<Integer, DefaultEdge> build() {
    Graph<Integer, DefaultEdge> built =
        GraphTypeBuilder.<Integer, DefaultEdge>directed()
            .allowingSelfLoops(true)
            .allowingMultipleEdges(true)
            .edgeClass(DefaultEdge.class)
            .buildGraph();
    Map<String, Integer> places = new HashMap<>();
    for (Channel channel : mix.channels()) {
      built.addVertex(places.size());
      places.put(channel.id(), places.size());
    }
    for (Tie tie : ties) {
      Integer from = places.get(tie.from());
      Integer to = places.get(tie.to());
      if (from != null && to != null) {
        built.addEdge(from, to);
      }
    }
    return built;
  }

  public static SignalGraph of(Mix mix) {
    return new SignalGraph(mix);
  }

  /**
   * Refuses a Mix whose routing cannot work: a tie to or from a channel that is not there, into a
   * channel that holds audio, or round a loop.
   *
   * @throws Refused with the loop spelled out
   */
  public static void requireSound(Mix mix) {
    SignalGraph graph = of(mix);
    graph
        .fault()
        .ifPresent(
            fault -> {
              throw new Refused(fault);
            });
  }

  /** What is wrong with the routing, in words; empty if nothing is. */
  public Optional<String> fault() {
    for (Tie tie : ties) {
      Channel from = channels.get(tie.from());
      Channel to = channels.get(tie.to());
      if (from == null || to == null) {
        Channel known = from == null ? to : from;
        return Optional.of(
            "“"
                + (known == null ? tie.from() : known.name())
                + "” points at a channel that is not in this Mix; choose another.");
      }
      if (tie.kind() != Tie.Kind.KEY && to.kind().holdsClips()) {
        return Optional.of(
            "“"
                + to.name()
                + "” is a "
                + to.kind()
                + ": it plays files, so nothing can be sent into it. Choose a bus, return or master.");
      }
    }
    return loop()
        .map(
            ids ->
                "That would close a loop: "
                    + ids.stream()
                        .map(id -> Lookup.in(channels, id).name())
                        .collect(Collectors.joining(" → "))
                    + ". Choose a destination that does not lead back.");
  }

  /** A loop as ids, the first repeated at the end; empty if there is none. */
  public Optional<List<String>> loop() {
    for (Tie tie : ties) {
      if (tie.from().equals(tie.to())) {
        return Optional.of(List.of(tie.from(), tie.from()));
      }
    }
    // Most Mixes have an order, and what has an order has no loop.
    if (tryOrder().isPresent()) {
      return Optional.empty();
    }
    return new KosarajuStrongConnectivityInspector<>(graph())
        .stronglyConnectedSets().stream()
            .filter(set -> set.size() > 1)
            .map(Collections::min)
            .min(Comparator.naturalOrder())
            .map(this::loopThrough);
  }

  private List<String> loopThrough(Integer start) {
    BFSShortestPath<Integer, DefaultEdge> search = new BFSShortestPath<>(graph());
    return graph().outgoingEdgesOf(start).stream()
        .map(edge -> search.getPath(graph().getEdgeTarget(edge), start))
        .filter(path -> path != null)
        .min(Comparator.comparingInt(path -> path.getLength()))
        .map(
            path -> {
              List<String> ids = new ArrayList<>();
              ids.add(idAt(start));
              path.getVertexList().forEach(place -> ids.add(idAt(place)));
              return ids;
            })
        .orElseThrow();
  }

  private String idAt(int place) {
    return mix.channels().get(place).id();
  }

  /**
   * Channel ids such that every source stands before what it feeds; among equals, document order,
   * so that the order (and with it every sum) is the same each time.
   *
   * @throws Refused if there is a loop
   */
  public List<String> order() {
    return tryOrder().orElseThrow(() -> new Refused(fault().orElse("The routing has a loop.")));
  }

  private Optional<List<String>> tryOrder() {
    if (order == null) {
      try {
        List<String> found = new ArrayList<>(channels.size());
        new TopologicalOrderIterator<>(graph(), Comparator.naturalOrder())
            .forEachRemaining(place -> found.add(idAt(place)));
        order = List.copyOf(found);
      } catch (NotDirectedAcyclicGraphException e) {
        return Optional.empty();
      }
    }
    return Optional.of(order);
  }

  public List<Tie> ties() {
    return ties;
  }

  /** All that leaves a channel, and the keys that its own processors listen to. */
  private static List<Tie> tiesOf(Channel channel) {
    List<Tie> ties = new ArrayList<>();
    if (channel.output() != null) {
      ties.add(new Tie(channel.id(), channel.output(), Tie.Kind.OUTPUT, Tap.POST_FADER));
    }
    for (Send send : channel.sends()) {
      for (String destination : send.destinations()) {
        ties.add(new Tie(channel.id(), destination, Tie.Kind.SEND, send.tap()));
      }
    }
    for (Insert insert : channel.chain()) {
      if (insert.key() != null) {
        ties.add(new Tie(insert.key().source(), channel.id(), Tie.Kind.KEY, insert.key().tap()));
      }
    }
    return ties;
  }

  /** Buses that are heard only through sends into them: parallels. */
  public Set<String> parallels() {
    Set<String> sentTo = new HashSet<>();
    Set<String> outputInto = new HashSet<>();
    for (Tie tie : ties) {
      switch (tie.kind()) {
        case OUTPUT -> outputInto.add(tie.to());
        case SEND -> sentTo.add(tie.to());
        case KEY -> {
          // Nobody hears a key.
        }
      }
    }
    sentTo.removeAll(outputInto);
    sentTo.removeIf(id -> !channels.containsKey(id) || channels.get(id).kind() != ChannelKind.BUS);
    return sentTo;
  }

  /** Channels that nothing but keys hear: no way leads on from them, and no output taps them. */
  public Set<String> heardByKeysAlone() {
    Set<String> keys = new HashSet<>();
    Set<String> heard = new HashSet<>();
    for (Tie tie : ties) {
      (tie.kind() == Tie.Kind.KEY ? keys : heard).add(tie.from());
    }
    mix.outputs().forEach(output -> heard.add(output.channel()));
    keys.removeAll(heard);
    return keys;
  }
}
