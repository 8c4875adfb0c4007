package palegate.core.findings;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.collections.PersonSet;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;

/** Withholdings that a break further down undoes. */
final class WithholdingWorkedAround implements Rule {
  @Override
  public String code() {
    return "withholding-worked-around";
  }

  @Override
  public Severity severity() {
    return Severity.SERIOUS;
  }

  @Override
  public String title() {
    return "withholdings that a break further down undoes";
  }

  @Override
  public String matters() {
    return "A break stops what is withheld above as well as what is given.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    Snapshot snapshot = survey.snapshot();
    return survey.structure().withholdings().values().stream().filter(one -> one.types().isEmpty() && one.period().holdsAt(survey.now())).sorted(Comparator.comparing(Withholding::id)).flatMap(withheld -> {
      PersonSet people = survey.people(withheld.subject());
      int top = snapshot.placeNumber(withheld.place());
      return people.isEmpty() ? Stream.empty() : snapshot.below(top).filter(place -> place != top && snapshot.standsAlone(place)).boxed().flatMap(place -> {
        PersonSet again = PersonSet.NOBODY;
        for (Right right : withheld.rights().list()) {
          again = again.or(survey.moment().holdersOf(right, place).and(people));
        }
        return again.isEmpty() ? Stream.empty() : Stream.of(new Finding(code(), severity(), "place:" + snapshot.place(place).id(), withheld.id(), "What is withheld from " + survey.name(withheld.subject()) + " at " + survey.path(withheld.place()) + " ("
            + withheld.rights() + ") they have again at " + snapshot.pathText(place) + ", which stands alone.", survey.names(again), List.of(Fix.of("Withhold it there too", new AccessChange.AddWithholding(new Withholding(
                survey.newId(withheld.id() + "-" + snapshot.place(place).id()), snapshot.place(place).id(), withheld.subject(), withheld.rights(), withheld.types(), withheld.period(), withheld.note()))))));
      });
    });
  }

  @Override
  public boolean fixesAreSure() {
    return false;
  }
}
