package drevik.mix;

/**
 * A range of an audio file placed on a seat.
 *
 * @param startFrame where it stands, in frames of the Mix
 * @param sourceIn first frame of the file that is heard
 * @param sourceOut the frame after the last one that is heard
 * @param gainDb dB
 */
public record Clip(
    String id, AudioRef audio, long startFrame, long sourceIn, long sourceOut, double gainDb) {

  public Clip {
    if (startFrame < 0 || sourceIn < 0 || sourceOut < sourceIn) {
      throw new IllegalArgumentException(
          "clip " + id + " must not start before 0 nor end before it starts");
    }
  }

  public long frames() {
    return sourceOut - sourceIn;
  }

  public long endFrame() {
    return startFrame + frames();
  }
}
