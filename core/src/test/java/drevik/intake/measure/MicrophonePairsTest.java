package drevik.intake.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import drevik.category.NameSorter;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MicrophonePairsTest {
  private static final int RATE = 48_000;

  @TempDir Path folder;

  private static Stream<String> pairsOf(String... names) {
    var files =
        Stream.of(names)
            .map(n -> new MicrophonePairs.Named(n, n, NameSorter.sort(n).category()))
            .toList();
    return MicrophonePairs.among(files).stream().map(p -> p.first() + " + " + p.second());
  }

  @Test
  void microphonesOfOneSourceAreFoundByTheirNames() {
    assertThat(
            pairsOf(
                "01_KIK IN.wav",
                "02_KIK OUT.wav",
                "03 Snr Top.wav",
                "04 Snr Btm.wav",
                "05_HiHat.wav",
                "OH_L.wav",
                "OH_R.wav",
                "UprBass DI.wav",
                "Upr Bass mic.wav"))
        .containsExactly(
            "01_KIK IN.wav + 02_KIK OUT.wav",
            "03 Snr Top.wav + 04 Snr Btm.wav",
            "OH_L.wav + OH_R.wav",
            "UprBass DI.wav + Upr Bass mic.wav",
            "03 Snr Top.wav + OH_L.wav");
  }

  @Test
  void whatOnlyLooksAlikeIsNoPair() {
    assertThat(pairsOf("Gtr 1 L.wav", "Gtr 1 R.wav")).isEmpty();
    assertThat(pairsOf("Tom 1 top.wav", "Tom 2 btm.wav")).isEmpty();
    assertThat(pairsOf("a/Snare Top.wav", "b/Snare Btm.wav")).isEmpty();
    assertThat(pairsOf("Snare Top.wav", "Kick Btm.wav", "DI.wav", "Amp.wav")).isEmpty();
    assertThat(pairsOf("Snare Top.wav", "Snare_Top.wav", "Snare Btm.wav")).isEmpty();
  }

  private static float[] noise(int seed) {
    Random random = new Random(seed);
    float[] x = new float[RATE * 2];
    float low = 0;
    for (int i = 0; i < x.length; i++) {
      low += 0.2f * ((float) random.nextGaussian() * 0.3f - low);
      x[i] = low;
    }
    return x;
  }

  private Optional<PairFinding> compare(float[] first, float[] second) throws IOException {
    return compare(first, second, false);
  }

  private Optional<PairFinding> compare(float[] first, float[] second, boolean spaced)
      throws IOException {
    Path a = write("a.wav", first);
    Path b = write("b.wav", second);
    return PairCheck.compare(
        new MeasuredFile(a, Inspector.inspect(a)),
        new MeasuredFile(b, Inspector.inspect(b)),
        spaced);
  }

  private Path write(String name, float[] x) throws IOException {
    Path file = folder.resolve(name);
    try (WavWriter writer = WavWriter.create(file, SampleFormat.FLOAT_32, RATE, Layout.MONO)) {
      writer.write(new float[][] {x}, 0, x.length);
    }
    return file;
  }

  /** The source as another microphone hears it: later, upside down, with something of its own. */
  private static float[] heard(float[] source, int frames, float gain) {
    float[] own = noise(99);
    float[] x = new float[source.length];
    for (int i = Math.max(0, frames); i < x.length && i - frames < source.length; i++) {
      x[i] = gain * source[i - frames] + 0.3f * own[i];
    }
    return x;
  }

  @Test
  void aFlippedAndLateMicrophoneIsToldWithWhatMendsIt() throws IOException {
    PairFinding found = compare(noise(1), heard(noise(1), 40, -0.8f)).orElseThrow();
    assertThat(found.flipped()).isTrue();
    assertThat(found.lagFrames()).isEqualTo(40);
    assertThat(found.lagMilliseconds()).isCloseTo(0.83, within(0.01));
    assertThat(found.mended()).isGreaterThan(0.85);
    assertThat(found.correlation()).isBetween(-0.3, 0.3);
    assertThat(found.late()).isTrue();
  }

  @Test
  void microphonesThatAgreeNeedNoMend() throws IOException {
    PairFinding found = compare(noise(1), heard(noise(1), 0, 0.8f)).orElseThrow();
    assertThat(found.flipped()).isFalse();
    assertThat(found.late()).isFalse();
    assertThat(found.correlation()).isEqualTo(found.mended());
  }

  @Test
  void overheadsHearTheSnareLaterWhichIsNoFault() throws IOException {
    float[] snare = noise(1);
    PairFinding found = compare(snare, heard(snare, 250, 0.4f), true).orElseThrow();
    assertThat(found.lagFrames()).isEqualTo(250);
    assertThat(found.late()).isFalse();
    assertThat(FileNotes.ofPair("Snr", found)).isEmpty();
    assertThat(found.says("Snr")).startsWith("hears it 5.21 ms later than “Snr”: correlation ");
    PairFinding flipped = compare(snare, heard(snare, 250, -0.4f), true).orElseThrow();
    assertThat(FileNotes.ofPair("Snr", flipped)).hasSize(1);
    assertThat(flipped.says("Snr")).endsWith("flipped and aligned");
  }

  @Test
  void ofUnrelatedFilesNothingIsSaid() throws IOException {
    assertThat(compare(noise(1), noise(2))).isEmpty();
    assertThat(compare(noise(1), new float[RATE])).isEmpty();
  }
}
