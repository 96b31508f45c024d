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
    convert(from, to, sampleRate, false);
  }

  /** The same, and of a file whose channels are all alike only the first, if {@code oneChannel}. */
  public static void convert(Path from, Path to, int sampleRate, boolean oneChannel) {
    String rate = "aresample=" + sampleRate + ":resampler=soxr:precision=28";
    String filter = oneChannel ? "pan=mono|c0=c0," + rate : rate;
    Ffmpeg.run("resampled", from, to, List.of("-af", filter, "-c:a", "pcm_f32le"));
  }
}
