package palegate.core.findings;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.changes.DutyChange;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;

/** Duties that let somebody change something and that nobody has used for long. */
final class DutyUnused implements ActivityRule {
  /** Using one of these is a change in the journal; reading and reviewing are not. */
  private static final Set<Duty> SEEN_IN_JOURNAL = Set.of(Duty.ACCESS, Duty.PEOPLE, Duty.TYPES, Duty.WALLS, Duty.OVERSIGHT, Duty.SYSTEM);

  @Override
  public String code() {
    return "duty-unused";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "duties that nobody uses";
  }

  @Override
  public String matters() {
    return "Whoever does not need it can still change everything it covers, by mistake or by a stolen password.";
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }

  @Override
  public Stream<Finding> findInActivity(Survey survey) {
    Instant before = survey.now().minus(Duration.ofDays(survey.limits().unusedDays()));
    return survey.structure().duties().values().stream().filter(duty -> SEEN_IN_JOURNAL.contains(duty.duty()) && duty.period().holdsAt(survey.now()) && isHeldSince(survey, duty, before)).sorted(Comparator.comparing(DutyAssignment::id)).flatMap(duty -> {
      Optional<Instant> last = lastUsed(survey, duty);
      return last.filter(used -> !used.isBefore(before)).isPresent() || survey.people(duty.subject()).isEmpty() ? Stream.empty() : Stream.of(finding(survey, duty, last));
    });
  }

  private static boolean isHeldSince(Survey survey, DutyAssignment duty, Instant before) {
    Instant since = survey.activity().dutySince().get(duty.id());
    return since != null && since.isBefore(before) && (duty.period().from() == null || duty.period().from().isBefore(before));
  }

  private static Optional<Instant> lastUsed(Survey survey, DutyAssignment duty) {
    return survey.people(duty.subject()).stream().mapToObj(person -> survey.activity().dutyUsed().getOrDefault(survey.snapshot().person(person).id(), Map.of()).get(duty.duty())).filter(Objects::nonNull).max(Comparator.naturalOrder());
  }

  /** Somebody has to look after the system. */
  private static boolean canEnd(Survey survey, DutyAssignment duty) {
    return duty.duty() != Duty.SYSTEM || survey.structure().duties().values().stream().anyMatch(other -> other.duty() == Duty.SYSTEM && !other.id().equals(duty.id()) && other.period().until() == null && other.period().holdsAt(survey.now()) && !survey.people(other.subject()).isEmpty());
  }

  private Finding finding(Survey survey, DutyAssignment duty, Optional<Instant> last) {
    String where = duty.place() != null ? " for " + survey.path(duty.place()) : "";
    return new Finding(code(), severity(), "duty:" + duty.id(), "", survey.name(duty.subject()) + " has not used the duty " + duty.duty().word() + where + " for " + survey.limits().unusedDays() + " days or more.",
        List.of(last.map(used -> "Last used on " + Survey.day(used) + ".").orElse("Never used.")), canEnd(survey, duty) ? List.of(Fix.of("End the duty", new DutyChange.RemoveDuty(duty.id()))) : List.of());
  }
}
