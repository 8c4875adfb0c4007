package palegate.core.findings;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import palegate.core.collections.PersonSet;
import palegate.core.people.Group;
import palegate.core.people.Subject;
import palegate.core.text.Counted;

/** Groups with the same people. */
final class GroupSameAsAnother implements Rule {
  @Override
  public String code() {
    return "group-same-as-another";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "groups with the same people";
  }

  @Override
  public String matters() {
    return "One of them is forgotten when somebody comes or goes.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    Map<PersonSet, Group> first = new HashMap<>();
    return survey.groups().toList().stream().flatMap(group -> {
      PersonSet people = survey.people(new Subject.OfGroup(group.id()));
      Group other = people.size() < 2 ? null : first.putIfAbsent(people, group);
      return other == null ? Stream.empty() : Stream.of(new Finding(code(), severity(), "group:" + group.id(), other.id(), "“" + group.name() + "” and “" + other.name() + "” have the same " + Counted.of(people.size(), "person", "people") + ".", survey.names(people),
          survey.groupUses(group.id()).handOver(other.id()).map(changes -> List.of(new Fix("Let “" + other.name() + "” take its place", changes))).orElse(List.of())));
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
