package drevik.intake;

import drevik.intake.measure.Inspection;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What a delivery was, to be sent back to whom it came from.
 *
 * @param name of the delivery
 * @param from client, artist, project, as far as known
 * @param date when it came, yyyy-mm-dd
 * @param lines one for each file, those that something is wrong with first
 * @param missing what came in the delivery before and not in this one
 * @param empty seats of the template that nothing came for
 */
public record DeliveryReport(
    String name,
    List<String> from,
    String date,
    List<Line> lines,
    List<String> missing,
    List<String> empty) {
  /**
   * One file.
   *
   * @param found null if it was refused
   * @param wrong what is wrong with it, in words
   */
  public record Line(
      String file, @Nullable Inspection found, String category, List<String> wrong, String goesTo) {
    /** Length, rate, depth and layout in a few words. */
    public String format() {
      if (found == null) {
        return "refused";
      }
      var header = found.header();
      return String.format(
          Locale.ROOT,
          "%d:%04.1f, %,d Hz, %s, %s",
          (long) header.seconds() / 60,
          header.seconds() % 60,
          header.sampleRate(),
          header.format(),
          header.layout());
    }
  }

  public DeliveryReport {
    lines =
        Stream.concat(
                lines.stream().filter(line -> !line.wrong().isEmpty()),
                lines.stream().filter(line -> line.wrong().isEmpty()))
            .toList();
  }

  /** How many came, and how many something is wrong with. */
  public String summary() {
    long wrong = lines.stream().filter(line -> !line.wrong().isEmpty()).count();
    return lines.size() + " files received, " + (wrong == 0 ? "none" : wrong) + " with findings";
  }

  /** The files as comma-separated values (RFC 4180), one a line under a line of heads. */
  public String toCsv() {
    StringBuilder csv =
        new StringBuilder(
            "File,Category,Goes to,Seconds,Sample rate,Bits,Layout,Sample peak dBFS,True peak dBTP,Loudness LUFS,Findings\r\n");
    for (Line line : lines) {
      csv.append(row(line)).append("\r\n");
    }
    missing.forEach(name -> csv.append(cell(name)).append(",,,,,,,,,,came before and not now\r\n"));
    empty.forEach(seat -> csv.append(",,").append(cell(seat)).append(",,,,,,,,nothing came\r\n"));
    return csv.toString();
  }

  private static String row(Line line) {
    Inspection found = line.found();
    Stream<String> measured =
        found == null
            ? Stream.generate(() -> "").limit(7)
            : Stream.of(
                number(found.header().seconds(), 3),
                Integer.toString(found.header().sampleRate()),
                Integer.toString(found.header().format().bits()),
                found.header().layout().toString(),
                number(found.samplePeakDbfs(), 2),
                number(found.truePeakDbtp(), 2),
                number(found.integratedLufs(), 1));
    return Stream.of(
            Stream.of(cell(line.file()), cell(line.category()), cell(line.goesTo())),
            measured,
            Stream.of(cell(String.join("; ", line.wrong()))))
        .flatMap(cells -> cells)
        .collect(Collectors.joining(","));
  }

  private static String number(@Nullable Double value, int decimals) {
    return value == null ? "" : String.format(Locale.ROOT, "%." + decimals + "f", value);
  }

  /**
   * A text as a cell. One that a spreadsheet would take for a formula is made text by an apostrophe
   * in front: names come from strangers.
   */
  private static String cell(String text) {
    String safe = !text.isEmpty() && "=+-@\t\r".indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
    boolean quoted = safe.chars().anyMatch(c -> c == ',' || c == '"' || c == '\n' || c == '\r');
    return quoted ? '"' + safe.replace("\"", "\"\"") + '"' : safe;
  }
}
