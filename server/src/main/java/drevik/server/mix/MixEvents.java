package drevik.server.mix;

import java.io.IOException;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
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

  SseEmitter listen(String mixId, int revision) {
    SseEmitter emitter = new SseEmitter(0L);
    Set<SseEmitter> all = listeners.computeIfAbsent(mixId, k -> ConcurrentHashMap.newKeySet());
    all.add(emitter);
    emitter.onCompletion(() -> all.remove(emitter));
    emitter.onError(e -> all.remove(emitter));
    // The first word closes the gap between reading the Mix and listening.
    send(emitter, all, revision);
    return emitter;
  }

  @TransactionalEventListener(phase = TransactionPhase.AFTER_COMMIT)
  void moved(Moved moved) {
    Set<SseEmitter> all = listeners.getOrDefault(moved.mixId(), Set.of());
    all.forEach(emitter -> send(emitter, all, moved.revision()));
  }

  private static void send(SseEmitter emitter, Set<SseEmitter> all, int revision) {
    try {
      emitter.send(SseEmitter.event().name("revision").data(revision, MediaType.APPLICATION_JSON));
    } catch (IOException | IllegalStateException e) {
      all.remove(emitter);
    }
  }
}
