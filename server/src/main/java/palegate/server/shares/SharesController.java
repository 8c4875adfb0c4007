package palegate.server.shares;

import java.security.Principal;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.people.Person;
import palegate.core.shares.SharesRegister;
import palegate.core.shares.Shortlists;
import palegate.core.sharing.Shortlist;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.core.viewpoint.Asker;
import palegate.server.drafts.DraftedState;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.store.StateCaches;
import palegate.server.store.WeighedCache;
import palegate.server.viewpoint.Viewpoints;
import palegate.server.views.PersonView;
import palegate.server.views.SubjectView;

/** The register of shares and passes, and the shortlists of units: of what the asker may know, as their draft would have it. */
@RestController
class SharesController {
  /** What is looked for in the register. */
  enum Show {
    ALL, SHARES, PASSES, OUTSIDERS, OPEN_ENDED, ENDED
  }

  /**
   * A share or a pass.
   *
   * @param path of what the place stands in
   * @param with whom it is for
   * @param maker who answers for it; missing where they are not there any more
   * @param people how many active people it lets in, or could open it
   * @param opened by how many a pass is open; of a share, 0
   * @param gone whether the draft takes it back
   */
  record ShareLine(SharesRegister.Kind kind, String id, String place, String name, String path, List<SubjectView> with, String role, String roleId, @MayBeMissing PersonView maker, @MayBeMissing Instant from, @MayBeMissing Instant until,
      SharesRegister.State state, int people, int outside, int opened, @MayBeMissing Integer uses, @MayBeMissing String note, DraftedState.Drafted drafted, boolean gone) {}

  record ProposedAudience(SubjectView subject, String name, @MayBeMissing String text) {}

  /**
   * What the people of a unit are proposed.
   *
   * @param own whether it is the unit's own
   * @param from the unit whose shortlist holds; missing if none does
   */
  record ShortlistView(String unit, String name, int depth, boolean own, @MayBeMissing String from, List<ProposedAudience> audiences, DraftedState.Drafted drafted, boolean mayChange) {}

  /** Paging and sorting ask for the same register again and again. */
  private final WeighedCache<SnapshotAt, List<SharesRegister.Row>> kept;
  private final DraftedState shown;
  private final Viewpoints viewpoints;

  SharesController(DraftedState shown, Viewpoints viewpoints, StateCaches caches) {
    this.shown = shown;
    this.viewpoints = viewpoints;
    kept = caches.few(8, Duration.ofMinutes(5));
  }

  /** A row with the state that it is of: what the draft takes back is shown as it stands. {@code path} is asked for by every order and every search. */
  private record Found(DraftedState.State state, Snapshot of, SharesRegister.Row row, String path, boolean gone) {
    static Found of(DraftedState.State state, Snapshot of, SharesRegister.Row row, boolean gone) {
      return new Found(state, of, row, of.pathText(row.place()), gone);
    }

    Instant end() {
      return row.period().until() == null ? Instant.MAX : row.period().until();
    }
  }

  /**
   * @param place only at this place and below
   * @param maker only what this person answers for; somebody whom the asker may not know answers for nothing
   */
  @GetMapping("/api/shares")
  Page<ShareLine> shares(@RequestParam(defaultValue = "ALL") Show show, @RequestParam(required = false) String place, @RequestParam(required = false) String maker, @ParameterObject PageRequest part, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    if (place != null && state.after().placeNumber(place) < 0) {
      throw Problem.notFound("place", place);
    }
    Stream<Found> standing = kept.get(state.moment(), SharesRegister::of).stream().map(row -> Found.of(state, state.after(), row, false));
    Stream<Found> gone = state.before() == state.after() ? Stream.empty() : kept.get(state.before().at(state.now()), SharesRegister::of).stream().filter(row -> !(row.kind() == SharesRegister.Kind.SHARE
        ? state.structure().grants().containsKey(row.id()) : state.structure().passes().containsKey(row.id()))).map(row -> Found.of(state, state.before(), row, true));
    SortOrders<Found> orders = SortOrders.<Found>by("place", Comparator.comparing(Found::path).thenComparing(found -> found.row().id()))
        .or("until", Comparator.comparing(Found::end).thenComparing(found -> found.row().id()))
        .or("people", Comparator.comparing((Found found) -> found.row().people()).thenComparing(found -> found.row().id()))
        .or("maker", Comparator.comparing((Found found) -> maker(found) == null ? "" : maker(found).name()).thenComparing(found -> found.row().id()));
    return orders.page(part, Stream.concat(standing, gone).filter(found -> wanted(found, show)).filter(found -> place == null || isBelow(found, place)).filter(found -> maker == null || maker(found) != null && maker(found).id().equals(maker))
        .filter(found -> part.takes(found.path(), maker(found) == null ? null : maker(found).name(), names(found))), SharesController::line);
  }

