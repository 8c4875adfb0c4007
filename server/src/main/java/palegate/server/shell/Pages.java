package palegate.server.shell;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Every address of the console leads to the one page, which then shows what the address names. */
@Controller
class Pages {
  static final String[] ADDRESSES = {
    "/", "/sign-in", "/places", "/places/**", "/statements", "/statements/**", "/journal", "/journal/**", "/rehearsal"};

  @GetMapping({"/", "/sign-in", "/places", "/places/**", "/statements", "/statements/**", "/journal", "/journal/**", "/rehearsal"})
  String page() {
    return "forward:/index.html";
  }
}
