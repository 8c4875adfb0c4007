package palegate.core.findings;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.changes.PeopleChange;
import palegate.core.collections.PersonSet;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.roles.Right;

/** People who can reach nothing. */
final class PeopleWithNothing implements Rule {
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
    long[] some = new long[survey.snapshot().personRoom() / 64 + 1];
    for (int i = 0; i < survey.moment().classCount(); i++) {
      if (survey.moment().placesInClass(i) > 0) {
        survey.moment().holdersOfInClass(Right.FIND, i).addTo(some);
      }
    }
    return survey.moment().active().minus(PersonSet.copyOf(some)).stream().mapToObj(survey.snapshot()::person).sorted(Comparator.comparing(Person::id)).map(person -> new Finding(code(), severity(), "person:" + person.id(), "",
        person.name() + (person.external() ? ", an outsider," : "") + " can reach nothing.", List.of(), person.external() && !isNeeded(survey, person) ? List.of(Fix.of("Make them inactive", new PeopleChange.SetPerson(new Person(person.id(), person.name(), person.login(), person.email(), true, false, person.unit())))) : List.of()));
  }

  @Override
  public boolean fixesAreSure() {
    return false;
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }

  /** Owns something, or is to oversee something. */
  private static boolean isNeeded(Survey survey, Person person) {
    return survey.structure().places().values().stream().anyMatch(place -> person.id().equals(place.owner())) || survey.structure().oversights().values().stream().anyMatch(one -> one.subject().equals(new Subject.OfPerson(person.id())));
  }
}
