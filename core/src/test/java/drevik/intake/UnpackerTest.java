package drevik.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import drevik.audio.AudioException;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.apache.commons.compress.archivers.zip.UnixStat;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class UnpackerTest {
  @TempDir Path folder;

  /** What came out, and what was refused. */
  private static final class Heap implements Unpacker.Receiver {
    final Map<String, String> files = new LinkedHashMap<>();
    final Map<String, String> refused = new LinkedHashMap<>();

    @Override
    public void file(String name, InputStream content, long bytes) throws IOException {
      files.put(name, new String(content.readAllBytes(), StandardCharsets.UTF_8));
    }

    @Override
    public void refused(String name, String why) {
      refused.put(name, why);
    }
  }

  private interface Filling {
    void into(ZipArchiveOutputStream zip) throws IOException;
  }

  private static byte[] zip(Filling filling) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipArchiveOutputStream zip = new ZipArchiveOutputStream(bytes)) {
      filling.into(zip);
    }
    return bytes.toByteArray();
  }

  private static void put(ZipArchiveOutputStream zip, String name, byte[] content)
      throws IOException {
    zip.putArchiveEntry(new ZipArchiveEntry(name));
    zip.write(content);
    zip.closeArchiveEntry();
  }

  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  private Heap unpack(byte[] zip) throws IOException {
    Heap heap = new Heap();
    Unpacker.unpack(Files.write(folder.resolve("song.zip"), zip), "song.zip", heap);
    return heap;
  }

  @Test
  void foldersAndZipsInsideStandInTheirPlaces() throws IOException {
    byte[] inner = zip(z -> put(z, "Snare.wav", bytes("snare")));
    Heap heap =
        unpack(
            zip(
                z -> {
                  put(z, "Drums/", new byte[0]);
                  put(z, "Drums/Kick.wav", bytes("kick"));
                  put(z, "more.zip", inner);
                  put(z, "__MACOSX/Drums/._Kick.wav", bytes("litter"));
                  put(z, ".DS_Store", bytes("litter"));
                }));
    assertThat(heap.files)
        .containsExactly(
            Map.entry("song.zip/Drums/Kick.wav", "kick"),
            Map.entry("song.zip/more.zip/Snare.wav", "snare"));
    assertThat(heap.refused).isEmpty();
  }

  @Test
  void namesThatLeaveTheirFolderAndLinksAreRefusedAndTheRestGoesOn() throws IOException {
    Heap heap =
        unpack(
            zip(
                z -> {
                  put(z, "../../etc/passwd", bytes("x"));
                  put(z, "/root/a.wav", bytes("x"));
                  put(z, "C:\\a.wav", bytes("x"));
                  put(z, "a\\..\\..\\b.wav", bytes("x"));
                  ZipArchiveEntry link = new ZipArchiveEntry("link.wav");
                  link.setUnixMode(UnixStat.LINK_FLAG | 0777);
                  z.putArchiveEntry(link);
                  z.write(bytes("/etc/passwd"));
                  z.closeArchiveEntry();
                  put(z, "good.wav", bytes("good"));
                }));
    assertThat(heap.files).containsOnlyKeys("song.zip/good.wav");
    assertThat(heap.refused).hasSize(5);
    assertThat(heap.refused.get("song.zip/link.wav")).contains("is a link");
    assertThat(heap.refused.get("song.zip/../../etc/passwd")).contains("points outside");
  }

  @Test
  void namesOfAnyEncodingAndOfAnyCaseAreKept() throws IOException {
    ByteArrayOutputStream old = new ByteArrayOutputStream();
    try (ZipArchiveOutputStream z = new ZipArchiveOutputStream(old)) {
      z.setEncoding("IBM437");
      z.setUseLanguageEncodingFlag(false);
      z.setCreateUnicodeExtraFields(ZipArchiveOutputStream.UnicodeExtraFieldPolicy.NEVER);
      put(z, "Fl\u00f6te.wav", bytes("a"));
    }
    assertThat(unpack(old.toByteArray()).files).containsOnlyKeys("song.zip/Fl\u00f6te.wav");
    assertThat(Charset.isSupported("IBM437")).isTrue();
    Heap both =
        unpack(
            zip(
                z -> {
                  put(z, "kick.wav", bytes("small"));
                  put(z, "KICK.wav", bytes("large"));
                  put(z, "太鼓.wav", bytes("drum"));
                }));
    assertThat(both.files).containsValues("small", "large", "drum");
  }

  @Test
  void aZipThatUnpacksToMoreThanAnyDeliveryIsStopped() throws IOException {
    byte[] zeros = new byte[1 << 20];
    byte[] bomb =
        zip(
            z -> {
              z.putArchiveEntry(new ZipArchiveEntry("bomb.wav"));
              for (int i = 0; i < 40; i++) {
                z.write(zeros);
              }
              z.closeArchiveEntry();
            });
    List<String> handedOn = new ArrayList<>();
    Unpacker.Receiver sink =
        new Unpacker.Receiver() {
          @Override
          public void file(String name, InputStream content, long bytes) throws IOException {
            handedOn.add(name);
            content.transferTo(java.io.OutputStream.nullOutputStream());
          }

          @Override
          public void refused(String name, String why) {
            throw new AssertionError(why);
          }
        };
    Path file = Files.write(folder.resolve("song.zip"), bomb);
    assertThat(bomb.length).isLessThan(100_000);
    assertThatThrownBy(() -> Unpacker.unpack(file, "song.zip", sink, 30_000_000))
        .isInstanceOf(AudioException.class)
        .hasMessageContaining("unpacks to more than 30 MB");
    assertThat(handedOn).as("by what it says of itself, before anything is unpacked").isEmpty();
  }

  @Test
  void zipsInZipsInZipsEndSomewhere() throws IOException {
    byte[] deep = zip(z -> put(z, "a.wav", bytes("a")));
    for (int i = 0; i < 4; i++) {
      byte[] inner = deep;
      deep = zip(z -> put(z, "in.zip", inner));
    }
    Heap heap = unpack(deep);
    assertThat(heap.files).isEmpty();
    assertThat(heap.refused.values()).singleElement().asString().contains("is a zip inside 3");
  }

  @Test
  void damagedZipsAreNamedAndNothingElseHappens() throws IOException {
    byte[] whole =
        zip(
            z -> {
              put(z, "Kick.wav", bytes("kick".repeat(200)));
              put(z, "Snare.wav", bytes("snare".repeat(200)));
            });
    assertThatThrownBy(() -> unpack(java.util.Arrays.copyOf(whole, whole.length / 2)))
        .isInstanceOf(AudioException.class)
        .hasMessageContaining("“song.zip” is a damaged zip");
    Random random = new Random(3);
    int stopped = 0;
    for (int i = 0; i < 2_000; i++) {
      byte[] mutated = whole.clone();
      for (int n = 0; n < 3; n++) {
        mutated[random.nextInt(mutated.length)] = (byte) random.nextInt(256);
      }
      try {
        Heap heap = unpack(mutated);
        assertThat(heap.files.size() + heap.refused.size()).isLessThanOrEqualTo(2);
      } catch (AudioException e) {
        stopped++;
        assertThat(e.getMessage()).contains("zip");
      }
    }
    assertThat(stopped).isPositive();
  }
}
