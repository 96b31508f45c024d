package drevik.audio;

import java.nio.file.Path;
import java.util.List;

/**
 * Makes a WAVE file of one in another container, at its own sample rate: fixed point of the same
 * depth where the file has that, else 32-bit float. The original is not touched.
 */
public final class Decoder {
  private Decoder() {}

  /**
   * @return the name of the encoding that was decoded, such as “flac”
   * @throws AudioException if there is no audio in the file, or it is damaged
   */
  public static String toWave(Path from, Path to) {
    Ffmpeg.Stream stream = Ffmpeg.streamOf(from);
    Ffmpeg.run("decoded", from, to, List.of("-c:a", codec(stream)));
    return stream.codec();
  }

  private static String codec(Ffmpeg.Stream stream) {
    boolean fixedPoint = !stream.codec().startsWith("pcm_f") && stream.bits() > 0;
    if (!fixedPoint || stream.bits() > 24) {
      return fixedPoint ? "pcm_s32le" : "pcm_f32le";
    }
    return stream.bits() <= 16 ? "pcm_s16le" : "pcm_s24le";
  }
}
