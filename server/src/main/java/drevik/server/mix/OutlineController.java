package drevik.server.mix;

import drevik.mix.Refused;
import drevik.outline.OutlineCompletion;
import drevik.outline.OutlineCompletion.Completion;
import drevik.outline.PastedList;
import drevik.server.mix.Outlines.OutlinePreview;
import drevik.server.mix.Outlines.OutlineView;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** A Mix's hierarchy as indented text. */
@RestController
@RequestMapping(path = "/api", produces = MediaType.APPLICATION_JSON_VALUE)
class OutlineController {
  /**
   * A text that is still being typed.
   *
   * @param basedOn the revision that it was written of
   */
  record OutlineDraft(int basedOn, String text) {}

  /**
   * A text that is to be made.
   *
   * @param id of this request, as with every edit
   * @param basedOn the revision that is shown, from which the answer is told
   */
  record OutlineRequest(String id, int basedOn, OutlineDraft draft) {}

  /**
   * Where somebody types.
   *
   * @param line from 1
   * @param column in characters of the line, from 0
   */
  record TypingPlace(String text, int line, int column) {}

  /** A list from elsewhere. */
  record PastedText(String text) {}

  private final Outlines outlines;

  OutlineController(Outlines outlines) {
    this.outlines = outlines;
  }

  @GetMapping("/mixes/{id}/outline")
  OutlineView outline(
      @PathVariable String id, @RequestParam(required = false) @Nullable Integer revision) {
    return outlines.outline(id, revision);
  }

  /** What a text would make; nothing is changed. */
  @PostMapping("/mixes/{id}/outline/preview")
  OutlinePreview previewOutline(@PathVariable String id, @RequestBody OutlineDraft draft) {
    return outlines.preview(id, draft.basedOn(), said(draft.text()));
  }

  @PostMapping("/mixes/{id}/outline")
  MixChange makeOutline(@PathVariable String id, @RequestBody OutlineRequest request) {
    OutlineDraft draft = request.draft();
    return outlines.make(
        id,
        new MixEdits.Asked(request.id(), request.basedOn()),
        draft.basedOn(),
        said(draft.text()));
  }

  /** What can stand where somebody types; no choices where only a name of one's own can. */
  @PostMapping("/outline/completion")
  Completion completion(@RequestBody TypingPlace place) {
    if (place.line() < 1 || place.column() < 0) {
      throw new Refused("Lines are counted from 1 and columns from 0; this is neither.");
    }
    return OutlineCompletion.at(said(place.text()), place.line(), place.column(), outlines.names())
        .orElseGet(() -> new Completion(place.column(), List.of()));
  }

  /** A list from elsewhere as lines of an outline. */
  @PostMapping("/outline/pasted")
  PastedList.Lines pasted(@RequestBody PastedText pasted) {
    return PastedList.lines(said(pasted.text()));
  }

  /** Nothing said is no empty outline: that one takes all channels away. */
  private static String said(@Nullable String text) {
    if (text == null) {
      throw new Refused("The text is missing; send it as “text”.");
    }
    return text;
  }
}
