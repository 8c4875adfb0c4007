package palegate.core.findings;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.collections.PersonSet;
import palegate.core.people.Group;
import palegate.core.people.Subject;

/** People named who together are a group. */
final class PersonEntriesEqualAGroup implements Rule {
  @Override
  public String code() {
    return "person-entries-equal-a-group";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "people named who together are a group";
  }

  @Override
  public String matters() {
    return "One entry would say the same, and follow the group.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    Map<PersonSet, Group> byPeople = new HashMap<>();
    survey.groups().forEach(group -> byPeople.putIfAbsent(survey.people(new Subject.OfGroup(group.id())), group));
    Map<List<Object>, List<Grant>> alike = new LinkedHashMap<>();
    survey.grants().filter(grant -> !grant.isShare() && grant.subject() instanceof Subject.OfPerson && grant.period().holdsAt(survey.now()) && survey.structure().people().get(grant.subject().id()).active())
        .forEach(grant -> alike.computeIfAbsent(List.of(grant.place(), grant.role(), grant.types(), grant.period()), any -> new ArrayList<>()).add(grant));
    return alike.values().stream().filter(grants -> grants.size() >= 3).flatMap(grants -> {
      PersonSet people = grants.stream().map(grant -> survey.people(grant.subject())).reduce(PersonSet.NOBODY, PersonSet::or);
      Group group = byPeople.get(people);
      Grant first = grants.get(0);
      if (group == null) {
        return Stream.empty();
      }
      List<Change> changes = new ArrayList<>();
      grants.forEach(grant -> changes.add(new AccessChange.RemoveGrant(grant.place(), grant.id())));
      changes.add(new AccessChange.AddGrant(new Grant(survey.newId(first.id()), first.place(), new Subject.OfGroup(group.id()), first.role(), first.types(), first.period(), first.note())));
      return Stream.of(new Finding(code(), severity(), "place:" + first.place(), first.role(), grants.size() + " people are named one by one as “" + survey.role(first.role()) + "” at " + survey.path(first.place()) + "; together they are “" + group.name() + "”.",
          survey.names(people), List.of(new Fix("Name the group in their place", changes))));
    });
  }

  @Override
  public boolean fixesAreSure() {
    return false;
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }
}
