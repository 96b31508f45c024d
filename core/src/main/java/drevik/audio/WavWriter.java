package drevik.audio;

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

/**
 * Writes a WAVE file block by block: 16-bit PCM with TPDF dither of ±1 LSB, 24-bit PCM, or 32-bit
 * float. Room for a {@code ds64} chunk is kept at the start as {@code JUNK}; a file that passes 4
 * GiB becomes RF64 (EBU Tech 3306) when it is closed.
 *
 * <p>The dither is a fixed pseudo-random sequence per file, so the same print gives the same bits.
 */
public final class WavWriter implements Closeable {
  private static final VarHandle LONG =
      MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.LITTLE_ENDIAN);

  /** Spare bytes behind the last sample, so that eight can be written where a frame has six. */
  private static final int TAIL = 2;

  private static final int DS64_SIZE = 28;
  private static final int HEADER_SIZE = 12 + 8 + DS64_SIZE + 8 + 40 + 8;
  private static final long LARGEST_RIFF = 0xFFFF_FFFFL;
  private static final double ROUNDER = 0x1.8p52;
  private static final double LARGEST_QUICK = 0x1p31 - 1;

  private final FileChannel file;
  private final SampleFormat format;
  private final int sampleRate;
  private final Layout layout;
  private final long[] ditherState;
  private ByteBuffer bytes = ByteBuffer.allocate(0);
  private long frames;

  private WavWriter(FileChannel file, SampleFormat format, int sampleRate, Layout layout) {
    this.file = file;
    this.format = format;
    this.sampleRate = sampleRate;
    this.layout = layout;
    this.ditherState = new long[layout.channels()];
    for (int i = 0; i < ditherState.length; i++) {
      ditherState[i] = 0x9E3779B97F4A7C15L * (i + 1);
    }
  }

  /**
   * Creates or replaces a file.
   *
   * @throws AudioException if the file cannot be written or the format is not one that is written
   */
  public static WavWriter create(Path path, SampleFormat format, int sampleRate, Layout layout) {
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
      WavWriter writer = new WavWriter(file, format, sampleRate, layout);
      writer.writeHeader();
      file.position(HEADER_SIZE);
      return writer;
    } catch (IOException e) {
      throw AudioException.of(path, "cannot be written: " + e.getMessage(), e);
    }
  }

  /** Appends {@code count} frames of {@code audio[channel][offset…]}. */
  public void write(float[][] audio, int offset, int count) {
    int size = count * layout.channels() * format.bytes();
    if (bytes.capacity() < size + TAIL) {
      bytes = ByteBuffer.allocate(size + TAIL).order(ByteOrder.LITTLE_ENDIAN);
    }
    bytes.clear().limit(size);
    if (format == SampleFormat.PCM_24 && layout.channels() == 2) {
      encodeStereo24(audio[0], audio[1], offset, count);
    } else {
      for (int channel = 0; channel < layout.channels(); channel++) {
        encode(channel, audio[channel], offset, count);
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

  /**
   * The commonest format by far: one store a frame, whose two bytes too many the next overwrites.
   */
  private void encodeStereo24(float[] left, float[] right, int offset, int count) {
    byte[] raw = bytes.array();
    for (int i = 0; i < count; i++) {
      long l = clamp(left[offset + i] * 8388608.0, 0x7F_FFFF) & 0xFF_FFFFL;
      long r = clamp(right[offset + i] * 8388608.0, 0x7F_FFFF) & 0xFF_FFFFL;
      LONG.set(raw, 6 * i, l | r << 24);
    }
  }

  private void encode(int channel, float[] in, int offset, int count) {
    int step = layout.channels() * format.bytes();
    int at = channel * format.bytes();
    byte[] raw = bytes.array();
    switch (format) {
      case PCM_16 -> {
        long state = ditherState[channel];
        for (int i = 0; i < count; i++, at += step) {
          state = next(state);
          double first = (state >>> 11) * 0x1p-53;
          state = next(state);
          double dither = first - (state >>> 11) * 0x1p-53;
          int sample = clamp(in[offset + i] * 32768.0 + dither, 0x7FFF);
          raw[at] = (byte) sample;
          raw[at + 1] = (byte) (sample >> 8);
        }
        ditherState[channel] = state;
      }
      case PCM_24 -> {
        for (int i = 0; i < count; i++, at += step) {
          int sample = clamp(in[offset + i] * 8388608.0, 0x7F_FFFF);
          raw[at] = (byte) sample;
          raw[at + 1] = (byte) (sample >> 8);
          raw[at + 2] = (byte) (sample >> 16);
        }
      }
      case PCM_32 -> {
        for (int i = 0; i < count; i++, at += step) {
          bytes.putInt(at, clamp(in[offset + i] * 2147483648.0, Integer.MAX_VALUE));
        }
      }
      default -> {
        for (int i = 0; i < count; i++, at += step) {
          bytes.putFloat(at, in[offset + i]);
        }
      }
    }
  }

  /**
   * Rounds to the nearest whole number, to the even one of two, between −largest − 1 and largest.
   */
  private static int clamp(double sample, int largest) {
    if (Math.abs(sample) < LARGEST_QUICK) {
      // Adding this much leaves no room for a fraction: the lowest bits hold the rounded number.
      // Far cheaper than rint and a cast.
      int rounded = (int) Double.doubleToRawLongBits(sample + ROUNDER);
      return Math.max(-largest - 1, Math.min(largest, rounded));
    }
    return sample > 0 ? largest : sample < 0 ? -largest - 1 : 0;
  }

  /** Marsaglia's xorshift64; enough for dither and the same on every machine. */
  private static long next(long state) {
    long s = state;
    s ^= s << 13;
    s ^= s >>> 7;
    s ^= s << 17;
    return s;
  }

  private void writeHeader() throws IOException {
    int frameBytes = layout.channels() * format.bytes();
    long dataSize = frames * frameBytes;
    long padded = dataSize + (dataSize & 1);
    long riffSize = HEADER_SIZE - 8 + padded;
    boolean large = riffSize > LARGEST_RIFF;
    boolean isFloat = format == SampleFormat.FLOAT_32;
    ByteBuffer head = ByteBuffer.allocate(HEADER_SIZE).order(ByteOrder.LITTLE_ENDIAN);
    id(head, large ? "RF64" : "RIFF").putInt((int) (large ? LARGEST_RIFF : riffSize));
    id(head, "WAVE");
    id(head, large ? "ds64" : "JUNK").putInt(DS64_SIZE);
    head.putLong(large ? riffSize : 0)
        .putLong(large ? dataSize : 0)
        .putLong(large ? frames : 0)
        .putInt(0);
    id(head, "fmt ").putInt(40).putShort((short) 0xFFFE).putShort((short) layout.channels());
    head.putInt(sampleRate).putInt(sampleRate * frameBytes).putShort((short) frameBytes);
    head.putShort((short) format.bits()).putShort((short) 22).putShort((short) format.bits());
    head.putInt(layout.mask()).putShort((short) (isFloat ? 3 : 1));
    // The fixed tail of the PCM and float sub-format GUIDs.
    head.put(
        new byte[] {
          0, 0, 0, 0, 0x10, 0, (byte) 0x80, 0, 0, (byte) 0xAA, 0, 0x38, (byte) 0x9B, 0x71
        });
    id(head, "data").putInt((int) (large ? LARGEST_RIFF : dataSize));
    head.flip();
    while (head.hasRemaining()) {
      file.write(head, head.position());
    }
  }

  private static ByteBuffer id(ByteBuffer buffer, String fourCharacters) {
    return buffer.put(fourCharacters.getBytes(StandardCharsets.ISO_8859_1));
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
      if ((frames * layout.channels() * format.bytes() & 1) == 1) {
        file.write(ByteBuffer.wrap(new byte[1]));
      }
      writeHeader();
    }
  }
}
