package drevik.render;

import java.util.Set;

/**
 * How to print. Neither block size nor thread count changes a bit of the result.
 *
 * @param outputs ids of the outputs to print; empty for all
 * @param blockSize frames
 */
public record PrintOptions(Set<String> outputs, int blockSize, int threads) {
  /** All outputs on all cores. */
  public static PrintOptions all() {
    return new PrintOptions(Set.of(), 1024, Runtime.getRuntime().availableProcessors());
  }

  public static PrintOptions only(Set<String> outputs) {
    return new PrintOptions(outputs, all().blockSize(), all().threads());
  }
}
