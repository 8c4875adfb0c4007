package palegate.server.walls;

import java.security.Principal;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.rehearsal.FoundPairs;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.wallsatwork.Admitted;
import palegate.server.lists.PageRequest;
import palegate.server.lists.PairOrder;
import palegate.server.lists.SortOrders;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.views.PersonView;

/** Both ends of a wall: whom it keeps from what, whom it lets in, and place by place what each of them would have or has. */
@RestController
@RequestMapping("/api/walls/{id}")
class WallPeopleController {
  /** Somebody barred: how many documents and places they would reach without the wall, and with what. */
  record Kept(PersonView person, int documents, int places, List<String> rights) {}

  record LetIn(PersonView person, @MayBeMissing String side, boolean excepted, int documents) {}

  /** A place with what somebody would have there without the wall, or has there with it. */
  record WallRights(String place, String kind, String path, List<String> rights) {}

  private static final SortOrders<RightsDifference.PersonShift> KEPT = SortOrders.<RightsDifference.PersonShift>by("documents", Comparator.comparing(RightsDifference.PersonShift::documents).reversed()
      .thenComparing(shift -> shift.person().name())).or("name", Comparator.comparing(shift -> shift.person().name())).or("places", Comparator.comparing(RightsDifference.PersonShift::placesLosing));
  private static final SortOrders<Admitted> ADMITTED = SortOrders.<Admitted>by("name", Comparator.comparing(one -> one.person().name()))
      .or("documents", Comparator.comparing(Admitted::documents)).or("side", Comparator.comparing(one -> one.side() == null ? "" : one.side()));

  private final WallsAtWork walls;

  WallPeopleController(WallsAtWork walls) {
    this.walls = walls;
  }

  /** Whom it bars and what that keeps from them: only those who would reach anything without it. */
  @GetMapping("/barred")
  Page<Kept> barred(@PathVariable String id, @ParameterObject PageRequest part, Principal who) {
    WallsAtWork.Worked worked = walls.worked(id, who);
    Structure structure = worked.standing().without().snapshot().structure();
    return KEPT.page(part, worked.difference().people().stream().filter(shift -> shift.placesLosing() > 0 && part.takes(shift.person().name())),
        shift -> new Kept(PersonView.of(shift.person(), structure), shift.documents(), shift.placesLosing(), shift.lost().words()));
  }

  /** Where it keeps one of them from what, in the order of the tree. O(places that it alters anything at). */
  @GetMapping("/barred/{person}")
  Page<WallRights> barredFrom(@PathVariable String id, @PathVariable String person, @ParameterObject PageRequest part, Principal who) {
    WallsAtWork.Worked worked = walls.worked(id, who);
    refuseUnknown(worked.standing().without().snapshot(), person);
    PageRequest.Order order = part.order("place");
    FoundPairs found = worked.difference().find(new FoundPairs.Wanted(false, true, Rights.ALL, one -> one.id().equals(person), null, part.text()));
    return Page.of(found.count(), found.from(PairOrder.of(order), order.turned(), part.offset()), part.offset(), part.limit(),
        pair -> new WallRights(pair.place().id(), pair.place().kind().word(), pair.path(), pair.lost().words()));
  }

  /** Whom it lets in by name, and how much they reach inside: somebody who reaches nothing is let in in vain. */
  @GetMapping("/admitted")
  Page<LetIn> admitted(@PathVariable String id, @ParameterObject PageRequest part, Principal who) {
    WallsAtWork.Worked worked = walls.worked(id, who);
    Structure structure = worked.standing().with().snapshot().structure();
    return ADMITTED.page(part, Admitted.of(worked.standing()).stream().filter(one -> part.takes(one.person().name(), one.side())),
        one -> new LetIn(PersonView.of(one.person(), structure), one.side(), one.excepted(), one.documents()));
  }

  /** The documents inside that one of them reaches, in the order of the tree; of whoever is not let in, none. {@code side} says which of those that they are on. O(covered places). */
  @GetMapping("/admitted/{person}")
  Page<WallRights> admittedTo(@PathVariable String id, @PathVariable String person, @RequestParam(required = false) String side, @ParameterObject PageRequest part, Principal who) {
    WallsAtWork.Worked worked = walls.worked(id, who);
    SnapshotAt moment = worked.standing().with();
    Snapshot snapshot = moment.snapshot();
    refuseUnknown(snapshot, person);
    BitSet reached = Admitted.reached(worked.standing(), person, side);
    SortOrders<Integer> orders = SortOrders.<Integer>by("tree", snapshot.inTreeOrder()).or("place", Comparator.comparing(snapshot::pathText));
    return orders.page(part, reached.stream().boxed().filter(place -> part.takesAll() || part.takes(snapshot.pathText(place))), place -> new WallRights(snapshot.place(place).id(),
        snapshot.place(place).kind().word(), snapshot.pathText(place), moment.rights(snapshot.personNumber(person), place).words()));
  }

  private static void refuseUnknown(Snapshot snapshot, String person) {
    if (snapshot.personNumber(person) < 0) {
      throw Problem.notFound("person", person);
    }
  }
}
