package palegate.core.findings;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import palegate.core.changes.WallChange;
import palegate.core.questions.WallCoverage;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.WallGap;
import palegate.core.wallsatwork.WallGaps;

/** Walls that cover nothing. */
final class WallCoversNothing implements Rule {
  private static final int SUREST = 3;

  @Override
  public String code() {
    return "wall-covers-nothing";
  }

  @Override
  public Severity severity() {
    return Severity.GRAVE;
  }

  @Override
  public String title() {
    return "walls that cover nothing";
  }

  @Override
  public String matters() {
    return "Whoever raised it thinks that something is kept apart.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return walls(survey, WallCoverage::matchesNothing).map(coverage -> {
      Wall wall = survey.structure().walls().get(coverage.wall());
      List<Fix> fixes = new ArrayList<>();
      List<WallGap> gaps = WallGaps.of(survey.snapshot(), wall, survey.wallGapClues()).stream().filter(gap -> gap.fix() != null && Objects.equals(gap.side(), coverage.side())).toList();
      gaps.stream().limit(SUREST).forEach(gap -> fixes.add(Fix.of("Take in " + survey.path(gap.place()) + ", where “" + gap.said() + "” is like “" + gap.like() + "”", gap.fix())));
      if (coverage.side() == null) {
        fixes.add(Fix.of("Lift the wall", new WallChange.SetWall(wall.in(Wall.State.LIFTED))));
      }
      return new Finding(code(), severity(), "wall:" + wall.id(), coverage.side() == null ? "" : coverage.side(), "“" + wall.name() + "”" + (coverage.side() == null ? "" : ", side “" + coverage.side() + "”,") + " covers nothing.", gaps.size() > SUREST ? List.of(gaps.size() + " places look as if they belonged inside; the surest are offered, the room Walls lists them all.") : List.of(), fixes);
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

  static Stream<WallCoverage> walls(Survey survey, Predicate<WallCoverage> odd) {
    return coverage(survey).stream().filter(odd).filter(one -> !survey.structure().walls().get(one.wall()).period().endedBy(survey.now())).sorted(Comparator.comparing(WallCoverage::wall));
  }

  private static List<WallCoverage> coverage(Survey survey) {
    return survey.whileSame("wall coverage", Set.of(Touched.Kind.PLACES, Touched.Kind.TYPES, Touched.Kind.WALLS), () -> survey.structure().walls().values().stream().filter(wall -> wall.state() != Wall.State.LIFTED)
        .flatMap(wall -> WallCoverage.of(survey.snapshot(), wall).stream()).filter(one -> one.matchesNothing() || one.matchesEverything()).toList());
  }
}
