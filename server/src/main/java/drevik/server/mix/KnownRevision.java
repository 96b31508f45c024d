package drevik.server.mix;

import drevik.check.Finding;
import drevik.check.LineCheck;
import drevik.check.Proof;
import drevik.flow.FlowLayout;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.reassign.MapAnswers;
import drevik.server.mix.MixView.ChannelFacts;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import org.jspecify.annotations.Nullable;

/** A revision and what follows from it, which is worked out when it is first asked for. */
final class KnownRevision {
  /** What follows from a document: see {@link MixView}. */
  record Derived(FlowLayout flow, Map<String, ChannelFacts> facts, List<Finding> findings) {}

  private final int number;
  private final Mix document;
  private @Nullable Derived derived;
  private @Nullable CompletableFuture<Derived> begun;
  private @Nullable Proof proof;

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

  /** Begins to work out what follows, on another thread, while the document is being written. */
  synchronized void derive() {
    begun = CompletableFuture.supplyAsync(this::follow);
  }

  /**
   * What follows. Asked for outside the transaction of an edit: neither its time nor a fault in it
   * holds the edit up, and what failed is tried anew the next time.
   */
  synchronized Derived derived() {
    if (derived == null) {
      CompletableFuture<Derived> running = begun;
      begun = null;
      derived = running == null ? follow() : running.join();
    }
    return derived;
  }

  /** What the line check has shown, which takes longer than finding what is wrong. */
  synchronized Proof proof() {
    if (proof == null) {
      proof = Proof.of(document, derived().findings());
    }
    return proof;
  }

  private Derived follow() {
    return new Derived(FlowLayout.of(document), facts(), LineCheck.of(document));
  }

  private Map<String, ChannelFacts> facts() {
    MapAnswers map = MapAnswers.of(document);
    Map<String, ChannelFacts> facts = new LinkedHashMap<>();
    for (Channel channel : document.channels()) {
      facts.put(
          channel.id(),
          new ChannelFacts(
              map.colourOf(channel),
              map.whyThere(channel),
              channel.takesSound(),
              channel.awaitsAudio(),
              FlowLayout.busMeantBy(channel)));
    }
    return facts;
  }

  /** Memory that it takes, in channels. */
  int weight() {
    return 1 + document.channels().size();
  }
}
