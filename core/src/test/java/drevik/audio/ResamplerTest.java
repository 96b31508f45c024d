package drevik.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ResamplerTest {
  @TempDir Path folder;

  private Path sine(int rate, double frequency, int frames) throws IOException {
    float[][] audio = new float[1][frames];
    for (int i = 0; i < frames; i++) {
      audio[0][i] = (float) (0.5 * Math.sin(2 * Math.PI * frequency * i / rate));
    }
    Path file = folder.resolve("from.wav");
    try (WavWriter writer = WavWriter.create(file, SampleFormat.PCM_24, rate, Layout.MONO)) {
      writer.write(audio, 0, frames);
    }
    return file;
  }

  @ParameterizedTest
  @CsvSource({"44100, 48000", "96000, 48000", "48000, 44100"})
  void aToneKeepsItsPitchLevelAndPlace(int from, int to) throws IOException {
    Path out = folder.resolve("to.wav");
    Resampler.convert(sine(from, 1000, from), out, to);
    try (WavReader reader = WavReader.open(out)) {
      assertThat(reader.header().sampleRate()).isEqualTo(to);
      assertThat(reader.header().format()).isEqualTo(SampleFormat.FLOAT_32);
      assertThat((double) reader.header().frames()).isCloseTo(to, within(2.0));
      float[][] audio = new float[1][to];
      reader.read(0, audio, 0, to);
      // Away from the ends, where the filter still swings in and out.
      for (int i = to / 10; i < to * 9 / 10; i++) {
        double expected = 0.5 * Math.sin(2 * Math.PI * 1000 * i / to);
        assertThat((double) audio[0][i]).isCloseTo(expected, within(1e-5));
      }
    }
  }

  @Test
  void whatTheNewRateCannotHoldIsTakenOutRatherThanFoldedDown() throws IOException {
    Path out = folder.resolve("to.wav");
    Resampler.convert(sine(96_000, 30_000, 96_000), out, 48_000);
    float[][] audio = new float[1][48_000];
    try (WavReader reader = WavReader.open(out)) {
      reader.read(0, audio, 0, 48_000);
    }
    for (int i = 5_000; i < 43_000; i++) {
      assertThat(Math.abs(audio[0][i])).isLessThan(1e-5f);
    }
  }

  @Test
  void whatCannotBeReadIsNamedAndLeavesNothingBehind() throws IOException {
    Path text = Files.writeString(folder.resolve("notes.wav"), "this is no audio");
    Path out = folder.resolve("to.wav");
    assertThatThrownBy(() -> Resampler.convert(text, out, 48_000))
        .isInstanceOf(AudioException.class)
        .hasMessageContaining("notes.wav")
        .hasMessageContaining("is no audio file that Drevik reads");
    assertThat(out).doesNotExist();
  }

  @Test
  void sidesAreSwappedWithoutChangingASample() throws IOException {
    float[][] audio = new float[2][1_000];
    for (int i = 0; i < 1_000; i++) {
      audio[0][i] = i / 2_000f;
      audio[1][i] = -i / 4_000f;
    }
    Path file = folder.resolve("stereo.wav");
    try (WavWriter writer = WavWriter.create(file, SampleFormat.FLOAT_32, 48_000, Layout.STEREO)) {
      writer.write(audio, 0, 1_000);
    }
    Path out = folder.resolve("swapped.wav");
    Resampler.convert(file, out, 48_000, Resampler.Sides.SWAPPED);
    float[][] read = new float[2][1_000];
    try (WavReader reader = WavReader.open(out)) {
      reader.read(0, read, 0, 1_000);
    }
    assertThat(read[0]).isEqualTo(audio[1]);
    assertThat(read[1]).isEqualTo(audio[0]);
  }
}
