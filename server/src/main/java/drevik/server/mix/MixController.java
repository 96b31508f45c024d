package drevik.server.mix;

import drevik.audio.PanLaw;
import drevik.check.CheckChange;
import drevik.check.Proof;
import drevik.codec.Documents;
import drevik.dsp.ChainPictures;
import drevik.edit.CreateChannels;
import drevik.edit.Edit;
import drevik.edit.RenameChannels;
import drevik.edit.SetSampleRate;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import drevik.mix.Output;
import drevik.naming.NamedChannel;
import drevik.route.SignalGraph;
import drevik.server.FileAnswer;
import drevik.starters.Starters;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The shelf, and the Mix that is open. */
@RestController
@RequestMapping(path = "/api/mixes", produces = MediaType.APPLICATION_JSON_VALUE)
class MixController {
  /** What to start. */
  record NewSession(String template, String name) {}

  /** What a template is called that is made of a Mix. */
  record NewTemplate(String name) {}

  /**
   * An empty template.
   *
   * @param sampleRate Hz; null for 48,000
   * @param tempo beats a minute; null for 120
   * @param panLaw null for −3 dB
   */
  record NewEmptyTemplate(
      String name, @Nullable Integer sampleRate, @Nullable Double tempo, @Nullable PanLaw panLaw) {
    Mix mix() {
      Mix mix = Mix.empty(MixKind.TEMPLATE, name.isBlank() ? "New template" : name.strip());
      mix = sampleRate == null ? mix : new SetSampleRate(sampleRate).applyTo(mix);
      mix = tempo == null ? mix : mix.withTempo(tempo);
      return panLaw == null ? mix : mix.withPanLaw(panLaw);
    }
  }

  /** The id of what was made. */
  record Created(String id) {}

  /**
   * An edit.
   *
   * @param id of this request, made by whoever asks: asked again, it is done once
   * @param basedOn the revision that it was made on; the answer tells what is different from it
   */
  record EditRequest(String id, int basedOn, Edit edit) {}

  /** An edit that is not made. */
  record PreviewRequest(Edit edit) {}

  /** Names that channels are to be made of. */
  record NamesRequest(CreateChannels edit) {}

  /** Names that channels are to be given. */
  record NewNamesRequest(RenameChannels edit) {}

  /** The same for what is no edit: undo, redo, going to a revision. */
  record ChangeRequest(String id, int basedOn) {
    MixEdits.Asked asked() {
      return new MixEdits.Asked(id, basedOn);
    }
  }

  private final Shelf shelf;
  private final Mixes mixes;
  private final MixEdits edits;
  private final MixHistory history;
  private final MixEvents events;

  MixController(Shelf shelf, Mixes mixes, MixEdits edits, MixHistory history, MixEvents events) {
    this.shelf = shelf;
    this.mixes = mixes;
    this.edits = edits;
    this.history = history;
    this.events = events;
  }

  @GetMapping
  List<ShelfItem> shelf() {
    return shelf.list();
  }

  @PostMapping("/sessions")
  Created startSession(@RequestBody NewSession wanted) {
    return new Created(shelf.startSession(wanted.template(), wanted.name()));
  }

  @PostMapping("/templates")
  Created newTemplate(@RequestBody NewEmptyTemplate wanted) {
    return new Created(shelf.create(wanted.mix(), "new template"));
  }

  /** How many songs an album has. */
  record NewAlbum(int songs) {}

  @PostMapping("/albums")
  Created newAlbum(@RequestBody NewAlbum wanted) {
    return new Created(shelf.create(Starters.album(wanted.songs()), "new album"));
  }

  /** The body is a Mix as a file has it. */
  @PostMapping("/files")
  @Operation(
      requestBody =
          @io.swagger.v3.oas.annotations.parameters.RequestBody(
              required = true,
              content = @Content(schema = @Schema(type = "string"))))
  Created readFile(InputStream document) throws IOException {
    Mix mix = Documents.readForeign(new String(document.readAllBytes(), StandardCharsets.UTF_8));
    SignalGraph.requireSound(mix);
    return new Created(shelf.create(mix, "read from a file"));
  }

  @PostMapping("/{id}/duplicate")
  Created duplicate(@PathVariable String id) {
    return new Created(shelf.duplicate(id));
  }

  @PostMapping("/{id}/template")
  Created makeTemplate(@PathVariable String id, @RequestBody NewTemplate wanted) {
    return new Created(shelf.makeTemplate(id, wanted.name()));
  }

  @GetMapping("/{id}")
  MixView view(@PathVariable String id) {
    return mixes.view(id);
  }

