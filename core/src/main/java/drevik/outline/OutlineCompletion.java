package drevik.outline;

import drevik.audio.Layout;
import drevik.category.CategoryTree;
import drevik.mix.ChannelKind;
import drevik.mix.OutputKind;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What can stand where somebody types. */
public final class OutlineCompletion {
  /**
   * What may stand from a place of the line on, instead of what has been typed there.
   *
   * @param from in characters of the line; what stands there is to be compared with the choices
   * @param choices as they are written
   */
  public record Completion(int from, List<String> choices) {}

  /** Figures are typed: one that is offered would stand in for another that begins like it. */
  private static final List<String> LEVELS = List.of(MarkTexts.SILENT, MarkTexts.OFF);

  private final OutlineText text;
  private final ReadNames names;

  private OutlineCompletion(OutlineText text, ReadNames names) {
    this.text = text;
    this.names = names;
  }

  /**
   * What may be written at a place.
   *
   * @param line from 1
   * @param column in characters of the line, from 0
   * @return empty where only a name of one's own can stand
   */
  public static Optional<Completion> at(String text, int line, int column, ReadNames names) {
    List<String> lines =
        text.split("\\r\\n|\\r|\\n", -1).length < line
            ? List.of()
            : List.of(text.split("\\r\\n|\\r|\\n", -1));
    if (line < 1 || lines.isEmpty() || column < 0 || column > lines.get(line - 1).length()) {
      return Optional.empty();
    }
    // With a letter behind it, a sign is a mark already.
    String typed = lines.get(line - 1).substring(0, column) + "x";
    LineScanner.Scanned scanned = new LineScanner(typed, line, new ArrayList<>()).scan();
    if (scanned.marks().isEmpty()) {
      return Optional.empty();
    }
    Mark last = scanned.marks().get(scanned.marks().size() - 1);
    if (last.to() < typed.length()) {
      return Optional.empty();
    }
    return Optional.of(
        new OutlineCompletion(OutlineText.of(text), names).completion(last, scanned, line));
  }

  private Completion completion(Mark mark, LineScanner.Scanned scanned, int line) {
    if (!mark.options().isEmpty()) {
      int from = mark.options().get(mark.options().size() - 1).from();
      return new Completion(from, mark.sign() == Sign.OUTPUT ? outputOptions() : levels(mark));
    }
    int from = mark.refs().get(mark.refs().size() - 1).from();
    return switch (mark.sign()) {
      case WORD ->
          new Completion(
              mark.from() + 1, scanned.control() ? List.of(MarkTexts.DIP) : ChannelReading.words());
      case CATEGORY, TAKES -> new Completion(mark.from() + 1, CategoryTree.all());
      case SEND -> new Completion(from, lineNames(line, true));
      case KEY -> new Completion(from, lineNames(line, false));
      case CONTROL -> new Completion(from, controls(mark));
      // A file is named freely.
      case OUTPUT -> new Completion(from, List.of());
    };
  }

  private static List<String> levels(Mark mark) {
    return mark.sign() == Sign.SEND ? LEVELS : List.of();
  }

  /**
   * @param takesSound only those that something can be sent to
   */
  private List<String> lineNames(int except, boolean takesSound) {
    Set<Integer> above = new LinkedHashSet<>();
    text.lines().forEach(line -> above.add(line.parent()));
    List<String> found = new ArrayList<>();
    for (int i = 0; i < text.lines().size(); i++) {
      OutlineLine line = text.lines().get(i);
      if (line.control() || line.number() == except) {
        continue;
      }
      boolean under = above.contains(i);
      for (String name : line.names()) {
        if (!name.isBlank() && (!takesSound || !kindOf(line, name, under).holdsClips())) {
          found.add(LineScanner.written(name));
        }
      }
    }
    return found.stream().distinct().toList();
  }

  private ChannelKind kindOf(OutlineLine line, String name, boolean under) {
    return line.marks().stream()
        .filter(mark -> mark.sign() == Sign.WORD)
        .flatMap(mark -> ChannelReading.kind(mark.word()).stream())
        .findFirst()
        .orElseGet(() -> Implied.of(names.of(name), null, under, null).kind());
  }

  private List<String> controls(Mark typed) {
    Set<String> found = new LinkedHashSet<>();
    for (OutlineLine line : text.lines()) {
      if (line.control()) {
        line.names().forEach(name -> found.add(LineScanner.written(name)));
      }
      line.marks().stream()
          .filter(mark -> mark.sign() == Sign.CONTROL && mark.from() != typed.from())
          .forEach(mark -> found.add(LineScanner.written(mark.word())));
    }
    return List.copyOf(found);
  }

  private List<String> outputOptions() {
    List<String> options = new ArrayList<>();
    Arrays.stream(OutputKind.values()).forEach(kind -> options.add(kind.toString()));
    options.add(MarkTexts.ALONE);
    for (OutlineLine line : text.lines()) {
      line.marks().stream()
          .filter(mark -> mark.sign() == Sign.OUTPUT && !mark.word().isEmpty())
          .forEach(mark -> options.add(MarkTexts.OF + LineScanner.writtenInOption(mark.word())));
    }
    Arrays.stream(Layout.values()).forEach(layout -> options.add(layout.toString()));
    CategoryTree.all().stream()
        .filter(path -> !path.contains("/"))
        .forEach(path -> options.add(MarkTexts.NO + path));
    return options.stream().distinct().toList();
  }
}
