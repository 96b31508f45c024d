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

  /**
   * What a new output of a Mix is until somebody says otherwise: a stem of the last bus or master
   * that is not stowed, behind its fader. It has no name and no id yet.
   *
   * @throws Refused if there is nothing that it could be taken from
   */
  public static Output draft(Mix mix) {
    List<Channel> channels = mix.channels().stream().filter(one -> !one.stowed()).toList();
    Channel from =
        channels.stream()
            .filter(one -> one.kind() == ChannelKind.BUS || one.kind() == ChannelKind.MASTER)
            .reduce((one, next) -> next)
            .or(() -> channels.stream().findFirst())
            .orElseThrow(
                () -> new Refused("There is no channel yet to print; add one in the Flow first."));
    return new Output(
        "",
        "",
        OutputKind.STEM,
        from.id(),
        Tap.POST_FADER,
        from.layout(),
        SampleFormat.PCM_24,
        "{output}");
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
