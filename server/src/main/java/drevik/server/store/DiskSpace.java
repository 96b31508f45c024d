package drevik.server.store;

import drevik.server.NoRoom;
import java.nio.file.Path;
import org.springframework.stereotype.Component;

/** What may be written to a disk that the database needs too. */
@Component
public class DiskSpace {
  private static final long SPARE = 50_000_000;

  private volatile long spare = SPARE;

  /**
   * Says how much room is left alone.
   *
   * @param bytes left free for the database, which must always be able to write; 50 MB unless said
   */
  public void leaveFree(long bytes) {
    spare = bytes;
  }

  /** As much as is usual. */
  public void leaveFree() {
    leaveFree(SPARE);
  }

  /**
   * Asks for room before something is written.
   *
   * @param bytes that are going to be written; a figure below 0 means that nobody knows
   * @param what they are: “the file”
   * @throws NoRoom if they do not fit beside what the database needs
   */
  public void require(Path folder, long bytes, String what) {
    // Not the FileStore's figure: it needs a mount table, which a container may not have.
    long free = folder.toFile().getUsableSpace();
    if (Math.max(0, bytes) > free - spare) {
      throw new NoRoom(
          "There is no room: %s has %s, and the disk of %s has %,d MB left. Free some space and send it again."
              .formatted(
                  what,
                  bytes < 0 ? "no announced size" : "%,d MB".formatted(bytes / 1_000_000),
                  folder,
                  free / 1_000_000));
    }
  }
}
