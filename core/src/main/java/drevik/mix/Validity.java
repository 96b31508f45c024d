package drevik.mix;

import drevik.audio.Decibels;
import drevik.audio.Position;
import drevik.audio.SampleFormat;
import drevik.category.CategoryTree;
import drevik.dsp.Parameter;
import drevik.dsp.ProcessorType;
import drevik.dsp.Processors;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What every Mix must be, whoever wrote it: nothing missing, no id twice, no figure that no fader
 * has. Edits keep it so; a file from elsewhere is looked at once, when it is read.
 */
public final class Validity {
  private Validity() {}

  /**
   * Refuses a Mix that no edit could have made.
   *
   * @throws Refused naming what is wrong and where
   */
  public static void require(Mix mix) {
    require(null, mix);
  }

  /**
   * The same for a Mix that was made from one that is valid: channels that are the same objects are
   * not looked at again, but for their ids, nor are processors that are as they were.
   */
  public static void require(@Nullable Mix before, Mix mix) {
    Set<Channel> known = Collections.newSetFromMap(new IdentityHashMap<>());
    Set<Insert> knownInserts = new HashSet<>();
    if (before != null) {
      known.addAll(before.channels());
      before.channels().forEach(channel -> knownInserts.addAll(channel.chain()));
    }
    present(mix.kind(), "The Mix needs a kind: template or session.");
    present(mix.job(), "The Mix needs a job: record, mix, master, post or album.");
    present(mix.panLaw(), "The Mix needs a pan law, such as -3 dB.");
    name(mix.name(), "The Mix");
    Limits.requireText(mix.description(), Limits.DESCRIPTION, "A description");
    Limits.requireCount(mix.channels(), Limits.CHANNELS, "A Mix", "channels");
    Limits.requireCount(mix.controls(), Limits.OTHERS, "A Mix", "controls");
    Limits.requireCount(mix.outputs(), Limits.OTHERS, "A Mix", "outputs");
    Limits.requireCount(mix.stemSets(), Limits.OTHERS, "A Mix", "stem sets");
    Limits.requireCount(mix.markers(), Limits.OTHERS, "A Mix", "sections");
    Limits.requireCount(mix.specifications(), Limits.OTHERS, "A Mix", "specifications");
    range(mix.sampleRate(), 8_000, 384_000, "The sample rate");
    range(mix.tempo(), 20, 400, "The tempo");
    if (mix.startFrame() < 0 || (mix.endFrame() != null && mix.endFrame() < mix.startFrame())) {
      throw new Refused("The end of the Mix must stand behind its start; correct one of them.");
    }
    Set<String> ids = new HashSet<>();
    Set<String> within = new HashSet<>();
    for (Channel channel : mix.channels()) {
      if (!known.contains(channel)) {
        told(channel, knownInserts);
      }
      ids(channel, ids, within);
    }
    for (Control control : mix.controls()) {
      id(control.id(), "A control", ids);
      name(control.name(), "Control “" + control.id() + "”");
      Limits.requireCount(control.members(), Limits.CHANNELS, "A control", "members");
      range(control.gainDb(), Decibels.SILENCE, 24, "The gain of control “" + control.name() + "”");
    }
    Set<String> specifications = new HashSet<>();
    for (Specification specification : mix.specifications()) {
      specification(specification, specifications);
    }
    Set<String> outputIds = new HashSet<>();
    for (Output output : mix.outputs()) {
      output(output, outputIds);
      if (output.specification() != null && !specifications.contains(output.specification())) {
        throw new Refused(
            "Output “"
                + output.name()
                + "” names a specification that is not in this Mix; add it, or name another.");
      }
    }
    Set<String> sets = new HashSet<>();
    for (StemSet set : mix.stemSets()) {
      id(set.id(), "A stem set", sets);
      present(set.mixOutput(), "Stem set “" + set.id() + "” does not say which mix it makes.");
    }
    if (before == null || !before.categoryMap().equals(mix.categoryMap())) {
      entries(mix.categoryMap().entries());
    }
    Set<String> markers = new HashSet<>();
    for (Marker marker : mix.markers()) {
      id(marker.id(), "A marker", markers);
      name(marker.name(), "A marker");
    }
  }

