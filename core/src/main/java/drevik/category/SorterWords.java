package drevik.category;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.zip.CRC32;

/** The words that names are read by, as files. */
public final class SorterWords {
  private SorterWords() {}

  /** The same as long as the words are; without reading them. */
  public static String version() {
    CRC32 sum = new CRC32();
    for (String resource : WordBook.RESOURCES) {
      try (InputStream in = SorterWords.class.getResourceAsStream(resource)) {
        sum.update(in.readAllBytes());
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
    return Long.toHexString(sum.getValue());
  }
}
