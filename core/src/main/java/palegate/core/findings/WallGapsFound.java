package palegate.core.findings;

import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.text.Counted;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.WallGapClues;
import palegate.core.wallsatwork.WallGapTerms;
import palegate.core.wallsatwork.WallGap;
import palegate.core.wallsatwork.WallGaps;

/** What looks as if it belonged behind a wall. */
final class WallGapsFound implements Rule {
  private static final String CODE = "wall-gap";
  private static final Severity SEVERITY = Severity.SERIOUS;

  @Override
  public String code() {
    return CODE;
  }

  @Override
  public Severity severity() {
    return SEVERITY;
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
    return looked(survey).findings().stream();
  }

  /** The gaps that are worth telling, of walls that stand. Looked for once, and kept while they hold. */
  static List<GapOfWall> gaps(Survey survey) {
    return looked(survey).gaps();
  }

  private static Looked looked(Survey survey) {
    return survey.whileHolds("wall gaps", (Looked looked, Touched touched) -> touched.leaves(Set.of(Touched.Kind.WALLS, Touched.Kind.TYPES)) && touched.changed().stream().noneMatch(id -> looked.terms().mayConcern(id, touched.before(), survey.structure())),
        () -> look(survey));
  }

  /** One gap of one wall. */
  record GapOfWall(String wall, String wallName, WallGap gap) {}

  /** What was found, and what it hangs on. */
  private record Looked(List<Finding> findings, List<GapOfWall> gaps, WallGapTerms terms) {}

  private static Looked look(Survey survey) {
    WallGapClues clues = survey.wallGapClues();
    List<Wall> walls = survey.structure().walls().values().stream().filter(wall -> wall.barsAt(survey.now())).sorted(Comparator.comparing(Wall::id)).toList();
    List<GapOfWall> gaps = walls.parallelStream().flatMap(wall -> WallGaps.likely(survey.snapshot(), wall, clues).stream().map(gap -> new GapOfWall(wall.id(), wall.name(), gap))).toList();
    return new Looked(gaps.stream().map(gap -> finding(survey, gap)).toList(), gaps, WallGapTerms.of(survey.snapshot(), walls, clues));
  }

  private static Finding finding(Survey survey, GapOfWall of) {
    WallGap gap = of.gap();
    return new Finding(CODE, SEVERITY, "wall:" + of.wall(), gap.place(), survey.path(gap.place()) + " looks as if it belonged behind “" + of.wallName() + "”.",
        List.of("It has “" + gap.said() + "”, like “" + gap.like() + "”.", Counted.of(gap.documents(), "document lies", "documents lie") + " outside."), gap.fix() == null ? List.of() : List.of(Fix.of("Take it in", gap.fix())));
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
