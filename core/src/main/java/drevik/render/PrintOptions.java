package drevik.render;

import java.util.Set;

/**
 * How to print. Neither block size nor thread count changes a bit of the result.
 *
 * @param outputs ids of the outputs to print; empty for all
 * @param blockSize frames
 */
public record PrintOptions(Set<String> outputs, int blockSize, int threads) {
  /** Frames: few calls to the system and few meetings of the threads, and still in the cache. */
  private static final int BLOCK_SIZE = 4096;

  /** All outputs on all cores. */
  public static PrintOptions all() {
    return new PrintOptions(Set.of(), BLOCK_SIZE, Runtime.getRuntime().availableProcessors());
  }

  public static PrintOptions only(Set<String> outputs) {
    return new PrintOptions(outputs, all().blockSize(), all().threads());
  }
}
