package drevik.server.intake;

import static java.nio.file.StandardOpenOption.CREATE;
import static java.nio.file.StandardOpenOption.WRITE;

import drevik.audio.AudioException;
import drevik.intake.DeliveredNames;
import drevik.mix.Refused;
import drevik.server.Conflict;
import drevik.server.DrevikProperties;
import drevik.server.Ids;
import drevik.server.NotFound;
import drevik.server.store.DiskSpace;
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
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/**
 * Large files, sent in pieces that follow one another. What has arrived stays, whatever breaks: the
 * network, the page, this process. The sender asks how far it got, and goes on from there.
 */
@Service
public class Uploads {
  /**
   * How far an upload is.
   *
   * @param done all of it has been taken in, or refused
   * @param files ids of those that came of it
   * @param fault why nothing came of it
   */
  public record State(
      String id,
      long received,
      long bytes,
      boolean done,
      List<String> files,
      @Nullable String fault) {}

  /** So much is written between two looks at how much room there is. */
  private static final int LOOK_EVERY = 1 << 24;

  private static final Logger LOG = LoggerFactory.getLogger(Uploads.class);

  /** What nobody went on with for so long is thrown away; what became of it is told for as long. */
  private static final Duration FORGOTTEN = Duration.ofDays(7);

  private final Set<String> told = ConcurrentHashMap.newKeySet();
  private final UploadRows uploads;
  private final DeliveryRows deliveries;
  private final ReceiveFiles receiving;
  private final Path folder;
  private final DiskSpace space;
  private final Clock clock;

  Uploads(
      UploadRows uploads,
      DeliveryRows deliveries,
      ReceiveFiles receiving,
      DrevikProperties properties,
      DiskSpace space,
      Clock clock)
      throws IOException {
    this.uploads = uploads;
    this.deliveries = deliveries;
    this.receiving = receiving;
    this.folder = Files.createDirectories(properties.data().toAbsolutePath().resolve("uploads"));
    this.clock = clock;
    this.space = space;
  }

  /**
   * Begins an upload, or finds the one that broke off.
   *
   * @param changed when the sender's file was last changed, milliseconds since 1970: another take
   *     of the same name and length is another file
   */
  public State begin(String deliveryId, String name, long bytes, long changed) throws IOException {
    if (!deliveries.existsById(deliveryId)) {
      throw new NotFound("There is no delivery “" + deliveryId + "”.");
    }
    DeliveredNames.requireSound(name);
    if (bytes <= 0) {
      throw new Refused("“" + name + "” is empty (0 bytes); ask for it to be sent again");
    }
    for (UploadRow old : uploads.findByAtBefore(clock.instant().minus(FORGOTTEN))) {
      // What has arrived whole is owed, however long it waits for room.
      if (old.done || received(old) < old.bytes) {
        forget(old);
      }
    }
    uploads.addIfNew(Ids.next(), deliveryId, name, bytes, changed, clock.instant());
    UploadRow row =
        uploads
            .findByDeliveryIdAndNameAndBytesAndChangedAndDoneFalse(deliveryId, name, bytes, changed)
            .orElseThrow(() -> new Conflict("“" + name + "” has just been taken in."));
    space.require(folder, bytes - received(row), "“" + name + "”");
    return state(row);
  }

  public State state(String id) throws IOException {
    return state(row(id));
  }

  /**
   * Takes in what has arrived whole: a kill, a full disk or a database that was away may have come
   * between its last piece and that. Called by the scheduler.
   */
  public void takeInWhatIsWhole() {
    for (UploadRow row : uploads.findByDoneFalse()) {
      try {
        // That of a removed delivery waits until that is brought back, or goes with it.
        if (received(row) == row.bytes && deliveries.existsById(row.deliveryId)) {
          holding(row, () -> complete(row(row.id)));
        }
      } catch (Conflict e) {
        LOG.debug("upload {}: {}", row.id, e.getMessage());
      } catch (IOException | RuntimeException e) {
        // Tried again and again, and told once.
        if (told.add(row.id)) {
          LOG.warn("taking in “{}”: {}", row.name, e.toString());
        }
      }
    }
  }

  /**
   * Takes the next piece; the last one completes the file.
   *
   * @param offset where the piece belongs; only what follows on what is there can be taken
   * @throws Conflict if it does not follow on what is there
   */
  public State take(String id, long offset, InputStream piece) throws IOException {
    UploadRow row = row(id);
    if (row.done) {
      throw new Conflict("All of “" + row.name + "” has been taken in already.");
    }
    return holding(row, () -> append(row(id), offset, piece));
  }

  private interface Work {
    State done() throws IOException;
  }

  private State holding(UploadRow row, Work work) throws IOException {
    try (FileChannel held = FileChannel.open(lockOf(row), CREATE, WRITE);
        FileLock lock = tryLock(held)) {
      if (lock == null) {
        throw new Conflict("Another piece of this file is being received; go on when it is there.");
      }
      return work.done();
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
    if (offset != there || row.done) {
      throw new Conflict(
          "“%s” has arrived up to byte %,d, and this piece begins at %,d; go on from there."
              .formatted(row.name, there, offset));
    }
    append(row, piece, row.bytes - there);
    row.at = clock.instant();
    uploads.save(row);
    return received(row) < row.bytes ? state(row) : complete(row);
  }

  private void append(UploadRow row, InputStream piece, long room) throws IOException {
    try (OutputStream out =
        Files.newOutputStream(part(row), StandardOpenOption.CREATE, StandardOpenOption.APPEND)) {
      byte[] buffer = new byte[1 << 16];
      long left = room;
      long looked = room + LOOK_EVERY;
      for (int got = piece.read(buffer); got >= 0; got = piece.read(buffer)) {
        if (got > left) {
          forget(row);
          throw new Refused(
              "“%s” is longer than the %,d bytes that were announced; send it again."
                  .formatted(row.name, row.bytes));
        }
        if (looked - left >= LOOK_EVERY) {
          space.require(folder, Math.min(left, LOOK_EVERY), "what is still to come");
          looked = left;
        }
        out.write(buffer, 0, got);
        left -= got;
      }
    }
  }

  /**
   * The file becomes part of the delivery, or is listed with its fault. Whatever else goes wrong
   * leaves it whole as it is, to be tried again.
   */
  private State complete(UploadRow row) throws IOException {
    if (row.done) {
      return state(row);
    }
    try {
      row.end(receiving.receive(row.deliveryId, row.name, part(row)), null);
      return ended(row);
    } catch (AudioException | Refused e) {
      row.end(List.of(), e.getMessage());
      ended(row);
      throw e;
    }
  }

  private State ended(UploadRow row) throws IOException {
    row.at = clock.instant();
    uploads.save(row);
    Files.deleteIfExists(part(row));
    Files.deleteIfExists(lockOf(row));
    return state(row);
  }

  private void forget(UploadRow row) throws IOException {
    Files.deleteIfExists(part(row));
    Files.deleteIfExists(lockOf(row));
    uploads.delete(row);
  }

  private State state(UploadRow row) throws IOException {
    return new State(row.id, received(row), row.bytes, row.done, row.files, row.fault);
  }

  private long received(UploadRow row) throws IOException {
    Path part = part(row);
    if (row.done) {
      return row.bytes;
    }
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
