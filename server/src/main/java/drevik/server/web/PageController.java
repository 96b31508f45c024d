package drevik.server.web;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/**
 * Every place of the interface has a URL; all of them are the one page, which also says that there
 * is nothing at an address.
 */
@Controller
class PageController {
  @GetMapping({
    "/",
    "/{first:(?!api$|error$)[^.]+}",
    "/{first:(?!api$|assets$)[^.]+}/{second:[^.]+}",
    "/{first:(?!api$|assets$)[^.]+}/{second}/{third:[^.]+}",
    "/{first:(?!api$|assets$)[^.]+}/{second}/{third}/{*rest}"
  })
  String page() {
    return "forward:/index.html";
  }
}
