package drevik.audio;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * Where in a layout something stands: pan and front to back are its azimuth, height what it is
 * raised by.
 *
 * @param pan −1 (left) to 1 (right)
 * @param wholeImage true: what is wider than mono is moved as a whole, one side into the other;
 *     false: pan is a balance, by which a side falls
 * @param frontBack 0 (front) to 1 (surround)
 * @param height 0 (level with the ear) to 1 (above)
 * @param lfe linear gain at which it also goes to the LFE; 0: not at all
 */
@RecordBuilder
public record Position(double pan, boolean wholeImage, double frontBack, double height, double lfe)
    implements PositionBuilder.With {
  /** In the middle of the front. */
  public static final Position FRONT = new Position(0, false, 0, 0, 0);

  /** True if it stands nowhere but in front, level with the ear. */
  public boolean isInFront() {
    return frontBack == 0 && height == 0 && lfe == 0;
  }

  /** In front, off the middle by {@code pan}. */
  public static Position panned(double pan) {
    return FRONT.withPan(pan);
  }
}
