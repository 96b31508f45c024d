package drevik.server.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.stream.Stream;

/** Folders as a whole. */
public final class Folders {
  private Folders() {}

  /** Removes a file, or a folder with all that is in it; nothing if nothing is there. */
  public static void delete(Path folder) throws IOException {
    if (!Files.exists(folder)) {
      return;
    }
    try (Stream<Path> paths = Files.walk(folder)) {
      for (Path path : paths.sorted(Comparator.reverseOrder()).toList()) {
        Files.deleteIfExists(path);
      }
    }
  }

  /** Bytes of all files in a folder; 0 if there is none. */
  public static long bytes(Path folder) throws IOException {
    if (!Files.exists(folder)) {
      return 0;
    }
    try (Stream<Path> paths = Files.walk(folder)) {
      return paths.filter(Files::isRegularFile).mapToLong(path -> path.toFile().length()).sum();
    }
  }
}
