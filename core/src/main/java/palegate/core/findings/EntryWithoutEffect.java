package palegate.core.findings;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.access.Withholding;
import palegate.core.people.Subject;
import palegate.core.questions.AccessList;
import palegate.core.questions.IdleEntries;

/** Entries that do nothing. */
final class EntryWithoutEffect implements Rule {
  @Override
  public String code() {
    return "entry-without-effect";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "entries that do nothing";
  }

  @Override
  public String matters() {
    return "Somebody thinks that it gives or takes something.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return idle(survey).filter(line -> !(line.entry().subject() instanceof Subject.OfPerson && line.sameAs() != null)).map(line -> new Finding(code(), severity(), "entry:" + line.entry().id(), "", words(survey, line), List.of(),
        List.of(Fix.of("Remove the entry", EntryEnded.removal(line.entry())))));
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }

  /** Own lines that do nothing where they reach: now, and once all that is dated has begun and ended. In order of their entries. */
  static Stream<AccessList.Line> idle(Survey survey) {
    return survey.byPlace("idle lines", (AccessList.Line line) -> line.entry().place(), places -> IdleEntries.at(survey.moment(), survey.atLast(), places)).stream().sorted(Comparator.comparing(line -> line.entry().id()));
  }

  private static String words(Survey survey, AccessList.Line line) {
    String what = (line.entry() instanceof Withholding ? "What is withheld from " : "What is given to ") + survey.name(line.entry().subject()) + " at " + survey.path(line.entry().place());
    if (line.state() == AccessList.State.NOBODY) {
      return what + " reaches nobody who is active.";
    }
    return what + (line.entry() instanceof Withholding ? " takes nothing that they would have." : " gives nothing that they would not have without it.");
  }
}
