package drevik.server.delivery;

import drevik.server.mix.MixChange;
import io.swagger.v3.oas.annotations.Parameter;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Intake: receive, sort, seat. */
@RestController
class DeliveryController {
  /** A delivery to be opened. */
  record NewDelivery(String name) {}

  /** The id of what was made. */
  record Received(String id) {}

  /** A correction by a person. */
  record CategoryChange(List<String> files, String category) {}

  /** The revision that the plan was looked at on. */
  record SeatRequest(int basedOn) {}

  private final DeliveryService deliveries;

  DeliveryController(DeliveryService deliveries) {
    this.deliveries = deliveries;
  }

  @GetMapping(path = "/api/mixes/{mixId}/deliveries", produces = MediaType.APPLICATION_JSON_VALUE)
  List<DeliveryView.Line> list(@PathVariable String mixId) {
    return deliveries.list(mixId);
  }

  @PostMapping(path = "/api/mixes/{mixId}/deliveries", produces = MediaType.APPLICATION_JSON_VALUE)
  Received open(@PathVariable String mixId, @RequestBody NewDelivery wanted) {
    return new Received(deliveries.open(mixId, wanted.name()));
  }

  @GetMapping(path = "/api/deliveries/{id}", produces = MediaType.APPLICATION_JSON_VALUE)
  DeliveryView view(@PathVariable String id) {
    return deliveries.view(id);
  }

  /** The body is the file itself; it is never held in memory. */
  @PutMapping(path = "/api/deliveries/{id}/files", produces = MediaType.APPLICATION_JSON_VALUE)
  Received receive(
      @PathVariable String id,
      @RequestParam String name,
      @Parameter(hidden = true) HttpServletRequest request)
      throws IOException {
    return new Received(
        deliveries.receive(id, name, request.getInputStream(), request.getContentLengthLong()));
  }

  @PostMapping(path = "/api/deliveries/{id}/category", produces = MediaType.APPLICATION_JSON_VALUE)
  DeliveryView setCategory(@PathVariable String id, @RequestBody CategoryChange change) {
    deliveries.setCategory(id, change.files(), change.category());
    return deliveries.view(id);
  }

  @PostMapping(path = "/api/deliveries/{id}/seat", produces = MediaType.APPLICATION_JSON_VALUE)
  MixChange seat(@PathVariable String id, @RequestBody SeatRequest request) throws IOException {
    return deliveries.seat(id, request.basedOn());
  }
}
