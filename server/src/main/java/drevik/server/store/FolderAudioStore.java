package drevik.server.store;

import drevik.audio.AudioException;
import drevik.audio.Sha256;
import drevik.server.DrevikProperties;
import drevik.server.Ids;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.FileTime;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.locks.ReadWriteLock;
import java.util.concurrent.locks.ReentrantReadWriteLock;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * The store as a folder: {@code audio/ab/abcdef…}. Files arrive in a folder of this process, locked
 * while it lives; at start, folders of processes that died are cleared, and nothing else is.
 */
@Component
class FolderAudioStore implements AudioStore {
  private static final Pattern SHA256 = Pattern.compile("[0-9a-f]{64}");
  private static final String MEND = "send its delivery again, which puts it back";

  /** A file as it was when it was looked at: one that was written to since is another. */
  private record Version(long bytes, FileTime changed, @Nullable Object key) {
    static Version of(Path file) throws IOException {
      BasicFileAttributes now = Files.readAttributes(file, BasicFileAttributes.class);
      return new Version(now.size(), now.lastModifiedTime(), now.fileKey());
    }
  }

  /** Contents that this process found sound; reading all of it at each use would cost too much. */
  private final Map<String, Version> sound = new ConcurrentHashMap<>();

  /**
   * Held for reading from when a content is put in until it is spoken of; for writing to discard.
   */
  private final ReadWriteLock discarding = new ReentrantReadWriteLock();

  private final DiskSpace space;
  private final Path audio;
  private final Path arriving;
  private final FileChannel lockFile;
  private final FileLock lock;

  FolderAudioStore(DrevikProperties properties, DiskSpace space) throws IOException {
    this.space = space;
    audio = properties.data().toAbsolutePath().resolve("audio");
    Path all = properties.data().toAbsolutePath().resolve("arriving");
    Files.createDirectories(audio);
    Files.createDirectories(all);
    clearDead(all);
    arriving = Files.createDirectory(all.resolve(Ids.next()));
    lockFile =
        FileChannel.open(
            arriving.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
    lock = lockFile.lock();
  }

  private static void clearDead(Path all) throws IOException {
    try (DirectoryStream<Path> folders = Files.newDirectoryStream(all)) {
      for (Path folder : folders) {
        Path lock = folder.resolve("lock");
        if (!Files.exists(lock) || isFree(lock)) {
          Folders.delete(folder);
        }
      }
    }
  }

  private static boolean isFree(Path lock) throws IOException {
    try (FileChannel channel = FileChannel.open(lock, StandardOpenOption.WRITE);
        FileLock held = channel.tryLock()) {
      return held != null;
    } catch (java.nio.channels.OverlappingFileLockException e) {
      return false;
    }
  }

  @PreDestroy
  void release() throws IOException {
    lock.close();
    lockFile.close();
    Folders.delete(arriving);
  }

  @Override
  public Incoming receive(InputStream in, long length) throws IOException {
    space.require(arriving, length, "the file");
    return arrive(
        scratch -> {
          MessageDigest digest = Sha256.digest();
          long bytes;
          try (OutputStream out = new DigestOutputStream(Files.newOutputStream(scratch), digest)) {
            bytes = in.transferTo(out);
          }
          return new Arrived(scratch, Sha256.hex(digest), bytes);
        });
  }

  @Override
  public Incoming make(Maker maker) throws IOException {
    return arrive(
        scratch -> {
          maker.write(scratch);
          return new Arrived(scratch, Sha256.of(scratch), Files.size(scratch));
        });
  }

  @Override
  public Incoming link(Path file) throws IOException {
    return make(
        scratch -> {
          try {
            Files.createLink(scratch, file);
          } catch (IOException | UnsupportedOperationException e) {
            // A file system without hard links.
            space.require(arriving, Files.size(file), "the file");
            Files.copy(file, scratch);
          }
        });
  }

  private interface Arrival {
    Arrived to(Path scratch) throws IOException;
  }

  /** Whatever cuts an arrival short, what has arrived of it goes. */
  private Arrived arrive(Arrival arrival) throws IOException {
    Path scratch = arriving.resolve(Ids.next() + ".wav");
    try {
      return arrival.to(scratch);
    } catch (IOException | RuntimeException e) {
      Files.deleteIfExists(scratch);
      throw e;
    }
  }

  @Override
  public Path locate(String sha256) {
    Path file = placeOf(sha256);
    try {
      Version now = Version.of(file);
      if (!now.equals(sound.get(sha256))) {
        requireSound(file, sha256);
        sound.put(sha256, now);
      }
      return file;
    } catch (NoSuchFileException e) {
      throw AudioException.of(sha256, "is not in the audio store any more; " + MEND);
    } catch (IOException e) {
      throw AudioException.of(
          sha256, "cannot be read in the audio store (" + e.getMessage() + "); " + MEND);
    }
  }

  @Override
  public Path find(String sha256) {
    // Whoever listens names it in an address, which may hold anything.
    Path file = SHA256.matcher(sha256).matches() ? placeOf(sha256) : audio;
    if (!Files.isRegularFile(file)) {
      throw AudioException.of(sha256, "is not in the audio store any more; " + MEND);
    }
    return file;
  }

  private static void requireSound(Path file, String sha256) throws IOException {
    if (!Sha256.of(file).equals(sha256)) {
      throw AudioException.of(
          sha256, "is damaged in the audio store: it is not what was received; " + MEND);
    }
  }

  @Override
  public void discard(Supplier<List<String>> unused) throws IOException {
    discarding.writeLock().lock();
    try {
      for (String sha256 : unused.get()) {
        Files.deleteIfExists(placeOf(sha256));
        sound.remove(sha256);
      }
    } finally {
      discarding.writeLock().unlock();
    }
  }

  @Override
  public List<String> keptBefore(Instant moment) throws IOException {
    FileTime before = FileTime.from(moment);
    try (Stream<Path> all = Files.walk(audio, 2)) {
      List<String> kept = new ArrayList<>();
      for (Path file : all.filter(Files::isRegularFile).toList()) {
        // When it was moved in; it may have been written to, elsewhere, much earlier.
        FileTime came = (FileTime) Files.getAttribute(file, "unix:ctime");
        if (came.compareTo(before) < 0) {
          kept.add(file.getFileName().toString());
        }
      }
      return kept;
    }
  }

  private Path placeOf(String sha256) {
    if (!sha256.matches("[0-9a-f]{64}")) {
      throw new AudioException("“" + sha256 + "” is no content hash");
    }
    return audio.resolve(sha256.substring(0, 2)).resolve(sha256);
  }

  private final class Arrived implements Incoming {
    private final Path file;
    private final String sha256;
    private final long bytes;
    private boolean kept;

    Arrived(Path file, String sha256, long bytes) {
      this.file = file;
      this.sha256 = sha256;
      this.bytes = bytes;
    }

    @Override
    public Path file() {
      return file;
    }

    @Override
    public String sha256() {
      return sha256;
    }

    @Override
    public long bytes() {
      return bytes;
    }

    @Override
    public void keep() throws IOException {
      if (!kept) {
        discarding.readLock().lock();
        kept = true;
      }
      Path place = placeOf(sha256);
      Files.createDirectories(place.getParent());
      try (FileChannel whole = FileChannel.open(file, StandardOpenOption.WRITE)) {
        whole.force(true);
      }
      Files.move(file, place, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
      // It was hashed on its way here.
      sound.put(sha256, Version.of(place));
    }

    @Override
    public void close() throws IOException {
      if (kept) {
        discarding.readLock().unlock();
        kept = false;
      }
      Files.deleteIfExists(file);
    }
  }
}
