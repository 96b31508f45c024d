package drevik.ledger;

import drevik.audio.Decibels;
import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.Field;
import drevik.mix.field.ValueField;
import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** What a text that somebody typed or pasted stands for: {@code −3.5}, {@code L30}, {@code yes}. */
public final class TypedText {
  private TypedText() {}

  /**
   * What becomes of a channel whose field is to say that.
   *
   * @throws Refused if the text means nothing there
   */
  public static <V> Changes<Channel> changes(Mix mix, ValueField<Channel, V> field, String typed) {
    Object value = value(mix, field, typed.strip());
    return Changes.of(ChannelField.ALL, field, value == null ? null : field.type().cast(value));
  }

  private static @Nullable Object value(Mix mix, ValueField<Channel, ?> field, String text) {
    if (!field.targets().isEmpty()) {
      return text.isEmpty() ? null : Called.channel(mix, one -> true, "channel", text);
    }
    if (field.type() == Boolean.class) {
      return yes(text);
    }
    if (field.type() == Layout.class) {
      return layout(text);
    }
    if (field.type() == Double.class) {
      return figure(field, text);
    }
    if (field == ChannelField.CATEGORY) {
      return text.toLowerCase(Locale.ROOT);
    }
    boolean mayBeNothing = field == ChannelField.COLOUR || field == ChannelField.PERSON;
    return text.isEmpty() && mayBeNothing ? null : text;
  }

  static Layout layout(String text) {
    return Arrays.stream(Layout.values())
        .filter(
            layout ->
                layout.toString().equalsIgnoreCase(text)
                    || layout.shortName().equalsIgnoreCase(text))
        .findFirst()
        .orElseThrow(
            () ->
                new Refused(
                    "There is no layout “"
                        + text
                        + "”; there are "
                        + Arrays.stream(Layout.values())
                            .map(Layout::toString)
                            .collect(Collectors.joining(", "))
                        + "."));
  }

  private static @Nullable Double figure(ValueField<Channel, ?> field, String text) {
    if (field == ChannelField.LFE) {
      double level = text.isEmpty() ? Decibels.SILENCE : TypedNumber.of(field.unit(), text);
      return level <= Decibels.SILENCE ? null : level;
    }
    return TypedNumber.of(field.unit(), text);
  }

  private static boolean yes(String text) {
    return switch (text.toLowerCase(Locale.ROOT)) {
      case "yes", "y", "x", "true", "1" -> true;
      case "", "no", "n", "false", "0", "-" -> false;
      default -> throw new Refused("“" + text + "” is neither yes nor no.");
    };
  }

  /** The field of a column, if its cells can be written. */
  static boolean isWritable(Field<Channel, ?> field) {
    return field == ChannelField.SENDS
        || field == ChannelField.CHAIN
        || (field instanceof ValueField<Channel, ?> && field != ChannelField.KIND);
  }
}
