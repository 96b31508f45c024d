package drevik.server.web;

import org.springframework.boot.availability.ApplicationAvailability;
import org.springframework.boot.availability.ReadinessState;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Tells the start command when the application, demo included, can be used. */
@RestController
class ReadyController {
  private final ApplicationAvailability availability;

  ReadyController(ApplicationAvailability availability) {
    this.availability = availability;
  }

  @GetMapping("/api/ready")
  ResponseEntity<Void> ready() {
    boolean ready = availability.getReadinessState() == ReadinessState.ACCEPTING_TRAFFIC;
    return new ResponseEntity<>(ready ? HttpStatus.NO_CONTENT : HttpStatus.SERVICE_UNAVAILABLE);
  }
}
