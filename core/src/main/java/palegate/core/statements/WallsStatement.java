package palegate.core.statements;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.SubjectNames;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.StandingWall;

/** Walls, and whom they bar from how much. A wall that does not stand is counted as if it did, and said not to. */
final class WallsStatement {
  private WallsStatement() {}

  static StatementTable of(AskedStatement asked) {
    List<Wall> walls = asked.structure().walls().values().stream().sorted(Comparator.comparing(Wall::name).thenComparing(Wall::id)).toList();
    Map<String, String> counts = new LinkedHashMap<>();
    counts.put("Walls", walls.size() + ", of which " + walls.stream().filter(wall -> wall.barsAt(asked.instant())).count() + " bar now");
    return new StatementTable("Walls, and whom they bar", counts, List.of(
        StatementTable.Column.key("wall", "Wall", 32), StatementTable.Column.text("kind", "Kind", 9), StatementTable.Column.text("state", "State", 12), StatementTable.Column.text("from", "From", 11), StatementTable.Column.text("until", "Until", 11),
        StatementTable.Column.key("side", "Side", 14), StatementTable.Column.text("names", "Names", 30), StatementTable.Column.number("places", "Places kept", 9), StatementTable.Column.number("documents", "Documents kept", 10),
        StatementTable.Column.number("people", "People barred", 9), StatementTable.Column.text("who", "Who", 30), StatementTable.Column.text("exceptions", "Exceptions", 20)),
        () -> walls.stream().flatMap(wall -> rows(asked, wall)));
  }

  private static Stream<StatementTable.Row> rows(AskedStatement asked, Wall wall) {
    StandingWall standing = StandingWall.of(asked.snapshot(), wall, asked.instant());
    SnapshotAt with = standing.with();
    Snapshot snapshot = with.snapshot();
    String state = wall.barsAt(asked.instant()) ? "bars" : wall.state() == Wall.State.STANDING ? "outside its dates" : wall.state().word();
    String exceptions = StatementWords.names(wall.exceptions().stream().map(one -> SubjectNames.of(one.subject(), asked.structure()) + (one.until() == null ? "" : " until " + StatementWords.when(one.until()))).toList());
    String names = StatementWords.names(wall.barrier().subjects().stream().map((Subject one) -> SubjectNames.of(one, asked.structure())).distinct().toList());
    return standing.barrings().stream().map(barring -> {
      PersonSet people = barring.places().isEmpty() ? PersonSet.NOBODY : barring.people();
      return new StatementTable.Row(List.of(wall.name(), wall.barrier().kind(), state, StatementWords.when(wall.period().from()), StatementWords.when(wall.period().until()), barring.side() == null ? "" : barring.side(), names,
          Integer.toString(barring.places().cardinality()), Long.toString(barring.places().stream().filter(snapshot::isDocument).count()), Integer.toString(people.size()), StatementWords.people(people, snapshot), exceptions));
    });
  }
}
