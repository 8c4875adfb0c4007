package palegate.server.people;

import java.security.Principal;
import java.util.Comparator;
import java.util.List;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.questions.SideBySide;
import palegate.server.drafts.DraftedState;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.views.PersonView;
import palegate.server.views.SubjectView;

/** Two people, or two groups, side by side. */
@RestController
class ComparisonController {
  record Differing(String place, String path, List<String> one, List<String> other) {}

  /** The people of one kind, and the first of them by number. */
  record Sharing(int people, List<PersonView> first) {}

  /** {@code onlyOne} and the like are people; for two people they are the two themselves. */
  record Comparison(SubjectView one, SubjectView other, Sharing onlyOne, Sharing both, Sharing onlyOther,
      List<String> groupsOnlyOne, List<String> groupsBoth, List<String> groupsOnlyOther, Page<Differing> places) {}

  private static final int NAMES_AT_MOST = 500;

  private final DraftedState shown;

  ComparisonController(DraftedState shown) {
    this.shown = shown;
  }

  @GetMapping("/api/comparison")
  Comparison compare(@RequestParam String kind, @RequestParam String one, @RequestParam String other, @ParameterObject PageRequest part, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    Subject first = subject(state, kind, one);
    Subject second = subject(state, kind, other);
    SideBySide found = SideBySide.of(state.moment(), first, second);
    List<String> ofFirst = groups(state, first);
    List<String> ofSecond = groups(state, second);
    Page<Differing> places = places(found, part);
    return new Comparison(SubjectView.of(first, state.moment()), SubjectView.of(second, state.moment()), people(state, found.onlyInOne()),
        people(state, found.inBoth()), people(state, found.onlyInOther()), ofFirst.stream().filter(name -> !ofSecond.contains(name)).toList(),
        ofFirst.stream().filter(ofSecond::contains).toList(), ofSecond.stream().filter(name -> !ofFirst.contains(name)).toList(), places);
  }

  /** The whole list is made only if it is searched or put in another order than the tree's. */
  private static Page<Differing> places(SideBySide found, PageRequest part) {
    if (part.takesAll() && (part.sort() == null || part.sort().equals("place"))) {
      return Page.of(found.count(), found.places().skip(part.offset()), part.offset(), part.limit(), ComparisonController::view);
    }
    SortOrders<SideBySide.Differs> listing = SortOrders.<SideBySide.Differs>by("place", (a, b) -> 0).or("one", Comparator.comparing(differs -> differs.one().size()))
        .or("other", Comparator.comparing(differs -> differs.other().size()));
    return listing.page(part, found.places().filter(differs -> part.takes(differs.path())), ComparisonController::view);
  }

  private static Differing view(SideBySide.Differs differs) {
    return new Differing(differs.place().id(), differs.path(), differs.one().words(), differs.other().words());
  }

  private static Subject subject(DraftedState.State state, String kind, String id) {
    boolean known = kind.equals("person") ? state.structure().people().containsKey(id) : kind.equals("group") && state.structure().groups().containsKey(id);
    if (!known) {
      throw Problem.notFound(kind.equals("person") ? "person" : "group", id);
    }
    return Subject.of(kind, id);
  }

  private static Sharing people(DraftedState.State state, PersonSet people) {
    return new Sharing(people.size(), people.stream().limit(NAMES_AT_MOST).mapToObj(number -> PersonView.of(state.after().person(number), state.structure()))
        .sorted((a, b) -> a.name().compareTo(b.name())).toList());
  }

  /** The groups that the subject is in directly. */
  private static List<String> groups(DraftedState.State state, Subject subject) {
    var joined = state.moment().joined();
    return (subject instanceof Subject.OfPerson ? joined.person(subject.id()) : joined.group(subject.id())).stream()
        .map(in -> state.structure().groups().get(in.group()).name()).distinct().sorted().toList();
  }
}
