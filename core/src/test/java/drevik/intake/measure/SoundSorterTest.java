package drevik.intake.measure;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavHeader;
import java.util.List;
import java.util.OptionalLong;
import org.junit.jupiter.api.Test;

class SoundSorterTest {
  private static final Inspection PLAIN = Inspections.of(48_000, SampleFormat.PCM_24);

  private static final Sound PULSE =
      new Sound(1600.0, 1.6, 0.95, 0.6, -97.0, 96.0, List.of(), null);
  private static final Sound FULL = new Sound(2500.0, 2.5, 0.97, 0.9, null, null, List.of(), null);

  private static Inspection stereo(Sound sound, double correlation) {
    WavHeader header =
        new WavHeader(
            "RIFF",
            SampleFormat.PCM_24,
            48_000,
            Layout.STEREO,
            44,
            4_800_000,
            OptionalLong.empty(),
            false,
            0);
    return PLAIN
        .withHeader(header)
        .withSides(new Sides(correlation, -10.0, 0.2, null))
        .withSound(sound)
        .withIntegratedLufs(-14.0);
  }

  @Test
  void aPulseWithSilenceBetweenIsAClickAndStillAskedAbout() {
    assertThat(SoundSorter.sort(PLAIN.withSound(PULSE)))
        .hasValueSatisfying(
            sorting -> {
              assertThat(sorting.category()).isEqualTo("click");
              assertThat(sorting.confidence()).isBetween(0.5, 0.7);
              assertThat(sorting.because())
                  .containsExactly("as regular as a click of 96 BPM, and silent between");
            });
  }

  @Test
  void aSnareOnEveryBeatRingsBetween() {
    Sound snare = new Sound(3200.0, 0.8, 0.95, 0.5, -49.0, 48.0, List.of(), null);
    assertThat(SoundSorter.sort(PLAIN.withSound(snare))).isEmpty();
  }

  @Test
  void whatIsWideLoudAndFullThroughoutIsAFinishedMix() {
    assertThat(SoundSorter.sort(stereo(FULL, 0.8)))
        .hasValueSatisfying(sorting -> assertThat(sorting.category()).isEqualTo("print"));
    assertThat(SoundSorter.sort(stereo(FULL, 1.0))).isEmpty();
    assertThat(SoundSorter.sort(stereo(FULL, 0.8).withIntegratedLufs(-30.0))).isEmpty();
    assertThat(SoundSorter.sort(PLAIN.withSound(FULL))).isEmpty();
  }

  @Test
  void silenceTellsNothing() {
    assertThat(SoundSorter.sort(PLAIN.withSound(PULSE).withSilent(true))).isEmpty();
  }
}
