package drevik.intake.measure;

/**
 * A range of frames of a file.
 *
 * @param from first frame
 * @param to one past the last frame
 */
public record Stretch(long from, long to) {
  public long frames() {
    return to - from;
  }
}
