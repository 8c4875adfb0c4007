package palegate.core.findings;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.MembershipChange;
import palegate.core.people.Membership;
import palegate.core.people.Period;

/** Access that ends soon. */
final class EndsSoon implements Rule {
  @Override
  public String code() {
    return "ends-soon";
  }

  @Override
  public Severity severity() {
    return Severity.SERIOUS;
  }

  @Override
  public String title() {
    return "access that ends soon";
  }

  @Override
  public String matters() {
    return "Whoever still needs it will be shut out in the middle of their work.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    Instant soon = survey.now().plus(Duration.ofDays(survey.limits().soonDays()));
    Stream<Finding> entries = survey.grants().filter(grant -> soon(grant.period(), survey.now(), soon)).map(grant -> new Finding(code(), severity(), "entry:" + grant.id(), "", "“" + survey.role(grant.role()) + "” for " + survey.name(grant.subject()) + " at "
        + survey.path(grant.place()) + " ends " + Survey.end(grant.period().until()) + ".", List.of(), List.of(Fix.of("Let it go on for half a year" + (grant.isShare() ? ", as an entry and no longer a share" : ""),
            new AccessChange.RemoveGrant(grant.place(), grant.id()), new AccessChange.AddGrant(grant.asEntry().lasting(longer(grant.period())))))));
    Stream<Finding> members = survey.groups().flatMap(group -> group.members().stream().filter(member -> soon(member.period(), survey.now(), soon)).map(member -> {
      String name = member.member() instanceof Membership.PersonMember ? survey.structure().people().get(member.member().id()).name() : survey.structure().groups().get(member.member().id()).name();
      return new Finding(code(), severity(), "group:" + group.id(), member.member().id(), name + "’s time in “" + group.name() + "” ends " + Survey.end(member.period().until()) + ".", List.of(),
          List.of(Fix.of("Let it go on for half a year", new MembershipChange.RemoveMember(group.id(), member), new MembershipChange.AddMember(group.id(), new Membership(member.member(), longer(member.period()))))));
    }));
    return Stream.concat(entries, members);
  }

  private static boolean soon(Period period, Instant now, Instant soon) {
    return period.holdsAt(now) && period.until() != null && period.until().isBefore(soon);
  }

  private static Period longer(Period period) {
    return new Period(period.from(), period.until().plus(Duration.ofDays(183)));
  }
}
