package palegate.core.findings;

import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.changes.PeopleChange;
import palegate.core.collections.PersonSet;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.SnapshotAt;

/** People who can reach nothing. */
final class PeopleWithNothing implements Rule {
  private static final int FEW = 24;
  private static final int AT_ONCE = 256;

  @Override
  public String code() {
    return "people-with-nothing";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "people who can reach nothing";
  }

  @Override
  public String matters() {
    return "They are listed and have no use of it, or something was forgotten for them.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    List<Person> people = withNothing(survey.moment()).stream().mapToObj(survey.snapshot()::person).sorted(Comparator.comparing(Person::id)).toList();
    Set<String> needed = needed(survey, people.stream().filter(Person::external).map(Person::id).collect(Collectors.toSet()));
    return people.stream().map(person -> new Finding(code(), severity(), "person:" + person.id(), "",
        person.name() + (person.external() ? ", an outsider," : "") + " can reach nothing.", List.of(), person.external() && !needed.contains(person.id()) ? List.of(Fix.of("Make them inactive", new PeopleChange.SetPerson(new Person(person.id(), person.name(), person.login(), person.email(), true, false, person.unit())))) : List.of()));
  }

  @Override
  public boolean fixesAreSure() {
    return false;
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }

  /** Class after class takes away those who reach something, until so few are left that they are asked about one by one. */
  private static PersonSet withNothing(SnapshotAt moment) {
    PersonSet left = moment.active();
    int at = 0;
    while (at < moment.classCount() && left.size() > FEW) {
      long[] some = new long[moment.snapshot().personRoom() / 64 + 1];
      for (int end = Math.min(at + AT_ONCE, moment.classCount()); at < end; at++) {
        if (moment.placesInClass(at) > 0) {
          moment.holdersOfInClass(Right.FIND, at).addTo(some);
        }
      }
      left = left.minus(PersonSet.copyOf(some));
    }
    int from = at;
    return PersonSet.of(left.stream().filter(person -> IntStream.range(from, moment.classCount()).noneMatch(i -> moment.placesInClass(i) > 0 && (moment.rightsInClass(person, i) & Rights.bit(Right.FIND)) != 0)).toArray());
  }

  /** Which of some people own something, or are to oversee something. */
  private static Set<String> needed(Survey survey, Set<String> people) {
    return people.isEmpty() ? Set.of() : Stream.concat(survey.ownedBy("owned by outsiders", Person::external).stream().map(Place::owner),
        survey.structure().oversights().values().stream().filter(one -> one.subject() instanceof Subject.OfPerson).map(one -> one.subject().id())).filter(people::contains).collect(Collectors.toSet());
  }
}
