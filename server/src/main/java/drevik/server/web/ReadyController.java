package drevik.server.web;

import org.springframework.boot.availability.ApplicationAvailability;
import org.springframework.boot.availability.ReadinessState;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Tells the start command when the application, demo included, can be used. */
@RestController
class ReadyController {
  private final ApplicationAvailability availability;
  private final JdbcClient database;

  ReadyController(ApplicationAvailability availability, JdbcClient database) {
    this.availability = availability;
    this.database = database;
  }

  @GetMapping("/api/ready")
  ResponseEntity<Void> ready() {
    boolean ready =
        availability.getReadinessState() == ReadinessState.ACCEPTING_TRAFFIC && hasDatabase();
    return new ResponseEntity<>(ready ? HttpStatus.NO_CONTENT : HttpStatus.SERVICE_UNAVAILABLE);
  }

  private boolean hasDatabase() {
    try {
      return database.sql("select 1").query(Integer.class).single() == 1;
    } catch (DataAccessException e) {
      return false;
    }
  }
}
