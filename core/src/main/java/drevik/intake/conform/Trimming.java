package drevik.intake.conform;

import drevik.intake.measure.Stretch;
import drevik.mix.Clip;
import java.util.ArrayList;
import java.util.List;

/**
 * Which parts of a file are kept when its dead air is cut away. Handles are left before and behind
 * every stretch of sound, and the cuts are faded inside the handles, so that nothing audible is
 * touched.
 */
public final class Trimming {
  private static final double FADE_IN_SECONDS = 0.02;
  private static final double FADE_OUT_SECONDS = 0.5;

  private Trimming() {}

  /**
   * The parts of a file that are kept, in its frames; the whole file as one part where there is no
   * dead air.
   *
   * @param activity where there is anything to be heard, in order
   */
  static List<Stretch> parts(List<Stretch> activity, long frames, int sampleRate, DeadAir deadAir) {
    long least = deadAir.leastFrames(sampleRate);
    long head = Math.round(deadAir.headSeconds() * sampleRate);
    long tail = Math.round(deadAir.tailSeconds() * sampleRate);
    List<Stretch> parts = new ArrayList<>();
    for (Stretch sound : activity) {
      long from = Math.max(0, sound.from() - head);
      long to = Math.min(frames, sound.to() + tail);
      Stretch last = parts.isEmpty() ? null : parts.get(parts.size() - 1);
      if (last != null && from - last.to() < least) {
        parts.set(parts.size() - 1, new Stretch(last.from(), Math.max(last.to(), to)));
      } else {
        parts.add(new Stretch(last == null && from < least ? 0 : from, to));
      }
    }
    if (parts.isEmpty()) {
      return List.of(new Stretch(0, frames));
    }
    Stretch last = parts.get(parts.size() - 1);
    if (frames - last.to() < least) {
      parts.set(parts.size() - 1, new Stretch(last.from(), frames));
    }
    return parts;
  }

  /**
   * The same parts of a copy of the file at another rate.
   *
   * @param frames of the copy
   */
  static List<Stretch> scaled(List<Stretch> parts, long framesBefore, long frames) {
    double ratio = (double) frames / Math.max(1, framesBefore);
    return parts.stream()
        .map(
            part ->
                new Stretch(
                    (long) Math.floor(part.from() * ratio),
                    Math.min(frames, (long) Math.ceil(part.to() * ratio))))
        .toList();
  }

  /**
   * The clips that play a file's parts, faded where something was cut away.
   *
   * @param sampleRate of the session, Hz
   */
  public static List<Clip> clips(DeliveredFile file, int sampleRate) {
    List<Clip> clips = new ArrayList<>();
    List<Stretch> parts = file.parts();
    for (int i = 0; i < parts.size(); i++) {
      Stretch part = parts.get(i);
      Clip clip =
          new Clip(
              file.clipId(i),
              file.audio(),
              file.startFrame() + part.from(),
              part.from(),
              part.to(),
              0);
      clips.add(
          clip.with()
              .delivered(file.sources())
              .fadeIn(part.from() == 0 ? 0 : fade(FADE_IN_SECONDS, sampleRate, part))
              .fadeOut(part.to() == file.frames() ? 0 : fade(FADE_OUT_SECONDS, sampleRate, part))
              .build());
    }
    return clips;
  }

  private static int fade(double seconds, int sampleRate, Stretch part) {
    return (int) Math.min(part.frames() / 2, Math.round(seconds * sampleRate));
  }
}
