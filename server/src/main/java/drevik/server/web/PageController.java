package drevik.server.web;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Every place of the interface has a URL; all of them are the one page. */
@Controller
class PageController {
  @GetMapping({"/", "/shelf", "/mixes/{id}", "/mixes/{id}/{place}", "/mixes/{id}/{place}/{item}"})
  String page() {
    return "forward:/index.html";
  }
}
