package drevik.render;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;

/**
 * Something that is computed block after block: a channel, a file, a null test. It knows what it
 * waits for, and how far it is; one thread at a time computes it.
 */
final class Stage {
  /** The work of one block. */
  @FunctionalInterface
  interface Work {
    /**
     * @param at frames since the start of the run
     */
    void process(long at, int frames);
  }

  private final Work work;
  private final List<Stage> sources = new ArrayList<>();
  private final List<Stage> readers = new ArrayList<>();
  private final AtomicBoolean claimed = new AtomicBoolean();
  private volatile long done;

  Stage(Work work) {
    this.work = work;
  }

  /** This stage reads what {@code source} writes. */
  void after(Stage source) {
    sources.add(source);
    source.readers.add(this);
  }

  boolean isLast() {
    return readers.isEmpty();
  }

  /** Blocks that are computed. */
  long done() {
    return done;
  }

  /**
   * True if the next block can be computed: every source has written it, and every reader is done
   * with the one before, which it would overwrite.
   */
  boolean isReady() {
    long block = done;
    for (int i = 0; i < sources.size(); i++) {
      if (sources.get(i).done <= block) {
        return false;
      }
    }
    for (int i = 0; i < readers.size(); i++) {
      if (readers.get(i).done < block) {
        return false;
      }
    }
    return true;
  }

  /** True if the caller may compute, until it says {@link #release}. */
  boolean claim() {
    return claimed.compareAndSet(false, true);
  }

  void release() {
    claimed.set(false);
  }

  /** Computes the next block of those that {@code blockSize} cuts {@code frames} into. */
  void process(int blockSize, long frames) {
    long block = done;
    long at = block * blockSize;
    work.process(at, (int) Math.min(blockSize, frames - at));
    done = block + 1;
  }
}
