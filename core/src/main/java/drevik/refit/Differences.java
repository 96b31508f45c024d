package drevik.refit;

import drevik.edit.LedgerColumn;
import drevik.mix.Channel;
import drevik.mix.Control;
import drevik.mix.Insert;
import drevik.mix.Marker;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.StemSet;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * What is different in one Mix from an earlier state of it, in words, in the order of the document.
 * Things are the same thing if they have the same id. Time in proportion to the size of both.
 */
public final class Differences {
  private final Map<String, Channel> channelsBefore;
  private final Map<String, Channel> channelsAfter;
  private final List<String> words = new ArrayList<>();

  private Differences(Mix before, Mix after) {
    channelsBefore = before.channelsById();
    channelsAfter = after.channelsById();
    properties(before, after);
    each(before.channels(), after.channels(), Channel::id, this::named, this::channel);
    order(before, after);
    each(
        before.controls(),
        after.controls(),
        Control::id,
        c -> "the control " + c.name(),
        this::control);
    each(
        before.outputs(), after.outputs(), Output::id, o -> "the output " + o.name(), this::output);
    each(
        before.stemSets(),
        after.stemSets(),
        StemSet::id,
        s -> "the stem set " + s.name(),
        changed("the stem set", StemSet::name));
    each(
        before.markers(),
        after.markers(),
        Marker::id,
        m -> "the section " + m.name(),
        changed("the section", Marker::name));
    if (!before.categoryMap().equals(after.categoryMap())) {
      words.add("the category map is another");
    }
  }

  /** One line for each difference; empty if there is none. */
  public static List<String> between(Mix before, Mix after) {
    return List.copyOf(new Differences(before, after).words);
  }

  private void properties(Mix before, Mix after) {
    property("name", before.name(), after.name());
    property("description", before.description(), after.description());
    property("kind of job", before.job(), after.job());
    property("sample rate", before.sampleRate() + " Hz", after.sampleRate() + " Hz");
    property("tempo", figure(before.tempo()) + " bpm", figure(after.tempo()) + " bpm");
    property("pan law", before.panLaw(), after.panLaw());
    property("start", seconds(before, before.startFrame()), seconds(after, after.startFrame()));
    property("end", seconds(before, before.endFrame()), seconds(after, after.endFrame()));
  }

  private void property(String what, Object before, Object after) {
    say("", what, String.valueOf(before), String.valueOf(after));
  }

  private void say(String whose, String what, String before, String after) {
    if (!before.equals(after)) {
      words.add(whose + what + ": " + shown(before, after) + " → " + shown(after, before));
    }
  }

  private static String shown(String text, String other) {
    if (text.isEmpty()) {
      return other.equals("yes") ? "no" : "none";
    }
    return text;
  }

  private <T> void each(
      List<T> before,
      List<T> after,
      Function<T, String> id,
      Function<T, String> name,
      BiConsumer<T, T> compare) {
    Map<String, T> old = byId(before, id);
    Map<String, T> now = byId(after, id);
    old.forEach(
        (key, one) -> {
          if (!now.containsKey(key)) {
            words.add("removed: " + name.apply(one));
          }
        });
    now.forEach(
        (key, one) -> {
          T was = old.get(key);
          if (was == null) {
            words.add("added: " + name.apply(one));
          } else if (!was.equals(one)) {
            compare.accept(was, one);
          }
        });
  }

  private static <T> Map<String, T> byId(List<T> list, Function<T, String> id) {
    Map<String, T> map = new LinkedHashMap<>();
    list.forEach(one -> map.put(id.apply(one), one));
    return map;
  }

  private String named(Channel channel) {
    return "the " + channel.kind() + " " + channel.name();
  }

  private void channel(Channel before, Channel after) {
    int said = words.size();
    String whose = after.name() + ", ";
    for (LedgerColumn column : LedgerColumn.values()) {
      say(
          whose,
          column.label().toLowerCase(Locale.ROOT).replace(" db", ", dB"),
          column.text(before, channelsBefore),
          column.text(after, channelsAfter));
    }
    say(
        whose,
        "colour",
        Objects.toString(before.colour(), ""),
        Objects.toString(after.colour(), ""));
    boolean sameProcessors =
        before.chain().stream()
            .map(Insert::processor)
            .toList()
            .equals(after.chain().stream().map(Insert::processor).toList());
    if (sameProcessors && !before.chain().equals(after.chain())) {
      words.add(whose + "settings of the chain");
    }
    boolean sameSends =
        LedgerColumn.SENDS
            .text(before, channelsBefore)
            .equals(LedgerColumn.SENDS.text(after, channelsAfter));
    if (sameSends && !before.sends().equals(after.sends())) {
      words.add(whose + "taps or pans of the sends");
    }
    say(whose, "audio", audio(before), audio(after));
    if (words.size() == said) {
      words.add(whose + "a value by less than is shown, or a clip");
    }
  }

  private static String audio(Channel channel) {
    return channel.clips().stream()
        .map(clip -> clip.audio().name())
        .distinct()
        .collect(Collectors.joining(", "));
  }

  private void order(Mix before, Mix after) {
    List<String> was =
        before.channels().stream().map(Channel::id).filter(channelsAfter::containsKey).toList();
    List<String> is =
        after.channels().stream().map(Channel::id).filter(channelsBefore::containsKey).toList();
    if (!was.equals(is)) {
      words.add("the order of channels");
    }
  }

  private void control(Control before, Control after) {
    String whose = "control " + after.name() + ", ";
    say("control ", "name", before.name(), after.name());
    say(whose, "gain", figure(before.gainDb()) + " dB", figure(after.gainDb()) + " dB");
    say(whose, "dip", before.dip() ? "yes" : "no", after.dip() ? "yes" : "no");
    if (!before.members().equals(after.members())) {
      words.add(whose + "members: " + before.members().size() + " → " + after.members().size());
    }
  }

  private void output(Output before, Output after) {
    String whose = "output " + after.name() + ", ";
    say("output ", "name", before.name(), after.name());
    say(whose, "kind", before.kind().toString(), after.kind().toString());
    say(whose, "taken from", from(before, channelsBefore), from(after, channelsAfter));
    say(whose, "layout", before.layout().toString(), after.layout().toString());
    say(whose, "format", before.format().toString(), after.format().toString());
    say(whose, "file name", before.namePattern(), after.namePattern());
    say(whose, "without", String.join(", ", before.without()), String.join(", ", after.without()));
    say(
        whose,
        "specification",
        Objects.toString(before.specification(), ""),
        Objects.toString(after.specification(), ""));
  }

  private static String from(Output output, Map<String, Channel> channels) {
    Channel channel = channels.get(output.channel());
    return (channel == null ? output.channel() : channel.name()) + ", " + output.tap();
  }

  private <T> BiConsumer<T, T> changed(String what, Function<T, String> name) {
    return (before, after) -> words.add("changed: " + what + " " + name.apply(after));
  }

  private static String seconds(Mix mix, Long frame) {
    return frame == null ? "" : figure((double) frame / mix.sampleRate()) + " s";
  }

  private static String figure(double value) {
    String text = String.format(Locale.ROOT, "%.3f", value).replace('-', '−');
    return text.replaceAll("\\.?0+$", "");
  }
}
