package drevik.server.print;

import drevik.server.NotFound;
import drevik.server.events.Listener;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Looks at a print run for a page that follows it, until the run has ended or the page is gone. A
 * look that fails, because the database is away, is not the last one.
 */
final class PrintWatch implements Runnable {
  private static final Logger LOG = LoggerFactory.getLogger(PrintWatch.class);
  private static final long LOOK_EVERY_MILLIS = 250;

  private final Supplier<PrintView> look;
  private final SseEmitter stream;
  private final Listener<PrintView> page;
  private @Nullable PrintView last;
  private boolean failed;
  private @Nullable ScheduledFuture<?> looking;
  private boolean over;

  /**
   * @param look gives the run as it is now
   */
  PrintWatch(Supplier<PrintView> look, SseEmitter stream) {
    this.look = look;
    this.stream = stream;
    this.page = new Listener<>(stream, "print", gone -> stop());
  }

  synchronized void begin(ScheduledExecutorService clock) {
    if (!over) {
      looking = clock.scheduleWithFixedDelay(this, 0, LOOK_EVERY_MILLIS, TimeUnit.MILLISECONDS);
    }
  }

  @Override
  public void run() {
    try {
      tell(look.get());
      failed = false;
    } catch (NotFound removed) {
      stop();
      stream.complete();
    } catch (RuntimeException e) {
      if (!failed) {
        LOG.warn("a print could not be looked at; it is tried again", e);
      }
      failed = true;
    }
  }

  private void tell(PrintView now) {
    if (now.state().isFinal()) {
      stop();
      page.tellLast(now);
    } else if (!now.equals(last)) {
      page.tell(now);
      last = now;
    }
  }

  private synchronized void stop() {
    over = true;
    if (looking != null) {
      looking.cancel(false);
    }
  }
}
