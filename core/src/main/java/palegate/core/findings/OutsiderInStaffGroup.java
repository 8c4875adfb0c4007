package palegate.core.findings;

import java.util.List;
import java.util.stream.Stream;
import palegate.core.changes.MembershipChange;
import palegate.core.collections.PersonSet;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Subject;

/** Outsiders in a group that is otherwise of staff. */
final class OutsiderInStaffGroup implements Rule {
  private static final String OF_GROUP = "group:";

  @Override
  public String code() {
    return "outsider-in-staff-group";
  }

  @Override
  public Severity severity() {
    return Severity.GRAVE;
  }

  @Override
  public String title() {
    return "outsiders in a group that is otherwise of staff";
  }

  @Override
  public String matters() {
    return "Whatever the group is given, the outsiders get too, and nobody reads it in the list.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.byGroup(code(), finding -> finding.thing().substring(OF_GROUP.length()), group -> look(survey, group)).stream();
  }

  private Stream<Finding> look(Survey survey, Group group) {
    PersonSet people = survey.people(new Subject.OfGroup(group.id()));
    if (!people.intersects(survey.moment().activeOutsiders())) {
      return Stream.empty();
    }
    PersonSet outsiders = people.and(survey.moment().activeOutsiders());
    int staff = people.size() - outsiders.size();
    if (outsiders.isEmpty() || outsiders.size() > staff / 2) {
      return Stream.empty();
    }
    return group.members().stream().filter(membership -> membership.period().holdsAt(survey.now()) && !isOfStaff(survey, membership)).flatMap(membership -> {
      PersonSet of = members(survey, membership);
      return of.isEmpty() || !of.minus(survey.moment().activeOutsiders()).isEmpty() ? Stream.empty() : Stream.of(new Finding(code(), severity(), OF_GROUP + group.id(), membership.member().id(),
          name(survey, membership) + (of.size() == 1 ? " is an outsider" : " are " + of.size() + " outsiders") + " in “" + group.name() + "”, where " + staff + " of staff are.", survey.names(of),
          List.of(Fix.of("Take " + name(survey, membership) + " out of “" + group.name() + "”", new MembershipChange.RemoveMember(group.id(), membership)))));
    });
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }

  /** Most members are: of them no set is made. */
  private static boolean isOfStaff(Survey survey, Membership membership) {
    return membership.member() instanceof Membership.PersonMember && survey.structure().people().get(membership.member().id()).staff();
  }

  private static PersonSet members(Survey survey, Membership membership) {
    String id = membership.member().id();
    return survey.people(membership.member() instanceof Membership.PersonMember ? new Subject.OfPerson(id) : new Subject.OfGroup(id));
  }

  private static String name(Survey survey, Membership membership) {
    String id = membership.member().id();
    return membership.member() instanceof Membership.PersonMember ? survey.structure().people().get(id).name() : "“" + survey.structure().groups().get(id).name() + "”";
  }
}
