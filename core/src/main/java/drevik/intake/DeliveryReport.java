package drevik.intake;

import drevik.intake.measure.Inspection;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
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

  private static final List<String> HEADS =
      List.of(
          "File",
          "Category",
          "Goes to",
          "Seconds",
          "Sample rate",
          "Bits",
          "Layout",
          "Sample peak dBFS",
          "True peak dBTP",
          "Loudness LUFS",
          "Findings");

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
    StringBuilder text = new StringBuilder();
    try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
      csv.printRecord(HEADS);
      for (Line line : lines) {
        csv.printRecord(row(line));
      }
      for (String name : missing) {
        csv.printRecord(padded(cell(name), "", "", "came before and not now"));
      }
      for (String seat : empty) {
        csv.printRecord(padded("", "", cell(seat), "nothing came"));
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString();
  }

  private static List<String> row(Line line) {
    Inspection found = line.found();
    List<String> cells =
        new ArrayList<>(List.of(cell(line.file()), cell(line.category()), cell(line.goesTo())));
    if (found != null) {
      cells.add(number(found.header().seconds(), 3));
      cells.add(Integer.toString(found.header().sampleRate()));
      cells.add(Integer.toString(found.header().format().bits()));
      cells.add(found.header().layout().toString());
      cells.add(number(found.samplePeakDbfs(), 2));
      cells.add(number(found.truePeakDbtp(), 2));
      cells.add(number(found.integratedLufs(), 1));
    }
    return padded(cells, cell(String.join("; ", line.wrong())));
  }

  private static List<String> padded(String file, String category, String goesTo, String finding) {
    return padded(List.of(file, category, goesTo), finding);
  }

  /** The cells, empty ones, and the finding in the last column. */
  private static List<String> padded(List<String> cells, String finding) {
    List<String> row = new ArrayList<>(cells);
    while (row.size() < HEADS.size() - 1) {
      row.add("");
    }
    row.add(finding);
    return row;
  }

  private static String number(@Nullable Double value, int decimals) {
    return value == null ? "" : String.format(Locale.ROOT, "%." + decimals + "f", value);
  }

  /**
   * A text as a cell. One that a spreadsheet would take for a formula, blanks before it or not, is
   * made text by an apostrophe in front: names come from strangers.
   */
  private static String cell(String text) {
    String plain = text.stripLeading();
    boolean formula = !plain.isEmpty() && "=+-@".indexOf(plain.charAt(0)) >= 0;
    return formula ? "'" + text : text;
  }
}
