package drevik.render;

/** Hears how far a print run is, and may end it. */
@FunctionalInterface
public interface Progress {
  Progress NONE = done -> true;

  /**
   * Told after each step.
   *
   * @param done 0 to 1
   * @return false to cancel
   */
  boolean at(double done);
}