  /**
   * The same for a category map apart from any Mix.
   *
   * @throws Refused with the first thing that is wrong
   */
  public static void require(KeptChain kept) {
    kept.chain().forEach(insert -> insert(insert, "“" + kept.name() + "”"));
  }

  /**
   * A kept map that may be used.
   *
   * @throws Refused if the map is of another version, or says what no map may
   */
  public static void require(NamedMap map) {
    if (map.version() != NamedMap.CURRENT_VERSION) {
      throw new Refused(
          "This category map has format version "
              + map.version()
              + ", and this Drevik reads "
              + NamedMap.CURRENT_VERSION
              + "; open it with another Drevik.");
    }
    Limits.requireText(map.name(), Limits.NAME, "The name of a category map");
    map.entries()
        .forEach(
            entry -> {
              if (entry.category() == null || !CategoryTree.has(entry.category())) {
                throw new Refused(CategoryTree.unknownMessage(String.valueOf(entry.category())));
              }
            });
    entries(map.entries());
  }

  private static void entries(List<MapEntry> entries) {
    Limits.requireCount(entries, Limits.OTHERS, "A category map", "entries");
    Set<String> ids = new HashSet<>();
    for (MapEntry entry : entries) {
      id(entry.id(), "An entry of the category map", ids);
      String of = " of “" + entry.category() + "” in the category map";
      present(entry.category(), "An entry of the category map names no category.");
      for (String text :
          Arrays.asList(
              entry.category(),
              entry.person(),
              entry.words(),
              entry.position(),
              entry.deliveredBy(),
              entry.colour())) {
        Limits.requireText(text, Limits.NAME, "What is said" + of);
      }
      rangeIfAsked(entry.trimDb(), -60, 60, "The trim" + of);
      rangeIfAsked(entry.guideLufs(), -70, 0, "The level guide" + of);
      rangeIfAsked(
          entry.order() == null ? null : entry.order().doubleValue(),
          -9_999,
          9_999,
          "The order" + of);
      Limits.requireCount(entry.chain(), Limits.OTHERS, "A chain" + of, "processors");
      entry.chain().forEach(insert -> insert(insert, "the chain" + of));
      Limits.requireCount(entry.sends(), Limits.OTHERS, "An entry" + of, "sends");
      Limits.requireCount(entry.controls(), Limits.OTHERS, "An entry" + of, "controls");
      Set<String> sends = new HashSet<>();
      for (MapSend send : entry.sends()) {
        present(send.tap(), "A send" + of + " does not say where it is taken.");
        range(send.levelDb(), -200, 24, "A send level" + of);
        if (send.destinations().isEmpty()) {
          throw new Refused("A send" + of + " leads nowhere; give it a destination.");
        }
        if (!sends.add(send.id())) {
          throw new Refused("Two sends" + of + " lead to the same place; keep one.");
        }
      }
    }
  }

  /**
   * @param ids of channels and controls
   * @param within of sends, inserts and clips, all over the Mix
   */
  private static void ids(Channel channel, Set<String> ids, Set<String> within) {
    id(channel.id(), "A channel", ids);
    for (Send send : channel.sends()) {
      id(send.id(), "A send", channel, within);
    }
    for (Insert insert : channel.chain()) {
      id(insert.id(), "An insert", channel, within);
    }
    for (Clip clip : channel.clips()) {
      id(clip.id(), "A clip", channel, within);
    }
  }

  /** The words are only put together where something is wrong. */
  private static void id(String id, String what, Channel of, Set<String> ids) {
    if (id == null || id.isBlank() || id.length() > Limits.NAME || ids.contains(id)) {
      id(id, what + " of “" + of.name() + "”", ids);
    }
    ids.add(id);
  }

  /** What is wrong with a channel is told with its id, so that it is found where it is shown. */
  private static void told(Channel channel, Set<Insert> known) {
    try {
      channel(channel, known);
    } catch (Refused e) {
      throw channel.id() == null ? e : Refused.about(channel.id(), e.getMessage());
    }
  }

