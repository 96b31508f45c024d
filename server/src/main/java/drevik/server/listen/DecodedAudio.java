package drevik.server.listen;

import drevik.audio.Decoder;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/**
 * Files that neither Drevik nor a browser reads by itself, decoded while they are listened to: the
 * last few of them, and none is kept when Drevik ends.
 */
@Component
class DecodedAudio {
  private static final int MOST = 3;

  private final Map<Path, Path> decoded = new LinkedHashMap<>(MOST, 0.75f, true);

  /**
   * A WAVE file of it. Who has it open can read on when others have taken its place.
   *
   * @throws drevik.audio.AudioException if there is no audio in it
   */
  synchronized Path of(Path file) throws IOException {
    Path known = decoded.get(file);
    if (known != null) {
      return known;
    }
    Path wave = Files.createTempFile("drevik-listening", ".wav");
    try {
      Decoder.toWave(file, wave);
      decoded.put(file, wave);
    } finally {
      if (!decoded.containsKey(file)) {
        Files.deleteIfExists(wave);
      }
    }
    if (decoded.size() > MOST) {
      Iterator<Path> oldest = decoded.values().iterator();
      Files.deleteIfExists(oldest.next());
      oldest.remove();
    }
    return wave;
  }

  @PreDestroy
  synchronized void clear() throws IOException {
    for (Path wave : decoded.values()) {
      Files.deleteIfExists(wave);
    }
    decoded.clear();
  }
}
