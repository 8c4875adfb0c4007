package palegate.core.findings;

import java.util.List;
import java.util.stream.Stream;
import palegate.core.people.Subject;

/** People named who have the same through a group. */
final class PersonEntryCoveredByGroup implements Rule {
  @Override
  public String code() {
    return "person-entry-covered-by-group";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "people named who have the same through a group";
  }

  @Override
  public String matters() {
    return "When they leave the group they keep what they should lose.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return EntryWithoutEffect.idle(survey).filter(line -> line.entry().subject() instanceof Subject.OfPerson && line.sameAs() != null).map(line -> new Finding(code(), severity(), "entry:" + line.entry().id(), "",
        survey.name(line.entry().subject()) + " is named at " + survey.path(line.entry().place()) + " and has the same there through " + survey.name(line.sameAs().subject()) + ".", List.of(), List.of(Fix.of("Remove the entry", EntryEnded.removal(line.entry())))));
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }
}
