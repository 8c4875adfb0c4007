package palegate.core.findings;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.changes.MembershipChange;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.questions.WallConflict;
import palegate.core.walls.Barrier;
import palegate.core.walls.Wall;

/** People on more than one side of a wall. */
final class WallConflicts implements Rule {
  @Override
  public String code() {
    return "wall-conflict";
  }

  @Override
  public Severity severity() {
    return Severity.GRAVE;
  }

  @Override
  public String title() {
    return "people on more than one side of a wall";
  }

  @Override
  public String matters() {
    return "They are barred from both sides’ papers, or should be on neither.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return WallConflict.all(survey.moment(), survey.now()).stream().map(conflict -> {
      Wall wall = survey.structure().walls().get(conflict.wall());
      Person person = survey.structure().people().get(conflict.person());
      List<Fix> fixes = new ArrayList<>();
      ((Barrier.Sides) wall.barrier()).sides().stream().filter(side -> conflict.sides().contains(side.name())).forEach(side -> side.subjects().stream().filter(Subject.OfGroup.class::isInstance)
          .map(subject -> survey.structure().groups().get(subject.id())).forEach(group -> group.members().stream().filter(member -> member.member().equals(new Membership.PersonMember(person.id())) && member.period().holdsAt(survey.now()))
              .forEach(member -> fixes.add(Fix.of("Take " + person.name() + " out of “" + group.name() + "”, of side “" + side.name() + "”", new MembershipChange.RemoveMember(group.id(), member))))));
      return new Finding(code(), severity(), "wall:" + wall.id(), person.id(), person.name() + " is on more than one side of “" + wall.name() + "”: " + String.join(", ", conflict.sides()) + ".", List.of(), fixes);
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
