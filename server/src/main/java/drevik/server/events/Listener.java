package drevik.server.events;

import java.io.IOException;
import java.time.Duration;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * A page that listens. Only the newest word counts: one that is not sent yet gives way to the next.
 * A page that reads slowly holds up a thread of its own, and nobody else.
 */
public final class Listener<T> {
  private static final ExecutorService SENDING =
      Executors.newCachedThreadPool(
          work -> {
            Thread thread = new Thread(work, "events");
            thread.setDaemon(true);
            return thread;
          });

  /** Closed then; a page that still listens comes again by itself. */
  private static final long OPEN_MILLIS = Duration.ofHours(1).toMillis();

  private final SseEmitter emitter;
  private final String event;
  private final Consumer<Listener<T>> gone;
  private final AtomicReference<@Nullable T> newest = new AtomicReference<>();
  private final AtomicBoolean sending = new AtomicBoolean();
  private volatile boolean last;

  /** What a page listens to. */
  public static SseEmitter stream() {
    SseEmitter emitter = new SseEmitter(OPEN_MILLIS);
    emitter.onTimeout(emitter::complete);
    return emitter;
  }

  /**
   * @param event name of what is told
   * @param gone done when the page listens no more
   */
  public Listener(SseEmitter emitter, String event, Consumer<Listener<T>> gone) {
    this.emitter = emitter;
    this.event = event;
    this.gone = gone;
    emitter.onCompletion(() -> gone.accept(this));
    emitter.onError(e -> gone.accept(this));
  }

  /** Tells the page, soon. */
  public void tell(T word) {
    newest.set(word);
    if (sending.compareAndSet(false, true)) {
      SENDING.execute(this::send);
    }
  }

  /** Tells it for the last time. */
  public void tellLast(T word) {
    last = true;
    tell(word);
  }

  private void send() {
    try {
      for (T word = newest.getAndSet(null); word != null; word = newest.getAndSet(null)) {
        emitter.send(SseEmitter.event().name(event).data(word, MediaType.APPLICATION_JSON));
      }
      if (last) {
        emitter.complete();
      }
    } catch (IOException | IllegalStateException e) {
      gone.accept(this);
    } finally {
      sending.set(false);
    }
    // A word that came between the last look and the flag would wait for ever.
    if (newest.get() != null && sending.compareAndSet(false, true)) {
      SENDING.execute(this::send);
    }
  }
}
