package drevik.intake.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import drevik.audio.AudioException;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

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
  void audioThatTheHeaderDoesNotSpeakOfIsSaid() throws IOException {
    inspect(tone(0.4, 0, RATE, RATE));
    Path file = folder.resolve("a.wav");
    try (RandomAccessFile more = new RandomAccessFile(file.toFile(), "rw")) {
      more.setLength(more.length() + (5L << 30));
    }
    assertThat(FileNotes.of(Inspector.inspect(file), RATE))
        .containsExactly(
            "5,120 MB follow its audio that its header says nothing of; if it is too short, ask for it as RF64");
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
  void clippingIsPlacedEvenWhereItRunsAcrossHopsAndBlocks() throws IOException {
    float[] x = tone(0.4, 0, RATE, RATE);
    for (int i = 8_190; i < 8_200; i++) {
      x[i] = 1;
    }
    for (int i = RATE - 4; i < RATE; i++) {
      x[i] = 1;
    }
    Inspection found = inspect(x);
    assertThat(found.clippedSamples()).isEqualTo(14);
    assertThat(found.clippedRuns())
        .containsExactly(new Stretch(8_190, 8_200), new Stretch(RATE - 4, RATE));
  }

  @Test
  void theBitsThatAreReallyUsedAreCounted() throws IOException {
    float[] coarse = tone(0.4, 0, RATE, RATE);
    for (int i = 0; i < coarse.length; i++) {
      coarse[i] = Math.round(coarse[i] * 32768) / 32768f;
    }
    assertThat(inspect(coarse).usedBits()).isEqualTo(16);
    assertThat(inspect(tone(0.4, 0, RATE, RATE)).usedBits()).isEqualTo(32);
    Path file = folder.resolve("deep.wav");
    try (WavWriter writer = WavWriter.create(file, SampleFormat.PCM_24, RATE, Layout.MONO)) {
      writer.write(new float[][] {coarse}, 0, RATE);
    }
    assertThat(Inspector.inspect(file).usedBits()).isEqualTo(16);
  }

  @Test
  void samplesThatAreNoNumbersAreCountedAndReadAsSilence() throws IOException {
    float[] x = tone(0.4, 0, RATE, RATE);
    Path file = folder.resolve("broken.wav");
    try (WavWriter writer = WavWriter.create(file, SampleFormat.FLOAT_32, RATE, Layout.MONO)) {
      writer.write(new float[][] {x}, 0, RATE);
    }
    // No file of this program's has such samples.
    byte[] bytes = Files.readAllBytes(file);
    ByteBuffer.wrap(bytes, bytes.length - 80, 8)
        .order(ByteOrder.LITTLE_ENDIAN)
        .putFloat(Float.NaN)
        .putFloat(Float.POSITIVE_INFINITY);
    Files.write(file, bytes);
    Inspection found = Inspector.inspect(file);
    assertThat(found.unusableSamples()).isEqualTo(2);
    assertThat(found.samplePeakDbfs()).isCloseTo(-7.96, within(0.01));
    assertThat(FileNotes.of(found, RATE))
        .containsExactly("2 samples are no numbers; they are read as silence");
  }

  @Test
  void theSidesOfAStereoFileAreCompared() throws IOException {
    float[] x = tone(0.4, 0, RATE, RATE);
    float[] half = tone(0.2, 0, RATE, RATE);
    float[] flipped = tone(-0.4, 0, RATE, RATE);
    Sides panned = inspect(x, half).sides();
    assertThat(panned.onlyLevelDiffers()).isTrue();
    assertThat(panned.rightMinusLeftDb()).isCloseTo(-6.02, within(0.01));
    assertThat(inspect(x, flipped).sides().flipped()).isTrue();
    assertThat(inspect(x, new float[RATE]).sides().deadSide()).isEqualTo("right");
    assertThat(inspect(x, x.clone()).sides().same()).isTrue();
    float[] other = new float[RATE];
    for (int i = 0; i < RATE; i++) {
      other[i] = (float) (0.3 * Math.sin(i * 0.05));
    }
    Sides stereo = inspect(x, other).sides();
    assertThat(stereo.same() || stereo.flipped() || stereo.onlyLevelDiffers()).isFalse();
    assertThat(stereo.deadSide()).isNull();
    assertThat(inspect(x).sides()).isNull();
  }

  @Test
  void activityIsWhereSoundIsAndNothingSoundingIsOutside() throws IOException {
    float[] x = new float[RATE * 12];
    System.arraycopy(tone(0.3, 0, RATE, RATE), 0, x, RATE, RATE);
    System.arraycopy(tone(0.3, 0, RATE, RATE), 0, x, RATE * 3, RATE);
    System.arraycopy(tone(0.002, 0, RATE, RATE), 0, x, RATE * 9, RATE);
    Sound sound = inspect(x).sound();
    assertThat(sound.activity())
        .containsExactly(new Stretch(RATE, RATE * 4), new Stretch(RATE * 9, RATE * 10));
    assertThat(sound.activeShare()).isCloseTo(4.0 / 12, within(0.01));
  }

  @Test
  void aPauseWithTheNoiseOfAGoodRoomIsDeadAir() throws IOException {
    int frames = 20 * RATE;
    float[] voice = tone(0.5, 2 * RATE, 5 * RATE, frames);
    Random noise = new Random(5);
    for (int i = 0; i < frames; i++) {
      voice[i] += (i >= 12 * RATE && i < 15 * RATE ? 0.4f : 0) * (float) Math.sin(i * 0.05);
      // −80 dBFS RMS, whose peaks lie some 11 dB higher.
      voice[i] += (float) (noise.nextGaussian() * 1e-4);
    }
    Sound sound = inspect(voice).sound();
    assertThat(sound.activity()).hasSize(2);
    assertThat(sound.activity().get(1).from()).isCloseTo(12L * RATE, within(RATE / 50L));
    List<Stretch> above = sound.above(-40, RATE, frames);
    assertThat(above).hasSize(2);
    assertThat(above.get(0).to()).isCloseTo(5L * RATE, within(RATE / 5L));
    assertThat(sound.above(-90, RATE, frames)).containsExactly(new Stretch(0, frames));
  }

  @Test
  void theNoiseFloorIsHeardInThePauses() throws IOException {
    Random random = new Random(7);
    float[] x = tone(0.5, 0, RATE * 2, RATE * 6);
    for (int i = 0; i < x.length; i++) {
      x[i] += (float) (random.nextGaussian() * 1e-3);
    }
    assertThat(inspect(x).sound().noiseFloorDbfs()).isCloseTo(-60, within(1.0));
    assertThat(inspect(tone(0.5, 0, RATE, RATE)).sound().noiseFloorDbfs()).isNull();
  }

  @Test
  void aPulseIsFoundInAClickAndNotInATone() throws IOException {
    float[] click = new float[RATE * 20];
    for (int beat = 0; beat < 40; beat++) {
      int at = beat * RATE * 60 / 132;
      for (int i = 0; i < 900 && at + i < click.length; i++) {
        click[at + i] = (float) (0.6 * Math.exp(-i / 200.0) * Math.sin(i * 0.2));
      }
    }
    assertThat(inspect(click).sound().pulseBpm()).isCloseTo(132, within(0.5));
    assertThat(inspect(tone(0.5, 0, RATE * 20, RATE * 20)).sound().pulseBpm()).isNull();
  }

  @Test
  void brightnessIsTheFrequencyOfASine() throws IOException {
    Inspection found = inspect(tone(0.5, 0, RATE, RATE));
    assertThat(found.sound().brightnessHz()).isCloseTo(0.13 * RATE / (2 * Math.PI), within(1.0));
  }

  @ParameterizedTest
  @CsvSource({"flac,flac,flac", "aiff,aiff,pcm_s24be", "caf,caf,pcm_s24le", "w64,w64,pcm_s24le"})
  void otherContainersAreDecodedToTheSameSamples(String ending, String container, String encoding)
      throws IOException, InterruptedException {
    Path wave = folder.resolve("tone.wav");
    try (WavWriter writer = WavWriter.create(wave, SampleFormat.PCM_24, RATE, Layout.MONO)) {
      writer.write(new float[][] {tone(0.4, 0, RATE, RATE)}, 0, RATE);
    }
    Path other = folder.resolve("tone." + ending);
    String codec = encoding.equals("flac") ? "flac" : encoding;
    Process ffmpeg =
        new ProcessBuilder(
                "ffmpeg",
                "-nostdin",
                "-loglevel",
                "error",
                "-i",
                wave.toString(),
                "-c:a",
                codec,
                "-bits_per_raw_sample",
                "24",
                other.toString())
            .inheritIO()
            .start();
    assertThat(ffmpeg.waitFor()).isZero();
    Inspection found = Inspector.inspect(other);
    assertThat(found.container()).isEqualTo(container);
    assertThat(found.encoding()).isEqualTo(encoding);
    assertThat(found.header().format()).isEqualTo(SampleFormat.PCM_24);
    assertThat(found.header().frames()).isEqualTo(RATE);
    assertThat(found.samplePeakDbfs()).isEqualTo(Inspector.inspect(wave).samplePeakDbfs());
  }

  @ParameterizedTest
  @ValueSource(strings = {"text that is no audio at all", "RIFF____AVI LIST", "GIF89a______"})
  void whatIsNoAudioIsRefusedByItsFirstBytesWhateverItIsCalled(String content) throws IOException {
    Path file = Files.writeString(folder.resolve("song.wav"), content);
    assertThatThrownBy(() -> Inspector.inspect(file))
        .isInstanceOf(AudioException.class)
        .hasMessageContaining("“song.wav” is no audio file that Drevik reads")
        .hasMessageContaining("export it as WAV");
  }

  @Test
  void aDamagedFileOfAnotherContainerIsNamed() throws IOException {
    Path file = Files.writeString(folder.resolve("song.flac"), "fLaC and then nothing of use");
    assertThatThrownBy(() -> Inspector.inspect(file))
        .isInstanceOf(AudioException.class)
        .hasMessageContaining("“song.flac”");
  }

  @Test
  void aBrokenFileIsNamed() throws IOException {
    Path broken = Files.writeString(folder.resolve("broken.wav"), "RIFFxxxxWAVEjunk");
    assertThatThrownBy(() -> Inspector.inspect(broken))
        .isInstanceOf(AudioException.class)
        .hasMessageContaining("“broken.wav” has no usable format chunk");
  }
}
