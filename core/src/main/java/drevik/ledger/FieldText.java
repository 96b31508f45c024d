package drevik.ledger;

import drevik.audio.Decibels;
import drevik.mix.AudioRef;
import drevik.mix.Clip;
import drevik.mix.Insert;
import drevik.mix.Key;
import drevik.mix.Pin;
import drevik.mix.Send;
import drevik.mix.Slot;
import drevik.mix.Taken;
import drevik.mix.field.Field;
import drevik.mix.field.ListField;
import drevik.mix.field.Slots;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** How what is said of a thing is written for people. */
public final class FieldText {
  /** Faders at or below it are silent, dB. */
  private FieldText() {}

  /** What a field of a thing says, without its unit: {@code −3.5}, {@code L30}, {@code yes}. */
  public static <T, V> String of(Field<T, V> field, T thing, Names names) {
    return ofValue(field, field.get(thing), names);
  }

  /** The same for a value; empty where nothing is said. */
  public static <V> String ofValue(Field<?, V> field, @Nullable V value, Names names) {
    if (value == null) {
      return "";
    }
    if (value instanceof List<?> list) {
      return items((ListField<?, ?>) field, list, names);
    }
    if (value instanceof String text) {
      return field.targets().isEmpty() ? text : names.of(text);
    }
    if (value instanceof Key key) {
      return names.of(key.source()) + ", " + key.tap();
    }
    if (value instanceof AudioRef audio) {
      return audio.name();
    }
    if (value instanceof Boolean yes) {
      return yes ? "yes" : "";
    }
    return value instanceof Number number ? figure(field, number, names) : value.toString();
  }

  /** The same with its unit behind it: {@code −3.5 dB}. */
  public static <V> String withUnit(Field<?, V> field, @Nullable V value, Names names) {
    String text = ofValue(field, value, names);
    return text.isEmpty() ? text : text + unitOf(field);
  }

  /** What stands behind the label of a column of figures: {@code dB}. */
  public static String unitOf(Field<?, ?> field) {
    return switch (field.unit()) {
      case DECIBELS -> " dB";
      case FRAMES -> " s";
      case HERTZ -> " Hz";
      case BEATS_PER_MINUTE -> " bpm";
      case LUFS -> " LUFS";
      case LOUDNESS_UNITS -> " LU";
      case DBTP -> " dBTP";
      case PAN, FRONT_BACK, HEIGHT, NONE -> "";
    };
  }

  private static String figure(Field<?, ?> field, Number number, Names names) {
    double value = number.doubleValue();
    return switch (field.unit()) {
      case DECIBELS -> value <= Decibels.SILENCE ? "−∞" : plain(value, 2);
      case PAN -> between(value, "C", value < 0 ? "L" : "R");
      case FRONT_BACK -> between(value, "F", "B");
      case HEIGHT -> between(value, "level", "U");
      case FRAMES -> plain(names.seconds(number.longValue()), 3);
      default -> plain(value, 3);
    };
  }

  /** A figure without needless noughts. */
  public static String plain(double value, int decimals) {
    if (!Double.isFinite(value)) {
      return String.valueOf(value);
    }
    // A Ledger has thousands of them: a format and patterns took ten times as long.
    return BigDecimal.valueOf(value)
        .setScale(decimals, RoundingMode.HALF_UP)
        .stripTrailingZeros()
        .toPlainString()
        .replace('-', '−');
  }

  /** A level with its unit: {@code −3.5 dB}, {@code −∞ dB}. */
  public static String decibels(double level) {
    return (level <= Decibels.SILENCE ? "−∞" : plain(level, 2)) + " dB";
  }

  private static String between(double value, String here, String there) {
    long percent = Math.round(Math.abs(value) * 100);
    return percent == 0 ? here : there + percent;
  }

  private static String items(ListField<?, ?> field, List<?> list, Names names) {
    if (list.isEmpty()) {
      return "";
    }
    // So that a filter finds everything that is pinned.
    return (list.get(0) instanceof Pin ? "pinned: " : "")
        + list.stream()
            .map(item -> item(field, item, names))
            .filter(Objects::nonNull)
            .distinct()
            .collect(Collectors.joining(", "));
  }

  /** What a member of a list is called. */
  static String item(ListField<?, ?> field, Object item, Names names) {
    if (item instanceof Send send) {
      return SendText.of(send, names);
    }
    if (item instanceof Insert insert) {
      return insert.processor();
    }
    if (item instanceof Clip clip) {
      return clip.audio().name();
    }
    if (item instanceof Taken taken) {
      return Slots.byId(taken.id()).map(slot -> slot(slot, names)).orElse(taken.id())
          + (taken.from() == null ? "" : " (from " + taken.from() + ")");
    }
    if (item instanceof Pin pin) {
      return Slots.byId(pin.id()).map(slot -> slot(slot, names)).orElse(pin.id()) + origin(pin);
    }
    if (item instanceof String id) {
      return field.targets().isEmpty() || names.of(id).isEmpty() ? id : names.of(id);
    }
    return nameOf(field, item);
  }

  /** Where a pin came from, as far as that is known: the act, and the day. */
  private static String origin(Pin pin) {
    String day = pin.at() == null || pin.at().length() < 10 ? "" : ", " + pin.at().substring(0, 10);
    return pin.by() == null ? "" : " (" + pin.by() + day + ")";
  }

  private static String slot(Slot slot, Names names) {
    String label = Slots.labelOf(slot).toLowerCase(Locale.ROOT);
    return slot.of() == null || names.of(slot.of()).isEmpty()
        ? label
        : label + " " + names.of(slot.of());
  }

  /** Where a send goes. */
  static String to(Send send, Names names) {
    return send.destinations().stream().map(names::of).collect(Collectors.joining(" + "));
  }

  @SuppressWarnings("unchecked") // the item is a member of the list that the field is of
  private static <E> String nameOf(ListField<?, E> field, Object item) {
    E one = (E) item;
    return field
        .items()
        .flatMap(fields -> fields.byId("name"))
        .map(name -> String.valueOf(name.get(one)))
        .orElse(field.idOf(one));
  }
}
