package drevik.cli;

import drevik.codec.Documents;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** A Mix kept as a file. */
final class MixFile {
  private MixFile() {}

  /**
   * Reads a Mix.
   *
   * @throws Refused if the file cannot be read or holds no Mix
   */
  static Mix read(Path file) {
    try {
      return Documents.readForeign(Files.readString(file));
    } catch (IOException e) {
      throw new Refused("“" + file + "” cannot be read: " + e);
    }
  }
}
