package drevik.render;

import drevik.audio.Sha256;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a print run made, with its measurements.
 *
 * @param revision that was printed; null in a report of an earlier program
 * @param sampleRate Hz
 * @param seconds length of every file
 * @param wallSeconds how long the run took
 */
public record PrintReport(
    String mix,
    @Nullable Integer revision,
    int sampleRate,
    double seconds,
    double wallSeconds,
    List<Printed> files,
    List<NullTest> nullTests) {

  /**
   * One file. Levels are null where the file is silent.
   *
   * @param output the output's id
   * @param sha256 of the whole file, lower-case hex; null until it has been read again
   */
  public record Printed(
      String output,
      String name,
      String file,
      long frames,
      @Nullable Double samplePeakDbfs,
      @Nullable Double truePeakDbtp,
      @Nullable Double integratedLufs,
      double loudnessRangeLu,
      @Nullable String sha256) {
    private Printed withSha256(String hash) {
      return new Printed(
          output,
          name,
          file,
          frames,
          samplePeakDbfs,
          truePeakDbtp,
          integratedLufs,
          loudnessRangeLu,
          hash);
    }
  }

  /** The same with the hash of each file as it lies in {@code folder}. */
  public PrintReport hashed(Path folder) throws IOException {
    List<Printed> hashed = new ArrayList<>();
    for (Printed printed : files) {
      hashed.add(printed.withSha256(Sha256.of(folder.resolve(printed.file()))));
    }
    return new PrintReport(mix, revision, sampleRate, seconds, wallSeconds, hashed, nullTests);
  }

  /**
   * A stem set taken away from its mix, in the engine's own precision.
   *
   * @param residualDbfs largest sample that is left; null if nothing at all is left
   * @param passes the stems add up; told by the residual, whoever wrote the report
   */
  public record NullTest(
      String stemSet, String name, @Nullable Double residualDbfs, boolean passes) {
    /** Stems that add up leave less than a 20-bit file could show. */
    public static final double LIMIT_DBFS = -120;

    public NullTest {
      passes = residualDbfs == null || residualDbfs < LIMIT_DBFS;
    }

    NullTest(String stemSet, String name, @Nullable Double residualDbfs) {
      this(stemSet, name, residualDbfs, true);
    }
  }

  static @Nullable Double finiteOrNull(double value) {
    return Double.isFinite(value) ? value : null;
  }
}
