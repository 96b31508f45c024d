package drevik.audio;

import java.util.List;

/** How one sample is stored in a file. Full scale of n-bit PCM is 2^(n−1). */
public enum SampleFormat {
  PCM_8("8-bit", "PCM", 8),
  PCM_16("16-bit", "PCM", 16),
  PCM_24("24-bit", "PCM", 24),
  PCM_32("32-bit", "PCM", 32),
  FLOAT_32("32-bit float", "float", 32),
  FLOAT_64("64-bit float", "float", 64);

  private final String id;
  private final String encoding;
  private final int bits;

  SampleFormat(String id, String encoding, int bits) {
    this.id = id;
    this.encoding = encoding;
    this.bits = bits;
  }

  /** The formats that files are printed in; the others are only read. */
  public static List<SampleFormat> written() {
    return List.of(PCM_16, PCM_24, PCM_32, FLOAT_32);
  }

  public int bits() {
    return bits;
  }

  public int bytes() {
    return bits / 8;
  }

  /** {@code PCM} or {@code float}. */
  public String encoding() {
    return encoding;
  }

  @Override
  public String toString() {
    return id;
  }
}
