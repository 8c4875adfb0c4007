package palegate.core.findings;

import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.WallGapClues;
import palegate.core.wallsatwork.WallGapTerms;
import palegate.core.wallsatwork.WallGap;
import palegate.core.wallsatwork.WallGaps;

/** What looks as if it belonged behind a wall. */
final class WallGapsFound implements Rule {
  @Override
  public String code() {
    return "wall-gap";
  }

  @Override
  public Severity severity() {
    return Severity.SERIOUS;
  }

  @Override
  public String title() {
    return "what looks as if it belonged behind a wall";
  }

  @Override
  public String matters() {
    return "What was filed beside the case is open to those whom the wall bars.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.<Looked>whileHolds("wall gaps", (looked, touched) -> touched.leaves(Set.of(Touched.Kind.WALLS, Touched.Kind.TYPES)) && touched.changed().stream().noneMatch(id -> looked.terms().mayConcern(id, touched.before(), survey.structure())),
        () -> look(survey)).findings().stream();
  }

  /** What was found, and what it hangs on. */
  private record Looked(List<Finding> findings, WallGapTerms terms) {}

  private Looked look(Survey survey) {
    WallGapClues clues = survey.wallGapClues();
    List<Wall> walls = survey.structure().walls().values().stream().filter(wall -> wall.barsAt(survey.now())).sorted(Comparator.comparing(Wall::id)).toList();
    List<Finding> findings = walls.parallelStream().flatMap(wall -> WallGaps.of(survey.snapshot(), wall, clues).stream()
        .filter(gap -> gap.confidence() != WallGap.Confidence.POSSIBLE)
        .map(gap -> new Finding(code(), severity(), "wall:" + wall.id(), gap.place(), survey.path(gap.place()) + " looks as if it belonged behind “" + wall.name() + "”.", List.of("It has “" + gap.said() + "”, like “" + gap.like() + "”.", gap.documents()
            + " documents lie outside."), gap.fix() == null ? List.of() : List.of(Fix.of("Take it in", gap.fix()))))).toList();
    return new Looked(findings, WallGapTerms.of(survey.snapshot(), walls, clues));
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
