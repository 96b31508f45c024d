package drevik.audio;

/** What is added to samples before they are rounded to a file's depth. */
public enum Dither {
  /** As the format needs it: {@link #FLAT} at 16 bits, nothing at 24 and more. */
  BY_FORMAT("by format"),

  /** Nothing: samples are rounded as they are. */
  NONE("none"),

  /** Noise of triangular distribution, ±1 step (S. P. Lipshitz et al., JAES 40/5, 1992). */
  FLAT("flat"),

  /** The same, with what rounding does moved to where it is heard least. */
  SHAPED("shaped");

  private final String id;

  Dither(String id) {
    this.id = id;
  }

  /** What it comes to for a format; floats are never dithered. */
  Dither in(SampleFormat format) {
    if (format.encoding().equals("float") || format == SampleFormat.PCM_32) {
      return NONE;
    }
    return this != BY_FORMAT ? this : format == SampleFormat.PCM_16 ? FLAT : NONE;
  }

  /** The name used in documents. */
  @Override
  public String toString() {
    return id;
  }
}
