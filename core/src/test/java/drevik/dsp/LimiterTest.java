package drevik.dsp;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.FineTruePeak;
import drevik.audio.Layout;
import drevik.meter.PeakMeter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The ceiling holds, by a measure that has nothing of the limiter's. */
class LimiterTest {
  /** Above the ceiling, as a fine measure sees it, dB. */
  private static final double ALLOWED = 0.05;

  private static float[] limited(float[] x, int rate, double drive, double release, double ahead) {
    return limited(x, rate, Map.of("drive", drive, "release", release, "look-ahead", ahead));
  }

  private static float[] limited(float[] x, int rate, Map<String, Double> settings) {
    Limiter type = new Limiter();
    Processor limiter =
        type.create(
            new Settings(type.parameters(), settings),
            new ProcessorType.Surroundings(rate, Layout.MONO, 120));
    // With silence behind it, until all of it has come out.
    float[][] audio = {Arrays.copyOf(x, x.length + limiter.latency() + 500)};
    limiter.process(audio, null, audio[0].length);
    return audio[0];
  }

  private record Sound(String name, float[] samples) {}

  private static List<Sound> sounds(int rate) {
    int frames = 7_000;
    Random random = new Random(7);
    float[] noise = new float[frames];
    float[] clipped = new float[frames];
    float[] bursts = new float[frames];
    float[] drums = new float[frames];
    for (int i = 0; i < frames; i++) {
      noise[i] = (float) (0.3 * random.nextGaussian());
      clipped[i] = Math.max(-0.9f, Math.min(0.9f, 3 * noise[i]));
      bursts[i] = i / 700 % 3 == 0 ? (i / (3 + i / 2_000) % 2 == 0 ? 0.99f : -0.99f) : 0;
      int hit = i % 2_000;
      double decay = Math.exp(-hit / 300.0);
      drums[i] =
          (float)
              (decay * (0.7 * Math.sin(hit * 500.0 / rate) + 0.4 * random.nextGaussian() * decay));
    }
    List<Sound> sounds =
        new ArrayList<>(
            List.of(
                new Sound("noise", noise),
                new Sound("clipped noise", clipped),
                new Sound("square bursts", bursts),
                new Sound("drums", drums)));
    // The worst sines stand beside a whole fraction of the rate: their peaks wander between
    // samples.
    for (double hertz :
        new double[] {20_000, 19_200, 0.4 * rate + 3, rate / 4.0 + 5, rate / 3.0 - 7, 997}) {
      if (hertz <= 20_000) {
        float[] sine = new float[frames];
        for (int i = 0; i < frames; i++) {
          sine[i] = (float) (0.99 * Math.sin(2 * Math.PI * hertz * i / rate + 0.3));
        }
        sounds.add(new Sound("sine of " + hertz, sine));
      }
    }
    return sounds;
  }

  @ParameterizedTest
  @ValueSource(ints = {44_100, 48_000, 88_200, 96_000, 192_000})
  void nothingExceedsTheCeilingHoweverItIsSet(int rate) {
    double[][] settings = {{0, 80, 2}, {12, 5, 0.5}, {12, 80, 2}, {24, 5, 5}, {24, 2_000, 0.5}};
    for (Sound sound : sounds(rate)) {
      for (double[] set : settings) {
        float[] out = limited(sound.samples(), rate, set[0], set[1], set[2]);
        assertThat(FineTruePeak.of(out))
            .as(
                "%s at %d Hz, drive %.0f, release %.0f, look-ahead %.1f",
                sound.name(), rate, set[0], set[1], set[2])
            .isLessThan(-1 + ALLOWED);
      }
    }
  }

  @ParameterizedTest
  @ValueSource(ints = {44_100, 48_000})
  void withRoomForAnyPlayerASharperOneSeesNothingAboveTheCeiling(int rate) {
    double most = -100;
    for (Sound sound : sounds(rate)) {
      float[] bare = limited(sound.samples(), rate, Map.of("drive", 12.0));
      most = Math.max(most, FineTruePeak.ofAnyPlayer(bare));
      float[] out = limited(sound.samples(), rate, Map.of("drive", 12.0, "margin", 0.4));
      assertThat(FineTruePeak.ofAnyPlayer(out)).as(sound.name()).isLessThan(-1);
    }
    assertThat(most).as("without it, one of them").isGreaterThan(-1 + ALLOWED);
  }

  @Test
  void theMeterSeesWhatAFineMeasureSees() {
    for (Sound sound : sounds(48_000)) {
      PeakMeter meter = new PeakMeter(1);
      meter.add(new float[][] {sound.samples()}, 0, sound.samples().length);
      assertThat(meter.truePeakDbtp() - FineTruePeak.of(sound.samples()))
          .as(sound.name())
          .isBetween(-0.2, 0.2);
    }
  }

  @Test
  void whatIsLimitedIsStillLoud() {
    float[] out = limited(sounds(48_000).get(3).samples(), 48_000, 12, 80, 2);
    assertThat(FineTruePeak.of(out)).isGreaterThan(-1.3);
  }
}
