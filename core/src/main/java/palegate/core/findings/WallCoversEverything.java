package palegate.core.findings;

import java.util.List;
import java.util.stream.Stream;
import palegate.core.changes.WallChange;
import palegate.core.questions.WallCoverage;
import palegate.core.walls.Wall;

/** Walls that cover everything. */
final class WallCoversEverything implements Rule {
  @Override
  public String code() {
    return "wall-covers-everything";
  }

  @Override
  public Severity severity() {
    return Severity.GRAVE;
  }

  @Override
  public String title() {
    return "walls that cover everything";
  }

  @Override
  public String matters() {
    return "Whoever is barred can reach nothing at all any more.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return WallCoversNothing.walls(survey, WallCoverage::matchesEverything).map(coverage -> {
      Wall wall = survey.structure().walls().get(coverage.wall());
      return new Finding(code(), severity(), "wall:" + wall.id(), coverage.side() == null ? "" : coverage.side(), "“" + wall.name() + "”" + (coverage.side() == null ? "" : ", side “" + coverage.side() + "”,") + " covers everything.", List.of(),
          List.of(Fix.of("Lift the wall", new WallChange.SetWall(wall.in(Wall.State.LIFTED)))));
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
