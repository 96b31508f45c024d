package drevik.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import drevik.audio.AudioException;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class InspectorTest {
  private static final int RATE = 48_000;

  @TempDir Path folder;

  private Inspection inspect(float[]... channels) throws IOException {
    return inspect(RATE, channels);
  }

  private Inspection inspect(int rate, float[]... channels) throws IOException {
    Path file = folder.resolve("a.wav");
    Layout layout = Layout.ofChannels(channels.length);
    try (WavWriter writer = WavWriter.create(file, SampleFormat.FLOAT_32, rate, layout)) {
      writer.write(channels, 0, channels[0].length);
    }
    return Inspector.inspect(file);
  }

  private static float[] tone(double amplitude, int from, int to, int frames) {
    float[] x = new float[frames];
    for (int i = from; i < to; i++) {
      x[i] = (float) (amplitude * Math.sin(i * 0.13));
    }
    return x;
  }

  @Test
  void peaksAndLoudnessAreMeasured() throws IOException {
    Inspection found = inspect(tone(0.5, 0, RATE * 4, RATE * 4));
    assertThat(found.samplePeakDbfs()).isCloseTo(-6.02, within(0.01));
    assertThat(found.truePeakDbtp()).isCloseTo(-6.02, within(0.05));
    assertThat(found.integratedLufs()).isCloseTo(-9.03, within(0.1));
    assertThat(found.silent()).isFalse();
    assertThat(found.clippedSamples()).isZero();
  }

  @Test
  void firstAndLastSoundAreFound() throws IOException {
    Inspection found = inspect(tone(0.2, 12_000, 36_000, RATE));
    assertThat(found.firstSoundSeconds()).isCloseTo(0.25, within(0.001));
    assertThat(found.lastSoundSeconds()).isCloseTo(0.75, within(0.001));
  }

  @Test
  void silenceHasNoLevelsButALength() throws IOException {
    Inspection found = inspect(new float[RATE]);
    assertThat(found.silent()).isTrue();
    assertThat(found.samplePeakDbfs()).isNull();
    assertThat(found.integratedLufs()).isNull();
    assertThat(found.firstSoundSeconds()).isNull();
    assertThat(FileNotes.of(found, RATE)).containsExactly("silent all through");
  }

  @Test
  void stereoThatIsMonoTwiceIsToldFromStereo() throws IOException {
    float[] x = tone(0.4, 0, RATE, RATE);
    assertThat(inspect(x, x.clone()).dualMono()).isTrue();
    assertThat(inspect(x, tone(0.39, 0, RATE, RATE)).dualMono()).isFalse();
    assertThat(FileNotes.of(inspect(x, x), RATE)).containsExactly("stereo that is mono twice");
  }

  @Test
  void clippingCountsRunsNotSinglePeaks() throws IOException {
    float[] x = tone(0.4, 0, RATE, RATE);
    x[100] = 1;
    x[200] = 1;
    x[201] = 1;
    assertThat(inspect(x).clippedSamples()).isZero();
    for (int i = 300; i < 310; i++) {
      x[i] = -1;
    }
    Inspection found = inspect(x);
    assertThat(found.clippedSamples()).isEqualTo(10);
    assertThat(FileNotes.of(found, RATE)).containsExactly("clipped: 10 samples");
  }

  @Test
  void anOffsetAndAnotherRateAreSaid() throws IOException {
    float[] x = tone(0.2, 0, 44_100, 44_100);
    for (int i = 0; i < x.length; i++) {
      x[i] += 0.02f;
    }
    Inspection found = inspect(44_100, x);
    assertThat(found.dcOffset()).isCloseTo(0.02, within(0.001));
    assertThat(FileNotes.of(found, RATE))
        .containsExactly("at 44,100 Hz; converted to 48,000 Hz when seated", "DC offset of 2.0 %");
  }

  @Test
  void theOverviewShowsWhereTheSoundIs() throws IOException {
    Inspection found = inspect(tone(1, 24_000, RATE, RATE));
    assertThat(found.overview()).hasSize(Inspector.OVERVIEW_STEPS);
    assertThat(found.overview().subList(0, 299)).containsOnly(0);
    assertThat(found.overview().subList(310, 600)).allMatch(step -> step > 200);
  }

  @Test
  void aFileShorterThanItsOverviewStillHasOne() throws IOException {
    Inspection found = inspect(new float[] {0.5f, -1f, 0.25f});
    assertThat(found.overview()).contains(128, 255, 64);
    assertThat(found.header().frames()).isEqualTo(3);
  }

  @Test
  void aBrokenFileIsNamed() throws IOException {
    Path broken = Files.writeString(folder.resolve("broken.wav"), "RIFFxxxxWAVEjunk");
    assertThatThrownBy(() -> Inspector.inspect(broken))
        .isInstanceOf(AudioException.class)
        .hasMessageContaining("“broken.wav” has no usable format chunk");
  }
}