  private static boolean wanted(Found found, Show show) {
    SharesRegister.Row row = found.row();
    return switch (show) {
      case ALL -> true;
      case SHARES -> row.kind() == SharesRegister.Kind.SHARE;
      case PASSES -> row.kind() == SharesRegister.Kind.PASS;
      case OUTSIDERS -> row.outsiders() > 0;
      case OPEN_ENDED -> row.openEnded();
      case ENDED -> row.state() == SharesRegister.State.ENDED;
    };
  }

  private static boolean isBelow(Found found, String top) {
    return found.of().path(found.row().place()).stream().anyMatch(above -> found.of().place(above).id().equals(top));
  }

  private static Person maker(Found found) {
    return found.row().maker() == null ? null : found.of().structure().people().get(found.row().maker());
  }

  private static String names(Found found) {
    return String.join(", ", found.row().subjects().stream().map(subject -> SubjectNames.of(subject, found.of().structure())).toList());
  }

  private static ShareLine line(Found found) {
    SharesRegister.Row row = found.row();
    Structure structure = found.of().structure();
    Person maker = maker(found);
    DraftedState.Drafted drafted = row.kind() == SharesRegister.Kind.SHARE ? found.state().drafted(Structure::grants, row.id()) : found.state().drafted(Structure::passes, row.id());
    return new ShareLine(row.kind(), row.id(), found.of().place(row.place()).id(), found.of().place(row.place()).name(), above(found), row.subjects().stream().map(subject -> SubjectView.of(subject, found.of().at(found.state().now()))).toList(),
        structure.roles().get(row.role()).name(), row.role(), maker == null ? null : PersonView.of(maker, structure), row.period().from(), row.period().until(), row.state(), row.people(), row.outsiders(), row.opened(), row.uses(), row.note(), drafted, found.gone());
  }

  private static String above(Found found) {
    int parent = found.of().parent(found.row().place());
    return parent < 0 ? "" : found.of().pathText(parent);
  }

  /** Every unit in the order of the tree, with what its people are proposed. */
  @GetMapping("/api/shortlists")
  List<ShortlistView> shortlists(Principal who) {
    DraftedState.State state = shown.to(who.getName());
    Structure structure = state.structure();
    Asker asker = viewpoints.asker(who.getName());
    return UnitsInOrder.of(structure).stream().map(placed -> {
      Shortlist holding = Shortlists.holding(structure, placed.unit().id());
      return new ShortlistView(placed.unit().id(), placed.unit().name(), placed.depth(), structure.shortlists().containsKey(placed.unit().id()),
          holding == null ? null : structure.units().get(holding.unit()).name(), holding == null ? List.of() : holding.audiences().stream().map(audience -> view(audience, state)).toList(),
          draftedList(state, placed.unit().id()), asker.administersUnit(structure, placed.unit().id()));
    }).toList();
  }

  private static DraftedState.Drafted draftedList(DraftedState.State state, String unit) {
    boolean none = !state.structure().shortlists().containsKey(unit) && !state.before().structure().shortlists().containsKey(unit);
    return none ? DraftedState.Drafted.NO : state.drafted(Structure::shortlists, unit);
  }

  private static ProposedAudience view(Shortlist.Audience audience, DraftedState.State state) {
    return new ProposedAudience(SubjectView.of(audience.subject(), state.moment()), audience.name(), audience.text());
  }

  /** What one person would be proposed: a test of the shortlists. */
  @GetMapping("/api/shortlists/proposals")
  List<ProposedAudience> proposals(@RequestParam String person, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    Person tested = state.structure().people().get(person);
    if (tested == null) {
      throw Problem.notFound("person", person);
    }
    return Shortlists.of(state.structure(), tested).stream().map(audience -> view(audience, state)).toList();
  }
}
