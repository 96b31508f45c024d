package drevik.intake.measure;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import java.io.IOException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class StereoImagesTest {
  private static final int RATE = 48_000;

  @TempDir Path folder;
  private final Map<String, MeasuredFile> files = new HashMap<>();

  private void write(String name, float[]... audio) throws IOException {
    Path file = folder.resolve(name);
    Layout layout = Layout.ofChannels(audio.length);
    try (WavWriter writer = WavWriter.create(file, SampleFormat.FLOAT_32, RATE, layout)) {
      writer.write(audio, 0, audio[0].length);
    }
    files.put(name, new MeasuredFile(file, Inspector.inspect(file)));
  }

  /** Hits that stand left, right or in the middle, with noise of the room's own. */
  private static float[][] kit(int seed, double width) {
    Random hits = new Random(5);
    Random own = new Random(seed);
    float[][] audio = new float[2][RATE * 8];
    for (int at = 0; at < audio[0].length - 6_000; at += 6_000) {
      double pan = width * (hits.nextDouble() - 0.5);
      for (int i = 0; i < 6_000; i++) {
        double hit = 0.3 * Math.exp(-i / 1_200.0) * hits.nextGaussian();
        audio[0][at + i] = (float) (hit * (0.5 - pan) + 0.002 * own.nextGaussian());
        audio[1][at + i] = (float) (hit * (0.5 + pan) + 0.002 * own.nextGaussian());
      }
    }
    return audio;
  }

  private Optional<SwappedSides> compared(String left, String right, String second) {
    return StereoImages.compare(new StereoImages.Pair(left, right, second), files::get);
  }

  @Test
  void swappedSidesAreToldFromThoseThatAgree() throws IOException {
    float[][] overheads = kit(1, 0.9);
    float[][] room = kit(2, 0.5);
    write("oh.wav", overheads);
    write("oh l.wav", new float[][] {overheads[0]});
    write("oh r.wav", new float[][] {overheads[1]});
    write("room.wav", room);
    write("swapped.wav", room[1], room[0]);
    write("narrow.wav", kit(3, 0));
    assertThat(compared("oh.wav", "oh.wav", "room.wav").orElseThrow().agreement())
        .isGreaterThan(0.8);
    SwappedSides swapped = compared("oh l.wav", "oh r.wav", "swapped.wav").orElseThrow();
    assertThat(swapped.isClear()).isTrue();
    assertThat(FileNotes.ofSwapped("oh l.wav", swapped))
        .startsWith("left and right swapped against “oh l.wav”: their levels agree −0.");
    assertThat(compared("oh.wav", "oh.wav", "narrow.wav").map(SwappedSides::isClear))
        .isNotEqualTo(Optional.of(true));
  }

  @Test
  void roomsAreComparedWithTheOverheads() {
    var room = new StereoImages.Named("room", "Room.wav", "drums/room", Layout.STEREO);
    var left = new StereoImages.Named("l", "OH_L.wav", "drums/overhead", Layout.MONO);
    var right = new StereoImages.Named("r", "OH_R.wav", "drums/overhead", Layout.MONO);
    var piano = new StereoImages.Named("p", "Piano.wav", "keys/piano", Layout.STEREO);
    assertThat(StereoImages.among(List.of(room, right, piano, left)))
        .containsExactly(new StereoImages.Pair("l", "r", "room"));
    assertThat(StereoImages.among(List.of(room, left))).isEmpty();
    var stereo = new StereoImages.Named("oh", "OH.wav", "drums/overhead", Layout.STEREO);
    assertThat(StereoImages.among(List.of(left, right, stereo, room)))
        .containsExactly(new StereoImages.Pair("oh", "oh", "room"));
  }
}
