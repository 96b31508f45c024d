package drevik.render;

import drevik.mix.Lookup;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.concurrent.atomic.AtomicLongArray;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.locks.LockSupport;

/**
 * Computes stages on all threads that may work, each block after block. A thread takes whatever is
 * ready; nobody waits for a whole level of the graph, so a reverberation or a master's limiter
 * works on one block while the seats are at the next. What a stage computes depends on its sources
 * alone: threads change the time that it takes and not a bit.
 *
 * <p>No lock and no allocation while it runs: threads without work spin briefly, then sleep for
 * moments.
 */
final class Pipeline {
  private static final int SPINS = 2_000;
  private static final long NAP_NANOS = 20_000;

  /** How often a thread looks whether it may work again. */
  private static final long LEAVE_NANOS = 2_000_000;

  private final Stage[] stages;
  private final int[][] neighbours;
  private final Stage[] last;

  /** One bit a stage whose next block can be computed and that nobody has taken yet. */
  private final AtomicLongArray ready;

  private final int blockSize;
  private final long frames;
  private final long blocks;
  private final AtomicReference<Throwable> failure = new AtomicReference<>();
  private volatile boolean stopped;

  /**
   * @param stages every one behind its sources
   * @param frames to be computed, of which a block holds {@code blockSize}
   */
  Pipeline(List<Stage> stages, int blockSize, long frames) {
    this.stages = stages.toArray(Stage[]::new);
    this.last = stages.stream().filter(Stage::isLast).toArray(Stage[]::new);
    this.blockSize = blockSize;
    this.frames = frames;
    this.blocks = (frames + blockSize - 1) / blockSize;
    IdentityHashMap<Stage, Integer> places = new IdentityHashMap<>();
    stages.forEach(stage -> places.put(stage, places.size()));
    this.neighbours =
        stages.stream()
            .map(
                stage ->
                    stage.neighbours().stream()
                        .mapToInt(other -> Lookup.in(places, other))
                        .toArray())
            .toArray(int[][]::new);
    this.ready = new AtomicLongArray((stages.size() + Long.SIZE - 1) / Long.SIZE);
    stages.stream().filter(Stage::isFirst).forEach(stage -> makeReady(Lookup.in(places, stage)));
  }

  /**
   * Runs to the end. When it returns, whether well or not, no thread works any more.
   *
   * @throws PrintCancelled if {@code progress} ended it
   */
  void run(Workers workers, Progress progress) {
    List<Thread> helpers = new ArrayList<>();
    for (int i = 1; i < workers.most(); i++) {
      int place = i;
      Thread helper = new Thread(() -> help(workers, place), "print-" + i);
      helper.setDaemon(true);
      helper.start();
      helpers.add(helper);
    }
    try {
      lead(progress);
    } finally {
      stopped = true;
      helpers.forEach(Pipeline::join);
    }
  }

  private void lead(Progress progress) {
    long told = 0;
    long all = blocks * last.length;
    for (int idle = 0; told < all; ) {
      idle = step() ? 0 : pause(idle);
      if (failure.get() instanceof RuntimeException e) {
        throw e;
      } else if (failure.get() instanceof Error e) {
        throw e;
      }
      long finished = finished();
      if (finished > told) {
        told = finished;
        if (!progress.at((double) finished / all)) {
          throw new PrintCancelled();
        }
      }
    }
  }

  private void help(Workers workers, int place) {
    for (int idle = 0; !stopped; ) {
      if (workers.mayWork(place)) {
        idle = step() ? 0 : pause(idle);
      } else {
        LockSupport.parkNanos(LEAVE_NANOS);
      }
    }
  }

  /** Computes one block of one stage, if one is ready. */
  private boolean step() {
    int place = stopped ? -1 : take();
    if (place < 0) {
      return false;
    }
    Stage stage = stages[place];
    try {
      stage.process(blockSize, frames);
    } catch (RuntimeException | Error e) {
      failure.compareAndSet(null, e);
      stopped = true;
      return false;
    }
    if (neighbours[place].length == 0 && stage.done() < blocks) {
      makeReady(place);
    }
    for (int neighbour : neighbours[place]) {
      if (stages[neighbour].hears() && stages[neighbour].done() < blocks) {
        makeReady(neighbour);
      }
    }
    return true;
  }

  private void makeReady(int place) {
    int word = place / Long.SIZE;
    for (long bits = ready.get(word); ; bits = ready.get(word)) {
      if (ready.compareAndSet(word, bits, bits | 1L << place)) {
        return;
      }
    }
  }

  /**
   * Takes a stage that is ready; −1 if none is. The last come first: what is nearest to a file lets
   * all before it go on, and what it reads was written a moment ago.
   */
  private int take() {
    for (int word = ready.length() - 1; word >= 0; word--) {
      for (long bits = ready.get(word); bits != 0; bits = ready.get(word)) {
        long highest = Long.highestOneBit(bits);
        if (ready.compareAndSet(word, bits, bits & ~highest)) {
          return word * Long.SIZE + Long.numberOfTrailingZeros(highest);
        }
      }
    }
    return -1;
  }

  /**
   * Blocks of all files together. Files that have nothing in common are computed one after another
   * where there is one thread: what the last of them has says nothing of the first.
   */
  private long finished() {
    long finished = 0;
    for (Stage stage : last) {
      finished += stage.done();
    }
    return finished;
  }

  private static int pause(int idle) {
    if (idle < SPINS) {
      Thread.onSpinWait();
    } else {
      LockSupport.parkNanos(NAP_NANOS);
    }
    return idle + 1;
  }

  private static void join(Thread helper) {
    boolean interrupted = false;
    while (helper.isAlive()) {
      try {
        helper.join();
      } catch (InterruptedException e) {
        interrupted = true;
      }
    }
    if (interrupted) {
      Thread.currentThread().interrupt();
    }
  }
}
