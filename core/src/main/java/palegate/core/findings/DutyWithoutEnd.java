package palegate.core.findings;

import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.changes.DutyChange;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Period;

/** Duties of outsiders without an end. */
final class DutyWithoutEnd implements Rule {
  @Override
  public String code() {
    return "duty-without-end";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "duties of outsiders without an end";
  }

  @Override
  public String matters() {
    return "Whoever came for a while administers for ever.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.structure().duties().values().stream().filter(duty -> duty.period().holdsAt(survey.now()) && duty.period().until() == null && survey.people(duty.subject()).intersects(survey.moment().activeOutsiders()))
        .sorted(Comparator.comparing(DutyAssignment::id)).map(duty -> new Finding(code(), severity(), "duty:" + duty.id(), "", survey.name(duty.subject()) + ", from outside, holds the duty " + duty.duty().word() + " without an end.", List.of(),
            List.of(Fix.of("Let it end in a year", new DutyChange.SetDuty(new DutyAssignment(duty.id(), duty.subject(), duty.duty(), duty.place(), duty.unit(), duty.ceiling(), new Period(duty.period().from(), survey.now().plus(Duration.ofDays(365)))))))));
  }
}
