package drevik.cli;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Sha256;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class KnownContentsTest {
  private static final String PLANTED = "ab".repeat(32);

  @TempDir Path folder;
  private Path audio;
  private Path kept;

  @BeforeEach
  void aFileThatIsOldEnough() throws Exception {
    audio = Files.writeString(folder.resolve("kick.wav"), "one");
    kept = folder.resolve("cache").resolve("known-contents");
    Thread.sleep(3_200);
    KnownContents first = KnownContents.in(kept);
    assertThat(first.sha256(audio)).isEqualTo(Sha256.of(audio));
    first.keep();
    // Another hash in its place shows whether the file is read.
    List<String> lines = Files.readAllLines(kept);
    assertThat(lines).hasSize(1);
    Files.writeString(kept, PLANTED + lines.get(0).substring(64) + "\n");
  }

  @Test
  void whatWasReadBeforeIsNotReadAgain() throws IOException {
    assertThat(KnownContents.in(kept).sha256(audio)).isEqualTo(PLANTED);
  }

  @Test
  void aChangeShowsThoughSizeAndTimeAreSetBack() throws IOException {
    FileTime time = Files.getLastModifiedTime(audio);
    Files.writeString(audio, "two");
    Files.setLastModifiedTime(audio, time);
    assertThat(KnownContents.in(kept).sha256(audio)).isEqualTo(Sha256.of(audio));
  }

  @Test
  void anotherFileInItsPlaceIsRead() throws IOException {
    Path other = Files.writeString(folder.resolve("other.wav"), "six");
    Files.move(other, audio, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
    KnownContents known = KnownContents.in(kept);
    assertThat(known.sha256(audio)).isEqualTo(Sha256.of(audio));
    known.keep();
    assertThat(Files.readAllLines(kept)).as("too new to be known").hasSize(1);
  }

  @Test
  void whatCannotBeReadIsAsIfNothingWereKnown() throws IOException {
    Files.write(kept, new byte[] {(byte) 0xff, (byte) 0xfe, 10, 65});
    assertThat(KnownContents.in(kept).sha256(audio)).isEqualTo(Sha256.of(audio));
    assertThat(KnownContents.in(folder).sha256(audio)).isEqualTo(Sha256.of(audio));
  }
}
