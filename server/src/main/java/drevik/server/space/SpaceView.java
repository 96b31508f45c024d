package drevik.server.space;

import drevik.mix.MixKind;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What takes how much space, in bytes.
 *
 * @param free left on the disk of the data folder
 * @param audio all received contents and the copies made when they were seated, each once
 * @param keptDays for how long something removed can be brought back
 */
record SpaceView(
    long free, long database, long audio, long prints, int keptDays, List<MixSpace> mixes) {
  /**
   * A Mix with what was received and printed for it.
   *
   * @param removedAt null if it is there
   * @param audio contents of its deliveries, each once
   * @param onlyHere those of them that no delivery of another Mix has
   */
  record MixSpace(
      String id,
      String name,
      MixKind kind,
      @Nullable Instant removedAt,
      long audio,
      long onlyHere,
      List<SpacePart> deliveries,
      List<SpacePart> prints) {}

  /**
   * A delivery or a print run.
   *
   * @param bytes of its contents, or of its files
   */
  record SpacePart(String id, String name, Instant at, @Nullable Instant removedAt, long bytes) {}
}
