package drevik.mix;

import drevik.audio.Dither;
import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * A file to be printed.
 *
 * @param channel the channel that is tapped
 * @param without categories that must not be heard in it: what a mix-minus is minus of
 * @param specification the id of what the buyer asks of it; null if nobody does
 * @param dither what is added before samples are rounded to the format
 * @param namePattern of the file, without ending; see {@code deliver.NamePattern} for its tokens
 * @param mayBeSilent true if nobody minds that nothing is heard in it, or nothing for long
 */
@RecordBuilder
public record Output(
    String id,
    String name,
    OutputKind kind,
    String channel,
    Tap tap,
    Layout layout,
    SampleFormat format,
    String namePattern,
    List<String> without,
    @Nullable String specification,
    Dither dither,
    boolean mayBeSilent)
    implements OutputBuilder.With {

  public Output {
    without = Lists.copy(without);
    // Documents leave out what most outputs have.
    dither = Objects.requireNonNullElse(dither, Dither.BY_FORMAT);
  }

  /** An output that may hold everything, and of which nobody asks anything. */
  public Output(
      String id,
      String name,
      OutputKind kind,
      String channel,
      Tap tap,
      Layout layout,
      SampleFormat format,
      String namePattern) {
    this(
        id,
        name,
        kind,
        channel,
        tap,
        layout,
        format,
        namePattern,
        List.of(),
        null,
        Dither.BY_FORMAT,
        false);
  }
}
