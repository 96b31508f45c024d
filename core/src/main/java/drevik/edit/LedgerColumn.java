package drevik.edit;

import drevik.audio.Layout;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * The columns of the Ledger: how a property of a channel is written as text, and what edit a text
 * stands for. Texts are what people type and paste: {@code −3.5}, {@code L30}, {@code yes}.
 */
public enum LedgerColumn {
  NAME("name", "Name", true),
  KIND("kind", "Kind", false),
  LAYOUT("layout", "Layout", true),
  CATEGORY("category", "Category", true),
  OUTPUT("output", "Sent to", true),
  GROUP("group", "Shown with", true),
  TRIM("trim", "Trim dB", true),
  POLARITY("polarity", "Inverted", true),
  FADER("fader", "Fader dB", true),
  PAN("pan", "Pan", true),
  MUTE("mute", "Muted", true),
  STOWED("stowed", "Stowed", true),
  SENDS("sends", "Sends", false),
  CHAIN("chain", "Chain", false),
  PERSON("person", "Person", true),
  COMMENT("comment", "Comment", true);

  private static final double SILENCE_DB = -144;

  private final String id;
  private final String label;
  private final boolean editable;

  LedgerColumn(String id, String label, boolean editable) {
    this.id = id;
    this.label = label;
    this.editable = editable;
  }

  public String label() {
    return label;
  }

  /** False for what is edited elsewhere. */
  public boolean isEditable() {
    return editable;
  }

  @Override
  public String toString() {
    return id;
  }

  /** What stands in the cell. */
  public String text(Channel channel, Map<String, Channel> channels) {
    return switch (this) {
      case NAME -> channel.name();
      case KIND -> channel.kind().toString();
      case LAYOUT -> channel.layout().toString();
      case CATEGORY -> channel.category();
      case OUTPUT -> nameOf(channel.output(), channels);
      case GROUP -> nameOf(channel.group(), channels);
      case TRIM -> decibels(channel.trimDb());
      case POLARITY -> yes(channel.invertPolarity());
      case FADER -> decibels(channel.faderDb());
      case PAN -> pan(channel.pan());
      case MUTE -> yes(channel.mute());
      case STOWED -> yes(channel.stowed());
      case SENDS ->
          channel.sends().stream()
              .map(
                  send ->
                      send.destinations().stream()
                              .map(to -> nameOf(to, channels))
                              .collect(Collectors.joining(" + "))
                          + " "
                          + (send.on() ? decibels(send.levelDb()) : "off"))
              .collect(Collectors.joining(", "));
      case CHAIN ->
          channel.chain().stream().map(i -> i.processor()).collect(Collectors.joining(", "));
      case PERSON -> channel.person() == null ? "" : channel.person();
      case COMMENT -> channel.comment() == null ? "" : channel.comment();
    };
  }

  /**
   * The edit that a text in this column stands for.
   *
   * @throws Refused if the text means nothing here
   */
  Edit edit(Mix mix, Channel channel, String typed) {
    String text = typed.strip();
    List<String> one = List.of(channel.id());
    return switch (this) {
      case NAME -> new RenameChannels(Map.of(channel.id(), text));
      case LAYOUT -> new SetLayout(one, layout(text));
      case CATEGORY -> new SetCategory(one, text.toLowerCase(Locale.ROOT));
      case OUTPUT -> new SendChannelsTo(one, idOf(mix, text));
      case GROUP -> new SetGroup(one, idOf(mix, text));
      case TRIM -> new SetLevel(one, SetLevel.Field.TRIM, decibels(text));
      case POLARITY -> new SetPolarity(one, yes(text));
      case FADER -> new SetLevel(one, SetLevel.Field.FADER, decibels(text));
      case PAN -> new SetLevel(one, SetLevel.Field.PAN, pan(text));
      case MUTE -> new SetMute(one, yes(text));
      case STOWED -> new StowChannels(one, yes(text));
      case PERSON -> new SetPerson(one, text);
      case COMMENT -> new SetComment(one, text);
      case KIND, SENDS, CHAIN ->
          throw new Refused("“" + label + "” cannot be typed here; change it in the Flow.");
    };
  }

  private static String nameOf(String id, Map<String, Channel> channels) {
    return id == null || !channels.containsKey(id) ? "" : channels.get(id).name();
  }

  private static String idOf(Mix mix, String name) {
    if (name.isEmpty()) {
      return null;
    }
    List<Channel> named =
        mix.channels().stream().filter(c -> c.name().strip().equalsIgnoreCase(name)).toList();
    if (named.size() != 1) {
      throw new Refused(
          named.isEmpty()
              ? "there is no channel “" + name + "”"
              : named.size() + " channels are called “" + name + "”; rename one first");
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
                    "there is no layout “"
                        + text
                        + "”; there are "
                        + Arrays.stream(Layout.values())
                            .map(Layout::toString)
                            .collect(Collectors.joining(", "))));
  }

  private static String decibels(double value) {
    return value <= SILENCE_DB
        ? "−∞"
        : String.format(Locale.ROOT, "%.2f", value)
            .replaceAll("0+$", "")
            .replaceAll("\\.$", "")
            .replace('-', '−')
            .replaceAll("^−0$", "0");
  }

  private static double decibels(String text) {
    String plain = text.replaceAll("(?i)\\s*dB$", "");
    if (plain.equals("−∞") || plain.equalsIgnoreCase("-inf") || plain.equals("-∞")) {
      return SILENCE_DB;
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
    throw new Refused("“" + text + "” is not " + wanted);
  }

  private static String pan(double pan) {
    long percent = Math.round(Math.abs(pan) * 100);
    return percent == 0 ? "C" : (pan < 0 ? "L" : "R") + percent;
  }

  private static double pan(String text) {
    String upper = text.toUpperCase(Locale.ROOT);
    if (upper.isEmpty() || upper.equals("C")) {
      return 0;
    }
    String wanted = "a pan: C, or L or R with 0 to 100";
    char side = upper.charAt(0);
    if (side != 'L' && side != 'R') {
      throw new Refused("“" + text + "” is not " + wanted);
    }
    double percent = upper.length() == 1 ? 100 : number(upper.substring(1).strip(), wanted);
    return (side == 'L' ? -percent : percent) / 100;
  }

  private static String yes(boolean value) {
    return value ? "yes" : "";
  }

  private static boolean yes(String text) {
    return switch (text.toLowerCase(Locale.ROOT)) {
      case "yes", "y", "x", "true", "1" -> true;
      case "", "no", "n", "false", "0", "-" -> false;
      default -> throw new Refused("“" + text + "” is neither yes nor no");
    };
  }
}
