package drevik.ledger;

import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.Field;
import drevik.mix.field.ValueField;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * A column of the Ledger: a field of channels.
 *
 * @param label with the unit of its figures
 * @param editable false for what is edited elsewhere
 */
public record LedgerColumn(Field<Channel, ?> field, String label, boolean editable) {
  /**
   * From left to right. Audio is seated, not typed, and what the map stands over is told by the
   * map.
   */
  public static final List<LedgerColumn> ALL =
      ChannelField.ALL.all().stream()
          .filter(field -> field != ChannelField.CLIPS && field != ChannelField.FALLBACKS)
          .map(LedgerColumn::of)
          .toList();

  /**
   * Those that have something to say in a Mix: without surround nothing stands in one, and where
   * nobody moves a whole image, pan is what it usually is.
   */
  public static List<LedgerColumn> of(Mix mix) {
    Predicate<Predicate<Layout>> anywhere =
        has ->
            Stream.concat(
                    mix.channels().stream().map(Channel::layout),
                    mix.outputs().stream().map(Output::layout))
                .anyMatch(has);
    boolean surround =
        anywhere.test(Layout::hasSurround)
            || mix.channels().stream().anyMatch(channel -> channel.frontBack() > 0);
    boolean heights =
        anywhere.test(Layout::hasHeight)
            || mix.channels().stream().anyMatch(channel -> channel.height() > 0);
    boolean images = mix.channels().stream().anyMatch(Channel::wholeImage);
    boolean taken = mix.channels().stream().anyMatch(channel -> !channel.taken().isEmpty());
    boolean lfe =
        anywhere.test(Layout::hasLfe)
            || mix.channels().stream().anyMatch(channel -> channel.lfeDb() != null);
    return ALL.stream()
        .filter(column -> images || column.field() != ChannelField.WHOLE_IMAGE)
        .filter(column -> surround || column.field() != ChannelField.FRONT_BACK)
        .filter(column -> heights || column.field() != ChannelField.HEIGHT)
        .filter(column -> taken || column.field() != ChannelField.TAKEN)
        .filter(column -> lfe || column.field() != ChannelField.LFE)
        .toList();
  }

  private static LedgerColumn of(Field<Channel, ?> field) {
    return new LedgerColumn(
        field, field.label() + FieldText.unitOf(field), TypedText.isWritable(field));
  }

  /**
   * The column of a field.
   *
   * @throws Refused if there is none
   */
  public static LedgerColumn of(String id) {
    return ALL.stream()
        .filter(column -> column.id().equals(id))
        .findFirst()
        .orElseThrow(() -> new Refused("The Ledger has no column “" + id + "”."));
  }

  public String id() {
    return field.id();
  }

  /** True if its cells hold figures, which stand under each other. */
  public boolean holdsFigures() {
    return field.unit() != Field.Unit.NONE;
  }

  /** What stands in the cell. */
  public String text(Channel channel, Names names) {
    return FieldText.of(field, channel, names);
  }

  /** The value of a cell that holds a figure; null for none. */
  public @Nullable Double figure(Channel channel) {
    return field.get(channel) instanceof Number number ? (Double) number.doubleValue() : null;
  }

  /**
   * What becomes of a channel when a text is written here.
   *
   * @throws Refused if the text means nothing here
   */
  public Changes<Channel> typed(Mix mix, Channel channel, String text) {
    if (!editable) {
      throw new Refused(
          "“"
              + label
              + "” cannot be typed: "
              + (field == ChannelField.KIND
                  ? "add a channel of the other kind, and join or remove this one."
                  : "it is what hands have set; the sheet of the channel unpins."));
    }
    if (field == ChannelField.SENDS) {
      return Changes.between(
          ChannelField.ALL, channel, channel.withSends(SendText.typed(mix, channel, text)));
    }
    if (field == ChannelField.CHAIN) {
      return Changes.between(
          ChannelField.ALL, channel, channel.withChain(ChainText.typed(mix, channel, text)));
    }
    return TypedText.changes(mix, (ValueField<Channel, ?>) field, text);
  }
}
