package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Mix;
import java.util.List;
import java.util.Locale;

/** Sets fader, trim or pan of many channels to one value. */
public record SetLevel(List<String> channels, Field field, double value) implements Edit {
  /** What is set: fader and trim in dB, pan from −1 to 1. */
  public enum Field {
    FADER("fader"),
    TRIM("trim"),
    PAN("pan");

    private final String id;

    Field(String id) {
      this.id = id;
    }

    @Override
    public String toString() {
      return id;
    }
  }

  @Override
  public Mix applyTo(Mix mix) {
    switch (field) {
      case FADER -> Picked.requireRange("The fader level", value, -144, 24, " dB");
      case TRIM -> Picked.requireRange("The trim", value, -60, 60, " dB");
      case PAN -> Picked.requireRange("The pan", value, -1, 1, "");
    }
    return Picked.change(mix, channels, this::set);
  }

  private Channel set(Channel channel) {
    return switch (field) {
      case FADER -> channel.withFaderDb(value);
      case TRIM -> channel.withTrimDb(value);
      case PAN -> channel.withPan(value);
    };
  }

  @Override
  public String says(Mix before) {
    String shown =
        field == Field.PAN
            ? panInWords(value)
            : String.format(Locale.ROOT, "%+.1f dB", value).replace('-', '−');
    return "set " + field + " of " + Picked.names(before, channels) + " to " + shown;
  }

  private static String panInWords(double pan) {
    long percent = Math.round(Math.abs(pan) * 100);
    return percent == 0 ? "centre" : percent + (pan < 0 ? " left" : " right");
  }
}
