package drevik.intake;

import drevik.audio.AudioException;
import drevik.mix.Refused;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Enumeration;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;

/**
 * Opens a zip, and zips inside it, and hands on each file by itself. Nothing is written by the
 * names in it: the receiver decides where a file goes. What is hostile or damaged is refused one by
 * one, with its reason, and the rest goes on.
 */
public final class Unpacker {
  /** Where the files of a zip go. */
  public interface Receiver {
    /**
     * Takes one file.
     *
     * @param name with its folders, those of the zips around it included
     * @throws AudioException if it cannot be used; it is refused then, and the others go on
     */
    void file(String name, InputStream content, long bytes) throws IOException;

    /** A file that is not handed on. */
    void refused(String name, String why);
  }

  private static final int DEEPEST = 3;
  private static final int MOST_FILES = 20_000;
  private static final int MOST_REFUSED = 500;

  /**
   * No delivered audio is packed to a hundredth, but for silence; bytes up to which nobody cares.
   */
  private static final int MOST_TIMES = 100;

  private static final long SMALL = 500_000_000L;
  private static final byte[] START = {'P', 'K', 3, 4};
  private static final Charset OLD_NAMES = Charset.forName("IBM437");

  private final Receiver receiver;
  private final long mostBytes;
  private long bytes;
  private int files;
  private int refused;

  private Unpacker(Receiver receiver, long mostBytes) {
    this.receiver = receiver;
    this.mostBytes = mostBytes;
  }

  /** True if these are the first bytes of a zip. */
  public static boolean isZip(byte[] start) {
    return start.length >= START.length
        && start[0] == START[0]
        && start[1] == START[1]
        && start[2] == START[2]
        && start[3] == START[3];
  }

  /**
   * Hands on every file of a zip, and of the zips in it.
   *
   * @param name of the zip; its files stand in a folder of that name
   * @throws AudioException if it is damaged as a whole, or unpacks to so much that it must be
   *     hostile; what was handed on before stays
   */
  public static void unpack(Path zip, String name, Receiver receiver) throws IOException {
    unpack(zip, name, receiver, Math.max(SMALL, MOST_TIMES * Files.size(zip)));
  }

  static void unpack(Path zip, String name, Receiver receiver, long mostBytes) throws IOException {
    new Unpacker(receiver, mostBytes).open(zip, name, 1);
  }

  private void open(Path zip, String name, int depth) throws IOException {
    try (ZipFile opened = directory(zip, name)) {
      requireRoom(opened, name);
      Enumeration<ZipArchiveEntry> entries = opened.getEntriesInPhysicalOrder();
      while (entries.hasMoreElements()) {
        ZipArchiveEntry entry = entries.nextElement();
        if (++files > MOST_FILES) {
          throw tooMuch(name, "more than " + MOST_FILES + " files");
        }
        if (!entry.isDirectory() && !DeliveredNames.isLitter(nameOf(entry))) {
          one(opened, entry, name, depth);
        }
      }
    }
  }

  /** What a zip says of itself is believed where it is against it: nothing is unpacked first. */
  private void requireRoom(ZipFile zip, String name) {
    long said = 0;
    Enumeration<ZipArchiveEntry> entries = zip.getEntries();
    while (entries.hasMoreElements()) {
      said += Math.max(0, entries.nextElement().getSize());
      if (bytes + said > mostBytes) {
        throw tooMuch(name, "more than " + mostBytes / 1_000_000 + " MB");
      }
    }
  }

  private static ZipFile directory(Path zip, String name) {
    try {
      return ZipFile.builder().setPath(zip).setCharset(OLD_NAMES).get();
    } catch (IOException | IllegalArgumentException e) {
      throw AudioException.of(name, "is a damaged zip; ask for it to be sent again");
    }
  }

  private void one(ZipFile zip, ZipArchiveEntry entry, String folder, int depth)
      throws IOException {
    String name = nameOf(entry);
    String path = folder + "/" + name;
    try {
      DeliveredNames.requireSound(name);
      DeliveredNames.requireSound(path);
      requirePlain(zip, entry, path);
      read(zip, entry, path, depth);
    } catch (TooMuch e) {
      throw e;
    } catch (Refused e) {
      refuse(path, e.getMessage());
    } catch (AudioException e) {
      refuse(path, e.getMessage());
    }
  }

  private void refuse(String path, String why) {
    if (++refused > MOST_REFUSED) {
      throw tooMuch(path, "more than " + MOST_REFUSED + " files that cannot be used");
    }
    receiver.refused(DeliveredNames.shown(path), why);
  }

  private static void requirePlain(ZipFile zip, ZipArchiveEntry entry, String path) {
    if (entry.isUnixSymlink()) {
      throw AudioException.of(path, "is a link to another file; ask for the file itself");
    }
    if (entry.getGeneralPurposeBit().usesEncryption()) {
      throw AudioException.of(path, "is encrypted; ask for a zip without a password");
    }
    if (!zip.canReadEntryData(entry)) {
      throw AudioException.of(
          path, "is packed in a way that Drevik does not unpack; ask for a plain zip");
    }
  }

  private void read(ZipFile zip, ZipArchiveEntry entry, String path, int depth) throws IOException {
    try (InputStream in = new BufferedInputStream(new Counted(zip.getInputStream(entry), path))) {
      in.mark(START.length);
      byte[] start = in.readNBytes(START.length);
      in.reset();
      if (!isZip(start)) {
        receiver.file(path, in, entry.getSize());
        return;
      }
      if (depth == DEEPEST) {
        throw AudioException.of(path, "is a zip inside " + DEEPEST + " others; send it by itself");
      }
      Path inner = Files.createTempFile("drevik-inner", ".zip");
      try {
        Files.copy(in, inner, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
        open(inner, path, depth + 1);
      } finally {
        Files.deleteIfExists(inner);
      }
    }
  }

  private static AudioException damaged(String path) {
    return AudioException.of(path, "is damaged inside its zip; ask for it to be sent again");
  }

  /** UTF-8 where it is that, whatever the zip says; else the code page that zips began with. */
  private static String nameOf(ZipArchiveEntry entry) {
    byte[] raw = entry.getRawName();
    String name = entry.getName();
    if (raw != null) {
      try {
        name = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(raw)).toString();
      } catch (CharacterCodingException e) {
        // The name is what the zip's own code page makes of it.
      }
    }
    return name.replace('\\', '/');
  }

  /** Hostile as a whole, in contrast to one file of it. */
  private static final class TooMuch extends AudioException {
    private static final long serialVersionUID = 1;

    TooMuch(String message) {
      super(message);
    }
  }

  private static AudioException tooMuch(String name, String what) {
    return new TooMuch(
        "“" + name + "” unpacks to " + what + ", which no delivery does; it was not read further");
  }

  /**
   * Counts what is unpacked over all, since a zip's own figures may lie, and tells damage in it
   * from what goes wrong where it is written.
   */
  private final class Counted extends InputStream {
    private final InputStream in;
    private final String name;

    Counted(InputStream in, String name) {
      this.in = in;
      this.name = name;
    }

    private int counted(int read) {
      bytes += Math.max(0, read);
      if (bytes > mostBytes) {
        throw tooMuch(name, "more than " + mostBytes / 1_000_000 + " MB");
      }
      return read;
    }

    @Override
    public int read() {
      byte[] one = new byte[1];
      return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
    }

    @Override
    public int read(byte[] into, int offset, int length) {
      try {
        return counted(in.read(into, offset, length));
      } catch (IOException | IllegalArgumentException e) {
        throw damaged(name);
      }
    }

    @Override
    public void close() throws IOException {
      in.close();
    }
  }
}
