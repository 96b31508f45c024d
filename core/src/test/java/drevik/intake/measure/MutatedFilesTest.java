package drevik.intake.measure;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.AudioException;
import drevik.audio.Container;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HexFormat;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Whatever a file says of itself, it is measured or refused with a word; nothing else happens. */
class MutatedFilesTest {
  private static final int FILES = 10_000;

  @TempDir Path folder;

  @Test
  void tenThousandMutatedHeadersAreEachMeasuredOrRefused() throws IOException {
    byte[] sound = sound();
    Random random = new Random(20_261_125);
    int refused = 0;
    for (int i = 0; i < FILES; i++) {
      byte[] mutated = mutate(sound, random);
      Path file = Files.write(folder.resolve("mutated.wav"), mutated);
      try {
        // Other containers are ffmpeg's business, and one process for each would take too long.
        if (Container.of(file) == Container.WAVE) {
          Inspection found = Inspector.inspect(file);
          assertThat(found.header().frames()).isBetween(0L, (long) mutated.length);
          assertThat(found.overview()).hasSize(Inspector.OVERVIEW_STEPS);
        }
      } catch (AudioException e) {
        refused++;
        assertThat(e.getMessage()).contains("mutated.wav").hasSizeGreaterThan(25);
      }
    }
    assertThat(refused).isBetween(FILES / 20, FILES * 19 / 20);
  }

  @ParameterizedTest
  @EnumSource(Container.class)
  void randomBytesBehindAnyKindOfHeaderAreMeasuredOrRefused(Container container)
      throws IOException {
    Random random = new Random(container.ordinal());
    for (int i = 0; i < 6; i++) {
      byte[] noise = new byte[64 + random.nextInt(20_000)];
      random.nextBytes(noise);
      byte[] start = HexFormat.of().parseHex(STARTS.get(container));
      System.arraycopy(start, 0, noise, 0, start.length);
      Path file = Files.write(folder.resolve("noise." + container.name()), noise);
      assertThat(Container.of(file)).isEqualTo(container);
      try {
        Inspection found = Inspector.inspect(file);
        assertThat(found.overview()).hasSize(Inspector.OVERVIEW_STEPS);
      } catch (AudioException e) {
        assertThat(e.getMessage()).hasSizeGreaterThan(25).doesNotContain("\n", "@ 0x", "/tmp");
      }
    }
  }

  /** What files of each kind begin with, in hexadecimal. */
  private static final Map<Container, String> STARTS =
      Map.of(
          Container.WAVE, "524946460000000057415645",
          Container.AIFF, "464f524d0000100041494646",
          Container.FLAC, "664c614300000022",
          Container.CAF, "6361666600010000",
          Container.WAVE64, "726966662e91cf11a5d628db04c10000",
          Container.OGG, "4f67675300020000",
          Container.MP3, "49443303000000000000",
          Container.AAC, "fff15080",
          Container.MPEG4, "00000020667479704d344120");

  private byte[] sound() throws IOException {
    float[][] audio = new float[2][300];
    for (int i = 0; i < 300; i++) {
      audio[0][i] = (float) Math.sin(i * 0.1);
      audio[1][i] = (float) Math.cos(i * 0.07);
    }
    Path file = folder.resolve("whole.wav");
    try (WavWriter writer = WavWriter.create(file, SampleFormat.FLOAT_32, 48_000, Layout.STEREO)) {
      writer.write(audio, 0, 300);
    }
    return Files.readAllBytes(file);
  }

  /** One to six bytes changed, mostly in the header; sometimes cut off or with more behind. */
  private static byte[] mutate(byte[] whole, Random random) {
    int length =
        switch (random.nextInt(8)) {
          case 0 -> random.nextInt(whole.length);
          case 1 -> whole.length + random.nextInt(64);
          default -> whole.length;
        };
    byte[] mutated = java.util.Arrays.copyOf(whole, length);
    int changes = 1 + random.nextInt(6);
    for (int i = 0; i < changes && length > 0; i++) {
      int at = random.nextInt(Math.min(length, random.nextInt(4) == 0 ? length : 100));
      mutated[at] =
          switch (random.nextInt(4)) {
            case 0 -> (byte) 0xFF;
            case 1 -> 0;
            case 2 -> (byte) (mutated[at] ^ 1 << random.nextInt(8));
            default -> (byte) random.nextInt(256);
          };
    }
    return mutated;
  }
}
