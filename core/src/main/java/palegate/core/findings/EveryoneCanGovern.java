package palegate.core.findings;

import java.util.List;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.people.Subject;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;

/** Everybody may change who sees what. */
final class EveryoneCanGovern implements Rule {
  @Override
  public String code() {
    return "everyone-can-govern";
  }

  @Override
  public Severity severity() {
    return Severity.GRAVE;
  }

  @Override
  public String title() {
    return "everybody may change who sees what";
  }

  @Override
  public String matters() {
    return "Whoever everybody may let in, nobody keeps out.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.grants().filter(grant -> grant.subject() instanceof Subject.BuiltIn && grant.period().holdsAt(survey.now())).flatMap(grant -> {
      Rights given = survey.structure().roles().get(grant.role()).rights();
      if (!given.contains(Right.GOVERN)) {
        return Stream.empty();
      }
      Role less = survey.most(given.minus(Rights.of(Right.GOVERN)));
      Change remove = new AccessChange.RemoveGrant(grant.place(), grant.id());
      List<Fix> fixes = less == null ? List.of(Fix.of("Remove the entry", remove))
          : List.of(Fix.of("Give “" + less.name() + "” in its place", remove, AccessChange.adding(grant.giving(less.id()))));
      return Stream.of(new Finding(code(), severity(), "entry:" + grant.id(), "", survey.name(grant.subject()) + " have “" + survey.role(grant.role()) + "” at " + survey.path(grant.place()) + ", and may change who sees what there.", List.of(), fixes));
    });
  }
}
