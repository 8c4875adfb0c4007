package palegate.core.findings;

import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.changes.WallChange;
import palegate.core.walls.Wall;

/** Exceptions of walls without an end. */
final class WallExceptionWithoutEnd implements Rule {
  @Override
  public String code() {
    return "wall-exception-without-end";
  }

  @Override
  public Severity severity() {
    return Severity.SERIOUS;
  }

  @Override
  public String title() {
    return "exceptions of walls without an end";
  }

  @Override
  public String matters() {
    return "An exception is for a while: nobody takes it back who does not look.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.structure().walls().values().stream().filter(wall -> wall.state() != Wall.State.LIFTED && !wall.period().endedBy(survey.now())).sorted(Comparator.comparing(Wall::id)).flatMap(wall -> wall.exceptions().stream()
        .filter(exempt -> exempt.until() == null).map(exempt -> new Finding(code(), severity(), "wall:" + wall.id(), exempt.subject().kind() + ":" + exempt.subject().id(), survey.name(exempt.subject()) + " may pass “" + wall.name() + "” without an end.",
            survey.names(survey.people(exempt.subject())), List.of(Fix.of("Let it end in 90 days", new WallChange.RemoveException(wall.id(), exempt),
                new WallChange.AddException(wall.id(), new Wall.Exempt(exempt.subject(), survey.now().plus(Duration.ofDays(90))))), Fix.of("End it now", new WallChange.RemoveException(wall.id(), exempt))))));
  }

  @Override
  public boolean fixesAreSure() {
    return false;
  }
}
