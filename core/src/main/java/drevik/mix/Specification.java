package drevik.mix;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import org.jspecify.annotations.Nullable;

/**
 * What a buyer asks of a file. What is null is not asked.
 *
 * @param source the standard with its clause, or the buyer's paper
 * @param loudness integrated, LUFS
 * @param tolerance above and below the loudness, LU
 * @param truePeak the highest that is allowed, dBTP
 * @param sampleRate Hz
 * @param layout with its order of channels
 */
public record Specification(
    String id,
    String name,
    String source,
    @Nullable Double loudness,
    @Nullable Double tolerance,
    @Nullable Double truePeak,
    @Nullable Integer sampleRate,
    @Nullable SampleFormat format,
    @Nullable Layout layout) {

  public Specification {
    source = source == null ? "" : source;
  }

  /** One that asks no layout. */
  public Specification(
      String id,
      String name,
      String source,
      @Nullable Double loudness,
      @Nullable Double tolerance,
      @Nullable Double truePeak,
      @Nullable Integer sampleRate,
      @Nullable SampleFormat format) {
    this(id, name, source, loudness, tolerance, truePeak, sampleRate, format, null);
  }
}
