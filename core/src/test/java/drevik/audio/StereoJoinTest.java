package drevik.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import drevik.audio.StereoJoin.Halves;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class StereoJoinTest {
  private static final int FRAMES = 40_000;

  @TempDir Path folder;

  private Path write(String name, int rate, float[] x) throws IOException {
    Path file = folder.resolve(name);
    try (WavWriter writer = WavWriter.create(file, SampleFormat.FLOAT_32, rate, Layout.MONO)) {
      writer.write(new float[][] {x}, 0, x.length);
    }
    return file;
  }

  private static float[] noise(int seed, int frames) {
    Random random = new Random(seed);
    float[] x = new float[frames];
    for (int i = 0; i < frames; i++) {
      x[i] = random.nextFloat() - 0.5f;
    }
    return x;
  }

  private float[][] joined(Path one, Path other, Halves halves, boolean flip) throws IOException {
    Path to = folder.resolve("to.wav");
    StereoJoin.write(one, other, halves, flip, to);
    try (WavReader reader = WavReader.open(to)) {
      assertThat(reader.header().layout()).isEqualTo(Layout.STEREO);
      float[][] audio = new float[2][(int) reader.header().frames()];
      reader.read(0, audio, 0, audio[0].length);
      return audio;
    }
  }

  @Test
  void leftAndRightKeepEverySample() throws IOException {
    float[] x = noise(1, FRAMES);
    float[] y = noise(2, FRAMES - 100);
    Path left = write("l.wav", 48_000, x);
    Path right = write("r.wav", 48_000, y);
    float[][] both = joined(left, right, Halves.LEFT_RIGHT, true);
    assertThat(both[0]).isEqualTo(x);
    for (int i = 0; i < FRAMES; i++) {
      assertThat(both[1][i]).isEqualTo(i < y.length ? -y[i] : 0f);
    }
  }

  @Test
  void midAndSideAreDecodedWithTheSamePower() throws IOException {
    float[] mid = noise(3, FRAMES);
    float[] side = noise(4, FRAMES);
    float[][] both =
        joined(write("m.wav", 48_000, mid), write("s.wav", 48_000, side), Halves.MID_SIDE, false);
    for (int i = 0; i < FRAMES; i++) {
      assertThat((double) both[0][i]).isCloseTo((mid[i] + side[i]) / Math.sqrt(2), within(1e-6));
      assertThat((double) both[1][i]).isCloseTo((mid[i] - side[i]) / Math.sqrt(2), within(1e-6));
    }
  }

  @Test
  void twoRatesAreNotJoined() throws IOException {
    Path left = write("l.wav", 48_000, noise(1, 100));
    Path right = write("r.wav", 44_100, noise(2, 100));
    Path to = folder.resolve("to.wav");
    assertThatThrownBy(() -> StereoJoin.write(left, right, Halves.LEFT_RIGHT, false, to))
        .isInstanceOf(AudioException.class)
        .hasMessageContaining("one is at 48000 Hz and the other at 44100 Hz");
    assertThat(to).doesNotExist();
  }
}
