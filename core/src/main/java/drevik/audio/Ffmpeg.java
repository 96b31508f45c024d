package drevik.audio;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;

/**
 * Debian's {@code ffmpeg} as a child process: one file in, one out, bounded in time and in what it
 * may write, allowed to open nothing but these two.
 */
final class Ffmpeg {
  private static final long LIMIT_MINUTES = 30;
  private static final int MOST_REASONS = 2;

  /** Bytes; 3 hours of 7.1 at 48 kHz in 32 bits have 16.6 GB. */
  private static final long LARGEST = 40_000_000_000L;

  private Ffmpeg() {}

  /**
   * Writes a WAVE file.
   *
   * @param doing for the message, such as “resampled”
   * @param options of the output, such as codec and filters
   * @throws AudioException if ffmpeg is missing, fails or takes too long; {@code to} is gone then
   */
  static void run(String doing, Path from, Path to, List<String> options) {
    run(doing, from, to, options, LARGEST);
  }

  /**
   * The same.
   *
   * @param most bytes that it may write
   */
  static void run(String doing, Path from, Path to, List<String> options, long most) {
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-hide_banner"));
    command.addAll(List.of("-loglevel", "error", "-y", "-protocol_whitelist", "file"));
    command.addAll(List.of("-f", Container.of(from).demuxer(), "-i", from.toString()));
    command.addAll(List.of("-map", "0:a:0", "-map_metadata", "-1"));
    command.addAll(List.of("-fflags", "+bitexact", "-flags:a", "+bitexact"));
    command.addAll(options);
    command.addAll(
        List.of("-fs", Long.toString(Math.min(most, LARGEST)), "-rf64", "auto", "-f", "wav"));
    command.add(to.toString());
    try {
      outputOf(command);
    } catch (Failure e) {
      throw failed(doing, from, to, String.valueOf(e.getMessage()));
    }
  }

  /**
   * What a file's header says.
   *
   * @param codec its name
   * @param bits of a sample; 0 where it has none
   * @param seconds 0 where it does not say
   */
  record Stream(String codec, int bits, int sampleRate, int channels, double seconds) {}

  static Stream streamOf(Path file) {
    List<String> command = new ArrayList<>(List.of("ffprobe", "-hide_banner", "-loglevel"));
    command.addAll(List.of("error", "-protocol_whitelist", "file"));
    command.addAll(List.of("-f", Container.of(file).demuxer(), "-select_streams", "a:0"));
    command.addAll(
        List.of(
            "-show_entries",
            "stream=codec_name,bits_per_raw_sample,bits_per_sample,sample_rate,channels:format=duration"));
    command.addAll(List.of("-of", "default=noprint_wrappers=1", file.toString()));
    String said;
    try {
      said = outputOf(command);
    } catch (Failure e) {
      throw AudioException.of(file, "could not be read: " + e.getMessage(), e);
    }
    String codec = valueOf(said, "codec_name");
    if (codec.isEmpty()) {
      throw AudioException.of(file, "has no audio in it; ask for it to be sent again", null);
    }
    int bits = Math.max(number(said, "bits_per_raw_sample"), number(said, "bits_per_sample"));
    String seconds = valueOf(said, "duration");
    return new Stream(
        codec,
        bits,
        number(said, "sample_rate"),
        number(said, "channels"),
        seconds.matches("\\d{1,9}(\\.\\d+)?") ? Double.parseDouble(seconds) : 0);
  }

  private static int number(String said, String key) {
    String value = valueOf(said, key);
    return value.matches("\\d{1,7}") ? Integer.parseInt(value) : 0;
  }

  private static String valueOf(String said, String key) {
    return said.lines()
        .filter(line -> line.startsWith(key + "="))
        .map(line -> line.substring(key.length() + 1).strip())
        .findFirst()
        .orElse("");
  }

  private static final class Failure extends Exception {
    private static final long serialVersionUID = 1;

    Failure(String why) {
      super(why);
    }
  }

  private static String outputOf(List<String> command) throws Failure {
    try {
      Path log = Files.createTempFile("drevik-ffmpeg", ".log");
      try {
        Process process =
            new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(log.toFile())
                .start();
        try {
          if (!process.waitFor(LIMIT_MINUTES, TimeUnit.MINUTES)) {
            throw new Failure("it took longer than " + LIMIT_MINUTES + " minutes");
          }
        } finally {
          process.destroyForcibly();
        }
        String said = lastWords(log);
        if (process.exitValue() != 0) {
          throw new Failure(plain(said, command));
        }
        return said;
      } finally {
        Files.deleteIfExists(log);
      }
    } catch (IOException e) {
      throw new Failure("ffmpeg could not be started; install it: " + e.getMessage());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new Failure("it was interrupted");
    }
  }

  /**
   * What ffmpeg said, for a person: without its inner addresses, the server's paths and
   * repetitions.
   */
  private static String plain(String said, List<String> command) {
    List<String> reasons =
        said.lines()
            .map(line -> line.replaceAll("\\[[^\\]]*@ 0x[0-9a-f]+\\]", "").strip())
            .map(line -> withoutPaths(line, command))
            .filter(line -> !line.isEmpty() && !line.startsWith("Last message repeated"))
            .distinct()
            .limit(MOST_REASONS)
            .toList();
    return (reasons.isEmpty() ? "ffmpeg ended with an error" : String.join("; ", reasons))
        + "; the file is damaged, ask for it to be sent again or exported as WAV";
  }

  private static String withoutPaths(String line, List<String> command) {
    String plain = line;
    for (String word : command) {
      if (word.startsWith("/")) {
        plain = plain.replace(word + ": ", "").replace(word, "the file");
      }
    }
    return plain;
  }

  /** A damaged file can make ffmpeg say very much. */
  private static String lastWords(Path log) throws IOException {
    String said = new String(Files.readAllBytes(log), StandardCharsets.UTF_8).strip();
    return said.length() <= 400 ? said : "… " + said.substring(said.length() - 400);
  }

  private static AudioException failed(String doing, Path from, Path to, String why) {
    try {
      Files.deleteIfExists(to);
    } catch (IOException ignored) {
      // The failure itself is what the caller needs to know.
    }
    return AudioException.of(from, "could not be " + doing + ": " + why, null);
  }
}
