package drevik.server.print;

import drevik.render.PrintReport;
import drevik.server.events.Listener;
import jakarta.annotation.PreDestroy;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** The delivery sheet's work: print runs, their progress and their files. */
@RestController
class PrintController {
  private static final MediaType WAV = MediaType.parseMediaType("audio/wav");
  private static final MediaType ZIP = MediaType.parseMediaType("application/zip");

  /** Ids of outputs; none means all. */
  record PrintRequest(List<String> outputs) {}

  private final PrintService prints;
  private final ScheduledExecutorService watch = Executors.newSingleThreadScheduledExecutor();

  PrintController(PrintService prints) {
    this.prints = prints;
  }

  @PreDestroy
  void stopWatching() {
    watch.shutdownNow();
  }

  @GetMapping(path = "/api/mixes/{mixId}/prints", produces = MediaType.APPLICATION_JSON_VALUE)
  List<PrintView> list(@PathVariable String mixId) {
    return prints.list(mixId);
  }

  @PostMapping(path = "/api/mixes/{mixId}/prints", produces = MediaType.APPLICATION_JSON_VALUE)
  PrintView ask(@PathVariable String mixId, @RequestBody PrintRequest request) {
    return prints.ask(mixId, request.outputs());
  }

  @GetMapping(path = "/api/prints/{id}", produces = MediaType.APPLICATION_JSON_VALUE)
  PrintView view(@PathVariable String id) {
    return prints.view(id);
  }

  @PostMapping(path = "/api/prints/{id}/cancel", produces = MediaType.APPLICATION_JSON_VALUE)
  PrintView cancel(@PathVariable String id) {
    return prints.cancel(id);
  }

  /**
   * Events named {@code print}, each a whole {@link PrintView}, whenever something changed, until
   * the run has ended. The database is what is watched, so any process may do the printing.
   */
  @GetMapping(path = "/api/prints/{id}/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
  SseEmitter events(@PathVariable String id) {
    prints.view(id);
    SseEmitter stream = Listener.stream();
    new PrintWatch(() -> prints.view(id), stream).begin(watch);
    return stream;
  }

  @GetMapping(path = "/api/prints/{id}/files/{name}", produces = "audio/wav")
  ResponseEntity<Resource> file(@PathVariable String id, @PathVariable String name) {
    return ResponseEntity.ok()
        .contentType(WAV)
        .header(HttpHeaders.CONTENT_DISPOSITION, attachment(name))
        .body(new FileSystemResource(prints.file(id, name)));
  }

  /** All files of a run as one zip, stored: audio hardly gets smaller. */
  @GetMapping(path = "/api/prints/{id}/zip", produces = "application/zip")
  ResponseEntity<StreamingResponseBody> zip(@PathVariable String id) {
    PrintReport report = prints.report(id);
    // Asked before the first byte is sent: behind it nothing can be said any more.
    report.files().forEach(printed -> prints.file(id, printed.file()));
    StreamingResponseBody body =
        out -> {
          try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            zip.setLevel(0);
            for (PrintReport.Printed printed : report.files()) {
              zip.putNextEntry(new ZipEntry(printed.file()));
              Files.copy(prints.file(id, printed.file()), zip);
              zip.closeEntry();
            }
          }
        };
    return ResponseEntity.ok()
        .contentType(ZIP)
        .header(HttpHeaders.CONTENT_DISPOSITION, attachment(report.mix() + ".zip"))
        .body(body);
  }

  private static String attachment(String name) {
    return ContentDisposition.attachment()
        .filename(name, StandardCharsets.UTF_8)
        .build()
        .toString();
  }
}
