package drevik.audio;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;

/**
 * What kind of file holds the audio, told from its first bytes and never from its name. Drevik
 * reads the WAVE family itself; the others are decoded by {@code ffmpeg}.
 */
public enum Container {
  WAVE("wav"),
  AIFF("aiff"),
  FLAC("flac"),
  CAF("caf"),
  WAVE64("w64"),
  OGG("ogg"),
  MP3("mp3"),
  AAC("aac"),
  MPEG4("mov");

  /** Bytes from the start of a file that are enough to tell. */
  public static final int START_BYTES = 12;

  /** The first bytes of the GUID that a Wave64 file begins with. */
  private static final String WAVE64_START = "riff.\u0091\u00cf\u0011";

  private final String demuxer;

  Container(String demuxer) {
    this.demuxer = demuxer;
  }

  /**
   * What kind of file it is, by its first bytes.
   *
   * @throws AudioException if the file holds no audio that can be read; the message starts with its
   *     name
   */
  public static Container of(Path file) {
    try (InputStream in = Files.newInputStream(file)) {
      return of(String.valueOf(file.getFileName()), in.readNBytes(START_BYTES));
    } catch (IOException e) {
      throw AudioException.of(file, "cannot be read: " + e, e);
    }
  }

  /**
   * What kind of file begins so.
   *
   * @param name for the message
   * @param start the file's first {@value #START_BYTES} bytes, or all of them if it has fewer
   * @throws AudioException if this is the start of no audio file that can be read
   */
  public static Container of(String name, byte[] start) {
    String text = new String(start, StandardCharsets.ISO_8859_1);
    if (text.isEmpty()) {
      throw AudioException.of(name, "is empty (0 bytes); ask for it to be sent again");
    }
    if (text.length() < START_BYTES) {
      throw AudioException.of(name, "is too short to be audio (" + text.length() + " bytes)");
    }
    String id = text.substring(0, 4);
    String form = text.substring(8, 12);
    return switch (id) {
      case "RIFF", "RF64", "BW64" -> {
        if (form.equals("WAVE")) {
          yield WAVE;
        }
        throw none(name);
      }
      case "FORM" -> {
        if (form.startsWith("AIF")) {
          yield AIFF;
        }
        throw none(name);
      }
      case "fLaC" -> FLAC;
      case "caff" -> CAF;
      case "OggS" -> OGG;
      default -> other(name, text, start);
    };
  }

  private static Container other(String name, String text, byte[] start) {
    if (text.startsWith(WAVE64_START)) {
      return WAVE64;
    }
    if (text.startsWith("ftyp", 4)) {
      return MPEG4;
    }
    boolean frame = start[0] == (byte) 0xFF && (start[1] & 0xF0) == 0xF0;
    // The two bits of the layer: none for AAC in ADTS frames (ISO/IEC 13818-7), 1 to 3 for MPEG.
    if (frame && (start[1] & 0x06) == 0) {
      return AAC;
    }
    boolean mpeg = start[0] == (byte) 0xFF && (start[1] & 0xE0) == 0xE0;
    if (text.startsWith("ID3") || (mpeg && (start[1] & 0x06) == 0x02)) {
      return MP3;
    }
    throw none(name);
  }

  private static AudioException none(String name) {
    return AudioException.of(
        name,
        "is no audio file that Drevik reads (WAV, AIFF, FLAC, CAF, W64, Ogg, MP3, M4A);"
            + " export it as WAV");
  }

  /** The only reader that {@code ffmpeg} may use for it, so that no content can choose another. */
  String demuxer() {
    return demuxer;
  }

  @Override
  public String toString() {
    return name().toLowerCase(Locale.ROOT).replace("wave64", "w64");
  }
}
