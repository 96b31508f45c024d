package drevik.outline;

import drevik.mix.Tap;
import java.util.List;

/**
 * A mark of a line.
 *
 * @param tap where the signal is taken, for signs that say so
 * @param refs the names that stand behind it, at least one; a single word for signs of words
 * @param options what stands behind “@”, in order
 * @param text as it is written, sign and all
 * @param from where it begins in its line, in characters
 * @param to behind its last character
 */
record Mark(
    Sign sign, Tap tap, List<Ref> refs, List<Option> options, String text, int from, int to) {
  /**
   * A name that stands for a channel, control or output.
   *
   * @param ordinal which of several of that name, from 1; 0 where there is only one
   */
  record Ref(String name, int ordinal, int from, int to) {}

  /** One word or figure behind “@”. */
  record Option(String text, int from, int to) {}

  Mark {
    refs = List.copyOf(refs);
    options = List.copyOf(options);
  }

  /** The name or word of a mark that has one. */
  String word() {
    return refs.get(0).name();
  }
}
