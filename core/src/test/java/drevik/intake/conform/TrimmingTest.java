package drevik.intake.conform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.audio.Layout;
import drevik.intake.measure.Stretch;
import drevik.mix.AudioRef;
import drevik.mix.Clip;
import drevik.mix.Refused;
import java.util.List;
import org.junit.jupiter.api.Test;

class TrimmingTest {
  private static final int RATE = 1000;

  private static List<Stretch> parts(long frames, Stretch... activity) {
    return Trimming.parts(List.of(activity), frames, RATE, DeadAir.USUAL);
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
  void whatCountsAsDeadAirCanBeSaid() {
    DeadAir tight = new DeadAir(-50.0, 1, 0.1, 0.2);
    List<Stretch> activity = List.of(new Stretch(2_000, 4_000), new Stretch(5_100, 6_000));
    assertThat(Trimming.parts(activity, 8_000, RATE, tight))
        .containsExactly(new Stretch(1_900, 4_200), new Stretch(5_000, 6_200));
    List<Stretch> near = List.of(new Stretch(2_000, 4_000), new Stretch(4_900, 8_000));
    assertThat(Trimming.parts(near, 8_000, RATE, tight)).containsExactly(new Stretch(1_900, 8_000));
  }

  @Test
  void aNumberThatNothingCanBeCutByIsRefused() {
    assertThatThrownBy(() -> new DeadAir(3.0, 3, 0.5, 1.5)).hasMessageContaining("−120.0 to −20.0");
    assertThatThrownBy(() -> new DeadAir(null, Double.NaN, 0.5, 1.5))
        .hasMessageContaining("The shortest gap");
    assertThatThrownBy(() -> new DeadAir(null, 2, 0.5, 1.5))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("more than 2.0 s");
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
