package drevik.intake;

import drevik.audio.Layout;
import drevik.mix.AudioRef;
import io.soabase.recordbuilder.core.RecordBuilder;
import org.jspecify.annotations.Nullable;

/**
 * A received file, as the seating plan sees it.
 *
 * @param name as delivered
 * @param audio what is played: the original, or the file that was conformed from it
 * @param frames of {@code audio}
 * @param category where it is sorted to
 * @param flip its polarity is to be flipped, so that it agrees with its neighbour
 * @param startFrame where it begins on the session's timeline, in frames
 * @param replaces id of the file of an earlier delivery that it is a new version of, or null
 * @param known id of a file of an earlier delivery with the same content, or null
 */
@RecordBuilder
public record DeliveredFile(
    String id,
    String name,
    AudioRef audio,
    Layout layout,
    long frames,
    boolean silent,
    String category,
    boolean flip,
    long startFrame,
    @Nullable String replaces,
    @Nullable String known)
    implements DeliveredFileBuilder.With {

  /** A file that comes for the first time, begins at the start, and is right side up. */
  public static DeliveredFile of(
      String id,
      String name,
      AudioRef audio,
      Layout layout,
      long frames,
      boolean silent,
      String category) {
    return new DeliveredFile(
        id, name, audio, layout, frames, silent, category, false, 0, null, null);
  }

  /** The id of the clip that plays the delivered file {@code id}. */
  public static String clipOf(String id) {
    return "clip-" + id;
  }

  /** The delivered file that a clip plays; empty text if it came in another way. */
  public static String fileOf(String clipId) {
    return clipId.startsWith("clip-") ? clipId.substring(5) : "";
  }
}
