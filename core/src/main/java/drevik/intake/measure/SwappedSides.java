package drevik.intake.measure;

/**
 * A stereo file's sides stand the other way round than those of another recording of its source.
 *
 * @param beside id of the other file, or of the left of two
 * @param agreement of the level differences, −1 to 1, see {@link SidesCheck}
 */
public record SwappedSides(String beside, double agreement) {
  /** From here down nobody doubts it. */
  private static final double CLEARLY = -0.5;

  public boolean isClear() {
    return agreement <= CLEARLY;
  }
}
