package drevik.audio;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;

/**
 * Brings a file to another sample rate with {@code ffmpeg}'s soxr resampler, as a child process
 * that is bounded in time. The result is 32-bit float WAVE; the original is not touched.
 */
public final class Resampler {
  private static final long LIMIT_MINUTES = 30;

  private Resampler() {}

  /**
   * Writes {@code from}, converted, to {@code to}.
   *
   * @param sampleRate Hz
   * @throws AudioException if ffmpeg is missing, fails or takes too long; {@code to} is gone then
   */
  public static void convert(Path from, Path to, int sampleRate) {
    List<String> command =
        List.of(
            "ffmpeg",
            "-nostdin",
            "-hide_banner",
            "-loglevel",
            "error",
            "-y",
            "-protocol_whitelist",
            "file",
            "-f",
            "wav",
            "-i",
            from.toString(),
            "-map",
            "0:a:0",
            "-map_metadata",
            "-1",
            "-fflags",
            "+bitexact",
            "-flags:a",
            "+bitexact",
            "-af",
            "aresample=" + sampleRate + ":resampler=soxr:precision=28",
            "-c:a",
            "pcm_f32le",
            "-rf64",
            "auto",
            "-f",
            "wav",
            to.toString());
    try {
      Path log = Files.createTempFile("drevik-resample", ".log");
      try {
        Process process =
            new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(log.toFile())
                .start();
        if (!process.waitFor(LIMIT_MINUTES, TimeUnit.MINUTES)) {
          process.destroyForcibly();
          throw failed(from, to, "it took longer than " + LIMIT_MINUTES + " minutes");
        }
        if (process.exitValue() != 0) {
          throw failed(from, to, Files.readString(log, StandardCharsets.UTF_8).strip());
        }
      } finally {
        Files.deleteIfExists(log);
      }
    } catch (IOException e) {
      throw failed(from, to, "ffmpeg could not be started; install it: " + e.getMessage());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw failed(from, to, "it was interrupted");
    }
  }

  private static AudioException failed(Path from, Path to, String why) {
    try {
      Files.deleteIfExists(to);
    } catch (IOException ignored) {
      // The failure itself is what the caller needs to know.
    }
    return new AudioException("“" + from.getFileName() + "” could not be resampled: " + why);
  }
}
