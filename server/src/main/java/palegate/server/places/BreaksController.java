package palegate.server.places;

import java.security.Principal;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.questions.BreakRegister;
import palegate.server.drafts.Shown;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.store.BreakHistory;

/** The register of breaks below a place (job capability 8). */
@RestController
class BreaksController {
  /** How the register is put in order. */
  enum Order { TREE, ADDS, REMOVES, SINCE, DEPTH }

  /**
   * One break.
   *
   * @param since the change that broke it, with who made it and why; missing where it has been so from the beginning, or only in the draft
   */
  record BreakView(String place, String path, String kind, int depth, int adds, int removes, List<String> gained, List<String> lost, int entries,
      boolean sameAsParent, @MayBeMissing BreakHistory.Since since, boolean drafted) {}

  private final Shown shown;
  private final BreakHistory history;

  BreaksController(Shown shown, BreakHistory history) {
    this.shown = shown;
    this.history = history;
  }

  @GetMapping("/api/places/{id}/breaks")
  Page<BreakView> breaks(@PathVariable String id, @RequestParam(defaultValue = "TREE") Order order, @RequestParam(defaultValue = "false") boolean sameOnly,
      @RequestParam(defaultValue = "0") int offset, @RequestParam(defaultValue = "200") int limit, Principal who) {
    Shown.State state = shown.to(who.getName());
    Map<String, BreakHistory.Since> since = history.since();
    int top = PlacesController.number(state.after(), id);
    boolean all = sameOnly || order == Order.ADDS || order == Order.REMOVES;
    if (!all) {
      // These orders do not depend on what a break does: only the page is worked out.
      Comparator<Integer> inOrder = switch (order) {
        case DEPTH -> Comparator.comparing(place -> -state.after().depth(place));
        case SINCE -> Comparator.comparing(place -> changeOf(since, state, place));
        default -> Comparator.comparing(state.after()::displayRank);
      };
      int[] places = BreakRegister.places(state.after(), top);
      return Page.of(places.length, IntStream.of(places).boxed().sorted(inOrder).map(place -> view(state, since, BreakRegister.at(state.moment(), place))), offset, limit);
    }
    Comparator<BreakRegister.Break> inOrder = switch (order) {
      case ADDS -> Comparator.comparing(found -> -found.adds());
      case REMOVES -> Comparator.comparing(found -> -found.removes());
      case DEPTH -> Comparator.comparing(found -> -found.depth());
      case SINCE -> Comparator.comparing(found -> changeOf(since, state, found.number()));
      case TREE -> Comparator.comparing(found -> state.after().displayRank(found.number()));
    };
    List<BreakRegister.Break> found = BreakRegister.of(state.moment(), top).stream()
        .filter(one -> !sameOnly || one.sameAsParent()).sorted(inOrder).toList();
    return Page.of(found.size(), found.stream().map(one -> view(state, since, one)), offset, limit);
  }

  private static long changeOf(Map<String, BreakHistory.Since> since, Shown.State state, int place) {
    BreakHistory.Since known = since.get(state.after().place(place).id());
    return known == null ? Long.MAX_VALUE : known.change();
  }

  private static BreakView view(Shown.State state, Map<String, BreakHistory.Since> since, BreakRegister.Break one) {
    int before = state.before().placeNumber(one.place().id());
    return new BreakView(one.place().id(), state.after().pathText(one.number()), one.place().kind().word(), one.depth(), one.adds(), one.removes(),
        one.gained().words(), one.lost().words(), one.entries(), one.sameAsParent(), since.get(one.place().id()),
        before < 0 || !state.before().standsAlone(before));
  }
}
