package drevik.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.util.OptionalLong;

/**
 * Reads the chunk list of a RIFF, RF64 (EBU Tech 3306) or BW64 (ITU-R BS.2088) WAVE file. Unknown
 * chunks are skipped; a data chunk that a crashed recorder left open (size 0 or FFFFFFFFh at the
 * end of the file) is read to the end; every size is checked against the file's real length.
 */
final class WavHeaderParser {
  private static final int FORMAT_PCM = 1;
  private static final int FORMAT_FLOAT = 3;
  private static final int FORMAT_EXTENSIBLE = 0xFFFE;
  private static final long UNKNOWN_SIZE = 0xFFFF_FFFFL;
  private static final int BEXT_TIME_REFERENCE = 256 + 32 + 32 + 10 + 8;
  private static final int MOST_CHUNKS = 10_000;

  private static final int START = 12;

  private final FileChannel file;
  private final long length;
  private final NotesParser notes = new NotesParser();

  WavHeaderParser(FileChannel file) throws IOException {
    this.file = file;
    this.length = file.size();
  }

  /** What the chunks beside the audio say; complete after {@link #parse}, to be asked once. */
  EmbeddedNotes notes() {
    return notes.result();
  }

  WavHeader parse() throws IOException {
    if (length == 0) {
      throw new AudioException("is empty (0 bytes); ask for it to be sent again");
    }
    if (length < START) {
      throw new AudioException("is too short to be audio (" + length + " bytes)");
    }
    return chunks(container(read(0, START)));
  }

  /** RIFF, RF64 or BW64, from the file's first {@link #START} bytes. */
  private static String container(ByteBuffer start) {
    String container = fourCharacters(start);
    start.getInt();
    boolean known =
        container.equals("RIFF") || container.equals("RF64") || container.equals("BW64");
    if (!known || !fourCharacters(start).equals("WAVE")) {
      throw new AudioException(
          "is not a WAVE file: it does not begin with RIFF, RF64 or BW64; export it as WAV");
    }
    return container;
  }

  private WavHeader chunks(String container) throws IOException {
    Format format = null;
    long dataOffset = -1;
    long dataSize = 0;
    long dataSize64 = -1;
    boolean open = false;
    OptionalLong timeReference = OptionalLong.empty();
    long at = 12;
    for (int n = 0; at + 8 <= length && n < MOST_CHUNKS; n++) {
      ByteBuffer head = read(at, 8);
      String id = fourCharacters(head);
      if (!id.chars().allMatch(c -> c >= ' ' && c <= '~')) {
        break;
      }
      long size = Integer.toUnsignedLong(head.getInt());
      long body = at + 8;
      switch (id) {
        case "ds64" -> {
          if (size >= 24 && body + 24 <= length) {
            ByteBuffer ds64 = read(body, 24);
            ds64.getLong();
            dataSize64 = ds64.getLong();
          }
        }
        case "fmt " -> format = format(body, size);
        case "bext" -> {
          if (size >= BEXT_TIME_REFERENCE + 8 && body + BEXT_TIME_REFERENCE + 8 <= length) {
            timeReference = OptionalLong.of(read(body + BEXT_TIME_REFERENCE, 8).getLong());
          }
          note(id, body, size);
        }
        case "iXML", "cue ", "LIST" -> note(id, body, size);
        case "data" -> {
          if (dataOffset < 0) {
            dataOffset = body;
            boolean sizeElsewhere = size == UNKNOWN_SIZE && dataSize64 >= 0;
            open = !sizeElsewhere && (size == UNKNOWN_SIZE || size == 0);
            size = sizeElsewhere ? dataSize64 : open ? length - body : size;
            dataSize = size;
          }
        }
        default -> {
          // Not needed here; chunks are skipped by their size.
        }
      }
      if (size < 0 || size > length - body) {
        break;
      }
      at = body + size + (size & 1);
    }
    if (format == null) {
      throw new AudioException("has no usable format chunk; export it again");
    }
    if (dataOffset < 0) {
      throw new AudioException("has no audio data chunk; export it again");
    }
    boolean dataIsWhole = dataSize >= 0 && dataSize <= at - dataOffset;
    long unspoken = dataIsWhole ? Math.max(0, length - at) : 0;
    return header(container, format, dataOffset, dataSize, open, timeReference, unspoken);
  }

