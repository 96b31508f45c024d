package drevik.render;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a print run made, with its measurements.
 *
 * @param sampleRate Hz
 * @param seconds length of every file
 * @param wallSeconds how long the run took
 */
public record PrintReport(
    String mix,
    int sampleRate,
    double seconds,
    double wallSeconds,
    List<Printed> files,
    List<NullTest> nullTests) {

  /**
   * One file. Levels are null where the file is silent.
   *
   * @param output the output's id
   */
  public record Printed(
      String output,
      String name,
      String file,
      long frames,
      @Nullable Double samplePeakDbfs,
      @Nullable Double truePeakDbtp,
      @Nullable Double integratedLufs,
      double loudnessRangeLu) {}

  /**
   * A stem set taken away from its mix, in the engine's own precision.
   *
   * @param residualDbfs largest sample that is left; null if nothing at all is left
   */
  public record NullTest(String stemSet, String name, @Nullable Double residualDbfs) {
    /** Stems that add up leave less than a 20-bit file could show. */
    public static final double LIMIT_DBFS = -120;

    public boolean passes() {
      return residualDbfs == null || residualDbfs < LIMIT_DBFS;
    }
  }

  static Double finiteOrNull(double value) {
    return Double.isFinite(value) ? value : null;
  }
}
