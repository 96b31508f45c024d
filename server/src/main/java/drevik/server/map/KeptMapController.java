package drevik.server.map;

import drevik.codec.Documents;
import drevik.preview.MapDifference;
import drevik.server.FileAnswer;
import drevik.server.map.KeptMaps.KeptMapLine;
import drevik.shelf.NamedMap;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Category maps on the shelf; how they are removed and brought back is as with all else. */
@RestController
@RequestMapping(path = "/api/maps", produces = MediaType.APPLICATION_JSON_VALUE)
class KeptMapController {
  /** The map of a Mix, and under what it is to be kept. */
  record NewKeptMap(String mix, String name) {}

  /** Two maps, side by side. */
  record TwoMaps(NamedMap one, NamedMap other) {}

  /** What something is to be called. */
  record Named(String name) {}

  /** What stands in a file. */
  record Text(String text) {}

  private final KeptMaps maps;

  KeptMapController(KeptMaps maps) {
    this.maps = maps;
  }

  /** The latest first. */
  @GetMapping
  List<KeptMapLine> maps() {
    return maps.list();
  }

  @PostMapping
  List<KeptMapLine> keepMap(@RequestBody NewKeptMap wanted) {
    maps.keep(wanted.mix(), wanted.name());
    return maps.list();
  }

  /** One as a document, with names in the place of ids. */
  @GetMapping("/{id}")
  NamedMap keptMap(@PathVariable String id) {
    return maps.find(id);
  }

  /** What two maps do not say alike. */
  @PostMapping("/differences")
  List<MapDifference> differences(@RequestBody TwoMaps maps) {
    return MapDifference.between(maps.one(), maps.other());
  }

  @PostMapping("/{id}/name")
  List<KeptMapLine> renameMap(@PathVariable String id, @RequestBody Named wanted) {
    maps.rename(id, wanted.name());
    return maps.list();
  }

  /** One as a file. */
  @GetMapping("/{id}/document")
  ResponseEntity<String> mapFile(@PathVariable String id) {
    NamedMap map = maps.find(id);
    return FileAnswer.of(map.name() + " map.json", Documents.writeMap(map));
  }

  /** Keeps the map of a file, in the place of what is kept under its name. */
  @PostMapping("/files")
  List<KeptMapLine> readMap(@RequestBody Text file) {
    maps.replace(Documents.readMap(file.text()));
    return maps.list();
  }
}
