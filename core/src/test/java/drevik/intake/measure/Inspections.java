package drevik.intake.measure;

import drevik.audio.EmbeddedNotes;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavHeader;
import java.util.List;
import java.util.OptionalLong;
import org.jspecify.annotations.Nullable;

/** Inspections of files that nobody wrote: a mono file of 100 s with sound from 10 s to 90 s. */
public final class Inspections {
  private Inspections() {}

  public static Inspection of(int sampleRate, SampleFormat format) {
    WavHeader header =
        new WavHeader(
            "RIFF",
            format,
            sampleRate,
            Layout.MONO,
            44,
            100L * sampleRate,
            OptionalLong.empty(),
            false,
            0);
    return InspectionBuilder.builder()
        .header(header)
        .container("RIFF")
        .encoding("PCM")
        .notes(EmbeddedNotes.NONE)
        .samplePeakDbfs(-6.0)
        .truePeakDbtp(-5.5)
        .integratedLufs(-20.0)
        .loudnessRangeLu(5.0)
        .clippedRuns(List.of())
        .usedBits(format.bits())
        .firstSoundSeconds(10.0)
        .lastSoundSeconds(90.0)
        .sound(sound(null))
        .overview(List.of())
        .build();
  }

  public static Sound sound(@Nullable Double pulseBpm) {
    return new Sound(1000.0, 2, 0.8, 0, -60.0, pulseBpm, List.of(), null);
  }
}
