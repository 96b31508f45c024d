package drevik.ledger;

import drevik.audio.Decibels;
import drevik.audio.Layout;
import drevik.category.NameWords;
import drevik.mix.Control;
import drevik.mix.Insert;
import drevik.mix.MapEntry;
import drevik.mix.MapSend;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.Tap;
import drevik.mix.field.Field;
import drevik.mix.field.MapEntryField;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What an entry of a category map says, as people write it, and what they write. A send is written
 * {@code Plate −12 pre-fader}, a fan {@code Plate + Hall −9}, none {@code no Plate}; several stand
 * apart by commas.
 */
public final class MapText {
  /** What an entry says, in the order in which it is shown. */
  public static final List<Field<MapEntry, ?>> SAID =
      List.of(
          MapEntryField.DESTINATION,
          MapEntryField.COLOUR,
          MapEntryField.SENDS,
          MapEntryField.CONTROLS,
          MapEntryField.STEM,
          MapEntryField.GROUP,
          MapEntryField.TRIM,
          MapEntryField.GUIDE,
          MapEntryField.WANTED_LAYOUT,
          MapEntryField.ORDER,
          MapEntryField.CHAIN);

  private static final Pattern LEVEL =
      Pattern.compile("(.*?)\\s+(?:@\\s*)?([+\\-−]?(?:\\d+(?:[.,]\\d+)?|∞|inf))\\s*(?:dB)?\\s*$");

  private MapText() {}

  /** What stands in a cell; empty if the entry does not say. */
  public static String of(Field<MapEntry, ?> field, MapEntry entry, Names names) {
    if (field == MapEntryField.SENDS) {
      return entry.sends().stream()
          .map(send -> send(send, names))
          .collect(Collectors.joining(", "));
    }
    if (field == MapEntryField.CHAIN) {
      return entry.chain().stream().map(Insert::processor).collect(Collectors.joining(", "));
    }
    return FieldText.of(field, entry, names);
  }

  private static String send(MapSend send, Names names) {
    String to = send.destinations().stream().map(names::of).collect(Collectors.joining(" + "));
    if (send.none()) {
      return "no " + to;
    }
    String level = FieldText.decibels(send.levelDb()).replace(" dB", "");
    return to + " " + level + (send.tap() == Tap.POST_FADER ? "" : " " + send.tap());
  }

  /**
   * An entry whose field says what somebody wrote; nothing for an empty text.
   *
   * @throws Refused if the text means nothing there
   */
  public static MapEntry typed(Mix mix, MapEntry entry, Field<MapEntry, ?> field, String typed) {
    String text = typed.strip();
    boolean empty = text.isEmpty();
    if (field == MapEntryField.DESTINATION) {
      return entry.withDestination(empty ? null : bus(mix, text));
    }
    if (field == MapEntryField.GROUP) {
      return entry.withGroup(empty ? null : bus(mix, text));
    }
    if (field == MapEntryField.COLOUR) {
      return entry.withColour(empty ? null : text.toLowerCase(Locale.ROOT));
    }
    if (field == MapEntryField.STEM) {
      return entry.withStem(
          empty ? null : Called.one(mix.outputs(), Output::id, Output::name, "output", text));
    }
    if (field == MapEntryField.TRIM) {
      return entry.withTrimDb(empty ? null : TypedNumber.of(Field.Unit.DECIBELS, text));
    }
    if (field == MapEntryField.GUIDE) {
      return entry.withGuideLufs(
          empty ? null : TypedNumber.of(Field.Unit.LUFS, text.replaceFirst("(?i)lufs$", "")));
    }
    if (field == MapEntryField.ORDER) {
      return entry.withOrder(empty ? null : whole(text));
    }
    if (field == MapEntryField.WANTED_LAYOUT || field == MapEntryField.LAYOUT) {
      Layout layout = empty ? null : TypedText.layout(text);
      return field == MapEntryField.LAYOUT
          ? entry.withLayout(layout)
          : entry.withWantedLayout(layout);
    }
    if (field == MapEntryField.SENDS) {
      return entry.withSends(sends(mix, text));
    }
    if (field == MapEntryField.CONTROLS) {
      return entry.withControls(
          parts(text).stream()
              .map(name -> Called.one(mix.controls(), Control::id, Control::name, "control", name))
              .toList());
    }
    if (field == MapEntryField.CHAIN && empty) {
      return entry.withChain(List.of());
    }
    if (field == MapEntryField.POSITION && !empty) {
      String position = text.toLowerCase(Locale.ROOT);
      if (!NameWords.positions().contains(position)) {
        throw new Refused(
            "There is no place of a microphone “"
                + text
                + "”; there are "
                + String.join(", ", NameWords.positions())
                + ".");
      }
      return entry.withPosition(position);
    }
    return asked(entry, field, empty ? null : text);
  }

