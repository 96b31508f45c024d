package drevik.server.intake;

import com.lowagie.text.Document;
import com.lowagie.text.Element;
import com.lowagie.text.Font;
import com.lowagie.text.PageSize;
import com.lowagie.text.Paragraph;
import com.lowagie.text.Phrase;
import com.lowagie.text.Rectangle;
import com.lowagie.text.pdf.PdfPCell;
import com.lowagie.text.pdf.PdfPTable;
import com.lowagie.text.pdf.PdfWriter;
import drevik.intake.DeliveryReport;
import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.util.List;
import org.librepdf.openpdf.fonts.Liberation;

/** The report of a delivery as pages of A4, its fonts included. */
final class ReportPdf {
  private static final Color RULE = new Color(0xB8, 0xB2, 0xA6);
  private static final float[] COLUMNS = {34, 27, 18, 21};

  private final Font text;
  private final Font small;
  private final Font strong;
  private final Font title;

  private ReportPdf() throws java.io.IOException {
    text = Liberation.SANS.create(8);
    small = Liberation.SANS.create(7);
    strong = Liberation.SANS_BOLD.create(9);
    title = Liberation.SANS_BOLD.create(15);
  }

  static byte[] of(DeliveryReport report) throws java.io.IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    new ReportPdf().write(report, out);
    return out.toByteArray();
  }

  private void write(DeliveryReport report, ByteArrayOutputStream out) {
    try (Document document = new Document(PageSize.A4, 42, 42, 42, 42)) {
      PdfWriter.getInstance(document, out);
      document.open();
      document.addTitle("Delivery: " + report.name());
      document.add(new Paragraph(report.name(), title));
      document.add(
          new Paragraph(
              String.join(" / ", report.from())
                  + (report.from().isEmpty() ? "" : ", ")
                  + "received "
                  + report.date()
                  + ". "
                  + report.summary()
                  + ".",
              text));
      document.add(files(report.lines()));
      list(document, "Came before, and did not come again", report.missing());
      list(document, "Seats that nothing came for", report.empty());
    }
  }

  private PdfPTable files(List<DeliveryReport.Line> lines) {
    PdfPTable table = new PdfPTable(COLUMNS);
    table.setWidthPercentage(100);
    table.setSpacingBefore(12);
    table.setHeaderRows(1);
    for (String head : List.of("File", "What it is", "Category", "Goes to")) {
      table.addCell(cell(new Phrase(head, small), 1));
    }
    for (DeliveryReport.Line line : lines) {
      boolean wrong = !line.wrong().isEmpty();
      Phrase name = new Phrase(line.file(), wrong ? strong : text);
      table.addCell(cell(name, 1));
      table.addCell(cell(new Phrase(line.format(), text), 1));
      table.addCell(cell(new Phrase(line.category(), text), 1));
      table.addCell(cell(new Phrase(line.goesTo(), text), 1));
      if (wrong) {
        PdfPCell what = cell(new Phrase(String.join("; ", line.wrong()), text), COLUMNS.length);
        what.setPaddingLeft(12);
        table.addCell(what);
      }
    }
    return table;
  }

  private static PdfPCell cell(Phrase phrase, int columns) {
    PdfPCell cell = new PdfPCell(phrase);
    cell.setColspan(columns);
    cell.setBorder(Rectangle.TOP);
    cell.setBorderColor(RULE);
    cell.setBorderWidth(0.4f);
    cell.setPadding(2.5f);
    cell.setVerticalAlignment(Element.ALIGN_TOP);
    return cell;
  }

  private void list(Document document, String head, List<String> names) {
    if (names.isEmpty()) {
      return;
    }
    Paragraph above = new Paragraph(head, strong);
    above.setSpacingBefore(12);
    document.add(above);
    document.add(new Paragraph(String.join(", ", names) + ".", text));
  }
}
