package palegate.server.people;

import java.security.Principal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.structure.Structure;
import palegate.server.drafts.DraftedState;
import palegate.server.lists.PageRequest;
import palegate.server.shell.Page;
import palegate.server.views.PeopleOrder;
import palegate.server.views.PersonView;
import palegate.server.views.SubjectView;

/** Finding people and subjects by what somebody types. */
@RestController
class PeopleController {
  private static final int FOUND_AT_MOST = 30;
  /** What people type who look for the built-in subjects. */
  private static final String EVERYONE = "everyone everybody all people";

  /** Which people are listed. */
  enum Standing {
    ALL, STAFF, OUTSIDERS, INACTIVE;

    boolean takes(Person person) {
      return switch (this) {
        case ALL -> true;
        case STAFF -> person.staff() && person.active();
        case OUTSIDERS -> person.external() && person.active();
        case INACTIVE -> !person.active();
      };
    }
  }

  private final DraftedState shown;

  PeopleController(DraftedState shown) {
    this.shown = shown;
  }

  /** People whose name, login or address contains the text. */
  @GetMapping("/api/people")
  Page<PersonView> people(@ParameterObject PageRequest part, @RequestParam(defaultValue = "ALL") Standing standing, @RequestParam(required = false) String unit, Principal who) {
    Structure structure = shown.to(who.getName()).structure();
    return PeopleOrder.listing(structure).page(part, structure.people().values().stream()
        .filter(person -> part.takes(person.name(), person.login(), person.email()))
        .filter(standing::takes).filter(person -> unit == null || unit.equals(person.unit())), person -> PersonView.of(person, structure));
  }

  /** Subjects whose name contains the text: built-in ones, groups, units, then people. */
  @GetMapping("/api/subjects")
  Page<SubjectView> subjects(@RequestParam(defaultValue = "") String text, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    Structure structure = state.structure();
    String wanted = text.toLowerCase(Locale.ROOT).strip();
    List<Subject> found = new ArrayList<>();
    for (Subject.BuiltIn builtIn : Subject.BuiltIn.values()) {
      if (contains(builtIn.title(), wanted) || wanted.length() > 2 && EVERYONE.contains(wanted)) {
        found.add(builtIn);
      }
    }
    found.addAll(matching(structure.groups(), group -> group.name(), wanted, Subject.OfGroup::new));
    found.addAll(matching(structure.units(), unit -> unit.name(), wanted, Subject.OfUnit::new));
    found.addAll(matching(structure.people(), person -> person.name(), wanted, Subject.OfPerson::new));
    List<SubjectView> views = found.stream().limit(FOUND_AT_MOST).map(subject -> SubjectView.of(subject, state.moment())).toList();
    return new Page<>(found.size(), 0, views);
  }

  private static <T> List<Subject> matching(Map<String, T> all, Function<T, String> name, String wanted,
      Function<String, Subject> subject) {
    return all.entrySet().stream().filter(entry -> contains(name.apply(entry.getValue()), wanted))
        .sorted(Comparator.comparing((Map.Entry<String, T> entry) -> name.apply(entry.getValue())).thenComparing(Map.Entry::getKey))
        .map(entry -> subject.apply(entry.getKey())).toList();
  }

  private static boolean contains(String text, String wanted) {
    return text != null && text.toLowerCase(Locale.ROOT).contains(wanted);
  }
}
