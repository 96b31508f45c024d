package drevik.mix;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;

/**
 * A range of an audio file placed on a seat.
 *
 * @param startFrame where it stands, in frames of the Mix
 * @param sourceIn first frame of the file that is heard
 * @param sourceOut the frame after the last one that is heard
 * @param gainDb dB
 * @param keep kept on purpose when a template is made from the session
 * @param fadeIn frames over which it rises from silence, from its start on; 0 for none
 * @param fadeOut frames over which it falls to silence, up to its end; 0 for none
 * @param delivered ids of the delivered files that it plays; none if it came in another way
 */
@RecordBuilder
public record Clip(
    String id,
    AudioRef audio,
    long startFrame,
    long sourceIn,
    long sourceOut,
    double gainDb,
    boolean keep,
    int fadeIn,
    int fadeOut,
    List<String> delivered)
    implements ClipBuilder.With {

  public Clip {
    delivered = Lists.copy(delivered);
    if (startFrame < 0 || sourceIn < 0 || sourceOut < sourceIn) {
      throw new IllegalArgumentException(
          "clip " + id + " must not start before 0 nor end before it starts");
    }
    if (fadeIn < 0 || fadeOut < 0 || (long) fadeIn + fadeOut > sourceOut - sourceIn) {
      throw new IllegalArgumentException(
          "the fades of clip " + id + " must fit into it, one behind the other");
    }
  }

  /** A clip of a session, without fades: a template made from it leaves the audio out. */
  public Clip(
      String id, AudioRef audio, long startFrame, long sourceIn, long sourceOut, double gainDb) {
    this(id, audio, startFrame, sourceIn, sourceOut, gainDb, false, 0, 0, List.of());
  }

  public long frames() {
    return sourceOut - sourceIn;
  }

  public long endFrame() {
    return startFrame + frames();
  }
}
