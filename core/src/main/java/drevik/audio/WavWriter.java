package drevik.audio;

import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.OptionalLong;
import org.jspecify.annotations.Nullable;

/**
 * Writes a WAVE file block by block: 16-, 24- and 32-bit PCM, or 32-bit float. Room for a {@code
 * ds64} chunk is kept at the start as {@code JUNK}; a file that passes 4 GiB becomes RF64 (EBU Tech
 * 3306) when it is closed.
 *
 * <p>What comes out of {@link #write} is what a reader of the file will get: dithered, rounded,
 * clipped. Whoever measures that, measures the file.
 */
public final class WavWriter implements Closeable {
  private static final VarHandle LONG =
      MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.LITTLE_ENDIAN);

  /** Spare bytes behind the last sample, so that eight can be written where a frame has six. */
  private static final int TAIL = 2;

  private static final int DS64_SIZE = 28;
  private static final long LARGEST_RIFF = 0xFFFF_FFFFL;

  private final FileChannel file;
  private final SampleFormat format;
  private final int sampleRate;
  private final Layout layout;
  private final Quantiser quantiser;
  private final @Nullable BroadcastTags tags;
  private final int headerSize;
  private BroadcastTags.Loudness loudness = BroadcastTags.Loudness.UNKNOWN;
  private float[][] written = new float[0][0];
  private ByteBuffer bytes = ByteBuffer.allocate(0);
  private long frames;

  private WavWriter(
      FileChannel file,
      SampleFormat format,
      int sampleRate,
      Layout layout,
      Quantiser quantiser,
      @Nullable BroadcastTags tags) {
    this.file = file;
    this.format = format;
    this.sampleRate = sampleRate;
    this.layout = layout;
    this.quantiser = quantiser;
    this.tags = tags;
    this.headerSize = header(0).length;
  }

  /**
   * Creates or replaces a file.
   *
   * @throws AudioException if the file cannot be written or the format is not one that is written
   */
  public static WavWriter create(Path path, SampleFormat format, int sampleRate, Layout layout) {
    return create(path, format, sampleRate, layout, Dither.BY_FORMAT, 0, null);
  }

  /**
   * The same.
   *
   * @param seed of the dither: files with different ones have noise that has nothing in common
   * @param tags what the file says of itself; null for nothing
   */
  public static WavWriter create(
      Path path,
      SampleFormat format,
      int sampleRate,
      Layout layout,
      Dither dither,
      long seed,
      @Nullable BroadcastTags tags) {
    if (!SampleFormat.written().contains(format)) {
      throw new AudioException(format + " files are not written; choose 16-bit, 24-bit or float");
    }
    try {
      FileChannel file =
          FileChannel.open(
              path,
              StandardOpenOption.CREATE,
              StandardOpenOption.TRUNCATE_EXISTING,
              StandardOpenOption.WRITE);
      Quantiser quantiser = new Quantiser(format, dither, layout.channels(), seed);
      WavWriter writer = new WavWriter(file, format, sampleRate, layout, quantiser, tags);
      writer.writeHeader();
      file.position(writer.headerSize);
      return writer;
    } catch (IOException e) {
      throw AudioException.of(path, "cannot be written: " + e.getMessage(), e);
    }
  }

  /**
   * The largest by which a sample of such a file may differ from what it was made of, linear, as
   * long as it does not clip.
   */
  public static double largestError(SampleFormat format, Dither dither) {
    return Quantiser.largestError(format, dither);
  }

  /** Mean power of what dither adds to such a file, linear; 0 for one without. */
  public static double ditherPower(SampleFormat format, Dither dither) {
    return Quantiser.ditherPower(format, dither);
  }

  /** Appends {@code count} frames of {@code audio[channel][offset…]}. */
  public void write(float[][] audio, int offset, int count) {
    if (written.length == 0 || written[0].length < offset + count) {
      written = new float[layout.channels()][offset + count];
    }
    write(audio, offset, count, written);
  }

  /**
   * The same.
   *
   * @param into gets, at the same places, the samples as the file has them
   */
  public void write(float[][] audio, int offset, int count, float[][] into) {
    for (int channel = 0; channel < layout.channels(); channel++) {
      quantiser.process(channel, audio[channel], into[channel], offset, count);
    }
    int size = count * layout.channels() * format.bytes();
    if (bytes.capacity() < size + TAIL) {
      bytes = ByteBuffer.allocate(size + TAIL).order(ByteOrder.LITTLE_ENDIAN);
    }
    bytes.clear().limit(size);
    if (format == SampleFormat.PCM_24 && layout.channels() == 2) {
      encodeStereo24(into[0], into[1], offset, count);
    } else {
      for (int channel = 0; channel < layout.channels(); channel++) {
        encode(channel, into[channel], offset, count);
      }
    }
    try {
      while (bytes.hasRemaining()) {
        file.write(bytes);
      }
    } catch (IOException e) {
      throw new AudioException("the disk took no more audio: " + e.getMessage(), e);
    }
    frames += count;
  }

  /** Samples written so far that were beyond full scale and were cut there. */
  public long clippedSamples() {
    return quantiser.clipped();
  }

  /** Samples written so far that were no number and were written as silence. */
  public long unusableSamples() {
    return quantiser.unusable();
  }

  /** What was measured of the file, for its tags. */
  public void measured(BroadcastTags.Loudness loudness) {
    this.loudness = loudness;
  }

  /**
   * The commonest format by far: one store a frame, whose two bytes too many the next overwrites.
   */
  private void encodeStereo24(float[] left, float[] right, int offset, int count) {
    byte[] raw = bytes.array();
    for (int i = 0; i < count; i++) {
      long l = whole(left[offset + i] * 8388608.0) & 0xFF_FFFFL;
      long r = whole(right[offset + i] * 8388608.0) & 0xFF_FFFFL;
      LONG.set(raw, 6 * i, l | r << 24);
    }
  }

  /**
   * A whole number as an int: adding this much leaves it in the lowest bits. Far cheaper than a
   * cast, which asks whether it is one.
   */
  private static int whole(double step) {
    return (int) Double.doubleToRawLongBits(step + 0x1.8p52);
  }

  /** Of samples that are whole steps already. */
  private void encode(int channel, float[] in, int offset, int count) {
    int step = layout.channels() * format.bytes();
    int at = channel * format.bytes();
    byte[] raw = bytes.array();
    switch (format) {
      case PCM_16 -> {
        for (int i = 0; i < count; i++, at += step) {
          int sample = whole(in[offset + i] * 32768.0);
          raw[at] = (byte) sample;
          raw[at + 1] = (byte) (sample >> 8);
        }
      }
      case PCM_24 -> {
        for (int i = 0; i < count; i++, at += step) {
          int sample = whole(in[offset + i] * 8388608.0);
          raw[at] = (byte) sample;
          raw[at + 1] = (byte) (sample >> 8);
          raw[at + 2] = (byte) (sample >> 16);
        }
      }
      case PCM_32 -> {
        for (int i = 0; i < count; i++, at += step) {
          // A cast takes what is beyond the largest number to that number.
          bytes.putInt(at, (int) (in[offset + i] * 2147483648.0));
        }
      }
      default -> {
        for (int i = 0; i < count; i++, at += step) {
          bytes.putFloat(at, in[offset + i]);
        }
      }
    }
  }

  private long dataSize() {
    return frames * layout.channels() * format.bytes();
  }

  private void writeHeader() throws IOException {
    ByteBuffer head = ByteBuffer.wrap(header(Math.max(headerSize, file.size())));
    while (head.hasRemaining()) {
      file.write(head, head.position());
    }
  }

  /**
   * Everything in front of the audio.
   *
   * @param fileSize bytes of the whole file
   */
  @SuppressWarnings("ByteBufferBackingArray") // made by allocate
  private byte[] header(long fileSize) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    int frameBytes = layout.channels() * format.bytes();
    long riffSize = Math.max(0, fileSize - 8);
    boolean large = riffSize > LARGEST_RIFF;
    boolean isFloat = format == SampleFormat.FLOAT_32;
    bytes.writeBytes((large ? "RF64" : "RIFF").getBytes(StandardCharsets.ISO_8859_1));
    bytes.writeBytes(little(4).putInt((int) (large ? LARGEST_RIFF : riffSize)).array());
    bytes.writeBytes("WAVE".getBytes(StandardCharsets.ISO_8859_1));
    ByteBuffer sizes = little(DS64_SIZE);
    if (large) {
      sizes.putLong(riffSize).putLong(dataSize()).putLong(frames);
    }
    chunk(bytes, large ? "ds64" : "JUNK", sizes.array());
    if (tags != null) {
      chunk(bytes, "bext", tags.bext(asHeader(), loudness));
    }
    ByteBuffer fmt = isFloat && layout.channels() <= 2 ? plainFloat(frameBytes) : fmt(frameBytes);
    chunk(bytes, "fmt ", fmt.array());
    if (isFloat) {
      chunk(bytes, "fact", little(4).putInt((int) Math.min(LARGEST_RIFF, frames)).array());
    }
    bytes.writeBytes("data".getBytes(StandardCharsets.ISO_8859_1));
    bytes.writeBytes(little(4).putInt((int) (large ? LARGEST_RIFF : dataSize())).array());
    return bytes.toByteArray();
  }

  /** Floats in mono or stereo need no mask, and some readers stumble over one (tag 3, no more). */
  private ByteBuffer plainFloat(int frameBytes) {
    return begin(little(18), 3, frameBytes).putShort((short) 0);
  }

  private ByteBuffer fmt(int frameBytes) {
    ByteBuffer fmt = begin(little(40), 0xFFFE, frameBytes);
    fmt.putShort((short) 22).putShort((short) format.bits());
    boolean isFloat = format == SampleFormat.FLOAT_32;
    fmt.putInt(layout.mask()).putShort((short) (isFloat ? 3 : 1));
    // The fixed tail of the PCM and float sub-format GUIDs.
    return fmt.put(
        new byte[] {
          0, 0, 0, 0, 0x10, 0, (byte) 0x80, 0, 0, (byte) 0xAA, 0, 0x38, (byte) 0x9B, 0x71
        });
  }

  private ByteBuffer begin(ByteBuffer fmt, int tag, int frameBytes) {
    fmt.putShort((short) tag).putShort((short) layout.channels());
    fmt.putInt(sampleRate).putInt(sampleRate * frameBytes).putShort((short) frameBytes);
    return fmt.putShort((short) format.bits());
  }

  private WavHeader asHeader() {
    return new WavHeader(
        "RIFF", format, sampleRate, layout, headerSize, frames, OptionalLong.empty(), false, 0);
  }

  private static ByteBuffer little(int size) {
    return ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN);
  }

  private static void chunk(ByteArrayOutputStream out, String id, byte[] content) {
    out.writeBytes(id.getBytes(StandardCharsets.ISO_8859_1));
    out.writeBytes(little(4).putInt(content.length).array());
    out.writeBytes(content);
    if ((content.length & 1) == 1) {
      out.write(0);
    }
  }

  public long frames() {
    return frames;
  }

  /** Completes the header. The file is whole only after this. */
  @Override
  public void close() throws IOException {
    if (!file.isOpen()) {
      return;
    }
    try (file) {
      ByteArrayOutputStream behind = new ByteArrayOutputStream();
      if ((dataSize() & 1) == 1) {
        behind.write(0);
      }
      if (tags != null) {
        if (!tags.markers().isEmpty()) {
          chunk(behind, "cue ", tags.cues());
          chunk(behind, "LIST", tags.labels());
        }
        chunk(behind, "iXML", tags.ixml(asHeader()));
      }
      ByteBuffer rest = ByteBuffer.wrap(behind.toByteArray());
      while (rest.hasRemaining()) {
        file.write(rest);
      }
      writeHeader();
    }
  }
}
