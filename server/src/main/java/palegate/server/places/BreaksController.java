package palegate.server.places;

import java.security.Principal;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.questions.BreakRegister;
import palegate.core.snapshot.SnapshotAt;
import palegate.server.drafts.DraftedState;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.store.BreakHistory;
import palegate.server.viewpoint.KnownChanges;

/** The register of breaks below a place (job capability 8). */
@RestController
class BreaksController {
  /**
   * One break.
   *
   * @param since the change that broke it, with who made it and why; missing where it has been so from the beginning, or only in the draft
   */
  record BreakView(String place, String path, String kind, int depth, int adds, int removes, List<String> gained, List<String> lost, int entries,
      boolean sameAsParent, List<BreakGroup> groups, @MayBeMissing BreakHistory.Since since, boolean drafted, boolean rejoined) {}

  /** People whom a break does the same to: what they have by it, and what it keeps from them. */
  record BreakGroup(int people, List<String> gained, List<String> lost) {}

  private final DraftedState shown;
  private final BreakHistory history;
  private final KnownChanges changes;

  BreaksController(DraftedState shown, BreakHistory history, KnownChanges changes) {
    this.shown = shown;
    this.history = history;
    this.changes = changes;
  }

  /** Orders that do not depend on what a break does: only the page is worked out. */
  private static final Set<String> CHEAP = Set.of("place", "-place", "depth", "-depth", "since", "-since", "");

  @GetMapping("/api/places/{id}/breaks")
  Page<BreakView> breaks(@PathVariable String id, @RequestParam(defaultValue = "false") boolean sameOnly, @ParameterObject PageRequest part, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    Map<String, BreakHistory.Since> since = told(changes.to(who.getName()));
    int top = PlacesController.number(state.after(), id);
    int[] broken = broken(state, top);
    if (!sameOnly && CHEAP.contains(part.sort() == null ? "" : part.sort())) {
      SortOrders<Integer> places = SortOrders.by("place", state.after().inTreeOrder()).or("depth", Comparator.comparing(state.after()::depth))
          .or("since", Comparator.comparing(place -> changeOf(since, state, place)));
      return places.page(part, IntStream.of(broken).boxed()
          .filter(place -> part.takesAll() || part.takes(state.after().pathText(place))), place -> view(state, since, Found.at(state, place)));
    }
    SortOrders<Found> breaks = SortOrders.<Found>by("place", Comparator.comparing(Found::number, state.after().inTreeOrder()))
        .or("depth", Comparator.comparing(found -> found.does().depth())).or("since", Comparator.comparing(found -> changeOf(since, state, found.number())))
        .or("more", Comparator.comparing(found -> found.does().adds())).or("less", Comparator.comparing(found -> found.does().removes()));
    return breaks.page(part, IntStream.of(broken).parallel().mapToObj(place -> Found.at(state, place)).filter(one -> !sameOnly || one.does().sameAsParent())
        .filter(one -> part.takesAll() || part.takes(state.after().pathText(one.number()))), one -> view(state, since, one));
  }

  /** Those that stand alone with the draft, and those that it rejoins: they stay in sight until that is in force. */
  private static int[] broken(DraftedState.State state, int top) {
    IntStream alone = IntStream.of(BreakRegister.places(state.after(), top));
    if (state.before() == state.after()) {
      return alone.toArray();
    }
    IntStream rejoined = IntStream.of(BreakRegister.places(state.before(), 0)).map(place -> state.after().placeNumber(state.before().place(place).id()))
        .filter(place -> place >= 0 && !state.after().standsAlone(place) && state.after().path(place).contains(top));
    return IntStream.concat(alone, rejoined).toArray();
  }

  /** A break and what it does; one that the draft rejoins as it is in force. */
  private record Found(int number, SnapshotAt moment, BreakRegister.Break does, boolean rejoined) {
    static Found at(DraftedState.State state, int place) {
      boolean rejoined = !state.after().standsAlone(place);
      SnapshotAt moment = rejoined ? state.before().at(state.now()) : state.moment();
      return new Found(place, moment, BreakRegister.at(moment, rejoined ? state.before().placeNumber(state.after().place(place).id()) : place), rejoined);
    }
  }

  /** The notes of changes only as far as they may be known. */
  private Map<String, BreakHistory.Since> told(Map<Long, KnownChanges.Known> known) {
    if (known == null) {
      return history.since();
    }
    Map<String, BreakHistory.Since> told = new HashMap<>();
    history.since().forEach((place, since) -> told.put(place, known.get(since.change()) == KnownChanges.Known.ALL ? since
        : new BreakHistory.Since(since.change(), since.at(), since.author(), KnownChanges.PARTLY)));
    return told;
  }

  private static long changeOf(Map<String, BreakHistory.Since> since, DraftedState.State state, int place) {
    BreakHistory.Since known = since.get(state.after().place(place).id());
    return known == null ? Long.MAX_VALUE : known.change();
  }

  private static BreakView view(DraftedState.State state, Map<String, BreakHistory.Since> since, Found found) {
    BreakRegister.Break one = found.does();
    int before = state.before().placeNumber(one.place().id());
    return new BreakView(one.place().id(), state.after().pathText(found.number()), one.place().kind().word(), one.depth(), one.adds(), one.removes(),
        one.gained().words(), one.lost().words(), one.entries(), one.sameAsParent(),
        BreakRegister.altered(found.moment(), one.number()).stream().map(group -> new BreakGroup(group.people(), group.gained().words(), group.lost().words())).toList(),
        since.get(one.place().id()), before < 0 || !state.before().standsAlone(before), found.rejoined());
  }
}
