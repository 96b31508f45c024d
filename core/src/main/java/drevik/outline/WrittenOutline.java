package drevik.outline;

import drevik.mix.Channel;
import drevik.mix.Control;
import drevik.mix.Insert;
import drevik.mix.Key;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.Refused;
import drevik.mix.Send;
import drevik.route.SignalGraph;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A Mix as the lines of its outline. Each mark knows what it is the mark of, so that a text that
 * was edited is compared with it mark by mark.
 *
 * @param lines of channels, by id, in the order in which they stand
 * @param controls lines of controls that need one
 */
record WrittenOutline(Map<String, Line> lines, List<String> controls) {
  private static final String INDENT = "  ";

  /**
   * A mark.
   *
   * @param of id of the send, insert, control or output; the word or category itself for others
   */
  record WrittenMark(Sign sign, String text, String of) {}

  record Line(String id, int depth, String name, List<WrittenMark> marks) {
    List<WrittenMark> marks(Sign sign) {
      return marks.stream().filter(mark -> mark.sign() == sign).toList();
    }

    String text() {
      return INDENT.repeat(depth) + marked(LineScanner.written(name), marks);
    }
  }

  private static String marked(String name, List<WrittenMark> marks) {
    return name + marks.stream().map(mark -> " " + mark.text()).collect(Collectors.joining());
  }

  String text() {
    StringBuilder text = new StringBuilder();
    lines.values().forEach(line -> text.append(line.text()).append('\n'));
    controls.forEach(line -> text.append(line).append('\n'));
    return text.toString();
  }

  /**
   * Takes time in proportion to the size of the Mix.
   *
   * @throws Refused if channels stand deeper within each other than an outline shows, or in a loop
   */
  static WrittenOutline of(Mix mix, ReadNames names) {
    SignalGraph.requireSound(mix);
    return new Writer(mix, names).write();
  }

  private static final class Writer {
    private final Mix mix;
    private final ReadNames names;
    private final Map<String, Channel> channels;
    private final Map<String, List<Channel>> under = new HashMap<>();
    private final Map<String, List<Control>> over = new HashMap<>();
    private final Map<String, List<Output>> printed = new HashMap<>();
    private final Map<String, List<String>> taken = new LinkedHashMap<>();
    private final Map<String, List<String>> own;
    private final Map<String, Integer> depths = new LinkedHashMap<>();

    Writer(Mix mix, ReadNames names) {
      this.mix = mix;
      this.names = names;
      this.channels = mix.channelsById();
      this.own = OwnCategories.of(mix);
      for (Channel channel : mix.channels()) {
        under.computeIfAbsent(channel.output(), id -> new ArrayList<>()).add(channel);
      }
      for (Control control : mix.controls()) {
        for (String member : control.members()) {
          over.computeIfAbsent(member, id -> new ArrayList<>()).add(control);
        }
      }
      for (Output output : mix.outputs()) {
        printed.computeIfAbsent(output.channel(), id -> new ArrayList<>()).add(output);
      }
      mix.categoryMap()
          .entries()
          .forEach(
              entry ->
                  Optional.ofNullable(entry.destination())
                      .ifPresent(
                          to ->
                              taken
                                  .computeIfAbsent(to, id -> new ArrayList<>())
                                  .add(entry.category())));
    }

    WrittenOutline write() {
      walk();
      MarkTexts texts = new MarkTexts(mix, depths.keySet());
      Map<String, Line> lines = new LinkedHashMap<>();
      depths.forEach(
          (id, depth) -> {
            Channel channel = Lookup.in(channels, id);
            lines.put(id, new Line(id, depth, channel.name(), marks(channel, texts)));
          });
      return new WrittenOutline(lines, controls(texts));
    }

    /** Depth first, without recursion: a Mix may be thousands of buses deep. */
    private void walk() {
      Deque<Channel> open = new ArrayDeque<>(under.getOrDefault(null, List.of()));
      while (!open.isEmpty()) {
        Channel channel = open.pop();
        int depth = channel.output() == null ? 0 : depths.getOrDefault(channel.output(), 0) + 1;
        if (depth >= OutlineText.DEEPEST) {
          throw Refused.about(
              channel.id(),
              "“"
                  + channel.name()
                  + "” stands more than "
                  + OutlineText.DEEPEST
                  + " buses deep; the outline shows no more. Use the Ledger.");
        }
        depths.put(channel.id(), depth);
        List<Channel> lower = under.getOrDefault(channel.id(), List.of());
        for (int i = lower.size() - 1; i >= 0; i--) {
          open.push(lower.get(i));
        }
      }
    }

    private List<WrittenMark> marks(Channel channel, MarkTexts texts) {
      List<WrittenMark> marks = new ArrayList<>();
      @Nullable Channel parent = channels.get(channel.output());
      boolean hasUnder = under.containsKey(channel.id());
      Implied byName = Implied.of(names.of(channel.name()), null, hasUnder, parent);
      Implied implied = Implied.of(names.of(channel.name()), channel.kind(), hasUnder, parent);
      if (channel.kind() != byName.kind()) {
        word(marks, Sign.WORD, channel.kind().toString());
      }
      if (channel.layout() != implied.layout()) {
        word(marks, Sign.WORD, channel.layout().toString());
      }
      if (channel.stowed()) {
        word(marks, Sign.WORD, MarkTexts.STOWED);
      }
      if (!channel.category().equals(implied.category())) {
        word(marks, Sign.CATEGORY, channel.category());
      }
      for (String category : taken.getOrDefault(channel.id(), List.of())) {
        if (!own.getOrDefault(channel.id(), List.of()).contains(category)) {
          word(marks, Sign.TAKES, category);
        }
      }
      for (Send send : channel.sends()) {
        marks.add(new WrittenMark(Sign.SEND, texts.send(send), send.id()));
      }
      for (Insert insert : channel.chain()) {
        Key key = insert.key();
        if (key != null) {
          marks.add(new WrittenMark(Sign.KEY, texts.key(key.source(), key.tap()), insert.id()));
        }
      }
      control(marks, channel.id(), texts);
      for (Output output : printed.getOrDefault(channel.id(), List.of())) {
        String text = texts.output(output, names.usualKind(channel));
        marks.add(new WrittenMark(Sign.OUTPUT, text, output.id()));
      }
      return marks;
    }

    private static void word(List<WrittenMark> marks, Sign sign, String word) {
      marks.add(new WrittenMark(sign, sign.character() + word, word));
    }

    private void control(List<WrittenMark> marks, String member, MarkTexts texts) {
      for (Control control : over.getOrDefault(member, List.of())) {
        marks.add(new WrittenMark(Sign.CONTROL, texts.control(control), control.id()));
      }
    }

    /** Only what its members do not say already has a line of its own. */
    private List<String> controls(MarkTexts texts) {
      List<String> written = new ArrayList<>();
      for (Control control : mix.controls()) {
        List<WrittenMark> marks = new ArrayList<>();
        if (control.dip()) {
          word(marks, Sign.WORD, MarkTexts.DIP);
        }
        control(marks, control.id(), texts);
        if (!marks.isEmpty() || control.members().isEmpty()) {
          written.add(marked(texts.control(control), marks));
        }
      }
      return written;
    }
  }
}
