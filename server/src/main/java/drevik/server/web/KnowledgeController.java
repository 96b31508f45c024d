package drevik.server.web;

import drevik.category.CategoryTree;
import drevik.category.ColourFamily;
import drevik.dsp.Parameter;
import drevik.dsp.Processors;
import java.util.Arrays;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** What the interface needs to know once: categories, colours, processors. */
@RestController
class KnowledgeController {
  /** A category with the family whose colour and mark it bears. */
  record CategoryLine(String path, String family) {}

  /** A colour family and its two letters. */
  record FamilyLine(String id, String mark) {}

  /** A processor and what can be set on it. */
  record ProcessorLine(String id, String label, List<Parameter> parameters) {}

  /** All of it. */
  record Knowledge(
      List<CategoryLine> categories, List<FamilyLine> families, List<ProcessorLine> processors) {}

  @GetMapping(path = "/api/knowledge", produces = MediaType.APPLICATION_JSON_VALUE)
  Knowledge knowledge() {
    return new Knowledge(
        CategoryTree.all().stream()
            .map(path -> new CategoryLine(path, ColourFamily.ofCategory(path).toString()))
            .toList(),
        Arrays.stream(ColourFamily.values())
            .map(family -> new FamilyLine(family.toString(), family.mark()))
            .toList(),
        Processors.all().stream()
            .map(type -> new ProcessorLine(type.id(), type.label(), type.parameters()))
            .toList());
  }
}
