package drevik.edit;

import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.field.Change;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.Field;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Gives fields of many channels new values, the same for all; other fields stay as they are. */
public record SetChannels(List<String> channels, Changes<Channel> set) implements Edit {

  /** One field of many channels. */
  public static <V> SetChannels of(List<String> channels, Field<Channel, V> field, V value) {
    return new SetChannels(channels, Changes.of(ChannelField.ALL, field, value));
  }

  @Override
  public Mix changed(Mix mix) {
    Changes<Channel> clean = cleaned(set);
    return Soundness.require(mix, ChannelsById.change(mix, channels, clean::applyTo));
  }

  /** Names and persons without blanks around them; a person without a name is nobody. */
  static Changes<Channel> cleaned(Changes<Channel> set) {
    Changes<Channel> clean = set;
    String name = text(set, ChannelField.NAME);
    if (name != null) {
      clean = clean.and(ChannelField.NAME, new Change.To<>(ChannelsById.cleanName(name)));
    }
    String person = text(set, ChannelField.PERSON);
    if (person != null) {
      String of = person.isBlank() ? null : ChannelsById.cleanName(person);
      clean = clean.and(ChannelField.PERSON, new Change.To<>(of));
    }
    return clean;
  }

  private static @Nullable String text(Changes<Channel> set, Field<Channel, String> field) {
    return set.of(field).map(change -> change.applyTo(null)).orElse(null);
  }

  @Override
  public String says(Mix before) {
    String whose = ChannelsById.names(before, channels);
    if (set.all().size() != 1) {
      return "set "
          + set.all().keySet().stream()
              .map(field -> field.label().toLowerCase(Locale.ROOT))
              .collect(Collectors.joining(", "))
          + " of "
          + whose;
    }
    Map.Entry<Field<Channel, ?>, Change<?>> one = set.all().entrySet().iterator().next();
    Object value = one.getValue() instanceof Change.To<?> to ? to.value() : null;
    return says(before, one.getKey(), value, whose);
  }

  private String says(Mix before, Field<Channel, ?> field, @Nullable Object value, String whose) {
    if (field == ChannelField.OUTPUT) {
      return new SendChannelsTo(channels, (String) value).says(before);
    }
    if (field == ChannelField.CATEGORY) {
      return new SetCategory(channels, String.valueOf(value)).says(before);
    }
    if (field == ChannelField.STOWED) {
      return new StowChannels(channels, Boolean.TRUE.equals(value)).says(before);
    }
    if (field == ChannelField.MUTE) {
      return (Boolean.TRUE.equals(value) ? "mute " : "unmute ") + whose;
    }
    if (field == ChannelField.WHOLE_IMAGE) {
      return Boolean.TRUE.equals(value)
          ? "let pan move the whole image of " + whose
          : "let pan balance " + whose;
    }
    if (field == ChannelField.INVERTED) {
      return (Boolean.TRUE.equals(value) ? "invert " : "put right the polarity of ") + whose;
    }
    if (field == ChannelField.COLOUR) {
      return "colour " + whose;
    }
    if (field == ChannelField.COMMENT) {
      return "comment on " + whose;
    }
    if (field == ChannelField.GROUP) {
      return "show "
          + whose
          + " with "
          + (value == null ? "their own bus" : ChannelsById.names(before, List.of((String) value)));
    }
    if (value instanceof Layout layout) {
      return "make " + whose + " " + layout;
    }
    String label = field == ChannelField.LFE ? "LFE" : field.label().toLowerCase(Locale.ROOT);
    String what = "set " + label + " of " + whose;
    return value instanceof Double figure ? what + " to " + figure(field, figure) : what;
  }

  private static String figure(Field<Channel, ?> field, double value) {
    if (field.unit() == Field.Unit.PAN) {
      long percent = Math.round(Math.abs(value) * 100);
      return percent == 0 ? "centre" : percent + (value < 0 ? " left" : " right");
    }
    if (field.unit() == Field.Unit.FRONT_BACK || field.unit() == Field.Unit.HEIGHT) {
      return Math.round(value * 100) + " %";
    }
    return String.format(Locale.ROOT, "%+.1f dB", value).replace('-', '−');
  }
}
