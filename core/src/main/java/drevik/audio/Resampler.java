package drevik.audio;

import java.nio.file.Path;
import java.util.List;

/**
 * Brings a file to another sample rate with {@code ffmpeg}'s soxr resampler. The result is 32-bit
 * float WAVE; the original is not touched.
 */
public final class Resampler {
  private Resampler() {}

  /**
   * Writes {@code from}, converted, to {@code to}.
   *
   * @param sampleRate Hz
   * @throws AudioException if ffmpeg is missing, fails or takes too long; {@code to} is gone then
   */
  public static void convert(Path from, Path to, int sampleRate) {
    String filter = "aresample=" + sampleRate + ":resampler=soxr:precision=28";
    Ffmpeg.run("resampled", from, to, List.of("-af", filter, "-c:a", "pcm_f32le"));
  }
}
