package drevik.server.intake;

import drevik.edit.Edit;
import drevik.intake.DeliveryReport;
import drevik.intake.conform.DeadAir;
import drevik.intake.conform.SeatWish;
import drevik.server.mix.MixChange;
import drevik.server.mix.MixEdits.Asked;
import io.swagger.v3.oas.annotations.Parameter;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Intake: receive, sort, seat. */
@RestController
class IntakeController {
  /** A delivery to be opened; whom it comes from may be said later. */
  record NewDelivery(
      String name, @Nullable String client, @Nullable String artist, @Nullable String project) {}

  /** A large file that is going to be sent in pieces. */
  record NewUpload(String name, long bytes, @Nullable Long changed) {}

  /** The id of what was made, and of a zip how many files came out of it. */
  record Received(String id, int files) {}

  /** A step of conforming to be left out, or taken in again. */
  record StepChange(String file, String kind, boolean off) {}

  /** Where files are wanted; no wish for where the plan puts them. */
  record WishChange(List<String> files, @Nullable SeatWish wish) {}

  /** How seats are named; no pattern for the usual way. */
  record SeatNaming(@Nullable String pattern) {}

  /** An edit that somebody may want; nothing where there is nothing to do. */
  record OfferedEdit(@Nullable Edit edit) {}

  /** A learned correction that is to say something else. */
  record RuleChange(String category) {}

  /** A correction by a person. */
  record CategoryChange(List<String> files, String category) {}

  /** A request with an id of its own, and the revision that the plan was looked at on. */
  record SeatRequest(String id, int basedOn) {
    Asked asked() {
      return new Asked(id, basedOn);
    }
  }

  private final Deliveries deliveries;
  private final FileDecisions decisions;
  private final SeatDeliveries seating;
  private final GuideGains guides;
  private final ReceiveFiles receiving;
  private final Uploads uploads;

  IntakeController(
      Deliveries deliveries,
      FileDecisions decisions,
      SeatDeliveries seating,
      GuideGains guides,
      ReceiveFiles receiving,
      Uploads uploads) {
    this.deliveries = deliveries;
    this.decisions = decisions;
    this.seating = seating;
    this.guides = guides;
    this.receiving = receiving;
    this.uploads = uploads;
  }

  @GetMapping(path = "/api/mixes/{mixId}/deliveries", produces = MediaType.APPLICATION_JSON_VALUE)
  List<DeliveryView.Line> list(@PathVariable String mixId) {
    return deliveries.list(mixId);
  }

  @PostMapping(path = "/api/mixes/{mixId}/deliveries", produces = MediaType.APPLICATION_JSON_VALUE)
  Received open(@PathVariable String mixId, @RequestBody NewDelivery wanted) {
    var from = new Deliveries.From(wanted.client(), wanted.artist(), wanted.project());
    return new Received(deliveries.open(mixId, wanted.name(), from), 0);
  }

  @GetMapping(path = "/api/deliveries/{id}", produces = MediaType.APPLICATION_JSON_VALUE)
  DeliveryView view(@PathVariable String id) {
    return deliveries.view(id);
  }

  /** How far measuring is; asked every second, where the whole view would be too much. */
  @GetMapping(path = "/api/deliveries/{id}/progress", produces = MediaType.APPLICATION_JSON_VALUE)
  Deliveries.Progress progress(@PathVariable String id) {
    return deliveries.progress(id);
  }

  /** The body is the file itself; it is never held in memory. */
  @PutMapping(path = "/api/deliveries/{id}/files", produces = MediaType.APPLICATION_JSON_VALUE)
  Received receive(
      @PathVariable String id,
      @RequestParam String name,
      @Parameter(hidden = true) HttpServletRequest request)
      throws IOException {
    List<String> taken =
        receiving.receive(id, name, request.getInputStream(), request.getContentLengthLong());
    return new Received(taken.isEmpty() ? "" : taken.get(0), taken.size());
  }

  /** What arrived, what is wrong with it, and what is missing. */
  @GetMapping(path = "/api/deliveries/{id}/report", produces = MediaType.APPLICATION_JSON_VALUE)
  ReportView report(@PathVariable String id) {
    return ReportView.of(deliveries.report(id));
  }

