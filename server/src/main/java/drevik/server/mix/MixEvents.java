package drevik.server.mix;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionPhase;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Tells every open page of a Mix that it has moved on, so that a second tab follows at once. */
@Component
class MixEvents {
  /** A Mix has a new head. Told after the transaction, when the revision can be read. */
  record Moved(String mixId, int revision) {}

  private final Map<String, Set<SseEmitter>> listeners = new ConcurrentHashMap<>();

  /** A thread of its own: no reader, however slow, may hold an edit up. */
  private final ExecutorService teller =
      Executors.newSingleThreadExecutor(
          work -> {
            Thread thread = new Thread(work, "mix-events");
            thread.setDaemon(true);
            return thread;
          });

  SseEmitter listen(String mixId, int revision) {
    SseEmitter emitter = new SseEmitter(0L);
    listeners.compute(
        mixId,
        (id, all) -> {
          Set<SseEmitter> listening = all == null ? ConcurrentHashMap.newKeySet() : all;
          listening.add(emitter);
          return listening;
        });
    emitter.onCompletion(() -> forget(mixId, emitter));
    emitter.onError(e -> forget(mixId, emitter));
    // The first word closes the gap between reading the Mix and listening.
    teller.execute(() -> send(mixId, emitter, revision));
    return emitter;
  }

  @TransactionalEventListener(phase = TransactionPhase.AFTER_COMMIT)
  void moved(Moved moved) {
    teller.execute(
        () ->
            listeners
                .getOrDefault(moved.mixId(), Set.of())
                .forEach(emitter -> send(moved.mixId(), emitter, moved.revision())));
  }

  @PreDestroy
  void stop() {
    teller.shutdownNow();
  }

  private void forget(String mixId, SseEmitter emitter) {
    listeners.computeIfPresent(
        mixId,
        (id, all) -> {
          all.remove(emitter);
          return all.isEmpty() ? null : all;
        });
  }

  private void send(String mixId, SseEmitter emitter, int revision) {
    try {
      emitter.send(SseEmitter.event().name("revision").data(revision, MediaType.APPLICATION_JSON));
    } catch (IOException | IllegalStateException e) {
      forget(mixId, emitter);
    }
  }
}
