package drevik.audio;

/**
 * A loudspeaker position. The mask bits are those of {@code WAVEFORMATEXTENSIBLE.dwChannelMask};
 * the loudness weight is G of ITU-R BS.1770-5, table 4 (LFE is not counted).
 */
public enum Speaker {
  MONO("M", 0x4, 1.0),
  LEFT("L", 0x1, 1.0),
  RIGHT("R", 0x2, 1.0),
  CENTRE("C", 0x4, 1.0),
  LFE("LFE", 0x8, 0.0),
  LEFT_SURROUND("Ls", 0x200, 1.41),
  RIGHT_SURROUND("Rs", 0x400, 1.41),
  LEFT_REAR("Lrs", 0x10, 1.0),
  RIGHT_REAR("Rrs", 0x20, 1.0),
  LEFT_TOP_FRONT("Ltf", 0x1000, 1.0),
  RIGHT_TOP_FRONT("Rtf", 0x4000, 1.0),
  LEFT_TOP_REAR("Ltr", 0x8000, 1.0),
  RIGHT_TOP_REAR("Rtr", 0x20000, 1.0);

  private final String shortName;
  private final int maskBit;
  private final double loudnessWeight;

  Speaker(String shortName, int maskBit, double loudnessWeight) {
    this.shortName = shortName;
    this.maskBit = maskBit;
    this.loudnessWeight = loudnessWeight;
  }

  /** As it stands at a name: L, Rs, LFE. */
  public String shortName() {
    return shortName;
  }

  public int maskBit() {
    return maskBit;
  }

  public double loudnessWeight() {
    return loudnessWeight;
  }
}