  private static void channel(Channel channel, Set<Insert> known) {
    String where = "Channel “" + channel.id() + "”";
    name(channel.name(), where);
    present(channel.kind(), where + " needs a kind: seat, bus, return, master or reference.");
    present(channel.layout(), where + " needs a layout, such as stereo.");
    present(channel.category(), where + " needs a category; “unknown” will do.");
    Limits.requireText(channel.category(), Limits.NAME, "A category");
    Limits.requireText(channel.colour(), Limits.NAME, "A colour");
    Limits.requireText(channel.output(), Limits.NAME, "The id of an output");
    Limits.requireText(channel.group(), Limits.NAME, "The id of a group");
    Limits.requireText(channel.person(), Limits.NAME, "A person's name");
    Limits.requireText(channel.comment(), Limits.COMMENT, "A comment");
    Limits.requireCount(channel.sends(), Limits.OTHERS, "A channel", "sends");
    Limits.requireCount(channel.chain(), Limits.OTHERS, "A chain", "processors");
    Limits.requireCount(channel.clips(), Limits.CHANNELS, "A channel", "clips");
    range(channel.trimDb(), -60, 60, "The trim of “" + channel.name() + "”");
    range(channel.faderDb(), -200, 24, "The fader of “" + channel.name() + "”");
    position(channel.position(), channel.lfeDb(), "“" + channel.name() + "”");
    for (Send send : channel.sends()) {
      present(send.tap(), "A send of “" + channel.name() + "” does not say where it is taken.");
      range(send.levelDb(), -200, 24, "A send level of “" + channel.name() + "”");
      position(send.position(), send.lfeDb(), "a send of “" + channel.name() + "”");
      Limits.requireCount(send.destinations(), Limits.OTHERS, "A send", "destinations");
      if (send.destinations().isEmpty()) {
        throw new Refused(
            "A send of “" + channel.name() + "” leads nowhere; give it a destination.");
      }
    }
    channel.chain().stream()
        .filter(insert -> !known.contains(insert))
        .forEach(insert -> insert(insert, "“" + channel.name() + "”"));
    Limits.requireCount(channel.pins(), Limits.OTHERS, "A channel", "pins");
    Limits.requireCount(channel.fallbacks(), Limits.OTHERS, "A channel", "fallbacks");
    for (Pin pin : channel.pins()) {
      slot(pin.id(), "A pin of “" + channel.name() + "”");
    }
    for (Fallback fallback : channel.fallbacks()) {
      slot(fallback.id(), "A fallback of “" + channel.name() + "”");
    }
    for (Clip clip : channel.clips()) {
      present(clip.audio(), "A clip of “" + channel.name() + "” names no audio.");
      present(clip.audio().name(), "A clip of “" + channel.name() + "” names no file.");
      range(clip.gainDb(), -200, 60, "A clip's gain of “" + channel.name() + "”");
    }
    if (!channel.clips().isEmpty() && !channel.kind().holdsClips()) {
      throw new Refused(
          "“" + channel.name() + "” is a " + channel.kind() + " and cannot hold audio.");
    }
  }

  private static void slot(String id, String what) {
    if (id == null || Slot.byId(id).isEmpty()) {
      throw new Refused(
          what + " is on “" + id + "”, which the category map does not decide; take it out.");
    }
  }

  private static void insert(Insert insert, String whose) {
    present(insert.processor(), "An insert of " + whose + " names no processor.");
    if (insert.key() != null) {
      present(insert.key().source(), "A key of " + whose + " has no source.");
      present(insert.key().tap(), "A key of " + whose + " does not say its tap.");
    }
    settings(insert, whose);
  }

  /** A stand-in keeps whatever settings it has; of what runs here they are known. */
  private static void settings(Insert insert, String whose) {
    Optional<ProcessorType> type = Processors.byId(insert.processor());
    if (type.isEmpty()) {
      return;
    }
    Map<String, Parameter> known = new LinkedHashMap<>();
    type.get().parameters().forEach(parameter -> known.put(parameter.id(), parameter));
    String where = type.get().label() + " of " + whose;
    for (Map.Entry<String, Double> setting : insert.settings().entrySet()) {
      Parameter parameter = known.get(setting.getKey());
      if (parameter == null) {
        throw new Refused(
            where
                + ": there is no setting “"
                + setting.getKey()
                + "”; there are "
                + String.join(", ", known.keySet())
                + ".");
      }
      present(setting.getValue(), where + ": the setting “" + parameter.id() + "” has no value.");
      setting(setting.getValue(), parameter, where + ": " + parameter.label());
    }
  }

