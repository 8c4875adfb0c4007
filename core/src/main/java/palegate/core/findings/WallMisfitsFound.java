package palegate.core.findings;

import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.WallMisfits;

/** What lies behind a wall and looks as if it were of another matter. Where it belongs only somebody who reads it knows: it has no fix. */
final class WallMisfitsFound implements Rule {
  @Override
  public String code() {
    return "wall-misfit";
  }

  @Override
  public Severity severity() {
    return Severity.SERIOUS;
  }

  @Override
  public String title() {
    return "what lies behind a wall and is numbered as another matter";
  }

  @Override
  public String matters() {
    return "Those whom the wall keeps out may need it, and those of its own matter may not see it.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.whileSame("wall misfits", Set.of(Touched.Kind.PLACES, Touched.Kind.WALLS, Touched.Kind.TYPES), () -> look(survey)).stream();
  }

  private List<Finding> look(Survey survey) {
    List<Wall> walls = survey.structure().walls().values().stream().filter(wall -> wall.barsAt(survey.now())).sorted(Comparator.comparing(Wall::id)).toList();
    return walls.parallelStream().flatMap(wall -> WallMisfits.of(survey.snapshot(), wall).stream()
        .map(misfit -> new Finding(code(), severity(), "wall:" + wall.id(), misfit.place(), survey.path(misfit.place()) + " lies behind “" + wall.name() + "” and looks as if it were of another matter.",
            List.of("It has “" + misfit.said() + "”, the wall is about " + misfit.like() + "."), List.of()))).toList();
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }
}
