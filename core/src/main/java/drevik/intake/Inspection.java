package drevik.intake;

import drevik.audio.WavHeader;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What one read of a file tells about it. Values that have no meaning for it are null.
 *
 * @param samplePeakDbfs null for silence
 * @param dcOffset mean of all samples, the worst channel, −1 to 1
 * @param clippedSamples samples in runs of three or more at full scale
 * @param dualMono stereo whose sides differ by less than −90 dBFS all through
 * @param firstSoundSeconds where the level first passes −60 dBFS; null for silence
 * @param overview largest magnitude in each of {@value Inspector#OVERVIEW_STEPS} equal stretches, 0
 *     to 255
 */
public record Inspection(
    WavHeader header,
    @Nullable Double samplePeakDbfs,
    @Nullable Double truePeakDbtp,
    @Nullable Double integratedLufs,
    @Nullable Double loudnessRangeLu,
    double dcOffset,
    long clippedSamples,
    boolean dualMono,
    boolean silent,
    @Nullable Double firstSoundSeconds,
    @Nullable Double lastSoundSeconds,
    List<Integer> overview) {}
