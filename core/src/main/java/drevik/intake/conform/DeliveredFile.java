package drevik.intake.conform;

import drevik.audio.Layout;
import drevik.intake.measure.Stretch;
import drevik.mix.AudioRef;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A received file, as the seating plan sees it.
 *
 * @param name as delivered
 * @param title what its seat is named after: its name, or what it calls itself inside
 * @param audio what is played: the original, or the file that was conformed from it
 * @param frames of {@code audio}
 * @param category where it is sorted to
 * @param flip its polarity is to be flipped, so that it agrees with its neighbour
 * @param startFrame where it begins on the session's timeline, in frames
 * @param replaces id of the file of an earlier delivery that it is a new version of, or null
 * @param known id of a file of an earlier delivery with the same content, or null
 * @param joined id of the file that is its right side, or null; {@code audio} holds both then
 * @param parts what is played of it, in frames of {@code audio}; the rest is dead air
 * @param firstSound where it is first heard, in frames of {@code audio}
 * @param loudness integrated, LUFS; null for silence
 * @param deliveredBy whom it came from; null where nobody said
 * @param wish where a person wants it; null for where the plan puts it
 */
@RecordBuilder
public record DeliveredFile(
    String id,
    String name,
    String title,
    AudioRef audio,
    Layout layout,
    long frames,
    boolean silent,
    String category,
    boolean flip,
    long startFrame,
    @Nullable String replaces,
    @Nullable String known,
    @Nullable String joined,
    List<Stretch> parts,
    long firstSound,
    @Nullable Double loudness,
    @Nullable String deliveredBy,
    @Nullable SeatWish wish)
    implements DeliveredFileBuilder.With {
  private static final String CLIP = "clip-";

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
        id,
        name,
        name,
        audio,
        layout,
        frames,
        silent,
        category,
        false,
        0,
        null,
        null,
        null,
        List.of(new Stretch(0, frames)),
        0,
        null,
        null,
        null);
  }

  /**
   * The same file, played from a copy that was conformed from it.
   *
   * @param copyFrames length of the copy
   */
  public DeliveredFile playedFrom(AudioRef copy, long copyFrames) {
    return with()
        .audio(copy)
        .frames(copyFrames)
        .parts(Trimming.scaled(parts, frames, copyFrames))
        .build();
  }

  /** The id of the clip that plays a part of this file. */
  String clipId(int part) {
    String file = joined == null ? id : id + "+" + joined;
    return CLIP + file + (part == 0 ? "" : "." + (part + 1));
  }

  /** Ids of the delivered files that are heard where this one plays. */
  List<String> sources() {
    return joined == null ? List.of(id) : List.of(id, joined);
  }
}