  /** The same as pages. */
  @GetMapping(path = "/api/deliveries/{id}/report.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
  ResponseEntity<byte[]> reportPdf(@PathVariable String id) throws IOException {
    DeliveryReport report = deliveries.report(id);
    return named(report, ".pdf", ReportPdf.of(report));
  }

  /** The same as a table. */
  @GetMapping(path = "/api/deliveries/{id}/report.csv", produces = "text/csv")
  ResponseEntity<byte[]> reportCsv(@PathVariable String id) {
    DeliveryReport report = deliveries.report(id);
    return named(report, ".csv", report.toCsv().getBytes(StandardCharsets.UTF_8));
  }

  private static ResponseEntity<byte[]> named(DeliveryReport report, String ending, byte[] body) {
    ContentDisposition file =
        ContentDisposition.attachment()
            .filename("Delivery " + report.name() + ending, StandardCharsets.UTF_8)
            .build();
    return ResponseEntity.ok().header(HttpHeaders.CONTENT_DISPOSITION, file.toString()).body(body);
  }

  /** Begins a file that is sent in pieces, or finds the one that broke off. */
  @PostMapping(path = "/api/deliveries/{id}/uploads", produces = MediaType.APPLICATION_JSON_VALUE)
  Uploads.State begin(@PathVariable String id, @RequestBody NewUpload upload) throws IOException {
    return uploads.begin(
        id, upload.name(), upload.bytes(), upload.changed() == null ? 0 : upload.changed());
  }

  @GetMapping(path = "/api/uploads/{id}", produces = MediaType.APPLICATION_JSON_VALUE)
  Uploads.State upload(@PathVariable String id) throws IOException {
    return uploads.state(id);
  }

  /** The body is the piece itself. */
  @PutMapping(path = "/api/uploads/{id}", produces = MediaType.APPLICATION_JSON_VALUE)
  Uploads.State piece(
      @PathVariable String id,
      @RequestParam long offset,
      @Parameter(hidden = true) HttpServletRequest request)
      throws IOException {
    return uploads.take(id, offset, request.getInputStream());
  }

  /** Whom the delivery comes from. */
  @PutMapping(path = "/api/deliveries/{id}/from", produces = MediaType.APPLICATION_JSON_VALUE)
  DeliveryView describe(@PathVariable String id, @RequestBody Deliveries.From from) {
    deliveries.describe(id, from);
    return deliveries.view(id);
  }

  @PostMapping(path = "/api/deliveries/{id}/steps", produces = MediaType.APPLICATION_JSON_VALUE)
  DeliveryView setStep(@PathVariable String id, @RequestBody StepChange change) {
    decisions.setStep(id, change.file(), change.kind(), change.off());
    return deliveries.view(id);
  }

  @PutMapping(
      path = "/api/deliveries/{id}/rules/{ruleId}",
      produces = MediaType.APPLICATION_JSON_VALUE)
  DeliveryView changeRule(
      @PathVariable String id, @PathVariable String ruleId, @RequestBody RuleChange change) {
    decisions.changeRule(id, ruleId, change.category());
    return deliveries.view(id);
  }

  @DeleteMapping(
      path = "/api/deliveries/{id}/rules/{ruleId}",
      produces = MediaType.APPLICATION_JSON_VALUE)
  DeliveryView forgetRule(@PathVariable String id, @PathVariable String ruleId) {
    decisions.forgetRule(ruleId);
    return deliveries.view(id);
  }

  @PostMapping(path = "/api/deliveries/{id}/category", produces = MediaType.APPLICATION_JSON_VALUE)
  DeliveryView setCategory(@PathVariable String id, @RequestBody CategoryChange change) {
    decisions.setCategory(id, change.files(), change.category());
    return deliveries.view(id);
  }

  /** Files go where a person wants them. */
  @PostMapping(path = "/api/deliveries/{id}/wishes", produces = MediaType.APPLICATION_JSON_VALUE)
  DeliveryView wish(@PathVariable String id, @RequestBody WishChange change) {
    decisions.wish(id, change.files(), change.wish());
    return deliveries.view(id);
  }

  @PutMapping(path = "/api/deliveries/{id}/seat-names", produces = MediaType.APPLICATION_JSON_VALUE)
  DeliveryView nameSeats(@PathVariable String id, @RequestBody SeatNaming naming) {
    decisions.nameSeats(id, naming.pattern());
    return deliveries.view(id);
  }

  /** What would set the clips of a Mix to its level guides; no edit where all stand there. */
  @GetMapping(path = "/api/mixes/{id}/guides", produces = MediaType.APPLICATION_JSON_VALUE)
  OfferedEdit guides(@PathVariable String id, @RequestParam(required = false) Integer since) {
    return new OfferedEdit(guides.offer(id, since).orElse(null));
  }

  /** What counts as dead air in the files of a delivery. */
  @PutMapping(path = "/api/deliveries/{id}/dead-air", produces = MediaType.APPLICATION_JSON_VALUE)
  DeliveryView setDeadAir(@PathVariable String id, @RequestBody DeadAir deadAir) {
    decisions.setDeadAir(id, deadAir);
    return deliveries.view(id);
  }

  /** Start, end and tempo of the Mix as the delivery asks. */
  @PostMapping(path = "/api/deliveries/{id}/times", produces = MediaType.APPLICATION_JSON_VALUE)
  MixChange setTimes(@PathVariable String id, @RequestBody SeatRequest request) {
    return seating.setTimes(id, request.asked());
  }

  @PostMapping(path = "/api/deliveries/{id}/seat", produces = MediaType.APPLICATION_JSON_VALUE)
  MixChange seat(@PathVariable String id, @RequestBody SeatRequest request) throws IOException {
    return seating.seat(id, request.asked());
  }
}
