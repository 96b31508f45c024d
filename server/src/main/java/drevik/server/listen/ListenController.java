package drevik.server.listen;

import drevik.audio.Container;
import drevik.server.intake.KeptAudio;
import drevik.server.print.PrintService;
import drevik.server.store.AudioStore;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;

/**
 * Delivered and printed files in a form that browsers play, from wherever is asked (RFC 9110,
 * 14.2): WAVE files as 24 bits in mono or stereo, what browsers decode as it is, everything else
 * decoded.
 */
@RestController
class ListenController {
  private static final Duration UNCHANGED = Duration.ofHours(1);

  private final AudioStore store;
  private final PrintService prints;
  private final DecodedAudio decoded;
  private final KeptAudio kept;

  ListenController(AudioStore store, PrintService prints, DecodedAudio decoded, KeptAudio kept) {
    this.kept = kept;
    this.store = store;
    this.prints = prints;
    this.decoded = decoded;
  }

  @GetMapping("/api/audio/{sha256}/listen")
  ResponseEntity<Resource> delivered(
      @PathVariable String sha256, @RequestHeader HttpHeaders headers) throws IOException {
    Path file = store.find(sha256);
    kept.requireWhole(sha256, file);
    return playable(file, headers);
  }

  @GetMapping("/api/prints/{id}/files/{name}/listen")
  ResponseEntity<Resource> printed(
      @PathVariable String id, @PathVariable String name, @RequestHeader HttpHeaders headers)
      throws IOException {
    return playable(prints.file(id, name), headers);
  }

  private ResponseEntity<Resource> playable(Path file, HttpHeaders headers) throws IOException {
    ResponseEntity<Resource> whole = playable(file);
    Resource body = whole.getBody();
    if (body != null && !canBeMet(headers, body.contentLength())) {
      return ResponseEntity.status(HttpStatus.REQUESTED_RANGE_NOT_SATISFIABLE)
          .header(HttpHeaders.CONTENT_RANGE, "bytes */" + body.contentLength())
          .cacheControl(CacheControl.noStore())
          .build();
    }
    return whole;
  }

  /** Spring answers a range that cannot be met with all there is (RFC 9110, 15.5.17: nothing). */
  private static boolean canBeMet(HttpHeaders headers, long length) {
    try {
      return headers.getRange().stream().allMatch(range -> range.getRangeStart(length) < length);
    } catch (IllegalArgumentException e) {
      return false;
    }
  }

  private ResponseEntity<Resource> playable(Path file) throws IOException {
    return switch (Container.of(file)) {
      case WAVE -> answer("audio/wav", new ListeningResource(file));
      case FLAC -> answer("audio/flac", new FileSystemResource(file));
      case MP3 -> answer("audio/mpeg", new FileSystemResource(file));
      case OGG -> answer("audio/ogg", new FileSystemResource(file));
      case AAC -> answer("audio/aac", new FileSystemResource(file));
      case MPEG4 -> answer("audio/mp4", new FileSystemResource(file));
      case AIFF, CAF, WAVE64 -> answer("audio/wav", new ListeningResource(decoded.of(file)));
    };
  }

  private static ResponseEntity<Resource> answer(String type, Resource body) {
    return ResponseEntity.ok()
        .contentType(MediaType.parseMediaType(type))
        .cacheControl(CacheControl.maxAge(UNCHANGED).cachePrivate())
        .body(body);
  }
}
