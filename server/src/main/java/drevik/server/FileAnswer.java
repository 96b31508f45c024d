package drevik.server;

import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;

/** A document that a browser puts away as a file. */
public final class FileAnswer {
  private FileAnswer() {}

  /**
   * An answer that browsers save as a file.
   *
   * @param name of the file, with its ending
   */
  public static ResponseEntity<String> of(String name, String document) {
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(name, StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(document);
  }
}
