package palegate.core.findings;

import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.access.Oversight;
import palegate.core.changes.OversightChange;
import palegate.core.people.Period;

/** Oversight without an end. */
final class OversightWithoutEnd implements Rule {
  @Override
  public String code() {
    return "oversight-without-end";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "oversight without an end";
  }

  @Override
  public String matters() {
    return "Somebody sees everything there for as long as nobody asks.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.structure().oversights().values().stream().filter(one -> one.period().holdsAt(survey.now()) && one.period().until() == null && !survey.people(one.subject()).isEmpty()).sorted(Comparator.comparing(Oversight::id))
        .map(one -> new Finding(code(), severity(), "place:" + one.place(), one.id(), survey.name(one.subject()) + " oversees " + survey.path(one.place()) + " without an end.", List.of(), List.of(Fix.of("Let it end in a year",
            new OversightChange.RemoveOversight(one.place(), one.id()), new OversightChange.AddOversight(new Oversight(one.id(), one.place(), one.subject(), new Period(one.period().from(), survey.now().plus(Duration.ofDays(365))), one.note()))))));
  }
}
