package palegate.core.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.changes.AccessChange;
import palegate.core.changes.MembershipChange;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.questions.SeparationWords;
import palegate.core.questions.SeparationsBroken;
import palegate.core.separations.Separation;

/** People who hold together what a separation keeps apart (section 13). */
final class SeparationBroken implements Rule {
  @Override
  public String code() {
    return "separation-broken";
  }

  @Override
  public Severity severity() {
    return Severity.GRAVE;
  }

  @Override
  public String title() {
    return "people who hold together what is kept apart";
  }

  @Override
  public String matters() {
    return "One person can do alone what two were meant to do.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.structure().separations().isEmpty() ? Stream.empty() : SeparationsBroken.of(survey.moment()).all().stream().map(broken -> finding(survey, broken));
  }

  private Finding finding(Survey survey, SeparationsBroken.Broken broken) {
    Separation separation = survey.structure().separations().get(broken.separation());
    Person person = survey.structure().people().get(broken.person());
    List<String> evidence = new ArrayList<>();
    List<Fix> fixes = new ArrayList<>();
    broken.sides().forEach(side -> {
      evidence.add("Side " + (side + 1) + ": " + SeparationWords.of(separation.sides().get(side), survey.structure()));
      fixes.addAll(fixes(survey, person, separation.sides().get(side)));
    });
    String where = broken.place() == null ? "" : " at " + survey.path(broken.place()) + (broken.places() > 1 ? " and " + (broken.places() - 1) + (broken.places() == 2 ? " other place" : " other places") : "");
    return new Finding(code(), severity(), "separation:" + separation.id(), person.id(), person.name() + " holds together what “" + separation.name() + "” keeps apart" + where + ".", evidence, fixes);
  }

  /** Out of a group that the side names, or an entry by name of a role that it names; each is tried before it is offered. */
  private static List<Fix> fixes(Survey survey, Person person, Separation.Side side) {
    List<Fix> fixes = new ArrayList<>();
    side.groups().stream().sorted().map(survey.structure().groups()::get).forEach(group -> group.members().stream().filter(member -> member.member().equals(new Membership.PersonMember(person.id())) && member.period().holdsAt(survey.now()))
        .forEach(member -> fixes.add(Fix.of("Take " + person.name() + " out of “" + group.name() + "”", new MembershipChange.RemoveMember(group.id(), member)))));
    survey.grantsTo(new Subject.OfPerson(person.id())).stream().filter(grant -> side.roles().contains(grant.role()))
        .forEach(grant -> fixes.add(Fix.of("Remove “" + survey.role(grant.role()) + "” for " + person.name() + " at " + survey.path(grant.place()), new AccessChange.RemoveGrant(grant.place(), grant.id()))));
    return fixes;
  }

  @Override
  public boolean fixesAreSure() {
    return false;
  }
}
