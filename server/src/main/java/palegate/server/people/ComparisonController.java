package palegate.server.people;

import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.people.PersonSet;
import palegate.core.people.Subject;
import palegate.core.questions.SideBySide;
import palegate.server.drafts.Shown;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;

/** Two people, or two groups, side by side. */
@RestController
class ComparisonController {
  record Differing(String place, String path, List<String> one, List<String> other) {}

  /** {@code onlyOne} and the like are people; for two people they are the two themselves. */
  record Comparison(SubjectView one, SubjectView other, List<PersonView> onlyOne, List<PersonView> both, List<PersonView> onlyOther,
      List<String> groupsOnlyOne, List<String> groupsBoth, List<String> groupsOnlyOther, Page<Differing> places) {}

  private static final int NAMES_AT_MOST = 500;

  private final Shown shown;

  ComparisonController(Shown shown) {
    this.shown = shown;
  }

  @GetMapping("/api/comparison")
  Comparison compare(@RequestParam String kind, @RequestParam String one, @RequestParam String other, @RequestParam(defaultValue = "0") int offset,
      @RequestParam(defaultValue = "200") int limit, Principal who) {
    Shown.State state = shown.to(who.getName());
    Subject first = subject(state, kind, one);
    Subject second = subject(state, kind, other);
    SideBySide found = SideBySide.of(state.moment(), first, second);
    List<String> ofFirst = groups(state, first);
    List<String> ofSecond = groups(state, second);
    Page<Differing> places = new Page<>(found.count(), offset, found.page(Math.max(0, offset), Math.max(1, Math.min(limit, Page.LIMIT))).stream()
        .map(differs -> new Differing(differs.place().id(), differs.path(), differs.one().words(), differs.other().words())).toList());
    return new Comparison(SubjectView.of(first, state.moment()), SubjectView.of(second, state.moment()), people(state, found.onlyInOne()),
        people(state, found.inBoth()), people(state, found.onlyInOther()), ofFirst.stream().filter(name -> !ofSecond.contains(name)).toList(),
        ofFirst.stream().filter(ofSecond::contains).toList(), ofSecond.stream().filter(name -> !ofFirst.contains(name)).toList(), places);
  }

  private static Subject subject(Shown.State state, String kind, String id) {
    boolean known = kind.equals("person") ? state.structure().people().containsKey(id) : kind.equals("group") && state.structure().groups().containsKey(id);
    if (!known) {
      throw Problem.notFound(kind.equals("person") ? "person" : "group", id);
    }
    return Subject.of(kind, id);
  }

  private static List<PersonView> people(Shown.State state, PersonSet people) {
    return people.stream().limit(NAMES_AT_MOST).mapToObj(number -> PersonView.of(state.after().person(number), state.structure()))
        .sorted((a, b) -> a.name().compareTo(b.name())).toList();
  }

  /** The groups that the subject is in directly. */
  private static List<String> groups(Shown.State state, Subject subject) {
    var joined = state.moment().joined();
    return (subject instanceof Subject.OfPerson ? joined.person(subject.id()) : joined.group(subject.id())).stream()
        .map(in -> state.structure().groups().get(in.group()).name()).distinct().sorted().toList();
  }
}
