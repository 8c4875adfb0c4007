package palegate.core.findings;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.collections.PersonSet;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.roles.Right;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;

/** Libraries that one person keeps alone. */
final class SingleKeeper implements Rule {
  @Override
  public String code() {
    return "single-keeper";
  }

  @Override
  public Severity severity() {
    return Severity.SERIOUS;
  }

  @Override
  public String title() {
    return "libraries that one person keeps alone";
  }

  @Override
  public String matters() {
    return "When that person is away nobody can let anybody in.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    Snapshot snapshot = survey.snapshot();
    return snapshot.childrenInNoOrder(snapshot.placeNumber(survey.structure().repository().orElseThrow().id())).stream().map(snapshot::place).filter(place -> place.kind() == PlaceKind.LIBRARY).sorted(Comparator.comparing(Place::id)).flatMap(place -> {
      PersonSet keepers = survey.moment().holdersOf(Right.GOVERN, snapshot.placeNumber(place.id())).and(survey.moment().activeStaff());
      if (keepers.size() != 1) {
        return Stream.empty();
      }
      Person keeper = snapshot.person(keepers.stream().findFirst().orElseThrow());
      Role role = survey.least(Right.GOVERN);
      List<Fix> fixes = new ArrayList<>();
      if (keeper.unit() != null && role != null) {
        // A stand-in from the same unit: the first by name who works there already.
        PersonSet known = survey.moment().holdersOf(Right.REVISE, snapshot.placeNumber(place.id())).and(survey.people(new Subject.OfUnit(keeper.unit()))).and(survey.moment().activeStaff()).minus(keepers);
        known.stream().mapToObj(snapshot::person).min(Comparator.comparing(Person::name).thenComparing(Person::id)).ifPresent(other -> fixes.add(Fix.of("Give “" + role.name() + "” to " + other.name() + " too, of the same unit",
            new AccessChange.AddGrant(new Grant(survey.newId("k-" + place.id()), place.id(), new Subject.OfPerson(other.id()), role.id(), Set.of(), Period.ALWAYS, "So that two keep it")))));
      }
      return Stream.of(new Finding(code(), severity(), "place:" + place.id(), "", keeper.name() + " alone keeps " + survey.path(place.id()) + ".", List.of(), fixes));
    });
  }

  @Override
  public boolean fixesAreSure() {
    return false;
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }
}
