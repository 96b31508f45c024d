package drevik.render;

import drevik.audio.Sha256;
import drevik.deliver.Check;
import drevik.deliver.Check.Verdict;
import drevik.deliver.Shape;
import drevik.mix.Lists;
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
 * @param sources what was wrong with the audio that was played
 * @param passedBy processors that this program does not have and that passed audio as it was
 * @param notCompared stem sets of which not all files were printed, or all are silent
 */
public record PrintReport(
    String mix,
    @Nullable Integer revision,
    List<StandIn> passedBy,
    int sampleRate,
    double seconds,
    double wallSeconds,
    List<Printed> files,
    List<NullTest> nullTests,
    List<SourceFault> sources,
    List<NotCompared> notCompared) {

  public PrintReport {
    files = Lists.copy(files);
    nullTests = Lists.copy(nullTests);
    // Reports of earlier programs do not have them.
    sources = Lists.copy(sources);
    passedBy = Lists.copy(passedBy);
    notCompared = Lists.copy(notCompared);
  }

  /** True if nothing was found that must not be delivered. */
  public boolean passes() {
    return sources.isEmpty()
        && nullTests.stream().allMatch(NullTest::passes)
        && files.stream().noneMatch(file -> file.verdict() == Verdict.FAIL);
  }

  /**
   * What was measured of a file, as it was written. Levels are null where it is silent.
   *
   * @param clippedSamples beyond full scale, and cut there
   * @param unusableSamples that were no number, and were written as silence
   * @param shape what its channels are, beside each other and over time
   */
  record Measured(
      @Nullable Double samplePeakDbfs,
      @Nullable Double truePeakDbtp,
      @Nullable Double integratedLufs,
      double loudnessRangeLu,
      @Nullable Double maxMomentaryLufs,
      @Nullable Double maxShortTermLufs,
      long clippedSamples,
      long unusableSamples,
      Shape shape) {}

  /**
   * One file. Levels are null where the file is silent.
   *
   * @param output the output's id
   * @param sha256 of the whole file, lower-case hex; null until it has been read again
   * @param maxMomentaryLufs loudest 400 ms
   * @param maxShortTermLufs loudest 3 s
   * @param clippedSamples beyond full scale, and cut there
   * @param unusableSamples that were no number, and were written as silence
   * @param shape what its channels are, beside each other and over time; null in a report of an
   *     earlier program
   * @param checks against what is asked of the output, and against what nobody wants
   * @param verdict the worst of them
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
      @Nullable String sha256,
      @Nullable Double maxMomentaryLufs,
      @Nullable Double maxShortTermLufs,
      long clippedSamples,
      long unusableSamples,
      @Nullable Shape shape,
      List<Check> checks,
      @Nullable Verdict verdict) {
    public Printed {
      checks = Lists.copy(checks);
    }

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
          hash,
          maxMomentaryLufs,
          maxShortTermLufs,
          clippedSamples,
          unusableSamples,
          shape,
          checks,
          verdict);
    }
  }

  /**
   * A fault of a file that was played.
   *
   * @param channel id of the seat
   * @param file its name
   * @param unusableSamples that are no number, or infinite; played as silence
   * @param missingFrames that the clip wants and the file does not have; played as silence
   */
  public record SourceFault(
      String channel, String file, long unusableSamples, long missingFrames) {}

  /**
   * A stem set that was not held to its mix.
   *
   * @param missing names of its files that were not printed; empty if all of them are silent, so
   *     that there was nothing to compare
   */
  public record NotCompared(String stemSet, String name, List<String> missing) {
    public NotCompared {
      missing = Lists.copy(missing);
    }
  }

  /** A processor that does not run here, and the channel in whose chain it stands. */
  public record StandIn(String channel, String processor) {}

  /** The same with the hash of each file as it lies in {@code folder}. */
  public PrintReport hashed(Path folder) throws IOException {
    List<Printed> hashed = new ArrayList<>();
    for (Printed printed : files) {
      hashed.add(printed.withSha256(Sha256.of(folder.resolve(printed.file()))));
    }
    return new PrintReport(
        mix,
        revision,
        passedBy,
        sampleRate,
        seconds,
        wallSeconds,
        hashed,
        nullTests,
        sources,
        notCompared);
  }

  /**
   * A stem set taken away from its mix, sample by sample as they are in the files.
   *
   * @param residualDbfs largest sample that is left; null if nothing at all is left
   * @param limitDbfs what the formats must leave: rounding and dither of every file; null in a
   *     report of an earlier program
   * @param powerDbfs mean power of what is left where it is most, over a window of about 0.1 s;
   *     null if nothing at all is left, or in a report of an earlier program
   * @param powerLimitDbfs what rounding and dither of the formats leave, with room for chance
   * @param atSeconds where the largest is; null if nothing is left
   * @param passes the stems add up
   * @param why they cannot be compared; null if they were
   */
  public record NullTest(
      String stemSet,
      String name,
      @Nullable Double residualDbfs,
      @Nullable Double limitDbfs,
      @Nullable Double powerDbfs,
      @Nullable Double powerLimitDbfs,
      @Nullable Double atSeconds,
      boolean passes,
      @Nullable String why) {}

  static @Nullable Double finiteOrNull(double value) {
    return Double.isFinite(value) ? value : null;
  }
}
