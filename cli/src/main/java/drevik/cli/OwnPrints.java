package drevik.cli;

import drevik.audio.AudioException;
import drevik.audio.WavReader;
import drevik.codec.Documents;
import drevik.mix.Refused;
import drevik.render.PrintReport;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;

/** Keeps a print from overwriting what no print made. */
final class OwnPrints {
  static final String REPORT = "report.json";

  /** Files are moved in moments before the report is written; clocks of disks are coarse. */
  private static final Duration COARSE = Duration.ofSeconds(2);

  private OwnPrints() {}

  /**
   * Files of these names are replaced only if the report in the folder tells of them, and they have
   * not been changed since.
   *
   * @throws Refused naming the first that is somebody else's
   */
  static void require(Path folder, List<String> names) throws IOException {
    Path report = folder.resolve(REPORT);
    Map<String, Long> own = framesOf(report);
    for (String name : names) {
      Path file = folder.resolve(name);
      if (Files.exists(file) && !isOwn(file, own.get(name), report)) {
        throw new Refused(
            "“"
                + name
                + "” is in "
                + folder
                + " already, and no print that its "
                + REPORT
                + " tells of wrote it; print into another folder, or move it away.");
      }
    }
  }

  private static boolean isOwn(Path file, @Nullable Long frames, Path report) throws IOException {
    if (frames == null) {
      return false;
    }
    Instant changed = Files.getLastModifiedTime(file).toInstant();
    if (changed.isAfter(Files.getLastModifiedTime(report).toInstant().plus(COARSE))) {
      return false;
    }
    try (WavReader reader = WavReader.open(file)) {
      return reader.header().frames() == frames;
    } catch (AudioException e) {
      return false;
    }
  }

  /** File name → frames, of the print before; none if there was none. */
  private static Map<String, Long> framesOf(Path report) throws IOException {
    Map<String, Long> own = new HashMap<>();
    if (!Files.exists(report)) {
      return own;
    }
    try {
      String json = Files.readString(report);
      for (PrintReport.Printed printed :
          Documents.mapper().readValue(json, PrintReport.class).files()) {
        own.put(printed.file(), printed.frames());
      }
      return own;
    } catch (JacksonException e) {
      throw new Refused(
          "“" + report + "” is no report of a print; move it away, or print into another folder.");
    }
  }
}
