package drevik.cli;

import drevik.audio.Sha256;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Contents of files that have been read before: a file is known again by its place on the disk, its
 * size, and when it and what is said of it were last changed. Whoever sets a file's time back
 * changes what is said of it, so that only a disk that is written past the system would deceive.
 *
 * <p>A file that was changed within the last {@link #SETTLED} is read each time: another change in
 * the same tick of the clock would not show. Where nothing can be kept, all is read.
 */
final class KnownContents {
  private static final Duration SETTLED = Duration.ofSeconds(3);
  private static final int MOST = 20_000;

  private final Path kept;
  private final Map<String, String> contents = new ConcurrentHashMap<>();
  private final List<String> learnt = new ArrayList<>();

  private KnownContents(Path kept) {
    this.kept = kept;
  }

  /** Those of whoever runs this, in the folder that the system has for such. */
  static KnownContents ofUser() {
    String folder = System.getenv("XDG_CACHE_HOME");
    Path caches =
        folder == null || folder.isEmpty()
            ? Path.of(System.getProperty("user.home"), ".cache")
            : Path.of(folder);
    return in(caches.resolve("drevik").resolve("known-contents"));
  }

  /** What a file keeps: a line each, the hash and what it is known by. */
  static KnownContents in(Path kept) {
    KnownContents known = new KnownContents(kept);
    try (Stream<String> lines = Files.lines(kept)) {
      lines
          .filter(line -> line.matches("[0-9a-f]{64} .+"))
          .forEach(line -> known.contents.put(line.substring(65), line.substring(0, 64)));
    } catch (IOException | RuntimeException e) {
      // Nothing is known yet, or what is there cannot be read: files are read instead.
    }
    return known;
  }

  /** SHA-256 of a file's content, lower-case hex. */
  String sha256(Path file) throws IOException {
    String by = knownBy(file);
    String known = by == null ? null : contents.get(by);
    if (known != null) {
      return known;
    }
    String hash = Sha256.of(file);
    if (by != null && by.equals(knownBy(file))) {
      synchronized (learnt) {
        learnt.add(hash + " " + by);
      }
    }
    return hash;
  }

  /** Null where the system does not say enough, or the file is too new. */
  private static @Nullable String knownBy(Path file) throws IOException {
    try {
      FileTime changed = (FileTime) Files.getAttribute(file, "unix:ctime");
      if (changed.toInstant().isAfter(Instant.now().minus(SETTLED))) {
        return null;
      }
      return Files.getAttribute(file, "unix:dev")
          + " "
          + Files.getAttribute(file, "unix:ino")
          + " "
          + Files.size(file)
          + " "
          + Files.getLastModifiedTime(file)
          + " "
          + changed;
    } catch (UnsupportedOperationException | IllegalArgumentException e) {
      return null;
    }
  }

  /** Keeps what was learnt, for the next time; where there is too much, some of the older goes. */
  void keep() {
    if (learnt.isEmpty()) {
      return;
    }
    List<String> lines = new ArrayList<>();
    contents.forEach((by, hash) -> lines.add(hash + " " + by));
    lines.addAll(learnt);
    try {
      Files.createDirectories(kept.getParent());
      Path beside = Files.createTempFile(kept.getParent(), "known-contents", ".part");
      try {
        List<String> most = lines.subList(Math.max(0, lines.size() - MOST), lines.size());
        Files.write(beside, most, StandardCharsets.UTF_8);
        Files.move(beside, kept, StandardCopyOption.ATOMIC_MOVE);
      } finally {
        Files.deleteIfExists(beside);
      }
    } catch (IOException e) {
      // It will be read again.
    }
  }
}
