package drevik.audio;

/**
 * Where in a layout something stands.
 *
 * @param pan −1 (left) to 1 (right)
 * @param frontBack 0 (front) to 1 (surround)
 * @param lfe linear gain at which it also goes to the LFE; 0: not at all
 */
public record Position(double pan, double frontBack, double lfe) {
  /** In the middle of the front. */
  public static final Position FRONT = new Position(0, 0, 0);

  /** In front, off the middle by {@code pan}. */
  public static Position panned(double pan) {
    return new Position(pan, 0, 0);
  }
}
