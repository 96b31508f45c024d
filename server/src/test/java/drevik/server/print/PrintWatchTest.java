package drevik.server.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import drevik.server.NotFound;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyEmitter.DataWithMediaType;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

class PrintWatchTest {
  private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor();
  private final Page page = new Page();
  private final AtomicInteger looks = new AtomicInteger();

  /** Keeps what it is told. */
  private static final class Page extends SseEmitter {
    private final List<PrintState> told = new CopyOnWriteArrayList<>();
    private volatile boolean complete;

    @Override
    public void send(SseEventBuilder event) {
      for (DataWithMediaType part : event.build()) {
        if (MediaType.APPLICATION_JSON.equals(part.getMediaType())
            && part.getData() instanceof PrintView view) {
          told.add(view.state());
        }
      }
    }

    @Override
    public void complete() {
      complete = true;
    }
  }

  @AfterEach
  void stop() {
    clock.shutdownNow();
  }

  private static PrintView run(PrintState state) {
    return new PrintView(
        "run", "mix", 1, List.of(), state, 0.5, null, null, null, Instant.EPOCH, null);
  }

  private void watch(List<Supplier<PrintView>> answers) {
    Deque<Supplier<PrintView>> left = new ArrayDeque<>(answers);
    new PrintWatch(
            () -> {
              looks.incrementAndGet();
              return (left.size() > 1 ? left.remove() : left.element()).get();
            },
            page)
        .begin(clock);
  }

  private static PrintView fails(RuntimeException why) {
    throw why;
  }

  @Test
  void aLookThatFailsIsNotTheLast() {
    watch(
        List.of(
            () -> run(PrintState.RUNNING),
            () -> fails(new IllegalStateException("the database is away")),
            () -> run(PrintState.DONE)));
    await().until(() -> page.complete);
    assertThat(page.told).containsExactly(PrintState.RUNNING, PrintState.DONE);
    assertThat(looks).hasValue(3);
  }

  /** The first look may end before its own place in the clock is known. */
  @Test
  void whatHasEndedAlreadyIsLookedAtOnce() {
    watch(List.of(() -> run(PrintState.CANCELLED)));
    await().until(() -> page.complete);
    await().pollDelay(Duration.ofMillis(700)).until(() -> true);
    assertThat(looks).hasValue(1);
  }

  @Test
  void aRunThatWasRemovedEndsTheStream() {
    watch(List.of(() -> run(PrintState.WAITING), () -> fails(new NotFound("no print"))));
    await().until(() -> page.complete);
    assertThat(page.told).containsExactly(PrintState.WAITING);
    assertThat(looks).hasValue(2);
  }
}
