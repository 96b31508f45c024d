package drevik.outline;

import drevik.mix.Limits;
import drevik.mix.Refused;
import drevik.naming.NameLines;
import java.util.ArrayList;
import java.util.List;

/**
 * An outline taken apart into lines; what they stand for is not looked at yet.
 *
 * @param faults in the order of lines
 */
record OutlineText(List<OutlineLine> lines, List<OutlineFault> faults) {
  /** Characters of a whole outline. */
  static final int MOST = 1_000_000;

  /** Characters of one line: a channel with a hundred sends. */
  private static final int LONGEST_LINE = 8_000;

  /** Lines stand within each other no deeper. */
  static final int DEEPEST = 64;

  static OutlineText of(String text) {
    if (text.length() > MOST) {
      return new OutlineText(
          List.of(),
          List.of(
              new OutlineFault(
                  0,
                  0,
                  0,
                  "An outline has at most "
                      + MOST
                      + " characters; this one has "
                      + text.length()
                      + ".")));
    }
    return new Reader().read(text);
  }

  private static final class Reader {
    private final List<OutlineLine> lines = new ArrayList<>();
    private final List<OutlineFault> faults = new ArrayList<>();

    /** The lines that the next one can stand under, each with its blanks in front. */
    private record Open(String indent, int line) {}

    private final List<Open> open = new ArrayList<>();
    private int channels;

    OutlineText read(String text) {
      int number = 0;
      for (String line : text.split("\\r\\n|\\r|\\n", -1)) {
        number++;
        if (!line.isBlank()) {
          add(line, number);
        }
        if (channels > Limits.CHANNELS) {
          faults.add(
              new OutlineFault(
                  number, 0, line.length(), "A Mix has at most " + Limits.CHANNELS + " channels."));
          break;
        }
      }
      return new OutlineText(List.copyOf(lines), List.copyOf(faults));
    }

    private void add(String line, int number) {
      String bare = line.stripLeading();
      String indent = line.substring(0, line.length() - bare.length());
      if (bare.chars().anyMatch(one -> Character.isISOControl(one) && one != '\t')) {
        faults.add(
            new OutlineFault(
                number,
                0,
                line.length(),
                "This line holds a character that cannot be seen; type it anew."));
        return;
      }
      if (line.length() > LONGEST_LINE) {
        faults.add(
            new OutlineFault(
                number,
                0,
                line.length(),
                "A line has at most "
                    + LONGEST_LINE
                    + " characters; this one has "
                    + line.length()
                    + "."));
        return;
      }
      LineScanner.Scanned scanned = new LineScanner(line, number, faults).scan();
      int parent = scanned.control() ? -1 : parentOf(indent, number);
      List<String> names = names(scanned, number);
      channels += names.size();
      if (parent >= 0 && lines.get(parent).names().size() > 1) {
        faults.add(
            new OutlineFault(
                number,
                indent.length(),
                line.length(),
                "The line above stands for several channels, so nothing can stand under it; write the"
                    + " one that is meant on a line of its own."));
      }
      lines.add(
          new OutlineLine(
              number,
              parent,
              names,
              scanned.ref().ordinal(),
              scanned.control(),
              scanned.marks(),
              scanned.from(),
              scanned.to()));
      if (!scanned.control()) {
        open.add(new Open(indent, lines.size() - 1));
      }
    }

    private List<String> names(LineScanner.Scanned scanned, int number) {
      List<String> names = List.of(scanned.name());
      try {
        if (scanned.name().isBlank()) {
          throw new Refused("A line begins with a name; write one in front of the mark.");
        }
        if (!scanned.quoted()) {
          names = NameLines.expand(names);
        }
        names.forEach(name -> Limits.requireText(name, Limits.NAME, "A name"));
      } catch (Refused e) {
        faults.add(
            new OutlineFault(
                number,
                scanned.from(),
                Math.max(scanned.to(), scanned.from() + 1),
                e.getMessage()));
      }
      return names;
    }

    /** Index of the line that this one stands under, or −1. */
    private int parentOf(String indent, int number) {
      for (int i = open.size() - 1; i >= 0; i--) {
        if (open.get(i).indent().equals(indent)) {
          open.subList(i, open.size()).clear();
          return lastOpen();
        }
      }
      if (!open.isEmpty()) {
        String last = open.get(open.size() - 1).indent();
        if (!indent.startsWith(last)) {
          fault(
              number,
              indent.length(),
              last.startsWith(indent)
                  ? "This line stands under none of those above; indent it as far as one of them."
                  : "This line is indented by tabs where those above are by blanks, or the other"
                      + " way round; use the same for all.");
        } else if (open.size() >= DEEPEST) {
          fault(
              number,
              indent.length(),
              "Lines stand at most " + DEEPEST + " deep within each other.");
        }
      }
      return lastOpen();
    }

    private int lastOpen() {
      return open.isEmpty() ? -1 : open.get(open.size() - 1).line();
    }

    private void fault(int number, int indented, String says) {
      faults.add(new OutlineFault(number, 0, Math.max(1, indented), says));
    }
  }
}
