package palegate.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import palegate.core.gatehouse.DatedThing;
import palegate.core.gatehouse.StateFigures;
import palegate.core.matrix.CellAt;
import palegate.core.matrix.CellCommand;
import palegate.core.matrix.CellWays;
import palegate.core.matrix.Column;
import palegate.core.matrix.GivenRights;
import palegate.core.matrix.Matrix;
import palegate.core.matrix.MatrixColumns;
import palegate.core.matrix.MatrixRows;
import palegate.core.matrix.Outliers;
import palegate.core.people.Subject;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.demo.Structures;

/** How long a matrix of 300 subjects and 20,000 places takes: heads, a screenful of cells, all of it, many cells at once; and what the gatehouse counts. */
final class MatrixFigures {
  private static final int SUBJECTS = 300;
  private static final int DOWN = 45;
  private static final int ACROSS = 60;
  private static final int CHANGED = 500;

  private MatrixFigures() {}

  static void run(Structures.Size size) {
    Snapshot snapshot = Snapshot.of(Structures.of(size));
    SnapshotAt moment = snapshot.at(Structures.NOW);
    moment.classCount();
    moment.joined();
    int top = snapshot.placeNumber(snapshot.structure().repository().orElseThrow().id());
    List<MatrixRows.Row> rows = timed("subjects chosen and put in order", () -> {
      List<MatrixRows.Row> all = MatrixRows.arranged(moment, MatrixRows.chosen(moment, Structures.NOW, MatrixRows.Rule.WITH_ACCESS_BELOW, top));
      return all.subList(0, Math.min(SUBJECTS, all.size()));
    });
    MatrixColumns.Places places = timed("places laid out", () -> MatrixColumns.below(snapshot, top, false, MatrixColumns.AT_MOST));
    List<Subject> subjects = rows.stream().map(MatrixRows.Row::subject).toList();
    List<Column> columns = places.columns().stream().map(column -> Column.of(column.place())).toList();
    System.out.println(String.format(Locale.UK, "%s: %,d people, %,d places; %,d subjects, %,d columns", size, snapshot.personCount(), snapshot.placeCount(), rows.size(), columns.size()));
    List<Subject> someRows = subjects.subList(0, Math.min(DOWN, subjects.size()));
    timed("cells in sight and near, with their people", () -> Matrix.of(moment, Structures.NOW, someRows, columns.subList(0, Math.min(ACROSS, columns.size()))));
    timed("the next such", () -> Matrix.of(moment, Structures.NOW, someRows, columns.subList(columns.size() / 2, Math.min(columns.size(), columns.size() / 2 + ACROSS))));
    GivenRights given = timed("what is given in all cells", () -> GivenRights.of(moment, Structures.NOW, subjects, columns));
    System.out.println(String.format(Locale.UK, "  outliers: %,d", timed("outliers among all cells", () -> Outliers.of(given, rows, places.columns())).size()));
    List<CellAt> cells = new ArrayList<>();
    IntStream.range(0, CHANGED).forEach(i -> cells.add(new CellAt(subjects.get(i % subjects.size()), columns.get(i * 31 % columns.size()))));
    int[] next = new int[1];
    CellWays.Answer ways = timed(CHANGED + " cells at once, their ways tried", () -> CellWays.of(snapshot, Structures.NOW, cells, new CellCommand.Match(Rights.parse(List.of("find", "read"))), () -> "made-" + next[0]++));
    System.out.println("  ways: " + ways.ways().stream().map(way -> way.kind() + " " + way.met() + " of " + ways.cells()).toList());
    timed("figures of the gatehouse", () -> StateFigures.of(moment));
    timed("what ends within a week", () -> DatedThing.between(snapshot.structure(), Structures.NOW, Structures.NOW.plusSeconds(7 * 86_400L)));
  }

  private static <T> T timed(String what, Supplier<T> work) {
    long began = System.nanoTime();
    T done = work.get();
    System.out.println(String.format(Locale.UK, "  %s: %,d ms", what, (System.nanoTime() - began) / 1_000_000));
    return done;
  }
}
