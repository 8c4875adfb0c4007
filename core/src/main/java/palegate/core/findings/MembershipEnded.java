package palegate.core.findings;

import java.util.List;
import java.util.stream.Stream;
import palegate.core.changes.MembershipChange;
import palegate.core.people.Membership;

/** Memberships that ended. */
final class MembershipEnded implements Rule {
  @Override
  public String code() {
    return "membership-ended";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "memberships that ended";
  }

  @Override
  public String matters() {
    return "They say nothing any more, and whoever reads the group reads them.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.groups().flatMap(group -> group.members().stream().filter(member -> member.period().endedBy(survey.now())).map(member -> {
      String name = member.member() instanceof Membership.PersonMember ? survey.structure().people().get(member.member().id()).name() : survey.structure().groups().get(member.member().id()).name();
      return new Finding(code(), severity(), "group:" + group.id(), member.member().id() + " " + member.period().until(), name + "’s time in “" + group.name() + "” ended " + Survey.end(member.period().until()) + ", and the list still has it.", List.of(),
          List.of(Fix.of("Take it off the list", new MembershipChange.RemoveMember(group.id(), member))));
    }));
  }
}
