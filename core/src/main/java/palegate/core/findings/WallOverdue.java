package palegate.core.findings;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.changes.WallChange;
import palegate.core.walls.Wall;

/** Walls whose time is over, or came and went. */
final class WallOverdue implements Rule {
  @Override
  public String code() {
    return "wall-overdue";
  }

  @Override
  public Severity severity() {
    return Severity.SERIOUS;
  }

  @Override
  public String title() {
    return "walls whose time is over, or came and went";
  }

  @Override
  public String matters() {
    return "It stands in the lists and bars nobody.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.structure().walls().values().stream().filter(wall -> wall.state() != Wall.State.LIFTED).filter(wall -> wall.period().endedBy(survey.now()) || wall.state() == Wall.State.PLANNED && wall.period().from() != null && !wall.period().from().isAfter(survey.now()))
        .sorted(Comparator.comparing(Wall::id)).map(wall -> {
          boolean ended = wall.period().endedBy(survey.now());
          List<Fix> fixes = new ArrayList<>();
          if (!ended) {
            fixes.add(Fix.of("Raise it", new WallChange.SetWall(wall.in(Wall.State.STANDING))));
          }
          fixes.add(Fix.of("Lift it", new WallChange.SetWall(wall.in(Wall.State.LIFTED))));
          return new Finding(code(), severity(), "wall:" + wall.id(), "", ended ? "“" + wall.name() + "” ended by its date and was not lifted." : "“" + wall.name() + "” was to stand by now, and is only planned.", List.of(), fixes);
        });
  }

  @Override
  public boolean fixesAreSure() {
    return false;
  }
}
