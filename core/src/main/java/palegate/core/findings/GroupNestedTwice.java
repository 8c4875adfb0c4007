package palegate.core.findings;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.changes.MembershipChange;
import palegate.core.people.Membership;
import palegate.core.people.Period;

/** Groups that are in another twice. */
final class GroupNestedTwice implements Rule {
  @Override
  public String code() {
    return "group-nested-twice";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "groups that are in another twice";
  }

  @Override
  public String matters() {
    return "Whoever takes it out of one finds that it is still in.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.groups().flatMap(group -> {
      List<Membership> groups = group.members().stream().filter(member -> member.member() instanceof Membership.GroupMember && member.period().equals(Period.ALWAYS)).toList();
      return groups.stream().flatMap(direct -> groups.stream().filter(other -> other != direct && contains(survey, other.member().id(), direct.member().id(), new HashSet<>())).limit(1).map(through -> new Finding(code(), severity(), "group:" + group.id(),
          direct.member().id(), "“" + survey.structure().groups().get(direct.member().id()).name() + "” is in “" + group.name() + "” by itself and through “" + survey.structure().groups().get(through.member().id()).name() + "”.", List.of(),
          List.of(Fix.of("Take it out where it is by itself", new MembershipChange.RemoveMember(group.id(), direct))))));
    });
  }

  private static boolean contains(Survey survey, String outer, String inner, Set<String> seen) {
    return seen.add(outer) && survey.structure().groups().get(outer).members().stream().filter(member -> member.member() instanceof Membership.GroupMember && member.period().equals(Period.ALWAYS))
        .anyMatch(member -> member.member().id().equals(inner) || contains(survey, member.member().id(), inner, seen));
  }
}
