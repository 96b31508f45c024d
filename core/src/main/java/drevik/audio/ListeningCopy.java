package drevik.audio;

import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/**
 * A WAVE file of any depth and layout as what every browser plays: a RIFF file of 24 bits, mono or
 * folded to stereo as prints are ({@link ChannelMatrix}), at the rate of the file. It is never
 * written: each byte is worked out from where it stands, so that one can begin anywhere.
 *
 * <p>What is beyond full scale is held at full scale. One belongs to one thread at a time.
 */
public final class ListeningCopy implements Closeable {
  private static final int HEADER_BYTES = 44;
  private static final int SAMPLE_BYTES = 3;
  private static final int BLOCK_FRAMES = 4096;
  private static final int FULL_SCALE = (1 << 23) - 1;

  /** Sizes of a RIFF file are unsigned 32-bit numbers: what comes later cannot be spoken of. */
  private static final long MOST_BYTES = 0xFFFF_FFFFL - HEADER_BYTES;

  private final WavReader reader;
  private final double[][] gains;
  private final int channels;
  private final long frames;
  private final float[][] source;
  private final byte[] block;
  private final byte[] header;
  private long blockAt = -1;

  private ListeningCopy(WavReader reader) {
    this.reader = reader;
    WavHeader of = reader.header();
    Layout layout = of.layout() == Layout.MONO ? Layout.MONO : Layout.STEREO;
    this.channels = layout.channels();
    this.gains = ChannelMatrix.of(of.layout(), layout, Position.FRONT, PanLaw.MINUS_3);
    this.frames = Math.min(of.frames(), MOST_BYTES / ((long) channels * SAMPLE_BYTES));
    this.source = new float[of.channels()][BLOCK_FRAMES];
    this.block = new byte[BLOCK_FRAMES * channels * SAMPLE_BYTES];
    this.header = header(of.sampleRate());
  }

  /**
   * A copy of a WAVE file.
   *
   * @throws AudioException if the file is no readable WAVE file
   */
  public static ListeningCopy of(Path wave) {
    return new ListeningCopy(WavReader.open(wave));
  }

  /** Bytes. */
  public long length() {
    return HEADER_BYTES + frames * channels * SAMPLE_BYTES;
  }

  private byte[] header(int sampleRate) {
    int frame = channels * SAMPLE_BYTES;
    long data = frames * frame;
    return ByteBuffer.allocate(HEADER_BYTES)
        .order(ByteOrder.LITTLE_ENDIAN)
        .put("RIFF".getBytes(StandardCharsets.US_ASCII))
        .putInt((int) (HEADER_BYTES - 8 + data))
        .put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII))
        .putInt(16)
        .putShort((short) 1)
        .putShort((short) channels)
        .putInt(sampleRate)
        .putInt(sampleRate * frame)
        .putShort((short) frame)
        .putShort((short) (8 * SAMPLE_BYTES))
        .put("data".getBytes(StandardCharsets.US_ASCII))
        .putInt((int) data)
        .array();
  }

  /**
   * Bytes from {@code position} on.
   *
   * @return how many were put into {@code into}, at least one; −1 behind the end
   */
  public int read(long position, byte[] into, int offset, int count) {
    if (position >= length()) {
      return -1;
    }
    if (position < HEADER_BYTES) {
      int some = (int) Math.min(count, HEADER_BYTES - position);
      System.arraycopy(header, (int) position, into, offset, some);
      return some;
    }
    long at = position - HEADER_BYTES;
    long wanted = at / block.length;
    if (wanted != blockAt) {
      fill(wanted);
    }
    int within = (int) (at % block.length);
    int some = (int) Math.min(Math.min(count, block.length - within), length() - position);
    System.arraycopy(block, within, into, offset, some);
    return some;
  }

  private void fill(long number) {
    int read = reader.read(number * BLOCK_FRAMES, source, 0, BLOCK_FRAMES);
    int to = 0;
    for (int i = 0; i < read; i++) {
      for (double[] gain : gains) {
        double sum = 0;
        for (int s = 0; s < gain.length; s++) {
          sum += gain[s] * source[s][i];
        }
        long value = Math.round(sum * (FULL_SCALE + 1));
        int held = (int) Math.max(-FULL_SCALE - 1, Math.min(FULL_SCALE, value));
        block[to++] = (byte) held;
        block[to++] = (byte) (held >> 8);
        block[to++] = (byte) (held >> 16);
      }
    }
    blockAt = number;
  }

  /** All of it, from the start; skipping costs nothing. Closing it closes this. */
  public InputStream stream() {
    return new InputStream() {
      private long position;

      @Override
      public int read() {
        byte[] one = new byte[1];
        return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
      }

      @Override
      public int read(byte[] into, int offset, int count) {
        int some = count == 0 ? 0 : ListeningCopy.this.read(position, into, offset, count);
        position += Math.max(0, some);
        return some;
      }

      @Override
      public long skip(long bytes) {
        long some = Math.max(0, Math.min(bytes, length() - position));
        position += some;
        return some;
      }

      @Override
      public void close() throws IOException {
        ListeningCopy.this.close();
      }
    };
  }

  @Override
  public void close() throws IOException {
    reader.close();
  }
}
