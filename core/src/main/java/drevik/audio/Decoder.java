package drevik.audio;

import java.nio.file.Path;
import java.util.List;

/**
 * Makes a WAVE file of one in another container, at its own sample rate: fixed point of the same
 * depth where the file has that, else 32-bit float. The original is not touched.
 */
public final class Decoder {
  /** What a header may leave out, bytes. */
  private static final long ROOM = 10_000_000;

  private Decoder() {}

  /**
   * Writes the audio of any file as a WAVE file.
   *
   * @return the name of the encoding that was decoded, such as “flac”
   * @throws AudioException if there is no audio in the file, or it is damaged
   */
  public static String toWave(Path from, Path to) {
    Ffmpeg.Stream stream = Ffmpeg.streamOf(from);
    long said = bytesOf(stream);
    // A header may be a little off, and not many times.
    long most = said > 0 ? 2 * said + ROOM : Long.MAX_VALUE;
    Ffmpeg.run("decoded", from, to, List.of("-c:a", codec(stream)), most);
    return stream.codec();
  }

  /**
   * How long the WAVE file of it becomes, by what its header says, bytes; −1 if that does not say.
   *
   * @throws AudioException if there is no audio in the file
   */
  public static long bytesOfWave(Path from) {
    long bytes = bytesOf(Ffmpeg.streamOf(from));
    return bytes > 0 ? bytes : -1;
  }

  private static long bytesOf(Ffmpeg.Stream stream) {
    int bytes = Integer.parseInt(codec(stream).replaceAll("\\D", "")) / 8;
    return (long) (stream.seconds() * stream.sampleRate() * stream.channels() * bytes);
  }

  private static String codec(Ffmpeg.Stream stream) {
    boolean fixedPoint = !stream.codec().startsWith("pcm_f") && stream.bits() > 0;
    if (!fixedPoint || stream.bits() > 24) {
      return fixedPoint ? "pcm_s32le" : "pcm_f32le";
    }
    return stream.bits() <= 16 ? "pcm_s16le" : "pcm_s24le";
  }
}
