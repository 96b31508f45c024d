package drevik.audio;

import java.io.Closeable;
import java.io.IOException;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import org.jspecify.annotations.Nullable;

/**
 * Streams a WAVE file as planar float blocks, x / 2^(n−1). One reader belongs to one thread at a
 * time; reading allocates nothing once the first block has set the buffer's size.
 */
public final class WavReader implements Closeable {
  private static final VarHandle INT =
      MethodHandles.byteArrayViewVarHandle(int[].class, ByteOrder.LITTLE_ENDIAN);

  /** Spare bytes before the first sample, so that four can be read where a sample has three. */
  private static final int LEAD = 1;

  /**
   * What a thread reads into, whatever the file: it stays in the cache, as one a file would not.
   */
  private static final ThreadLocal<ByteBuffer> BYTES =
      ThreadLocal.withInitial(() -> ByteBuffer.allocate(0));

  private final FileChannel file;
  private final WavHeader header;
  private final WavHeaderParser parser;
  private @Nullable EmbeddedNotes notes;
  private long unusable;

  private WavReader(FileChannel file, WavHeaderParser parser) throws IOException {
    this.file = file;
    this.header = parser.parse();
    this.parser = parser;
  }

  /**
   * Opens a file and reads its header.
   *
   * @throws AudioException if the file is no readable WAVE file; the message starts with the file's
   *     name
   */
  public static WavReader open(Path path) {
    @Nullable FileChannel file = null;
    try {
      file = FileChannel.open(path, StandardOpenOption.READ);
      return new WavReader(file, new WavHeaderParser(file));
    } catch (IOException | AudioException e) {
      close(file);
      throw AudioException.of(
          path,
          e instanceof AudioException ? String.valueOf(e.getMessage()) : "cannot be read: " + e,
          e);
    }
  }

  private static void close(@Nullable FileChannel file) {
    try {
      if (file != null) {
        file.close();
      }
    } catch (IOException ignored) {
      // The first error is the one that matters.
    }
  }

  public WavHeader header() {
    return header;
  }

  /** Names, times and markers that the file carries beside its audio. */
  public EmbeddedNotes notes() {
    if (notes == null) {
      notes = parser.notes();
    }
    return notes;
  }

  /** Samples read so far that are no number (NaN or infinite); each was read as silence. */
  public long unusableSamples() {
    return unusable;
  }

  /**
   * Reads frames from {@code firstFrame} on into {@code into[channel][offset…]}. Frames outside the
   * file are left as they are.
   *
   * @return the frames read
   */
  public int read(long firstFrame, float[][] into, int offset, int frames) {
    int count = (int) Math.max(0, Math.min(frames, header.frames() - firstFrame));
    if (count == 0) {
      return 0;
    }
    int size = LEAD + count * header.bytesPerFrame();
    ByteBuffer bytes = BYTES.get();
    if (bytes.capacity() < size) {
      bytes = ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN);
      BYTES.set(bytes);
    }
    bytes.clear().limit(size).position(LEAD);
    long position = header.dataOffset() + firstFrame * header.bytesPerFrame();
    try {
      while (bytes.hasRemaining()) {
        int got = file.read(bytes, position + bytes.position() - LEAD);
        if (got < 0) {
          throw new AudioException("the file became shorter while it was read");
        }
      }
    } catch (IOException e) {
      throw new AudioException("the file could not be read: " + e.getMessage(), e);
    }
    for (int channel = 0; channel < header.channels(); channel++) {
      decode(bytes, channel, into[channel], offset, count);
    }
    return count;
  }

  @SuppressWarnings("ByteBufferBackingArray") // made by allocate
  private void decode(ByteBuffer bytes, int channel, float[] out, int offset, int count) {
    int step = header.bytesPerFrame();
    int at = LEAD + channel * header.format().bytes();
    byte[] raw = bytes.array();
    switch (header.format()) {
      case PCM_8 -> {
        for (int i = 0; i < count; i++, at += step) {
          out[offset + i] = ((raw[at] & 0xFF) - 128) * (1f / 128);
        }
      }
      case PCM_16 -> {
        for (int i = 0; i < count; i++, at += step) {
          out[offset + i] = (short) ((raw[at] & 0xFF) | raw[at + 1] << 8) * (1f / 0x8000);
        }
      }
      case PCM_24 -> {
        if (step == 3) {
          decodeMono24(raw, out, offset, count);
        } else {
          for (int i = 0; i < count; i++, at += step) {
            out[offset + i] = sample24(raw, at - 1);
          }
        }
      }
      case PCM_32 -> {
        for (int i = 0; i < count; i++, at += step) {
          out[offset + i] = bytes.getInt(at) * (1f / 0x8000_0000L);
        }
      }
      case FLOAT_32 -> {
        for (int i = 0; i < count; i++, at += step) {
          out[offset + i] = finite(bytes.getFloat(at));
        }
      }
      case FLOAT_64 -> {
        for (int i = 0; i < count; i++, at += step) {
          out[offset + i] = finite((float) bytes.getDouble(at));
        }
      }
    }
  }

  /**
   * The commonest format of deliveries. Counted in bytes, four samples a round: so the compiler
   * checks the bounds of the bytes once for all, and those of the samples once a round.
   */
  private static void decodeMono24(byte[] raw, float[] out, int offset, int count) {
    int to = offset;
    for (int at = 0; at < 3 * (count - 3); at += 12, to += 4) {
      out[to] = sample24(raw, at);
      out[to + 1] = sample24(raw, at + 3);
      out[to + 2] = sample24(raw, at + 6);
      out[to + 3] = sample24(raw, at + 9);
    }
    for (; to < offset + count; to++) {
      out[to] = sample24(raw, 3 * (to - offset));
    }
  }

  /** One load of four bytes, of which the lowest belongs to what went before, is dropped. */
  private static float sample24(byte[] raw, int at) {
    return ((int) INT.get(raw, at) >> 8) * (1f / 0x80_0000);
  }

  /** One NaN would silence every recursive filter behind it for good, so it is read as silence. */
  private float finite(float sample) {
    if (Math.abs(sample) <= Float.MAX_VALUE) {
      return sample;
    }
    unusable++;
    return 0f;
  }

  @Override
  public void close() throws IOException {
    file.close();
  }
}
