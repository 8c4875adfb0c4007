package palegate.server.shell;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Every address of the console leads to the one page, which then shows what the address names. */
@Controller
public class Pages {
  public static final String[] ADDRESSES = {
    "/", "/sign-in", "/welcome", "/mailbox", "/account", "/places", "/places/**", "/papers", "/papers/**", "/duties", "/shares", "/shares/**", "/pass/**", "/gatehouse", "/matrix", "/findings", "/breaks", "/breaks/**", "/walls", "/walls/**", "/ask", "/walk", "/walk/**", "/people", "/people/**", "/roles", "/roles/**", "/types", "/types/**",
    "/statements", "/statements/**", "/rounds", "/rounds/**", "/reviews", "/reviews/**", "/journal", "/journal/**", "/between", "/rehearsal", "/drafts", "/drafts/**"};

  @GetMapping({
    "/", "/sign-in", "/welcome", "/mailbox", "/account", "/places", "/places/**", "/papers", "/papers/**", "/duties", "/shares", "/shares/**", "/pass/**", "/gatehouse", "/matrix", "/findings", "/breaks", "/breaks/**", "/walls", "/walls/**", "/ask", "/walk", "/walk/**", "/people", "/people/**", "/roles", "/roles/**", "/types", "/types/**",
    "/statements", "/statements/**", "/rounds", "/rounds/**", "/reviews", "/reviews/**", "/journal", "/journal/**", "/between", "/rehearsal", "/drafts", "/drafts/**"})
  String page() {
    return "forward:/index.html";
  }
}
