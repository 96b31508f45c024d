package drevik.server.intake;

import drevik.intake.DeliveryReport;
import java.util.List;

/**
 * The report of a delivery as it is shown.
 *
 * @param missing what came in the delivery before and not in this one
 * @param empty seats of the template that nothing came for
 */
record ReportView(
    String name,
    List<String> from,
    String date,
    String summary,
    List<ReportLine> lines,
    List<String> missing,
    List<String> empty) {
  /** One file; those that something is wrong with come first. */
  record ReportLine(
      String file, String format, String category, List<String> wrong, String goesTo) {}

  static ReportView of(DeliveryReport report) {
    return new ReportView(
        report.name(),
        report.from(),
        report.date(),
        report.summary(),
        report.lines().stream()
            .map(
                line ->
                    new ReportLine(
                        line.file(), line.format(), line.category(), line.wrong(), line.goesTo()))
            .toList(),
        report.missing(),
        report.empty());
  }
}
