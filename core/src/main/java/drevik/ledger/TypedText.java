package drevik.ledger;

import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.Field;
import drevik.mix.field.ValueField;
import java.util.Arrays;
import java.util.List;
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
      return idOf(mix, text);
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

  private static @Nullable String idOf(Mix mix, String name) {
    if (name.isEmpty()) {
      return null;
    }
    List<Channel> named =
        mix.channels().stream().filter(c -> c.name().strip().equalsIgnoreCase(name)).toList();
    if (named.size() != 1) {
      throw new Refused(
          named.isEmpty()
              ? "There is no channel “" + name + "”."
              : named.size() + " channels are called “" + name + "”; rename one first.");
    }
    return named.get(0).id();
  }

  private static Layout layout(String text) {
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
      double level = text.isEmpty() ? FieldText.SILENCE_DB : decibels(text);
      return level <= FieldText.SILENCE_DB ? null : level;
    }
    return switch (field.unit()) {
      case PAN -> pan(text);
      case FRONT_BACK -> between(text, "F", "B", "F for front, or B with 0 to 100 for back");
      default -> decibels(text);
    };
  }

  private static double decibels(String text) {
    String plain = text.replaceAll("(?i)\\s*dB$", "");
    if (plain.equals("−∞") || plain.equalsIgnoreCase("-inf") || plain.equals("-∞")) {
      return FieldText.SILENCE_DB;
    }
    return number(plain, "a level in dB, such as −3.5");
  }

  private static double number(String text, String wanted) {
    try {
      double value = Double.parseDouble(text.replace('−', '-').replace(',', '.'));
      if (Double.isFinite(value)) {
        return value;
      }
    } catch (NumberFormatException e) {
      // Said below, in the same words as for what is no finite number.
    }
    throw new Refused("“" + text + "” is not " + wanted + ".");
  }

  private static double pan(String text) {
    String wanted = "a pan: C, or L or R with 0 to 100";
    boolean left = text.toUpperCase(Locale.ROOT).startsWith("L");
    double there = between(text, "C", left ? "L" : "R", wanted);
    return left ? -there : there;
  }

  /** From 0, which is here, to 1: {@code B}, {@code B40}. */
  private static double between(String text, String here, String there, String wanted) {
    String upper = text.toUpperCase(Locale.ROOT);
    if (upper.isEmpty() || upper.equals(here)) {
      return 0;
    }
    if (!upper.startsWith(there)) {
      throw new Refused("“" + text + "” is not " + wanted + ".");
    }
    String percent = upper.substring(there.length()).strip();
    return percent.isEmpty() ? 1 : number(percent, wanted) / 100;
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
    return field instanceof ValueField<Channel, ?> && field != ChannelField.KIND;
  }
}
