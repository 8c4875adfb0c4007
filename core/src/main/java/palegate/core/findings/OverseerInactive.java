package palegate.core.findings;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.access.Oversight;
import palegate.core.changes.OversightChange;

/** Overseers who are not there any more. */
final class OverseerInactive implements Rule {
  @Override
  public String code() {
    return "overseer-inactive";
  }

  @Override
  public Severity severity() {
    return Severity.SERIOUS;
  }

  @Override
  public String title() {
    return "overseers who are not there any more";
  }

  @Override
  public String matters() {
    return "Nobody checks what they were to check.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.structure().oversights().values().stream().filter(one -> one.period().holdsAt(survey.now()) && survey.people(one.subject()).isEmpty()).sorted(Comparator.comparing(Oversight::id))
        .map(one -> new Finding(code(), severity(), "place:" + one.place(), one.id(), survey.name(one.subject()) + " oversees " + survey.path(one.place()) + ", and nobody active is behind that name.", List.of(),
            List.of(Fix.of("End the oversight", new OversightChange.RemoveOversight(one.place(), one.id())))));
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }
}
