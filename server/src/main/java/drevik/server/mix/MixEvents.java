package drevik.server.mix;

import drevik.server.events.Listener;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionPhase;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Tells every open page of a Mix that it has moved on, so that a second tab follows at once. */
@Component
class MixEvents {
  /** A Mix has a new head. Told after the transaction, when the revision can be read. */
  record Moved(String mixId, int revision) {}

  private final Map<String, Set<Listener<Integer>>> listeners = new ConcurrentHashMap<>();

  SseEmitter listen(String mixId, int revision) {
    SseEmitter emitter = Listener.stream();
    Listener<Integer> listener = new Listener<>(emitter, "revision", gone -> forget(mixId, gone));
    listeners.compute(
        mixId,
        (id, all) -> {
          Set<Listener<Integer>> listening = all == null ? ConcurrentHashMap.newKeySet() : all;
          listening.add(listener);
          return listening;
        });
    // The first word closes the gap between reading the Mix and listening.
    listener.tell(revision);
    return emitter;
  }

  @TransactionalEventListener(phase = TransactionPhase.AFTER_COMMIT)
  void moved(Moved moved) {
    listeners
        .getOrDefault(moved.mixId(), Set.of())
        .forEach(listener -> listener.tell(moved.revision()));
  }

  private void forget(String mixId, Listener<Integer> listener) {
    listeners.computeIfPresent(
        mixId,
        (id, all) -> {
          all.remove(listener);
          return all.isEmpty() ? null : all;
        });
  }
}
