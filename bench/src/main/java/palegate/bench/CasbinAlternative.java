package palegate.bench;

import org.casbin.jcasbin.main.Enforcer;
import org.casbin.jcasbin.model.Model;
import palegate.core.access.Grant;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;

/** The policy library: people and groups as one hierarchy of roles, places as another; a break has no parent. */
final class CasbinAlternative {
  private static final String MODEL = """
      [request_definition]
      r = sub, obj, act
      [policy_definition]
      p = sub, obj, act
      [role_definition]
      g = _, _
      g2 = _, _
      [policy_effect]
      e = some(where (p.eft == allow))
      [matchers]
      m = r.act == p.act && g(r.sub, p.sub) && g2(r.obj, p.obj)
      """;

  private final Snapshot snapshot;
  private final Enforcer enforcer;

  CasbinAlternative(Snapshot snapshot) {
    this.snapshot = snapshot;
    Model model = new Model();
    model.loadModelFromText(MODEL);
    enforcer = new Enforcer(model);
    enforcer.enableLog(false);
    enforcer.enableAutoBuildRoleLinks(false);
    for (Person person : snapshot.structure().people().values()) {
      if (person.active() && person.staff()) {
        enforcer.addGroupingPolicy(person.id(), "staff");
      }
    }
    for (Group group : snapshot.structure().groups().values()) {
      for (Membership member : group.members()) {
        boolean counts = !(member.member() instanceof Membership.PersonMember)
            || snapshot.structure().people().get(member.member().id()).active();
        if (counts) {
          enforcer.addGroupingPolicy(member.member().id(), group.id());
        }
      }
    }
    for (Place place : snapshot.structure().places().values()) {
      if (!place.standsAlone()) {
        enforcer.addNamedGroupingPolicy("g2", place.id(), place.parent());
      }
    }
    for (Grant grant : snapshot.structure().grants().values()) {
      boolean active = !(grant.subject() instanceof Subject.OfPerson) || snapshot.structure().people().get(grant.subject().id()).active();
      if (active && snapshot.structure().roles().get(grant.role()).rights().contains(Right.READ)) {
        enforcer.addPolicy(grant.subject().id(), grant.place(), "read");
      }
    }
    enforcer.buildRoleLinks();
  }

  int mayRead(int person, int place) {
    return enforcer.enforce(snapshot.person(person).id(), snapshot.place(place).id(), "read") ? 1 : 0;
  }
}
