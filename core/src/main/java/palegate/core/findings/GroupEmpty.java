package palegate.core.findings;

import java.util.List;
import java.util.stream.Stream;
import palegate.core.people.Subject;

/** Groups that nobody is in. */
final class GroupEmpty implements Rule {
  @Override
  public String code() {
    return "group-empty";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "groups that nobody is in";
  }

  @Override
  public String matters() {
    return "Whoever gives it something thinks that somebody gets it.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.groups().filter(group -> survey.moment().matching(new Subject.OfGroup(group.id())).isEmpty()).map(group -> new Finding(code(), severity(), "group:" + group.id(), "", "Nobody is in “" + group.name() + "”.", List.of(),
        survey.groupUses(group.id()).removal().map(changes -> List.of(new Fix(changes.size() == 1 ? "Remove the group" : "Remove the group and what names it", changes))).orElse(List.of())));
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }
}
