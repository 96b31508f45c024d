package drevik.server.space;

import java.io.IOException;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What takes space, and what can go. */
@RestController
@RequestMapping(path = "/api/space", produces = MediaType.APPLICATION_JSON_VALUE)
class SpaceController {
  private final Space space;
  private final Removal removal;

  SpaceController(Space space, Removal removal) {
    this.space = space;
    this.removal = removal;
  }

  @GetMapping
  SpaceView view() throws IOException {
    return space.view();
  }

  /** Out of sight, for as long as it is kept. */
  @DeleteMapping("/{what}/{id}")
  SpaceView remove(@PathVariable Removable what, @PathVariable String id) throws IOException {
    removal.remove(what, id);
    return space.view();
  }

  @PostMapping("/{what}/{id}/back")
  SpaceView bringBack(@PathVariable Removable what, @PathVariable String id) throws IOException {
    removal.bringBack(what, id);
    return space.view();
  }

  /** Thrown away for good, before its time. */
  @DeleteMapping("/{what}/{id}/for-good")
  SpaceView forget(@PathVariable Removable what, @PathVariable String id) throws IOException {
    removal.forget(what, id);
    return space.view();
  }
}
