package drevik.intake.measure;

import drevik.audio.EmbeddedNotes;
import drevik.audio.WavHeader;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * What one read of a file tells about it. Values that have no meaning for it are null.
 *
 * @param container what the file is: a WAVE of some kind, or what it was decoded from
 * @param encoding {@code PCM}, {@code float}, or that of the file that was decoded
 * @param notes names and markers that the file carries
 * @param samplePeakDbfs null for silence
 * @param dcOffset mean of all samples, the worst channel, −1 to 1
 * @param clippedSamples samples in runs of three or more at full scale
 * @param clippedRuns where they are, the first {@value Inspector#MOST_RUNS} of them
 * @param usedBits how many of the bits of a sample are ever used: 16 in a 24-bit file that was made
 *     from a 16-bit one
 * @param unusableSamples samples that are no number (NaN or infinite); they are read as silence
 * @param sides null unless it is stereo
 * @param dualMono stereo whose sides differ by less than −90 dBFS all through
 * @param firstSoundSeconds where the level first passes −60 dBFS; null for silence
 * @param overview largest magnitude in each of {@value Inspector#OVERVIEW_STEPS} equal stretches, 0
 *     to 255
 */
@RecordBuilder
public record Inspection(
    WavHeader header,
    String container,
    String encoding,
    EmbeddedNotes notes,
    @Nullable Double samplePeakDbfs,
    @Nullable Double truePeakDbtp,
    @Nullable Double integratedLufs,
    @Nullable Double loudnessRangeLu,
    double dcOffset,
    long clippedSamples,
    List<Stretch> clippedRuns,
    int usedBits,
    long unusableSamples,
    @Nullable Sides sides,
    boolean dualMono,
    boolean silent,
    @Nullable Double firstSoundSeconds,
    @Nullable Double lastSoundSeconds,
    Sound sound,
    List<Integer> overview)
    implements InspectionBuilder.With {

  /** False if it had to be decoded from another container. */
  public boolean isWave() {
    return container.equals(header.container());
  }

  /** The overview in fewer steps, each with the largest of those that it stands for. */
  public List<Integer> overview(int steps) {
    int size = overview.size();
    if (size <= steps) {
      return overview;
    }
    return IntStream.range(0, steps)
        .map(
            step ->
                overview.subList(step * size / steps, (step + 1) * size / steps).stream()
                    .mapToInt(Integer::intValue)
                    .max()
                    .orElse(0))
        .boxed()
        .toList();
  }

  /** The same of the file that this one was decoded from. */
  Inspection decodedFrom(String container, String encoding) {
    return withContainer(container).withEncoding(encoding);
  }
}
