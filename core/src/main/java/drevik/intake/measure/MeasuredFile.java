package drevik.intake.measure;

import java.nio.file.Path;

/** A file with what was measured of it. */
public record MeasuredFile(Path path, Inspection found) {
  /** True if Drevik reads it itself: only then is it worth a second look. */
  boolean isWave() {
    return found.isWave();
  }
}
