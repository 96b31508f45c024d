package drevik.intake.conform;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import drevik.intake.measure.Stretch;
import drevik.mix.AudioRef;
import drevik.mix.Clip;
import java.util.List;
import org.junit.jupiter.api.Test;

class TrimmingTest {
  private static final int RATE = 1000;

  private static List<Stretch> parts(long frames, Stretch... activity) {
    return Trimming.parts(List.of(activity), frames, RATE);
  }

  @Test
  void handlesAreLeftOnBothSidesOfTheSound() {
    assertThat(parts(60_000, new Stretch(10_000, 20_000), new Stretch(40_000, 41_000)))
        .containsExactly(new Stretch(9_500, 21_500), new Stretch(39_500, 42_500));
  }

  @Test
  void aLittleDeadAirIsNotWorthACut() {
    assertThat(parts(23_000, new Stretch(1_400, 10_000), new Stretch(12_900, 21_000)))
        .containsExactly(new Stretch(0, 23_000));
    assertThat(parts(5_000)).containsExactly(new Stretch(0, 5_000));
  }

  @Test
  void onlyCutsAreFaded() {
    DeliveredFile file =
        DeliveredFile.of("f", "f.wav", new AudioRef("", "f"), Layout.MONO, 60_000, false, "bass")
            .withStartFrame(5_000)
            .withParts(List.of(new Stretch(0, 21_500), new Stretch(39_500, 60_000)));
    List<Clip> clips = Trimming.clips(file, RATE);
    assertThat(clips).extracting(Clip::startFrame).containsExactly(5_000L, 44_500L);
    assertThat(clips).extracting(Clip::fadeIn).containsExactly(0, 20);
    assertThat(clips).extracting(Clip::fadeOut).containsExactly(500, 0);
    assertThat(clips).extracting(Clip::id).containsExactly("clip-f", "clip-f.2");
    assertThat(clips).allMatch(clip -> clip.delivered().equals(List.of("f")));
  }

  @Test
  void aCopyAtAnotherRateKeepsAllThatSounds() {
    assertThat(Trimming.scaled(List.of(new Stretch(999, 1_001)), 2_000, 4_411))
        .containsExactly(new Stretch(2_203, 2_208));
    assertThat(Trimming.scaled(List.of(new Stretch(0, 2_000)), 2_000, 4_410))
        .containsExactly(new Stretch(0, 4_410));
  }
}
