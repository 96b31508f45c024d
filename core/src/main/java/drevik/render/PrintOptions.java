package drevik.render;

import drevik.deliver.NamePattern;
import drevik.mix.Mix;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Set;

/**
 * How to print. Neither block size nor thread count changes a bit of the result.
 *
 * @param outputs ids of the outputs to print; empty for all
 * @param blockSize frames
 * @param occasion revision and date for the files' names
 */
public record PrintOptions(
    Set<String> outputs, int blockSize, Workers workers, NamePattern.Occasion occasion) {
  /** Frames: few calls to the system and few meetings of the threads, and still in the cache. */
  private static final int BLOCK_SIZE = 4096;

  /** All outputs on all cores. */
  public static PrintOptions all() {
    return new PrintOptions(Set.of(), BLOCK_SIZE, Runtime.getRuntime().availableProcessors());
  }

  /** For names that ask for neither revision nor date. */
  public PrintOptions(Set<String> outputs, int blockSize, int threads) {
    this(
        outputs,
        blockSize,
        Workers.fixed(threads),
        new NamePattern.Occasion(1, LocalDate.now(ZoneId.systemDefault())));
  }

  public static PrintOptions only(Set<String> outputs) {
    return new PrintOptions(outputs, all().blockSize(), all().workers().most());
  }

  /**
   * Names of the files that a print would write.
   *
   * @throws drevik.mix.Refused if the Mix cannot be printed
   */
  public static List<String> fileNames(Mix mix, PrintOptions options) {
    return PrintSinks.chosen(mix, options).stream()
        .map(output -> NamePattern.resolve(mix, output, options.occasion()) + ".wav")
        .toList();
  }

  /** The same, printed from a numbered revision. */
  public PrintOptions ofRevision(int revision) {
    NamePattern.Occasion named = new NamePattern.Occasion(revision, occasion.date());
    return new PrintOptions(outputs, blockSize, workers, named);
  }

  /** The same by other threads. */
  public PrintOptions by(Workers others) {
    return new PrintOptions(outputs, blockSize, others, occasion);
  }
}