  private static MapEntry asked(MapEntry entry, Field<MapEntry, ?> field, @Nullable String text) {
    if (field == MapEntryField.PERSON) {
      return entry.withPerson(text);
    }
    if (field == MapEntryField.WORDS) {
      return entry.withWords(text);
    }
    if (field == MapEntryField.POSITION) {
      return entry.withPosition(text);
    }
    if (field == MapEntryField.DELIVERED_BY) {
      return entry.withDeliveredBy(text);
    }
    throw new Refused(
        "“"
            + field.label()
            + "” of a category cannot be typed; it comes from the routing or another map.");
  }

  static List<String> parts(String text) {
    return Arrays.stream(text.split("[,;]")).map(String::strip).filter(s -> !s.isEmpty()).toList();
  }

  private static String bus(Mix mix, String name) {
    return Called.channel(mix, channel -> !channel.kind().holdsClips(), "bus", name);
  }

  private static int whole(String text) {
    try {
      return Integer.parseInt(text);
    } catch (NumberFormatException e) {
      throw new Refused("“" + text + "” is no whole number; a place is one, such as 3.");
    }
  }

  /** Sends that somebody wrote, apart by commas. */
  public static List<MapSend> sends(Mix mix, String text) {
    List<MapSend> sends = new ArrayList<>();
    for (String part : parts(text)) {
      sends.add(send(mix, part));
    }
    return sends;
  }

  static MapSend send(Mix mix, String part) {
    if (part.toLowerCase(Locale.ROOT).startsWith("no ")) {
      return new MapSend(fan(mix, part.substring(3)), Tap.POST_FADER, Decibels.SILENCE, true);
    }
    Tap tap = Tap.POST_FADER;
    String rest = part;
    for (Tap one : Tap.values()) {
      if (rest.toLowerCase(Locale.ROOT).endsWith(" " + one)) {
        tap = one;
        rest = rest.substring(0, rest.length() - one.toString().length()).strip();
      }
    }
    Matcher level = LEVEL.matcher(rest);
    // “Tom 2” is a name, and no level of 2 dB into “Tom”.
    if (!level.matches() || isName(mix, rest)) {
      return MapSend.of(fan(mix, rest), tap, Decibels.SILENCE);
    }
    String figure = Objects.requireNonNull(level.group(2));
    boolean silent = figure.endsWith("∞") || figure.endsWith("inf");
    return MapSend.of(
        fan(mix, Objects.requireNonNull(level.group(1))),
        tap,
        silent ? Decibels.SILENCE : TypedNumber.of(Field.Unit.DECIBELS, figure));
  }

  private static boolean isName(Mix mix, String text) {
    return mix.channels().stream()
        .anyMatch(
            channel ->
                !channel.kind().holdsClips() && channel.name().strip().equalsIgnoreCase(text));
  }

  private static List<String> fan(Mix mix, String names) {
    return Arrays.stream(names.split("\\s\\+\\s")).map(name -> bus(mix, name.strip())).toList();
  }
}