  /** What has changed since a revision that is still shown. */
  @GetMapping("/{id}/changes")
  MixChange changes(@PathVariable String id, @RequestParam int from) {
    return mixes.changes(id, from);
  }

  @PostMapping("/{id}/edits")
  MixChange edit(@PathVariable String id, @RequestBody EditRequest request) {
    return edits.edit(id, new MixEdits.Asked(request.id(), request.basedOn()), request.edit());
  }

  /** What an edit would do to the line check; nothing is changed. */
  @PostMapping("/{id}/preview")
  CheckChange preview(@PathVariable String id, @RequestBody PreviewRequest wanted) {
    return mixes.preview(id, wanted.edit());
  }

  /** What becomes of names when channels are made of them; nothing is made. */
  @PostMapping("/{id}/named")
  List<NamedChannel> named(@PathVariable String id, @RequestBody NamesRequest wanted) {
    return wanted.edit().named(mixes.document(id));
  }

  /** Which categories follow new names; nothing is renamed. */
  @PostMapping("/{id}/renamed")
  List<RenameChannels.Followed> renamed(
      @PathVariable String id, @RequestBody NewNamesRequest wanted) {
    return wanted.edit().followed(mixes.document(id));
  }

  @PostMapping("/{id}/undo")
  MixChange undo(@PathVariable String id, @RequestBody ChangeRequest request) {
    return edits.undo(id, request.asked());
  }

  @PostMapping("/{id}/redo")
  MixChange redo(@PathVariable String id, @RequestBody ChangeRequest request) {
    return edits.redo(id, request.asked());
  }

  /** Says the revision now, and each later one as it is made. */
  @GetMapping(path = "/{id}/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
  SseEmitter events(@PathVariable String id) {
    return events.listen(id, mixes.headOf(id));
  }

  @GetMapping("/{id}/coverage")
  CoverageView coverage(
      @PathVariable String id, @RequestParam(required = false) @Nullable Integer revision) {
    return mixes.coverage(id, revision);
  }

  /** What the line check has shown of the Mix. */
  @GetMapping("/{id}/proof")
  Proof proof(@PathVariable String id, @RequestParam(required = false) @Nullable Integer revision) {
    return mixes.proof(id, revision);
  }

  @GetMapping("/{id}/outputs/draft")
  Output outputDraft(
      @PathVariable String id, @RequestParam(required = false) @Nullable Integer revision) {
    return mixes.outputDraft(id, revision);
  }

  /** Whether it is put away. */
  record Archiving(boolean archived) {}

  @PostMapping("/{id}/archive")
  Created archive(@PathVariable String id, @RequestBody Archiving wanted) {
    shelf.archive(id, wanted.archived());
    return new Created(id);
  }

  @GetMapping("/{id}/revisions")
  List<RevisionLine> history(@PathVariable String id) {
    return history.list(id);
  }

  /** A name for a revision; null or blank takes it off. */
  record RevisionName(@Nullable String name) {}

  @PostMapping("/{id}/revisions/{number}/name")
  List<RevisionLine> name(
      @PathVariable String id, @PathVariable int number, @RequestBody RevisionName wanted) {
    return history.name(id, number, wanted.name());
  }

  @GetMapping("/{id}/differences")
  List<String> differences(@PathVariable String id, @RequestParam int from, @RequestParam int to) {
    return history.differences(id, from, to);
  }

  @PostMapping("/{id}/revisions/{number}")
  MixChange goTo(
      @PathVariable String id, @PathVariable int number, @RequestBody ChangeRequest request) {
    return edits.goTo(id, request.asked(), number);
  }

  @GetMapping("/{id}/ledger")
  LedgerView ledger(
      @PathVariable String id, @RequestParam(required = false) @Nullable Integer revision) {
    return mixes.ledger(id, revision);
  }

  @GetMapping("/{id}/channels/{channel}/pictures")
  ChainPictures pictures(
      @PathVariable String id,
      @PathVariable String channel,
      @RequestParam(required = false) @Nullable Integer revision) {
    return mixes.pictures(id, revision, channel);
  }

  @GetMapping("/{id}/paths")
  List<List<String>> paths(
      @PathVariable String id,
      @RequestParam String channel,
      @RequestParam String output,
      @RequestParam(required = false) @Nullable Integer revision) {
    return mixes.paths(id, revision, channel, output);
  }

  /** The document as a file that the command line reads. */
  @GetMapping("/{id}/document")
  ResponseEntity<String> document(@PathVariable String id) {
    Mix mix = mixes.document(id);
    return FileAnswer.of(mix.name() + ".json", Documents.writeMix(mix));
  }
}
