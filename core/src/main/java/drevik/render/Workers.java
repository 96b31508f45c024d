package drevik.render;

import java.util.function.IntSupplier;

/**
 * How many threads work on a print. Prints that run at once share the cores of a machine, and each
 * takes what the others leave as soon as they leave it.
 *
 * @param most ever
 * @param now how many work at this moment, asked for at each block; at least one always does
 */
public record Workers(int most, IntSupplier now) {
  /** So many from beginning to end. */
  public static Workers fixed(int count) {
    return new Workers(count, () -> count);
  }

  /**
   * True if one of them may take a block now.
   *
   * @param place from 0
   */
  boolean mayWork(int place) {
    return place == 0 || place < now.getAsInt();
  }
}
