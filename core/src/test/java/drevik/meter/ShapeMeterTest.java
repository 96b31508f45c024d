package drevik.meter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ShapeMeterTest {
  private static final int FRAMES = 10_000;

  private static float[][] noise() {
    Random random = new Random(4);
    float[][] audio = new float[2][FRAMES];
    for (float[] channel : audio) {
      for (int i = 0; i < FRAMES; i++) {
        channel[i] = (float) (0.25 + 0.1 * random.nextGaussian());
      }
    }
    return audio;
  }

  private static ShapeMeter measured(float[][] audio, int block) {
    ShapeMeter meter = new ShapeMeter(audio.length, 1e-4, FRAMES, 100);
    for (int at = 0; at < FRAMES; at += block) {
      meter.add(audio, at, Math.min(block, FRAMES - at));
    }
    return meter;
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 63, 64, 1_000, FRAMES})
  void blocksMakeNoDifference(int block) {
    float[][] audio = noise();
    for (float[] channel : audio) {
      Arrays.fill(channel, 3_000, 7_000, 0.00005f);
    }
    ShapeMeter meter = measured(audio, block);
    assertThat(meter.longestSilence())
        .as("stretches that are part heard count not")
        .isEqualTo(3_968);
    assertThat(meter.silenceAt()).isEqualTo(3_008);
    assertThat(meter.dc(0)).isCloseTo(measured(audio, FRAMES).dc(0), within(1e-12));
    assertThat(meter.endDbfs()).isCloseTo(measured(audio, FRAMES).endDbfs(), within(1e-9));
    assertThat(meter.identical()).isFalse();
  }

  @Test
  void meansPeaksAndEqualChannelsAreTold() {
    float[][] audio = noise();
    audio[1] = audio[0].clone();
    audio[0][5_000] = -1;
    ShapeMeter apart = measured(audio, 500);
    assertThat(apart.identical()).isFalse();
    assertThat(apart.peakDbfs(0)).isZero();
    assertThat(apart.dc(1)).isCloseTo(0.25, within(0.01));
    audio[1][5_000] = -1;
    assertThat(measured(audio, 500).identical()).isTrue();
  }

  @Test
  void silenceUpToTheEndCountsAndWhatIsNoNumberIsHeard() {
    float[][] silent = new float[1][FRAMES];
    assertThat(measured(silent, 777).longestSilence()).isEqualTo(FRAMES);
    assertThat(measured(silent, 777).endDbfs()).isEqualTo(Double.NEGATIVE_INFINITY);
    silent[0][6_000] = Float.NaN;
    assertThat(measured(silent, 777).longestSilence()).isLessThan(6_001);
  }
}
