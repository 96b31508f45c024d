package drevik.route;

import drevik.mix.Tap;

/**
 * One connection of the signal graph.
 *
 * @param from source channel's id
 * @param to destination channel's id
 * @param tap where on the source the signal is taken
 */
public record Tie(String from, String to, Kind kind, Tap tap) {
  /** What the connection is. */
  public enum Kind {
    /** A channel's output. */
    OUTPUT,
    /** A send that is heard. */
    SEND,
    /** A key that a processor listens to. */
    KEY
  }
}
