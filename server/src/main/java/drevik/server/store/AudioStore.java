package drevik.server.store;

import drevik.audio.AudioException;
import drevik.mix.AudioRef;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.function.Supplier;

/** Audio by content: what is put in once is kept once, and appears only when it is whole. */
public interface AudioStore {
  /** A received file that is not in the store yet. Closing it without keeping it removes it. */
  interface Incoming extends AutoCloseable {
    Path file();

    String sha256();

    long bytes();

    /**
     * Moves it into the store. Until this is closed it is not discarded: by then something speaks
     * of it.
     */
    void keep() throws IOException;

    @Override
    void close() throws IOException;
  }

  /**
   * Streams {@code in} to a file of its own, hashing on the way.
   *
   * @param length bytes that were announced, or −1
   * @throws drevik.server.NoRoom if there is no room for them
   */
  Incoming receive(InputStream in, long length) throws IOException;

  /**
   * Throws contents away.
   *
   * @param unused finds, while nothing new can come, which of them nobody speaks of
   */
  void discard(Supplier<List<String>> unused) throws IOException;

  /** The contents that came before that moment, whether anything speaks of them or not. */
  List<String> keptBefore(Instant moment) throws IOException;

  /** A file that a program writes; hashed when it is whole, and gone when it did not get there. */
  Incoming make(Maker maker) throws IOException;

  /** Writes a file to a place that is empty. */
  interface Maker {
    void write(Path file) throws IOException;
  }

  /** Takes in a file that stays where it is, too, until whoever has it removes it. */
  Incoming link(Path file) throws IOException;

  /**
   * Where a content is. It is looked at whether it still is what was received.
   *
   * @throws AudioException if the store does not have it, or has it damaged
   */
  Path locate(String sha256);

  /**
   * Where a content is, for whoever only listens to it: whether it is still what was received would
   * take as long to find out as reading all of it.
   *
   * @throws AudioException if the store does not have it
   */
  Path find(String sha256);

  /**
   * The same as {@link #locate(String)}, and what is wrong with it is told by the name that people
   * know it by.
   */
  default Path locate(AudioRef audio) {
    try {
      return locate(audio.sha256());
    } catch (AudioException e) {
      throw e.named(audio.name());
    }
  }
}
