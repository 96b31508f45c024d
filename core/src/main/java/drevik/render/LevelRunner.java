package drevik.render;

import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.locks.LockSupport;
import java.util.function.IntConsumer;

/**
 * Runs the tasks of one level on all threads and returns when all are done. Tasks are claimed one
 * by one with a ticket of (phase, index), so a thread that wakes late cannot take a task of another
 * level. No lock and no allocation: waiting threads spin briefly, then sleep for moments.
 */
final class LevelRunner implements AutoCloseable {
  private static final int SPINS = 20_000;
  private static final long NAP_NANOS = 20_000;

  private final AtomicLong ticket = new AtomicLong();
  private final AtomicInteger done = new AtomicInteger();
  private final AtomicReference<Throwable> failure = new AtomicReference<>();
  private final Thread[] helpers;
  private volatile int phase;
  private volatile boolean closed;
  private volatile int count;
  private volatile IntConsumer task;

  LevelRunner(int threads) {
    helpers = new Thread[Math.max(0, threads - 1)];
    for (int i = 0; i < helpers.length; i++) {
      helpers[i] = new Thread(this::help, "print-" + (i + 1));
      helpers[i].setDaemon(true);
      helpers[i].start();
    }
  }

  /** Runs {@code task} for 0 … count − 1. */
  void run(int count, IntConsumer task) {
    if (helpers.length == 0 || count == 1) {
      for (int i = 0; i < count; i++) {
        task.accept(i);
      }
      return;
    }
    // No ticket is valid while count and task change, so none can be claimed against the wrong
    // ones.
    ticket.set(-1L << 32);
    this.count = count;
    this.task = task;
    done.set(0);
    int now = phase + 1;
    ticket.set((long) now << 32);
    phase = now;
    claim(now, count, task);
    for (int spins = 0; done.get() < count; spins++) {
      pause(spins);
    }
    Throwable failed = failure.get();
    if (failed instanceof RuntimeException e) {
      throw e;
    } else if (failed != null) {
      throw new IllegalStateException(failed);
    }
  }

  private void help() {
    int seen = 0;
    for (int spins = 0; !closed; ) {
      int now = phase;
      if (now == seen) {
        pause(spins++);
        continue;
      }
      spins = 0;
      seen = now;
      claim(now, count, task);
    }
  }

  private void claim(int now, int count, IntConsumer task) {
    while (true) {
      long t = ticket.get();
      int index = (int) t;
      if ((int) (t >>> 32) != now || index >= count) {
        return;
      }
      if (ticket.compareAndSet(t, t + 1)) {
        try {
          task.accept(index);
        } catch (RuntimeException | Error e) {
          failure.compareAndSet(null, e);
        } finally {
          done.incrementAndGet();
        }
      }
    }
  }

  private static void pause(int spins) {
    if (spins < SPINS) {
      Thread.onSpinWait();
    } else {
      LockSupport.parkNanos(NAP_NANOS);
    }
  }

  @Override
  public void close() {
    closed = true;
  }
}
