package drevik.outline;

import drevik.audio.Layout;
import drevik.category.CategoryTree;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.naming.ChannelName;
import drevik.outline.WrittenOutline.WrittenMark;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What a line says of its channel alone: kind, layout, category, name, where it is sent, whether it
 * is stowed. What the line says as before stays as it is in the Mix.
 */
final class ChannelReading {
  private final ReadNames names;
  private final List<OutlineFault> faults;

  ChannelReading(ReadNames names, List<OutlineFault> faults) {
    this.names = names;
    this.faults = faults;
  }

  static Optional<ChannelKind> kind(String word) {
    return Arrays.stream(ChannelKind.values())
        .filter(one -> one.toString().equals(word))
        .findFirst();
  }

  static Optional<Layout> layout(String word) {
    return Arrays.stream(Layout.values()).filter(one -> one.toString().equals(word)).findFirst();
  }

  /** All words that may stand behind a colon. */
  static List<String> words() {
    return Stream.of(
            Arrays.stream(ChannelKind.values()).map(ChannelKind::toString),
            Arrays.stream(Layout.values()).map(Layout::toString),
            Stream.of(MarkTexts.STOWED))
        .flatMap(one -> one)
        .toList();
  }

  /**
   * @param parent what the line stands under, as it becomes
   */
  Channel of(Entry entry, @Nullable Channel parent) {
    @Nullable ChannelKind saidKind = null;
    @Nullable Layout saidLayout = null;
    boolean stowed = false;
    for (Mark mark : entry.marks(Sign.WORD)) {
      Optional<ChannelKind> kind = kind(mark.word());
      Optional<Layout> layout = layout(mark.word());
      if (kind.isPresent() && saidKind == null) {
        saidKind = kind.get();
      } else if (layout.isPresent() && saidLayout == null) {
        saidLayout = layout.get();
      } else if (mark.word().equals(MarkTexts.STOWED)) {
        stowed = true;
      } else {
        faults.add(
            entry.fault(
                mark,
                kind.isPresent() || layout.isPresent()
                    ? "A line has one kind and one layout; take the others out."
                    : unknownWord(mark.word())));
      }
    }
    ChannelName name = names.of(entry.name());
    ChannelKind kind = kindOf(entry, saidKind, name);
    Implied implied = Implied.of(name, kind, entry.hasLinesUnder(), parent);
    Layout layout = layoutOf(entry, saidLayout, implied, name);
    String category = categoryOf(entry, implied, name);
    Channel was = entry.was();
    if (kind.holdsClips() && entry.hasLinesUnder()) {
      faults.add(
          entry.fault(
              "“"
                  + entry.name()
                  + "” is a "
                  + kind
                  + ": it plays files, so nothing can stand under it; mark it :bus."));
    }
    if (was != null && !was.clips().isEmpty() && !kind.holdsClips()) {
      faults.add(
          entry.fault(
              "There is audio on “" + entry.name() + "”, so it stays a " + was.kind() + "."));
    }
    Channel base = was == null ? Channel.of(entry.id(), kind, entry.name(), layout, category) : was;
    return base.with()
        .name(entry.name())
        .kind(kind)
        .layout(layout)
        .category(category)
        .stowed(stowed)
        .output(parent == null ? null : parent.id())
        .build();
  }

  static String unknownWord(String word) {
    return "There is no mark “:"
        + word
        + "”; there are "
        + words().stream().map(one -> ":" + one).collect(Collectors.joining(", "))
        + ".";
  }

  private static boolean said(Entry entry, Sign sign, List<String> words) {
    return entry.oldMarks(sign).stream().map(WrittenMark::of).anyMatch(words::contains);
  }

  private ChannelKind kindOf(Entry entry, @Nullable ChannelKind said, ChannelName name) {
    if (said != null) {
      return said;
    }
    Channel was = entry.was();
    ChannelKind byName = Implied.of(name, null, entry.hasLinesUnder(), null).kind();
    if (was == null) {
      return byName;
    }
    List<String> kinds = Arrays.stream(ChannelKind.values()).map(ChannelKind::toString).toList();
    boolean becomesBus = was.kind().holdsClips() && entry.hasLinesUnder() && was.clips().isEmpty();
    boolean saysElse =
        entry.isRenamed()
            && name.kind().isPresent()
            && !name.kind().equals(names.of(was.name()).kind());
    return said(entry, Sign.WORD, kinds) || becomesBus || saysElse ? byName : was.kind();
  }

  private Layout layoutOf(Entry entry, @Nullable Layout said, Implied implied, ChannelName name) {
    if (said != null) {
      return said;
    }
    Channel was = entry.was();
    if (was == null) {
      return implied.layout();
    }
    List<String> layouts = Arrays.stream(Layout.values()).map(Layout::toString).toList();
    boolean saysElse =
        entry.isRenamed()
            && name.layout().isPresent()
            && !name.layout().equals(names.of(was.name()).layout());
    return said(entry, Sign.WORD, layouts) || saysElse ? implied.layout() : was.layout();
  }

  private String categoryOf(Entry entry, Implied implied, ChannelName name) {
    List<Mark> marks = entry.marks(Sign.CATEGORY);
    if (marks.size() > 1) {
      faults.add(entry.fault(marks.get(1), "A line has one category; take the others out."));
    }
    if (!marks.isEmpty()) {
      return isCategory(entry, marks.get(0)) ? marks.get(0).word() : implied.category();
    }
    Channel was = entry.was();
    if (was == null || !entry.oldMarks(Sign.CATEGORY).isEmpty()) {
      return implied.category();
    }
    String byName = name.sorting().category();
    return entry.isRenamed() && !byName.equals(CategoryTree.UNKNOWN) ? byName : was.category();
  }

  /** False, with a fault at its place, if there is no such category. */
  boolean isCategory(Entry entry, Mark mark) {
    if (CategoryTree.has(mark.word())) {
      return true;
    }
    faults.add(entry.fault(mark, CategoryTree.unknownMessage(mark.word())));
    return false;
  }
}
