package drevik.audio;

/**
 * A loudspeaker position. The mask bits are those of {@code WAVEFORMATEXTENSIBLE.dwChannelMask};
 * the loudness weight is G of ITU-R BS.1770-5, table 4 (LFE is not counted).
 */
public enum Speaker {
  MONO(0x4, 1.0),
  LEFT(0x1, 1.0),
  RIGHT(0x2, 1.0),
  CENTRE(0x4, 1.0),
  LFE(0x8, 0.0),
  LEFT_SURROUND(0x200, 1.41),
  RIGHT_SURROUND(0x400, 1.41),
  LEFT_REAR(0x10, 1.0),
  RIGHT_REAR(0x20, 1.0),
  LEFT_TOP_FRONT(0x1000, 1.0),
  RIGHT_TOP_FRONT(0x4000, 1.0),
  LEFT_TOP_REAR(0x8000, 1.0),
  RIGHT_TOP_REAR(0x20000, 1.0);

  private final int maskBit;
  private final double loudnessWeight;

  Speaker(int maskBit, double loudnessWeight) {
    this.maskBit = maskBit;
    this.loudnessWeight = loudnessWeight;
  }

  public int maskBit() {
    return maskBit;
  }

  public double loudnessWeight() {
    return loudnessWeight;
  }
}
