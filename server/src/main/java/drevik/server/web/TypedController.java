package drevik.server.web;

import drevik.ledger.TypedNumber;
import drevik.mix.field.Field.Unit;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What a text that somebody typed into a field of figures stands for. */
@RestController
class TypedController {
  /** The number, in the unit of documents; frames as seconds. */
  record Understood(double value) {}

  @GetMapping(path = "/api/typed", produces = MediaType.APPLICATION_JSON_VALUE)
  Understood typed(@RequestParam Unit unit, @RequestParam String text) {
    return new Understood(TypedNumber.of(unit, text));
  }
}
