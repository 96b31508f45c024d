package drevik.server.web;

import drevik.dsp.Parameter;
import drevik.dsp.Processors;
import drevik.ledger.TypedNumber;
import drevik.ledger.TypedSetting;
import drevik.mix.field.Field.Unit;
import drevik.server.NotFound;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What a text that somebody typed into a field of figures stands for. */
@RestController
class TypedController {
  /** The number, in the unit of documents; frames as seconds. */
  record Understood(double value) {}

  /** The value of a processor's setting, in its own unit; notes are of that tempo, in bpm. */
  @GetMapping(
      path = "/api/processors/{processor}/parameters/{parameter}/typed",
      produces = MediaType.APPLICATION_JSON_VALUE)
  Understood setting(
      @PathVariable String processor,
      @PathVariable String parameter,
      @RequestParam String text,
      @RequestParam double tempo) {
    Parameter wanted =
        Processors.byId(processor).stream()
            .flatMap(type -> type.parameters().stream())
            .filter(one -> one.id().equals(parameter))
            .findFirst()
            .orElseThrow(
                () ->
                    new NotFound(
                        "No processor “" + processor + "” has a setting “" + parameter + "”."));
    return new Understood(TypedSetting.of(wanted, text, tempo));
  }

  @GetMapping(path = "/api/typed", produces = MediaType.APPLICATION_JSON_VALUE)
  Understood typed(@RequestParam Unit unit, @RequestParam String text) {
    return new Understood(TypedNumber.of(unit, text));
  }
}
