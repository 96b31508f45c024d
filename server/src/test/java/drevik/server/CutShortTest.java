package drevik.server;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.AudioException;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.audio.WavWriter;
import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class CutShortTest {
  @TempDir Path folder;

  @Test
  void aThreadThatIsStoppedWhileItWritesIsToldFromADiskThatTakesNoMore() throws Exception {
    Throwable[] met = new Throwable[1];
    boolean[] cut = new boolean[1];
    Thread printing =
        new Thread(
            () -> {
              Path file = folder.resolve("a.wav");
              try (WavWriter writer =
                  WavWriter.create(file, SampleFormat.PCM_24, 48_000, Layout.MONO)) {
                Thread.currentThread().interrupt();
                writer.write(new float[1][100], 0, 100);
              } catch (AudioException | IOException e) {
                met[0] = e;
                cut[0] = CutShort.isWhy(e);
              }
            });
    printing.start();
    printing.join();
    assertThat(met[0]).isInstanceOf(AudioException.class);
    assertThat(cut[0]).isTrue();
    assertThat(CutShort.isWhy(met[0])).isTrue();
    assertThat(CutShort.isWhy(new AudioException("full", new IOException("No space left"))))
        .isFalse();
  }
}
