package palegate.core.findings;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;

/** Outsiders given to govern, share or delete. */
final class OutsiderWithStaffRole implements Rule {
  @Override
  public String code() {
    return "outsider-with-staff-role";
  }

  @Override
  public Severity severity() {
    return Severity.GRAVE;
  }

  @Override
  public String title() {
    return "outsiders given to govern, share or delete";
  }

  @Override
  public String matters() {
    return "Who sees what is for staff to decide, and what outsiders delete or share is gone.";
  }

  /** All the active people in it are outsiders, and there is one. */
  private static boolean isFromOutside(Survey survey, Subject subject) {
    if (subject instanceof Subject.OfPerson one) {
      return survey.structure().people().get(one.id()).external() && survey.structure().people().get(one.id()).active();
    }
    PersonSet people = survey.people(subject);
    return !people.isEmpty() && people.sizeOfAnd(survey.moment().activeOutsiders()) == people.size();
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    Rights staffs = Rights.of(Right.GOVERN, Right.SHARE, Right.DELETE);
    Map<Subject, Boolean> fromOutside = new HashMap<>();
    return survey.grants().filter(grant -> grant.period().holdsAt(survey.now())).flatMap(grant -> {
      Rights given = survey.structure().roles().get(grant.role()).rights();
      if (given.intersect(staffs).isEmpty() || !fromOutside.computeIfAbsent(grant.subject(), subject -> isFromOutside(survey, subject))) {
        return Stream.empty();
      }
      PersonSet outsiders = survey.people(grant.subject());
      List<Fix> fixes = new ArrayList<>();
      Role less = survey.most(given.minus(staffs));
      Change remove = new AccessChange.RemoveGrant(grant.place(), grant.id());
      if (less != null) {
        fixes.add(Fix.of("Give “" + less.name() + "” in its place", remove, AccessChange.adding(grant.giving(less.id()))));
      }
      fixes.add(Fix.of("Remove the entry", remove));
      return Stream.of(new Finding(code(), severity(), "entry:" + grant.id(), "", survey.name(grant.subject()) + ", from outside, has “" + survey.role(grant.role()) + "” (" + given.intersect(staffs) + " among its rights) at "
          + survey.path(grant.place()) + ".", survey.names(outsiders), fixes));
    });
  }
}
