package palegate.server.tray;

import java.security.Principal;
import java.util.Comparator;
import java.util.List;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.rehearsal.FoundPairs;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Rights;
import palegate.server.lists.PageRequest;
import palegate.server.lists.PairOrder;
import palegate.server.lists.SortOrders;
import palegate.server.shell.Page;
import palegate.server.views.PeopleOrder;
import palegate.server.views.PersonView;

/** Two drafts beside each other: who would have more, and who less, with the other one in force instead of the first. */
@RestController
class DraftComparisonController {
  /** Somebody who would not have the same: what they would have more and less of with the other one, at how many places. */
  record DraftShift(PersonView person, List<String> more, List<String> less, int placesWithMore, int placesWithLess, int documents) {}

  /** @param totals of all people and places, as far as the asker knows them; gaining is with the other one */
  record DraftComparison(String name, String otherName, RightsDifference.Totals totals, Page<DraftShift> people) {}

  /** Somebody at a place where they would not have the same: what they have with the first draft, and with the other. */
  record DraftPair(PersonView person, String place, String kind, String path, List<String> one, List<String> other) {}

  private static final Comparator<RightsDifference.PersonShift> BY_NAME = Comparator.comparing(RightsDifference.PersonShift::person, PeopleOrder.BY_NAME);
  private static final SortOrders<RightsDifference.PersonShift> PEOPLE = SortOrders.by("name", BY_NAME).or("more", Comparator.comparing(RightsDifference.PersonShift::placesGaining).thenComparing(BY_NAME))
      .or("less", Comparator.comparing(RightsDifference.PersonShift::placesLosing).thenComparing(BY_NAME)).or("documents", Comparator.comparing(RightsDifference.PersonShift::documents).thenComparing(BY_NAME));

  private final StoredDrafts drafts;

  DraftComparisonController(StoredDrafts drafts) {
    this.drafts = drafts;
  }

  /** Both as of now, each on what holds; what cannot be made of either is left out of it. As costly as a rehearsal. */
  @GetMapping("/api/drafts/{id}/beside/{other}")
  DraftComparison beside(@PathVariable long id, @PathVariable long other, @ParameterObject PageRequest part, Principal who) {
    StoredDrafts.Beside beside = drafts.beside(id, other, who.getName());
    return new DraftComparison(beside.name(), beside.otherName(), beside.difference().totals(), PEOPLE.page(part, beside.difference().people().stream().filter(shift -> part.takes(shift.person().name())),
        shift -> new DraftShift(PersonView.of(shift.person(), beside.of(shift.person())), shift.gained().words(), shift.lost().words(), shift.placesGaining(), shift.placesLosing(), shift.documents())));
  }

  /** The same place by place, of one person if one is named. */
  @GetMapping("/api/drafts/{id}/beside/{other}/pairs")
  Page<DraftPair> pairs(@PathVariable long id, @PathVariable long other, @RequestParam(required = false) String person, @ParameterObject PageRequest part, Principal who) {
    StoredDrafts.Beside beside = drafts.beside(id, other, who.getName());
    PageRequest.Order order = part.order("place", "person");
    FoundPairs found = beside.difference().find(new FoundPairs.Wanted(true, true, Rights.ALL, one -> person == null || one.id().equals(person), null, part.text()));
    return Page.of(found.count(), found.from(PairOrder.of(order), order.turned(), part.offset()), part.offset(), part.limit(), pair -> new DraftPair(PersonView.of(pair.person(), beside.of(pair.person())),
        pair.place().id(), pair.place().kind().word(), pair.path(), pair.before().words(), pair.after().words()));
  }
}
