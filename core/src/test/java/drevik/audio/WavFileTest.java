package drevik.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class WavFileTest {
  @TempDir Path folder;

  private Path write(SampleFormat format, Layout layout, float[][] audio) throws IOException {
    Path file = folder.resolve("a.wav");
    try (WavWriter writer = WavWriter.create(file, format, 48_000, layout)) {
      writer.write(audio, 0, audio[0].length);
    }
    return file;
  }

  private static float[][] noise(int channels, int frames) {
    Random random = new Random(7);
    float[][] audio = new float[channels][frames];
    for (float[] channel : audio) {
      for (int i = 0; i < frames; i++) {
        channel[i] = random.nextFloat() * 1.8f - 0.9f;
      }
    }
    return audio;
  }

  @ParameterizedTest
  @CsvSource({"PCM_24, 6e-8", "PCM_32, 6e-8", "FLOAT_32, 0"})
  void whatIsWrittenIsReadBack(SampleFormat format, double tolerance) throws IOException {
    float[][] audio = noise(2, 999);
    try (WavReader reader = WavReader.open(write(format, Layout.STEREO, audio))) {
      assertThat(reader.header().frames()).isEqualTo(999);
      assertThat(reader.header().format()).isEqualTo(format);
      float[][] back = new float[2][999];
      assertThat(reader.read(0, back, 0, 2000)).isEqualTo(999);
      for (int i = 0; i < 999; i++) {
        assertThat((double) back[1][i]).isCloseTo(audio[1][i], within(tolerance));
      }
    }
  }

  @ParameterizedTest
  @EnumSource(Layout.class)
  void everyLayoutSurvives(Layout layout) throws IOException {
    Path file = write(SampleFormat.PCM_24, layout, noise(layout.channels(), 64));
    try (WavReader reader = WavReader.open(file)) {
      assertThat(reader.header().layout()).isEqualTo(layout);
    }
  }

  @Test
  void sixteenBitIsDitheredByAtMostOneAndAHalfSteps() throws IOException {
    float[][] audio = {new float[20_000]};
    java.util.Arrays.fill(audio[0], 0.3f / 32768);
    float[][] back = new float[1][20_000];
    try (WavReader reader = WavReader.open(write(SampleFormat.PCM_16, Layout.MONO, audio))) {
      reader.read(0, back, 0, 20_000);
    }
    double mean = 0;
    for (float x : back[0]) {
      assertThat(Math.abs(x * 32768)).isLessThanOrEqualTo(1.5f);
      mean += x * 32768 / 20_000;
    }
    // Undithered, a third of a step would be gone; dithered, it is there on average.
    assertThat(mean).isCloseTo(0.3, within(0.02));
  }

  @Test
  void fullScaleIsClampedNotWrapped() throws IOException {
    float[][] audio = {{1.5f, -1.5f, 1f}};
    float[][] back = new float[1][3];
    try (WavReader reader = WavReader.open(write(SampleFormat.PCM_24, Layout.MONO, audio))) {
      reader.read(0, back, 0, 3);
    }
    assertThat(back[0][0]).isCloseTo(1f, within(1e-6f));
    assertThat(back[0][1]).isEqualTo(-1f);
  }

  @Test
  void aFileOverFourGibibytesIsReadBySixtyFourBitSizes() throws IOException {
    Path file = folder.resolve("long.wav");
    ByteBuffer head = ByteBuffer.allocate(80).order(ByteOrder.LITTLE_ENDIAN);
    long data = 5L << 30;
    id(head, "RF64").putInt(-1);
    id(head, "WAVE");
    id(head, "ds64").putInt(28).putLong(data + 72).putLong(data).putLong(data / 6).putInt(0);
    id(head, "fmt ").putInt(16).putShort((short) 1).putShort((short) 2);
    head.putInt(48_000).putInt(288_000).putShort((short) 6).putShort((short) 24);
    id(head, "data").putInt(-1);
    try (RandomAccessFile sparse = new RandomAccessFile(file.toFile(), "rw")) {
      sparse.write(head.array());
      sparse.setLength(80 + data);
    }
    try (WavReader reader = WavReader.open(file)) {
      assertThat(reader.header().frames()).isEqualTo(data / 6);
      assertThat(reader.header().container()).isEqualTo("RF64");
    }
  }

  @Test
  void dataCutShortIsReadAsFarAsItGoesAndSaid() throws IOException {
    Path file = write(SampleFormat.PCM_24, Layout.STEREO, noise(2, 1000));
    byte[] all = Files.readAllBytes(file);
    Files.write(file, java.util.Arrays.copyOf(all, all.length - 3001));
    try (WavReader reader = WavReader.open(file)) {
      assertThat(reader.header().shortened()).isTrue();
      assertThat(reader.header().frames()).isEqualTo(499);
      assertThat(reader.header().unspokenBytes()).isZero();
    }
  }

  @ParameterizedTest
  @ValueSource(longs = {-5, Long.MAX_VALUE})
  void nothingIsUnspokenWhereTheSizeItselfIsImpossible(long size) throws IOException {
    Path file = folder.resolve("odd.wav");
    ByteBuffer all = ByteBuffer.allocate(2 << 20).order(ByteOrder.LITTLE_ENDIAN);
    id(all, "RF64").putInt(-1);
    id(all, "WAVE");
    id(all, "ds64").putInt(28).putLong(0).putLong(size).putLong(0).putInt(0);
    id(all, "fmt ").putInt(16).putShort((short) 1).putShort((short) 1);
    all.putInt(48_000).putInt(144_000).putShort((short) 3).putShort((short) 24);
    id(all, "data").putInt(-1);
    Files.write(file, all.array());
    try (WavReader reader = WavReader.open(file)) {
      assertThat(reader.header().unspokenBytes()).isZero();
    }
  }

  @Test
  void whatNoChunkSpeaksOfIsCounted() throws IOException {
    Path file = write(SampleFormat.PCM_24, Layout.STEREO, noise(2, 1000));
    byte[] audioWithoutEnd = new byte[3 << 20];
    new java.util.Random(5).nextBytes(audioWithoutEnd);
    Files.write(file, audioWithoutEnd, java.nio.file.StandardOpenOption.APPEND);
    try (WavReader reader = WavReader.open(file)) {
      assertThat(reader.header().frames()).isEqualTo(1000);
      assertThat(reader.header().unspokenBytes()).isEqualTo(3 << 20);
    }
  }

  @ParameterizedTest
  @CsvSource({
    "0, 2, 24, 'its sample rate is 0 Hz'",
    "48000, 300, 24, 'has 300 channels'",
    "48000, 0, 24, 'no channels'",
    "48000, 2, 20, '20 bits'"
  })
  void impossibleHeadersAreRefusedInWords(int rate, int channels, int bits, String says)
      throws IOException {
    Path file = folder.resolve("odd.wav");
    ByteBuffer head = ByteBuffer.allocate(44).order(ByteOrder.LITTLE_ENDIAN);
    id(head, "RIFF").putInt(36);
    id(head, "WAVE");
    id(head, "fmt ").putInt(16).putShort((short) 1).putShort((short) channels).putInt(rate);
    head.putInt(0).putShort((short) 0).putShort((short) bits);
    id(head, "data").putInt(0);
    Files.write(file, head.array());
    assertThatThrownBy(() -> WavReader.open(file))
        .isInstanceOf(AudioException.class)
        .hasMessageContaining("odd.wav")
        .hasMessageContaining(says);
  }

  @Test
  void textAndNothingAreRefusedInWords() throws IOException {
    Path text = Files.writeString(folder.resolve("notes.wav"), "these are notes, not audio");
    Path empty = Files.createFile(folder.resolve("empty.wav"));
    assertThatThrownBy(() -> WavReader.open(text)).hasMessageContaining("not a WAVE file");
    assertThatThrownBy(() -> WavReader.open(empty)).hasMessageContaining("is empty");
    assertThatThrownBy(() -> WavReader.open(folder.resolve("gone.wav")))
        .isInstanceOf(AudioException.class);
  }

  @Test
  void noMutatedHeaderDoesMoreThanBeRefused() throws IOException {
    byte[] good = Files.readAllBytes(write(SampleFormat.PCM_16, Layout.STEREO, noise(2, 50)));
    Random random = new Random(3);
    Path file = folder.resolve("mutant.wav");
    int refused = 0;
    for (int n = 0; n < 3000; n++) {
      byte[] bytes = good.clone();
      for (int k = 0; k < 1 + n % 4; k++) {
        bytes[random.nextInt(110)] = (byte) random.nextInt(256);
      }
      Files.write(file, bytes);
      try (WavReader reader = WavReader.open(file)) {
        float[][] into = new float[reader.header().channels()][64];
        assertThat(reader.read(0, into, 0, 64)).isBetween(0, 64);
      } catch (AudioException e) {
        assertThat(e).hasMessageContaining("mutant.wav");
        refused++;
      }
    }
    assertThat(refused).isBetween(1, 2999);
  }

  private static ByteBuffer id(ByteBuffer buffer, String id) {
    return buffer.put(id.getBytes(StandardCharsets.ISO_8859_1));
  }
}
