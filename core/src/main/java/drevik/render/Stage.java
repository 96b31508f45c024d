package drevik.render;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;

/**
 * Something that is computed block after block: a channel, a file, a null test. Its next block can
 * be computed when every source has written that block, and every reader is done with the one
 * before, which would be overwritten. So between two of its own blocks each of these neighbours
 * says exactly once that it is ready, and counting is all that has to be done.
 */
final class Stage {
  /** The work of one block. */
  @FunctionalInterface
  interface Work {
    /**
     * Computes one block.
     *
     * @param at frames since the start of the run
     */
    void process(long at, int frames);
  }

  private final Work work;
  private final List<Stage> neighbours = new ArrayList<>();
  private final AtomicInteger awaited = new AtomicInteger();
  private boolean isRead;
  private volatile long done;

  Stage(Work work) {
    this.work = work;
  }

  /** This stage reads what {@code source} writes. */
  void after(Stage source) {
    neighbours.add(source);
    source.neighbours.add(this);
    source.isRead = true;
    // At the first block only sources are awaited: no reader has anything to lose.
    awaited.incrementAndGet();
  }

  /** True if no other stage reads this one. */
  boolean isLast() {
    return !isRead;
  }

  /** True if it needs nothing but itself for its first block. */
  boolean isFirst() {
    return awaited.get() == 0;
  }

  /** Sources and readers, which are to be told when a block is done. */
  List<Stage> neighbours() {
    return neighbours;
  }

  /** Blocks that are computed. */
  long done() {
    return done;
  }

  /** Computes the next block of those that {@code blockSize} cuts {@code frames} into. */
  void process(int blockSize, long frames) {
    long block = done;
    long at = block * blockSize;
    work.process(at, (int) Math.min(blockSize, frames - at));
    done = block + 1;
    awaited.set(neighbours.size());
  }

  /** A neighbour is ready; true if it was the last that was awaited. */
  boolean hears() {
    return awaited.decrementAndGet() == 0;
  }
}
