package drevik.mix;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * A file to be printed.
 *
 * @param channel the channel that is tapped
 * @param fileName without ending; {@code .wav} is added
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
    String fileName)
    implements OutputBuilder.With {}
