package drevik.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ListeningCopyTest {
  private static final int FRAMES = 10_000;

  @TempDir Path folder;

  private final Random random = new Random(16);

  private float[][] noise(Layout layout) {
    float[][] noise = new float[layout.channels()][FRAMES];
    for (float[] channel : noise) {
      for (int i = 0; i < FRAMES; i++) {
        channel[i] = (float) (random.nextDouble() - 0.5);
      }
    }
    return noise;
  }

  private Path written(SampleFormat format, int rate, Layout layout, float[][] samples)
      throws IOException {
    Path file = folder.resolve(format + "-" + rate + "-" + layout + ".wav");
    try (WavWriter writer = WavWriter.create(file, format, rate, layout)) {
      writer.write(samples, 0, FRAMES);
    }
    return file;
  }

  private float[][] heard(Path file, Layout layout, int rate) throws IOException {
    Path copy = folder.resolve("copy.wav");
    try (InputStream stream = ListeningCopy.of(file).stream()) {
      Files.write(copy, stream.readAllBytes());
    }
    try (WavReader reader = WavReader.open(copy)) {
      WavHeader header = reader.header();
      assertThat(header.layout()).isEqualTo(layout);
      assertThat(header.sampleRate()).isEqualTo(rate);
      assertThat(header.format()).isEqualTo(SampleFormat.PCM_24);
      assertThat(header.frames()).isEqualTo(FRAMES);
      assertThat(header.shortened()).isFalse();
      float[][] samples = new float[layout.channels()][FRAMES];
      reader.read(0, samples, 0, FRAMES);
      return samples;
    }
  }

  @ParameterizedTest
  @CsvSource({
    "PCM_16, 44100, MONO",
    "PCM_24, 48000, STEREO",
    "FLOAT_32, 384000, STEREO",
    "PCM_32, 96000, SURROUND_5_1",
    "PCM_24, 192000, SURROUND_7_1_4",
  })
  void isMonoOrTheFoldToStereoAtTheRateOfTheFile(SampleFormat format, int rate, Layout layout)
      throws IOException {
    float[][] samples = noise(layout);
    Layout heard = layout == Layout.MONO ? Layout.MONO : Layout.STEREO;
    double[][] gains = ChannelMatrix.of(layout, heard, Position.FRONT, PanLaw.MINUS_3);
    float[][] copy = heard(written(format, rate, layout, samples), heard, rate);
    double step = format == SampleFormat.PCM_16 ? 1e-4 : 1e-6;
    for (int channel = 0; channel < heard.channels(); channel++) {
      for (int i = 0; i < FRAMES; i += 97) {
        double sum = 0;
        for (int s = 0; s < samples.length; s++) {
          sum += gains[channel][s] * samples[s][i];
        }
        double held = Math.max(-1, Math.min(1, sum));
        assertThat((double) copy[channel][i]).isCloseTo(held, within(step));
      }
    }
  }

  @Test
  void isTheSameFromWhereverItIsRead() throws IOException {
    Path file = written(SampleFormat.PCM_24, 48_000, Layout.STEREO, noise(Layout.STEREO));
    try (ListeningCopy copy = ListeningCopy.of(file);
        InputStream stream = ListeningCopy.of(file).stream()) {
      byte[] whole = stream.readAllBytes();
      assertThat(copy.length()).isEqualTo(whole.length);
      for (int i = 0; i < 300; i++) {
        int at = random.nextInt(whole.length);
        byte[] some = new byte[1 + random.nextInt(9000)];
        int got = copy.read(at, some, 0, some.length);
        assertThat(got).isPositive();
        assertThat(some).startsWith(java.util.Arrays.copyOfRange(whole, at, at + got));
      }
      assertThat(copy.read(whole.length, new byte[1], 0, 1)).isEqualTo(-1);
    }
  }

  @Test
  void whatIsBeyondFullScaleIsHeldThere() throws IOException {
    float[][] loud = new float[1][FRAMES];
    java.util.Arrays.fill(loud[0], 0, FRAMES / 2, 3f);
    java.util.Arrays.fill(loud[0], FRAMES / 2, FRAMES, -3f);
    Path file = written(SampleFormat.FLOAT_32, 48_000, Layout.MONO, loud);
    float[][] copy = heard(file, Layout.MONO, 48_000);
    assertThat(copy[0][0]).isCloseTo(1f, within(1e-6f));
    assertThat(copy[0][FRAMES - 1]).isEqualTo(-1f);
  }

  @Test
  void aFileThatIsNoneIsRefusedByName() throws IOException {
    Path file = Files.writeString(folder.resolve("Broken.wav"), "RIFF and nothing else");
    assertThatThrownBy(() -> ListeningCopy.of(file))
        .isInstanceOf(AudioException.class)
        .hasMessageContaining("Broken.wav");
  }
}
