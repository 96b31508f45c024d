package drevik.render;

import drevik.audio.AudioException;
import drevik.mix.Refused;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/**
 * The folder beside a print's own that its files are written in until all are whole. A file in it
 * says whose it is: no other folder is ever cleared.
 */
final class Unfinished {
  private static final String MARK = ".drevik-unfinished";

  private final Path folder;

  Unfinished(Path of) {
    this.folder = of.resolveSibling(of.getFileName() + ".unfinished");
  }

  Path folder() {
    return folder;
  }

  /** Makes it anew; what a killed print left in it goes. */
  void make() throws IOException {
    if (Files.exists(folder) && !Files.exists(folder.resolve(MARK)) && !isEmpty()) {
      throw new Refused("“" + folder + "” is in the way, and no print made it; move it elsewhere.");
    }
    remove();
    Files.createDirectories(folder);
    Files.createFile(folder.resolve(MARK));
  }

  private boolean isEmpty() throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      return files.findAny().isEmpty();
    }
  }

  void moveInto(Path place, List<PrintReport.Printed> files) throws IOException {
    Files.createDirectories(place);
    for (PrintReport.Printed printed : files) {
      Files.move(
          folder.resolve(printed.file()),
          place.resolve(printed.file()),
          StandardCopyOption.REPLACE_EXISTING);
    }
  }

  void remove() {
    if (!Files.exists(folder.resolve(MARK))) {
      return;
    }
    try (Stream<Path> paths = Files.walk(folder)) {
      for (Path path : paths.sorted(Comparator.reverseOrder()).toList()) {
        Files.deleteIfExists(path);
      }
    } catch (IOException e) {
      throw new AudioException("“" + folder + "” cannot be cleared: " + e.getMessage(), e);
    }
  }
}
