package palegate.core.findings;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.changes.PassChange;
import palegate.core.sharing.Pass;

/** Passes that have ended, and those that nobody has opened though they could for long. */
final class PassUnused implements Rule {
  @Override
  public String code() {
    return "pass-unused";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "passes that nobody uses";
  }

  @Override
  public String matters() {
    return "An address that lets in and that nobody needs only waits for the wrong reader.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    Set<String> opened = survey.structure().passes().isEmpty() ? Set.of() : survey.grants().filter(grant -> grant.pass() != null).map(Grant::pass).collect(Collectors.toSet());
    Instant before = survey.now().minus(Duration.ofDays(survey.limits().draftDays()));
    return survey.structure().passes().values().stream().sorted(Comparator.comparing(Pass::id)).flatMap(pass -> {
      boolean ended = pass.period().endedBy(survey.now());
      boolean idle = !opened.contains(pass.id()) && pass.period().from() != null && pass.period().from().isBefore(before);
      String where = "to " + survey.path(pass.place());
      return !ended && !idle ? Stream.empty() : Stream.of(new Finding(code(), severity(), "pass:" + pass.id(), "", ended ? "The pass " + where + " ended " + Survey.end(pass.period().until()) + " and still stands there."
          : "Nobody has opened the pass " + where + ", which could be opened since " + Survey.day(pass.period().from()) + ".", List.of(), List.of(Fix.of("Take it back", new PassChange.TakeBackPass(pass.id())))));
    });
  }

  /** What was opened through it may be what somebody keeps a place by. */
  @Override
  public boolean fixesAreSure() {
    return false;
  }
}
