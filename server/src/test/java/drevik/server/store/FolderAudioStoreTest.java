package drevik.server.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.audio.AudioException;
import drevik.server.DrevikProperties;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FolderAudioStoreTest {
  @TempDir Path data;
  private FolderAudioStore store;

  @BeforeEach
  void open() throws IOException {
    store =
        new FolderAudioStore(new DrevikProperties(data, false, true, List.of()), new DiskSpace());
  }

  @AfterEach
  void close() throws IOException {
    store.release();
  }

  private List<String> arriving() throws IOException {
    try (Stream<Path> files = Files.walk(data.resolve("arriving"))) {
      return files.filter(Files::isRegularFile).map(file -> file.getFileName().toString()).toList();
    }
  }

  @Test
  void whatIsWrittenInVainIsGone() throws IOException {
    assertThatThrownBy(
            () ->
                store.make(
                    file -> {
                      Files.writeString(file, "half of it");
                      throw new AudioException("cut short");
                    }))
        .hasMessage("cut short");
    assertThatThrownBy(() -> store.link(data.resolve("nothing there")))
        .isInstanceOf(IOException.class);
    InputStream half =
        new SequenceInputStream(
            new ByteArrayInputStream(new byte[9]),
            new InputStream() {
              @Override
              public int read() throws IOException {
                throw new IOException("the other side went");
              }
            });
    assertThatThrownBy(() -> store.receive(half, 99)).hasMessage("the other side went");
    assertThat(arriving()).containsExactly("lock");
  }

  @Test
  void whatIsKeptIsFoundByItsHashAndWhatIsNotGoes() throws IOException {
    byte[] sound = {1, 2, 3};
    try (AudioStore.Incoming kept = store.receive(new ByteArrayInputStream(sound), 3)) {
      kept.keep();
      assertThat(store.locate(kept.sha256())).hasBinaryContent(sound);
    }
    try (AudioStore.Incoming made = store.make(file -> Files.write(file, sound))) {
      assertThat(made.bytes()).isEqualTo(3);
      assertThat(store.locate(made.sha256())).hasBinaryContent(sound);
    }
    assertThat(arriving()).containsExactly("lock");
  }
}
