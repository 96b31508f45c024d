package drevik.cli;

import drevik.codec.Documents;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/** A Mix kept as a file. */
final class MixFile {
  private MixFile() {}

  /**
   * Reads a Mix.
   *
   * @throws Refused if the file cannot be read or holds no Mix
   */
  static Mix read(Path file) {
    return Documents.readForeign(text(file));
  }

  /** Writes a file whole, or leaves what is there. */
  static void write(Path file, String text) throws IOException {
    Path beside = file.resolveSibling(file.getFileName() + ".part");
    Files.writeString(beside, text);
    Files.move(beside, file, StandardCopyOption.REPLACE_EXISTING);
  }

  /**
   * @throws Refused if the file cannot be read as UTF-8
   */
  static String text(Path file) {
    try {
      return Files.readString(file);
    } catch (IOException e) {
      throw new Refused("“" + file + "” cannot be read: " + e);
    }
  }
}
