package palegate.server.people;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.server.shell.Page;
import palegate.server.store.Snapshots;

/** Finding people and subjects by what somebody types. */
@RestController
class PeopleController {
  private static final int FOUND_AT_MOST = 30;

  private final Snapshots snapshots;
  private final Clock clock;

  PeopleController(Snapshots snapshots, Clock clock) {
    this.snapshots = snapshots;
    this.clock = clock;
  }

  /** People whose name, login or address contains the text, by name. */
  @GetMapping("/api/people")
  Page<PersonView> people(@RequestParam(defaultValue = "") String text, @RequestParam(defaultValue = "0") int offset,
      @RequestParam(defaultValue = "" + FOUND_AT_MOST) int limit) {
    Structure structure = snapshots.current().snapshot().structure();
    String wanted = text.toLowerCase(Locale.ROOT).strip();
    List<PersonView> found = structure.people().values().stream()
        .filter(person -> contains(person.name(), wanted) || contains(person.login(), wanted) || contains(person.email(), wanted))
        .map(person -> PersonView.of(person, structure))
        .sorted(Comparator.comparing(PersonView::name).thenComparing(PersonView::id)).toList();
    return Page.of(found, offset, limit);
  }

  /** Subjects whose name contains the text: built-in ones, groups, units, then people. */
  @GetMapping("/api/subjects")
  Page<SubjectView> subjects(@RequestParam(defaultValue = "") String text) {
    Snapshot snapshot = snapshots.current().snapshot();
    Structure structure = snapshot.structure();
    String wanted = text.toLowerCase(Locale.ROOT).strip();
    List<Subject> found = new ArrayList<>();
    for (Subject.BuiltIn builtIn : Subject.BuiltIn.values()) {
      if (contains(builtIn.title(), wanted)) {
        found.add(builtIn);
      }
    }
    found.addAll(matching(structure.groups(), group -> group.name(), wanted, Subject.OfGroup::new));
    found.addAll(matching(structure.units(), unit -> unit.name(), wanted, Subject.OfUnit::new));
    found.addAll(matching(structure.people(), person -> person.name(), wanted, Subject.OfPerson::new));
    List<SubjectView> shown = found.stream().limit(FOUND_AT_MOST)
        .map(subject -> SubjectView.of(subject, snapshot.at(clock.instant()))).toList();
    return new Page<>(found.size(), 0, shown);
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
