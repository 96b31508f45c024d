package drevik.outline;

import drevik.audio.Decibels;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Control;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.Send;
import drevik.mix.StemSet;
import drevik.mix.Tap;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/** How things of a Mix are written as marks. */
final class MarkTexts {
  static final String SILENT = "-inf";

  static final String OFF = "off";

  /** In front of the name of the mix that a stem is of. */
  static final String OF = "of ";

  /** A stem that is in no set. */
  static final String ALONE = "alone";

  /** In front of a category that must not be heard in an output. */
  static final String NO = "no ";

  static final String STOWED = "stowed";

  /** On the line of a control that makes room for a voice. */
  static final String DIP = "dip";

  private final Mix mix;
  private final Map<String, Channel> channels;
  private final Map<String, String> channelNames;
  private final Map<String, String> outputNames;
  private final Map<String, String> controlNames;

  /**
   * @param order ids of channels in the order of their lines, by which those of one name are
   *     counted
   */
  MarkTexts(Mix mix, Collection<String> order) {
    this.mix = mix;
    this.channels = mix.channelsById();
    Map<String, String> names = new LinkedHashMap<>();
    order.forEach(id -> names.put(id, Lookup.in(channels, id).name()));
    this.channelNames = references(names, LineScanner::written);
    Map<String, String> outputs = new LinkedHashMap<>();
    mix.outputs().forEach(output -> outputs.put(output.id(), output.name()));
    this.outputNames = references(outputs, LineScanner::writtenInOption);
    Map<String, String> controls = new LinkedHashMap<>();
    mix.controls().forEach(control -> controls.put(control.id(), control.name()));
    this.controlNames = references(controls, LineScanner::written);
  }

  private static Map<String, String> references(
      Map<String, String> names, UnaryOperator<String> written) {
    Map<String, Long> often =
        names.values().stream().collect(Collectors.groupingBy(n -> n, Collectors.counting()));
    Map<String, Integer> seen = new HashMap<>();
    Map<String, String> references = new HashMap<>();
    names.forEach(
        (id, name) -> {
          int ordinal = seen.merge(name, 1, Integer::sum);
          boolean only = often.getOrDefault(name, 1L) == 1;
          references.put(id, written.apply(name) + (only ? "" : " ~" + ordinal));
        });
    return references;
  }

  /**
   * How often the sign of a send stands in front of a name: the earlier the tap, the more often.
   */
  private static int signsOf(Tap tap) {
    return switch (tap) {
      case POST_FADER -> 1;
      case PRE_FADER -> 2;
      case PRE_CHAIN -> 3;
    };
  }

  static Tap tapOf(int signs) {
    return Arrays.stream(Tap.values())
        .filter(tap -> signsOf(tap) == signs)
        .findFirst()
        .orElseThrow();
  }

  static String signs(Sign sign, Tap tap) {
    return String.valueOf(sign.character()).repeat(signsOf(tap));
  }

  /** What a send has whose level nobody says: ready and not open, but into a parallel. */
  static double usualLevel(Collection<Channel> destinations) {
    boolean returns = destinations.stream().anyMatch(to -> to.kind() == ChannelKind.RETURN);
    return returns ? Decibels.SILENCE : 0;
  }

  static String level(double db) {
    return db <= Decibels.SILENCE
        ? SILENT
        : BigDecimal.valueOf(db)
            .setScale(2, RoundingMode.HALF_UP)
            .stripTrailingZeros()
            .toPlainString();
  }

  String send(Send send) {
    List<Channel> to =
        send.destinations().stream()
            .flatMap(id -> Optional.ofNullable(channels.get(id)).stream())
            .toList();
    String names =
        to.stream()
            .map(one -> channelNames.getOrDefault(one.id(), one.name()))
            .collect(Collectors.joining(" + "));
    List<String> options = new ArrayList<>();
    if (!level(send.levelDb()).equals(level(usualLevel(to)))) {
      options.add(level(send.levelDb()));
    }
    if (!send.on()) {
      options.add(OFF);
    }
    return signs(Sign.SEND, send.tap()) + names + options(options);
  }

  /** A control by its name, and which of that name it is. */
  String control(Control control) {
    return Sign.CONTROL.character() + controlNames.getOrDefault(control.id(), control.name());
  }

  String key(String source, Tap tap) {
    return signs(Sign.KEY, tap) + channelNames.getOrDefault(source, source);
  }

  /**
   * @param usual the kind that nobody needs to say
   */
  String output(Output output, OutputKind usual) {
    Channel channel = channels.get(output.channel());
    List<String> options = new ArrayList<>();
    if (output.kind() != usual) {
      options.add(output.kind().toString());
    }
    if (channel == null || output.layout() != channel.layout()) {
      options.add(output.layout().toString());
    }
    output.without().forEach(category -> options.add(NO + category));
    List<String> of = mixesOf(mix, output.id());
    if (!of.equals(usualMixes(mix, output))) {
      if (of.isEmpty()) {
        options.add(ALONE);
      }
      of.forEach(id -> options.add(OF + outputNames.getOrDefault(id, id)));
    }
    return signs(Sign.OUTPUT, output.tap()) + LineScanner.written(output.name()) + options(options);
  }

  private static String options(List<String> options) {
    return options.isEmpty() ? "" : " @" + String.join(", ", options);
  }

  /** Ids of the mixes whose stems an output is one of. */
  static List<String> mixesOf(Mix mix, String output) {
    return mix.stemSets().stream()
        .filter(set -> set.stems().contains(output))
        .map(StemSet::mixOutput)
        .distinct()
        .toList();
  }

  /** A stem is of the one mix of its layout; nothing else is of any. */
  static List<String> usualMixes(Mix mix, Output output) {
    List<String> mixes =
        mix.outputs().stream()
            .filter(one -> one.kind() == OutputKind.MIX && one.layout() == output.layout())
            .map(Output::id)
            .toList();
    return output.kind() == OutputKind.STEM && mixes.size() == 1 ? mixes : List.of();
  }
}
