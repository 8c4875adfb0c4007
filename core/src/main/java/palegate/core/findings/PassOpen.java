package palegate.core.findings;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.changes.PassChange;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.shares.SharingLimits;
import palegate.core.sharing.Pass;
import palegate.core.types.DocumentType;

/** Passes that go on for ever, or that all staff can open to papers of a guarded type. */
final class PassOpen implements Rule {
  @Override
  public String code() {
    return "pass-open";
  }

  @Override
  public Severity severity() {
    return Severity.SERIOUS;
  }

  @Override
  public String title() {
    return "passes open to many, or for ever";
  }

  @Override
  public String matters() {
    return "Whoever the address is sent on to gets in, and nobody has to decide it again.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.structure().passes().values().stream().filter(pass -> pass.period().holdsAt(survey.now())).sorted(Comparator.comparing(Pass::id)).flatMap(pass -> {
      List<String> why = new ArrayList<>();
      DocumentType type = survey.structure().types().get(survey.structure().places().get(pass.place()).type() == null ? "" : survey.structure().places().get(pass.place()).type());
      if (pass.period().until() == null) {
        why.add("has no end");
      }
      if (pass.audience().contains(Subject.BuiltIn.STAFF) && pass.uses() == null) {
        why.add(type != null && type.guarded() ? "all staff can open to a " + type.name() + ", which is guarded" : "all staff can open, as many as like");
      }
      return why.isEmpty() ? Stream.empty() : Stream.of(finding(survey, pass, String.join(", and ", why)));
    });
  }

  private Finding finding(Survey survey, Pass pass, String why) {
    int days = SharingLimits.at(survey.snapshot(), survey.snapshot().placeNumber(pass.place())).usualDays();
    List<Fix> fixes = new ArrayList<>();
    if (pass.period().until() == null) {
      fixes.add(Fix.of("Let it end in " + days + " days", new PassChange.SetPass(new Pass(pass.id(), pass.place(), pass.role(), pass.audience(), pass.maker(), new Period(pass.period().from(), survey.now().plus(Duration.ofDays(days))), pass.uses(), pass.note()))));
    }
    fixes.add(Fix.of("Take it back, with what was opened through it", new PassChange.TakeBackPass(pass.id())));
    String maker = survey.structure().people().containsKey(pass.maker()) ? survey.structure().people().get(pass.maker()).name() : "somebody";
    return new Finding(code(), severity(), "pass:" + pass.id(), "", "The pass of " + maker + " to " + survey.path(pass.place()) + " (“" + survey.role(pass.role()) + "”) " + why + ".", List.of(), fixes);
  }

  /** What was opened through it may be what somebody keeps a place by. */
  @Override
  public boolean fixesAreSure() {
    return false;
  }
}
