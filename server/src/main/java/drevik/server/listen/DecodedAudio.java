package drevik.server.listen;

import drevik.audio.Decoder;
import drevik.server.store.DiskSpace;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Files that neither Drevik nor a browser reads by itself, decoded while they are listened to: the
 * last few of them, and none is kept when Drevik ends.
 */
@Component
class DecodedAudio {
  private static final int MOST = 3;

  private final Map<Path, Path> decoded = new LinkedHashMap<>(MOST, 0.75f, true);

  /** One at a time for each file; who listens to another does not wait. */
  private final Map<Path, Object> locks = new ConcurrentHashMap<>();

  private final DiskSpace space;

  DecodedAudio(DiskSpace space) {
    this.space = space;
  }

  /**
   * A WAVE file of it. Who has it open can read on when others have taken its place.
   *
   * @throws drevik.audio.AudioException if there is no audio in it
   * @throws drevik.server.NoRoom if what it becomes does not fit
   */
  Path of(Path file) throws IOException {
    synchronized (locks.computeIfAbsent(file, path -> new Object())) {
      try {
        Path known = known(file);
        return known != null ? known : decode(file);
      } finally {
        locks.remove(file);
      }
    }
  }

  private synchronized @Nullable Path known(Path file) {
    return decoded.get(file);
  }

  private Path decode(Path file) throws IOException {
    Path wave = Files.createTempFile("drevik-listening", ".wav");
    boolean done = false;
    try {
      space.require(
          Path.of(System.getProperty("java.io.tmpdir")),
          Decoder.bytesOfWave(file),
          "what it becomes");
      Decoder.toWave(file, wave);
      done = true;
    } finally {
      if (!done) {
        Files.deleteIfExists(wave);
      }
    }
    keep(file, wave);
    return wave;
  }

  private synchronized void keep(Path file, Path wave) throws IOException {
    decoded.put(file, wave);
    if (decoded.size() > MOST) {
      Iterator<Path> oldest = decoded.values().iterator();
      Files.deleteIfExists(oldest.next());
      oldest.remove();
    }
  }

  @PreDestroy
  synchronized void clear() throws IOException {
    for (Path wave : decoded.values()) {
      Files.deleteIfExists(wave);
    }
    decoded.clear();
  }
}
