package drevik.server.intake;

import drevik.audio.AudioException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.stereotype.Component;

/** Whether a content of the store is as long as it was when it came. */
@Component
public class KeptAudio {
  private final AudioFileRows audioFiles;

  KeptAudio(AudioFileRows audioFiles) {
    this.audioFiles = audioFiles;
  }

  /**
   * Kept audio is as long as when it came.
   *
   * @throws AudioException if it is shorter or longer than it was
   */
  public void requireWhole(String sha256, Path file) throws IOException {
    long bytes = audioFiles.findById(sha256).map(audio -> audio.bytes).orElse(0L);
    long is = Files.size(file);
    if (bytes > 0 && bytes != is) {
      throw AudioException.of(
          sha256.substring(0, 8),
          "has %,d bytes in the store, and had %,d when it came; send its delivery again, or restore it from a backup"
              .formatted(is, bytes));
    }
  }
}
