package palegate.core.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.collections.PersonSet;
import palegate.core.people.Period;
import palegate.core.places.Place;
import palegate.core.rehearsal.LockOuts;
import palegate.core.roles.Right;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.types.DocumentType;

/** Places that nobody keeps. */
final class NoKeeper implements Rule {
  @Override
  public String code() {
    return "no-keeper";
  }

  @Override
  public Severity severity() {
    return Severity.GRAVE;
  }

  @Override
  public String title() {
    return "places that nobody keeps";
  }

  @Override
  public String matters() {
    return "Nobody there can let anybody in or out: whoever needs to must ask an administrator.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    // Only the topmost place of each: the rest follow from them.
    return survey.byPlace("places without a keeper", (String id) -> id, places -> LockOuts.topmost(survey.moment(), places)).stream().map(survey.structure().places()::get).filter(place -> !isOfTypeForNobody(survey, place)).map(place -> new Finding(code(), severity(), "place:" + place.id(), "", "Nobody active and on staff holds govern at " + survey.path(place.id()) + ".", List.of(), fixes(survey, place)));
  }

  @Override
  public boolean fixesAreSure() {
    return false;
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }

  /** Documents of a type that is cleared for nobody are one finding, of their type. */
  private static boolean isOfTypeForNobody(Survey survey, Place place) {
    DocumentType type = place.type() == null ? null : survey.structure().types().get(place.type());
    return type != null && type.guarded() && TypeClearedForNobody.forNobody(survey, type);
  }

  private static List<Fix> fixes(Survey survey, Place place) {
    Snapshot snapshot = survey.snapshot();
    int number = snapshot.placeNumber(place.id());
    List<Fix> fixes = new ArrayList<>();
    int parent = snapshot.parent(number);
    Role keeper = survey.least(Right.GOVERN);
    if (parent >= 0 && keeper != null) {
      PersonSet above = survey.moment().holdersOf(Right.GOVERN, parent).and(survey.moment().activeStaff());
      survey.snapshot().reachingEntries(parent).stream().filter(entry -> entry instanceof Grant grant && entry.period().holdsAt(survey.now()) && entry.types().isEmpty() && survey.structure().roles().get(grant.role()).rights().contains(Right.GOVERN)
          && survey.people(entry.subject()).intersects(above)).findFirst().ifPresent(entry -> fixes.add(Fix.of("Give “" + keeper.name() + "” to " + survey.name(entry.subject()) + ", who keep what is above",
              new AccessChange.AddGrant(new Grant(survey.newId(entry.id()), place.id(), entry.subject(), keeper.id(), Set.of(), Period.ALWAYS, "Nobody kept it")))));
    }
    if (parent >= 0 && place.standsAlone()) {
      fixes.add(Fix.of("Let it follow what is above again", new AccessChange.RejoinPlace(place.id(), false)));
    }
    return fixes;
  }
}
