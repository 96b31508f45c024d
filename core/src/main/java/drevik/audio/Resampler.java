package drevik.audio;

import java.nio.file.Path;
import java.util.List;

/**
 * Brings a file to another sample rate with {@code ffmpeg}'s soxr resampler. The result is 32-bit
 * float WAVE; the original is not touched.
 */
public final class Resampler {
  /** What becomes of the channels. */
  public enum Sides {
    KEPT(""),
    /** Of a file whose channels are all alike only the first. */
    FIRST_ONLY("pan=mono|c0=c0,"),
    /** Left becomes right. */
    SWAPPED("pan=stereo|c0=c1|c1=c0,");

    private final String filter;

    Sides(String filter) {
      this.filter = filter;
    }
  }

  private Resampler() {}

  /**
   * Writes {@code from}, converted, to {@code to}.
   *
   * @param sampleRate Hz
   * @throws AudioException if ffmpeg is missing, fails or takes too long; {@code to} is gone then
   */
  public static void convert(Path from, Path to, int sampleRate) {
    convert(from, to, sampleRate, Sides.KEPT);
  }

  /** The same, with something done to the channels. */
  public static void convert(Path from, Path to, int sampleRate, Sides sides) {
    String rate = "aresample=" + sampleRate + ":resampler=soxr:precision=28";
    Ffmpeg.run("resampled", from, to, List.of("-af", sides.filter + rate, "-c:a", "pcm_f32le"));
  }
}