  /** What a processor would bring to the nearest that it knows is not what somebody asked for. */
  private static void setting(double value, Parameter parameter, String what) {
    if (parameter.onlyChoices()) {
      if (parameter.choices().stream().noneMatch(choice -> choice.value() == value)) {
        throw new Refused(
            what
                + " is "
                + value
                + "; give one of "
                + parameter.choices().stream()
                    .map(choice -> choice.value() + " (" + choice.label() + ")")
                    .collect(Collectors.joining(", "))
                + ".");
      }
    } else if (!parameter.canBeOff() || value != parameter.least()) {
      range(
          value,
          parameter.smallest(),
          parameter.most(),
          what + (parameter.canBeOff() ? " (off is " + parameter.least() + ")" : ""));
    }
  }

  private static void output(Output output, Set<String> ids) {
    id(output.id(), "An output", ids);
    String where = "Output “" + output.id() + "”";
    name(output.name(), where);
    present(output.kind(), where + " needs a kind, such as stem.");
    present(output.channel(), where + " does not say what it is taken from.");
    present(output.tap(), where + " does not say where it is taken.");
    present(output.layout(), where + " needs a layout, such as stereo.");
    present(output.format(), where + " needs a format, such as 24-bit.");
    if (!SampleFormat.written().contains(output.format())) {
      throw new Refused(
          "%s asks for %s, which is not written; there are %s."
              .formatted(
                  where,
                  output.format(),
                  SampleFormat.written().stream()
                      .map(SampleFormat::toString)
                      .collect(Collectors.joining(", "))));
    }
    present(output.namePattern(), where + " needs a file name.");
    Limits.requireText(output.namePattern(), Limits.NAME, "A file name");
    for (String category : output.without()) {
      present(category, where + " names no category that it is without.");
    }
  }

  private static void specification(Specification specification, Set<String> ids) {
    id(specification.id(), "A specification", ids);
    name(specification.name(), "Specification “" + specification.id() + "”");
    Limits.requireText(specification.source(), Limits.NAME, "The source of a specification");
    String of = " of specification “" + specification.name() + "”";
    rangeIfAsked(specification.loudness(), -70, 0, "The loudness" + of);
    rangeIfAsked(specification.tolerance(), 0, 20, "The tolerance" + of);
    rangeIfAsked(specification.truePeak(), -40, 6, "The true peak" + of);
    if (specification.sampleRate() != null) {
      range(specification.sampleRate(), 8_000, 384_000, "The sample rate" + of);
    }
  }

  private static void rangeIfAsked(@Nullable Double value, double least, double most, String what) {
    if (value != null) {
      range(value, least, most, what);
    }
  }

  private static void id(String id, String what, Set<String> ids) {
    present(id, what + " has no id.");
    if (id.isBlank() || id.length() > Limits.NAME) {
      throw new Refused(what + " has an id that is empty or longer than 200 characters.");
    }
    if (!ids.add(id)) {
      throw new Refused(what + " has the id “" + id + "”, which is taken; ids are given once.");
    }
  }

  private static void name(String name, String where) {
    if (name == null || name.isBlank() || name.length() > Limits.NAME) {
      throw new Refused(where + " needs a name of 1 to 200 characters.");
    }
    if (name.chars().anyMatch(Character::isISOControl)) {
      throw new Refused(where + " has a control character in its name; take it out.");
    }
  }

  private static void position(Position at, @Nullable Double lfeDb, String whose) {
    range(at.pan(), -1, 1, "The pan of " + whose);
    range(at.frontBack(), 0, 1, "The position from front to surround of " + whose);
    range(at.height(), 0, 1, "The height of " + whose);
    rangeIfAsked(lfeDb, -200, 24, "The LFE level of " + whose);
  }

  private static void range(double value, double least, double most, String what) {
    if (!(value >= least && value <= most)) {
      throw new Refused(what + " is " + value + "; give " + least + " to " + most + ".");
    }
  }

  private static void present(Object value, String says) {
    if (value == null) {
      throw new Refused(says);
    }
  }
}
