package drevik.audio;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class EmbeddedNotesTest {
  @TempDir Path folder;

  private static byte[] chunk(String id, byte[] body) {
    ByteBuffer chunk =
        ByteBuffer.allocate(8 + body.length + (body.length & 1)).order(ByteOrder.LITTLE_ENDIAN);
    chunk.put(id.getBytes(StandardCharsets.US_ASCII)).putInt(body.length).put(body);
    return chunk.array();
  }

  private static byte[] text(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  private static byte[] padded(String text, int size) {
    return ByteBuffer.allocate(size).put(text(text)).array();
  }

  private static byte[] joined(byte[]... parts) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    for (byte[] part : parts) {
      out.writeBytes(part);
    }
    return out.toByteArray();
  }

  private static byte[] ints(int... values) {
    ByteBuffer ints = ByteBuffer.allocate(4 * values.length).order(ByteOrder.LITTLE_ENDIAN);
    for (int value : values) {
      ints.putInt(value);
    }
    return ints.array();
  }

  private EmbeddedNotes notesOf(byte[]... chunks) throws IOException {
    ByteBuffer fmt = ByteBuffer.allocate(16).order(ByteOrder.LITTLE_ENDIAN);
    fmt.putShort((short) 1).putShort((short) 1).putInt(48_000).putInt(96_000);
    fmt.putShort((short) 2).putShort((short) 16);
    byte[] body =
        joined(
            text("WAVE"), chunk("fmt ", fmt.array()), joined(chunks), chunk("data", new byte[8]));
    Path file = folder.resolve("a.wav");
    Files.write(file, chunk("RIFF", body));
    try (WavReader reader = WavReader.open(file)) {
      assertThat(reader.header().frames()).isEqualTo(4);
      return reader.notes();
    }
  }

  @Test
  void aBroadcastChunkSaysWhatWhoAndWhen() throws IOException {
    EmbeddedNotes notes =
        notesOf(
            chunk(
                "bext",
                joined(
                    padded("Snare top, take 3", 256),
                    padded("Field recorder", 32),
                    padded("ref", 32),
                    padded("2026-03-14", 10),
                    padded("12:00:00", 8),
                    new byte[256])));
    assertThat(notes.description()).isEqualTo("Snare top, take 3");
    assertThat(notes.originator()).isEqualTo("Field recorder");
    assertThat(notes.date()).isEqualTo("2026-03-14");
    assertThat(notes.names()).containsExactly("Snare top, take 3");
  }

  @Test
  void tracksAreNamedInTheOrderInWhichTheyAreInterleaved() throws IOException {
    EmbeddedNotes notes =
        notesOf(
            chunk(
                "iXML",
                text(
                    "<BWFXML><SCENE>12</SCENE><TAKE>3</TAKE><NOTE>good</NOTE><TRACK_LIST>"
                        + "<TRACK><INTERLEAVE_INDEX>2</INTERLEAVE_INDEX><NAME>Lav Orla</NAME></TRACK>"
                        + "<TRACK><INTERLEAVE_INDEX>1</INTERLEAVE_INDEX><NAME>Boom</NAME></TRACK>"
                        + "</TRACK_LIST></BWFXML>\0")));
    assertThat(notes.trackNames()).containsExactly("Boom", "Lav Orla");
    assertThat(notes.scene()).isEqualTo("12");
    assertThat(notes.take()).isEqualTo("3");
    assertThat(notes.note()).isEqualTo("good");
  }

  @Test
  void markersHaveTheirLabelsAndTagsTheirLetters() throws IOException {
    EmbeddedNotes notes =
        notesOf(
            chunk("cue ", ints(1, 7, 0, 0x61746164, 0, 0, 24_000)),
            chunk("LIST", joined(text("adtl"), chunk("labl", joined(ints(7), text("Chorus\0"))))),
            chunk("LIST", joined(text("INFO"), chunk("INAM", text("Leuchtturm\0")))));
    assertThat(notes.markers()).containsExactly(new EmbeddedNotes.FileMarker(24_000, "Chorus"));
    assertThat(notes.info()).isEqualTo(Map.of("INAM", "Leuchtturm"));
  }

  @Test
  void whatIsDamagedOrHostileIsPassedOver() throws IOException {
    assertThat(
            notesOf(
                chunk("bext", new byte[20]),
                chunk("cue ", ints(1_000_000, 1)),
                chunk("LIST", joined(text("INFO"), text("INAM"), ints(-1))),
                chunk(
                    "iXML",
                    text(
                        "<!DOCTYPE a [<!ENTITY x SYSTEM \"file:///etc/passwd\">]>"
                            + "<BWFXML><NOTE>&x;</NOTE></BWFXML>")),
                chunk("iXML", text("<BWFXML><NOTE>never closed"))))
        .isEqualTo(EmbeddedNotes.NONE);
  }

  @Test
  void textInAnOlderEncodingIsStillText() throws IOException {
    byte[] latin = "Fl\u00f6te".getBytes(StandardCharsets.ISO_8859_1);
    EmbeddedNotes notes = notesOf(chunk("LIST", joined(text("INFO"), chunk("INAM", latin))));
    assertThat(notes.info()).containsEntry("INAM", "Fl\u00f6te");
  }
}
