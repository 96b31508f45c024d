package drevik.server.intake;

import static java.nio.file.StandardOpenOption.CREATE;
import static java.nio.file.StandardOpenOption.WRITE;

import drevik.intake.DeliveredNames;
import drevik.mix.Refused;
import drevik.server.Conflict;
import drevik.server.DrevikProperties;
import drevik.server.Ids;
import drevik.server.NotFound;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * Large files, sent in pieces that follow one another. What has arrived stays, whatever breaks: the
 * network, the page, this process. The sender asks how far it got, and goes on from there.
 */
@Service
public class Uploads {
  /** How far an upload is; {@code files} are those that came of it once it is complete. */
  public record State(String id, long received, long bytes, List<String> files) {}

  /** What nobody went on with for so long is thrown away. */
  private static final Duration FORGOTTEN = Duration.ofDays(7);

  private final UploadRows uploads;
  private final DeliveryRows deliveries;
  private final ReceiveFiles receiving;
  private final Path folder;
  private final Clock clock;

  Uploads(
      UploadRows uploads,
      DeliveryRows deliveries,
      ReceiveFiles receiving,
      DrevikProperties properties,
      Clock clock)
      throws IOException {
    this.uploads = uploads;
    this.deliveries = deliveries;
    this.receiving = receiving;
    this.folder = Files.createDirectories(properties.data().toAbsolutePath().resolve("uploads"));
    this.clock = clock;
  }

  /** Begins an upload, or finds the one that broke off. */
  public State begin(String deliveryId, String name, long bytes) throws IOException {
    if (!deliveries.existsById(deliveryId)) {
      throw new NotFound("There is no delivery “" + deliveryId + "”.");
    }
    DeliveredNames.requireSound(name);
    if (bytes <= 0) {
      throw new Refused("“" + name + "” is empty (0 bytes); ask for it to be sent again");
    }
    for (UploadRow old : uploads.findByAtBefore(clock.instant().minus(FORGOTTEN))) {
      forget(old);
    }
    uploads.addIfNew(Ids.next(), deliveryId, name, bytes, clock.instant());
    UploadRow row = uploads.findByDeliveryIdAndNameAndBytes(deliveryId, name, bytes).orElseThrow();
    long free = folder.toFile().getUsableSpace();
    if (bytes - received(row) > free) {
      throw new Refused(
          "There is no room: “%s” has %,d MB, and the disk has %,d MB left. Free some space and send it again."
              .formatted(name, bytes / 1_000_000, free / 1_000_000));
    }
    return state(row, List.of());
  }

  public State state(String id) throws IOException {
    return state(row(id), List.of());
  }

  /**
   * Takes the next piece; the last one completes the file.
   *
   * @param offset where the piece belongs; only what follows on what is there can be taken
   * @throws Conflict if it does not follow on what is there
   */
  public State take(String id, long offset, InputStream piece) throws IOException {
    UploadRow row = row(id);
    try (FileChannel held = FileChannel.open(lockOf(row), CREATE, WRITE);
        FileLock lock = tryLock(held)) {
      if (lock == null) {
        throw new Conflict("Another piece of this file is being received; go on when it is there.");
      }
      return append(row, offset, piece);
    }
  }

  /**
   * Two senders of one upload would mix their pieces; they may be served by two processes.
   *
   * @return null if another holds it
   */
  private static @Nullable FileLock tryLock(FileChannel file) throws IOException {
    try {
      return file.tryLock();
    } catch (OverlappingFileLockException e) {
      return null;
    }
  }

  private State append(UploadRow row, long offset, InputStream piece) throws IOException {
    long there = received(row);
    if (offset != there) {
      throw new Conflict(
          "“%s” has arrived up to byte %,d, and this piece begins at %,d; go on from there."
              .formatted(row.name, there, offset));
    }
    append(row, piece, row.bytes - there);
    row.at = clock.instant();
    uploads.save(row);
    return received(row) < row.bytes ? state(row, List.of()) : complete(row);
  }

  private void append(UploadRow row, InputStream piece, long room) throws IOException {
    try (OutputStream out =
        Files.newOutputStream(part(row), StandardOpenOption.CREATE, StandardOpenOption.APPEND)) {
      byte[] buffer = new byte[1 << 16];
      long left = room;
      for (int got = piece.read(buffer); got >= 0; got = piece.read(buffer)) {
        if (got > left) {
          forget(row);
          throw new Refused(
              "“%s” is longer than the %,d bytes that were announced; send it again."
                  .formatted(row.name, row.bytes));
        }
        out.write(buffer, 0, got);
        left -= got;
      }
    }
  }

  /** The file becomes part of the delivery, or is listed with its fault; the upload is over. */
  private State complete(UploadRow row) throws IOException {
    try {
      List<String> files = receiving.receive(row.deliveryId, row.name, part(row));
      return new State(row.id, row.bytes, row.bytes, files);
    } finally {
      forget(row);
    }
  }

  private void forget(UploadRow row) throws IOException {
    Files.deleteIfExists(part(row));
    Files.deleteIfExists(lockOf(row));
    uploads.delete(row);
  }

  private State state(UploadRow row, List<String> files) throws IOException {
    return new State(row.id, received(row), row.bytes, files);
  }

  private long received(UploadRow row) throws IOException {
    Path part = part(row);
    return Files.exists(part) ? Files.size(part) : 0;
  }

  private Path part(UploadRow row) {
    return folder.resolve(row.id + ".part");
  }

  private Path lockOf(UploadRow row) {
    return folder.resolve(row.id + ".lock");
  }

  private UploadRow row(String id) {
    return uploads
        .findById(id)
        .orElseThrow(() -> new NotFound("There is no upload “" + id + "”; begin it again."));
  }
}