  private WavHeader header(
      String container,
      Format format,
      long dataOffset,
      long dataSize,
      boolean open,
      OptionalLong timeReference,
      long unspokenBytes) {
    long there = Math.max(0, length - dataOffset);
    long bytes = dataSize < 0 ? there : Math.min(dataSize, there);
    int frameBytes = format.layout.channels() * format.samples.bytes();
    return new WavHeader(
        container,
        format.samples,
        format.sampleRate,
        format.layout,
        dataOffset,
        bytes / frameBytes,
        timeReference,
        !open && dataSize > there,
        unspokenBytes);
  }

  /** Hands a chunk on; a damaged or huge one is passed over, since the audio does not need it. */
  private void note(String id, long body, long size) throws IOException {
    long there = Math.min(size, length - body);
    if (there > 0 && there <= NotesParser.LARGEST) {
      notes.take(id, read(body, (int) there));
    }
  }

  private record Format(SampleFormat samples, int sampleRate, Layout layout) {}

  private Format format(long body, long size) throws IOException {
    if (size < 16 || body + 16 > length) {
      throw new AudioException("has a format chunk of " + size + " bytes; at least 16 are needed");
    }
    ByteBuffer fmt = read(body, (int) Math.min(40, Math.min(size, length - body)));
    int tag = Short.toUnsignedInt(fmt.getShort());
    int channels = Short.toUnsignedInt(fmt.getShort());
    long rate = Integer.toUnsignedLong(fmt.getInt());
    fmt.getInt();
    fmt.getShort();
    int bits = Short.toUnsignedInt(fmt.getShort());
    int mask = 0;
    if (tag == FORMAT_EXTENSIBLE && fmt.remaining() >= 10) {
      fmt.position(20);
      mask = fmt.getInt();
      tag = Short.toUnsignedInt(fmt.getShort());
    }
    if (rate < 8_000 || rate > 384_000) {
      throw new AudioException(
          "says its sample rate is "
              + rate
              + " Hz; between 8,000 and 384,000 Hz can be used; export it again at one of those");
    }
    if (channels == 0) {
      throw new AudioException("says it has no channels; export it again");
    }
    return new Format(samples(tag, bits), (int) rate, Layout.of(channels, mask));
  }

  private static SampleFormat samples(int tag, int bits) {
    if (tag == FORMAT_PCM) {
      switch (bits) {
        case 8 -> {
          return SampleFormat.PCM_8;
        }
        case 16 -> {
          return SampleFormat.PCM_16;
        }
        case 24 -> {
          return SampleFormat.PCM_24;
        }
        case 32 -> {
          return SampleFormat.PCM_32;
        }
        default -> {}
      }
    }
    if (tag == FORMAT_FLOAT && bits == 32) {
      return SampleFormat.FLOAT_32;
    }
    if (tag == FORMAT_FLOAT && bits == 64) {
      return SampleFormat.FLOAT_64;
    }
    throw new AudioException(
        "is encoded as format "
            + tag
            + " with "
            + bits
            + " bits, which Drevik does not read; export it as 16, 24 or 32-bit PCM or float");
  }

  private ByteBuffer read(long position, int count) throws IOException {
    ByteBuffer buffer = ByteBuffer.allocate(count).order(ByteOrder.LITTLE_ENDIAN);
    while (buffer.hasRemaining()) {
      if (file.read(buffer, position + buffer.position()) < 0) {
        throw new AudioException("ends in the middle of its header; ask for it to be sent again");
      }
    }
    return buffer.flip();
  }

  private static String fourCharacters(ByteBuffer buffer) {
    byte[] id = new byte[4];
    buffer.get(id);
    return new String(id, StandardCharsets.ISO_8859_1);
  }
}
