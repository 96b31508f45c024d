package drevik.mix;

/**
 * A range of an audio file placed on a seat.
 *
 * @param startFrame where it stands, in frames of the Mix
 * @param sourceIn first frame of the file that is heard
 * @param sourceOut the frame after the last one that is heard
 * @param gainDb dB
 * @param keep kept on purpose when a template is made from the session
 */
public record Clip(
    String id,
    AudioRef audio,
    long startFrame,
    long sourceIn,
    long sourceOut,
    double gainDb,
    boolean keep) {

  public Clip {
    if (startFrame < 0 || sourceIn < 0 || sourceOut < sourceIn) {
      throw new IllegalArgumentException(
          "clip " + id + " must not start before 0 nor end before it starts");
    }
  }

  /** A clip of a session: a template made from it leaves the audio out. */
  public Clip(
      String id, AudioRef audio, long startFrame, long sourceIn, long sourceOut, double gainDb) {
    this(id, audio, startFrame, sourceIn, sourceOut, gainDb, false);
  }

  public long frames() {
    return sourceOut - sourceIn;
  }

  public long endFrame() {
    return startFrame + frames();
  }
}
