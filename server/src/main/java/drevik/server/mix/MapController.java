package drevik.server.mix;

import drevik.codec.Documents;
import drevik.edit.Edit;
import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.preview.MapTable;
import drevik.reassign.Meant;
import drevik.server.FileAnswer;
import drevik.server.NotFound;
import drevik.shelf.NamedMap;
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

/** The category map of a Mix, and what edits would do to its channels. */
@RestController
@RequestMapping(path = "/api/mixes/{id}", produces = MediaType.APPLICATION_JSON_VALUE)
class MapController {
  /** The map as a table, of one revision. */
  record MapView(int revision, List<MapTable.MapColumn> columns, List<MapTable.MapRow> rows) {}

  /** An edit that is only asked about. */
  record EffectRequest(Edit edit) {}

  /**
   * An edit of which somebody has seen what it does.
   *
   * @param id of this request
   * @param basedOn the revision that is shown, from which the answer is told
   * @param seen the revision on which its effect was looked at
   */
  record SeenEditRequest(String id, int basedOn, int seen, Edit edit) {}

  private final Mixes mixes;
  private final MixEdits edits;

  MapController(Mixes mixes, MixEdits edits) {
    this.mixes = mixes;
    this.edits = edits;
  }

  @GetMapping("/map")
  MapView map(@PathVariable String id, @RequestParam(required = false) @Nullable Integer revision) {
    KnownRevision at = mixes.at(id, revision);
    MapTable table = MapTable.of(at.document());
    return new MapView(at.number(), table.columns(), table.rows());
  }

  /** The map as a file, with names in the place of ids. */
  @GetMapping("/map/document")
  ResponseEntity<String> document(@PathVariable String id) {
    Mix mix = mixes.document(id);
    return FileAnswer.of(
        mix.name() + " map.json", Documents.writeMap(NamedMap.of(mix, mix.name())));
  }

  /** The ids of the channels that somebody means now. */
  @PostMapping("/meant")
  List<String> meant(@PathVariable String id, @RequestBody Meant of) {
    return of.in(mixes.document(id));
  }

  /** What an edit would do; nothing is changed. */
  @PostMapping("/effect")
  EffectView effect(@PathVariable String id, @RequestBody EffectRequest wanted) {
    return EffectView.of(mixes.base(id, null).head(), wanted.edit());
  }

  /**
   * The whole Mix as an edit would leave it, for those who want to look at it; nothing is changed.
   */
  @PostMapping("/effect/mix")
  MixChange mixThen(@PathVariable String id, @RequestBody EffectRequest wanted) {
    return EffectView.then(mixes.base(id, null).head(), wanted.edit());
  }

  /** Makes an edit if it still does what was seen. */
  @PostMapping("/seen-edits")
  MixChange edit(@PathVariable String id, @RequestBody SeenEditRequest request) {
    return edits.editAsSeen(
        id, new MixEdits.Asked(request.id(), request.basedOn()), request.seen(), request.edit());
  }

  /** Who decides what of a channel: the map, or a pin. */
  @GetMapping("/channels/{channel}/decisions")
  List<MapTable.Decision> decisions(
      @PathVariable String id,
      @PathVariable String channel,
      @RequestParam(required = false) @Nullable Integer revision) {
    Mix mix = mixes.at(id, revision).document();
    Channel of =
        mix.channel(channel)
            .orElseThrow(() -> new NotFound("This Mix has no such channel; load the page again."));
    return MapTable.decisions(mix, of);
  }
}
