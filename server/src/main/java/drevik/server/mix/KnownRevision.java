package drevik.server.mix;

import drevik.category.CategoryMap;
import drevik.category.ColourFamily;
import drevik.check.Finding;
import drevik.check.LineCheck;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.route.FlowLayout;
import drevik.route.FlowSketch;
import drevik.server.mix.MixView.ChannelFacts;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.ForkJoinPool;

/** A revision and what follows from it, which is worked out when it is first asked for. */
final class KnownRevision {
  /** What follows from a document: see {@link MixView}. */
  record Derived(FlowLayout flow, Map<String, ChannelFacts> facts, List<Finding> findings) {}

  private final int number;
  private final Mix document;
  private CompletableFuture<Derived> derived;
  private FlowSketch sketch;

  KnownRevision(int number, Mix document) {
    this.number = number;
    this.document = document;
  }

  int number() {
    return number;
  }

  Mix document() {
    return document;
  }

  /** What follows, worked out now unless it has been begun already. */
  Derived derived() {
    return begun(Runnable::run).join();
  }

  /** Begins to work it out on another thread, to have it while the document is being written. */
  void derive() {
    begun(ForkJoinPool.commonPool());
  }

  private synchronized CompletableFuture<Derived> begun(Executor executor) {
    if (derived == null) {
      derived = CompletableFuture.supplyAsync(this::follow, executor);
    }
    return derived;
  }

  private Derived follow() {
    return new Derived(FlowLayout.of(document), facts(), LineCheck.of(document));
  }

  private Map<String, ChannelFacts> facts() {
    Map<String, ChannelFacts> facts = new LinkedHashMap<>();
    for (Channel channel : document.channels()) {
      facts.put(channel.id(), factsOf(channel, document.categoryMap()));
    }
    return facts;
  }

  /** For the shelf, which needs no findings. */
  synchronized FlowSketch sketch() {
    if (sketch == null) {
      Map<String, ChannelFacts> facts = facts();
      Map<String, String> colours = new HashMap<>();
      facts.forEach((id, fact) -> colours.put(id, fact.colour()));
      document
          .outputs()
          .forEach(o -> colours.put(o.id(), colours.getOrDefault(o.channel(), "neutral")));
      sketch = FlowSketch.of(FlowLayout.of(document), id -> colours.getOrDefault(id, "neutral"));
    }
    return sketch;
  }

  private static ChannelFacts factsOf(Channel channel, CategoryMap map) {
    String colour =
        Optional.ofNullable(channel.colour())
            .or(() -> map.colourOf(channel.category()).map(CategoryMap.Answer::value))
            .orElse(ColourFamily.ofCategory(channel.category()).toString());
    if (channel.output() == null) {
      return new ChannelFacts(colour, null);
    }
    String because =
        map.destinationOf(channel.category())
            .filter(answer -> answer.value().equals(channel.output()))
            .map(answer -> "from the category map: " + answer.saidBy())
            .orElse("set by hand");
    return new ChannelFacts(colour, because);
  }
}
