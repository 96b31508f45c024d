package drevik.server.store;

import drevik.audio.AudioException;
import drevik.audio.Sha256;
import drevik.mix.Refused;
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
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.util.Comparator;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/**
 * The store as a folder: {@code audio/ab/abcdef…}. Files arrive in a folder of this process, locked
 * while it lives; at start, folders of processes that died are cleared, and nothing else is.
 */
@Component
class FolderAudioStore implements AudioStore {
  /** Bytes left free for the database, which must always be able to write. */
  private static final long SPARE = 50_000_000;

  private final Path audio;
  private final Path arriving;
  private final FileChannel lockFile;
  private final FileLock lock;

  FolderAudioStore(DrevikProperties properties) throws IOException {
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
          delete(folder);
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

  private static void delete(Path folder) throws IOException {
    try (Stream<Path> paths = Files.walk(folder)) {
      for (Path path : paths.sorted(Comparator.reverseOrder()).toList()) {
        Files.deleteIfExists(path);
      }
    }
  }

  @PreDestroy
  void release() throws IOException {
    lock.close();
    lockFile.close();
    delete(arriving);
  }

  @Override
  public Incoming receive(InputStream in, long length) throws IOException {
    requireSpace(length);
    Path file = scratch();
    MessageDigest digest = Sha256.digest();
    try {
      long bytes;
      try (OutputStream out = new DigestOutputStream(Files.newOutputStream(file), digest)) {
        bytes = in.transferTo(out);
      }
      return new Arrived(file, Sha256.hex(digest), bytes);
    } catch (IOException | RuntimeException e) {
      Files.deleteIfExists(file);
      throw e;
    }
  }

  private void requireSpace(long length) {
    // Not the FileStore's figure: it needs a mount table, which a container may not have.
    long free = arriving.toFile().getUsableSpace();
    if (Math.max(0, length) > free - SPARE) {
      throw new Refused(
          "There is no room: the file has %s, and the disk of the audio store (%s) has %,d MB left. Free some space and send it again."
              .formatted(
                  length < 0 ? "no announced size" : "%,d MB".formatted(length / 1_000_000),
                  audio,
                  free / 1_000_000));
    }
  }

  @Override
  public Path scratch() {
    return arriving.resolve(Ids.next() + ".wav");
  }

  @Override
  public Incoming seal(Path scratch) throws IOException {
    return new Arrived(scratch, Sha256.of(scratch), Files.size(scratch));
  }

  @Override
  public Path locate(String sha256) {
    Path file = placeOf(sha256);
    if (!Files.isRegularFile(file)) {
      throw new AudioException(
          "the audio store has no file " + sha256 + "; receive the delivery again");
    }
    return file;
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
      Path place = placeOf(sha256);
      Files.createDirectories(place.getParent());
      try (FileChannel whole = FileChannel.open(file, StandardOpenOption.WRITE)) {
        whole.force(true);
      }
      Files.move(file, place, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    }

    @Override
    public void close() throws IOException {
      Files.deleteIfExists(file);
    }
  }
}
