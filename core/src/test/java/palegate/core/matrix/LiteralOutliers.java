package palegate.core.matrix;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Outliers as docs/matrix.md defines them, cell by cell, however slow: nothing is shared between cells that are alike. */
final class LiteralOutliers {
  /** @param measure to a thousandth: sums in another order may differ in the last place */
  record Found(int row, int column, boolean lacks, long measure) {}

  private final GivenRights given;
  private final List<MatrixRows.Row> rows;
  private final List<MatrixColumns.PlaceColumn> columns;
  private final Map<List<Integer>, Found> found = new HashMap<>();

  private LiteralOutliers(GivenRights given, List<MatrixRows.Row> rows, List<MatrixColumns.PlaceColumn> columns) {
    this.given = given;
    this.rows = rows;
    this.columns = columns;
  }

  static List<Found> of(GivenRights given, List<MatrixRows.Row> rows, List<MatrixColumns.PlaceColumn> columns) {
    LiteralOutliers literal = new LiteralOutliers(given, rows, columns);
    List<List<Integer>> places = new ArrayList<>(siblings(columns, MatrixColumns.PlaceColumn::beside, true));
    places.addAll(siblings(columns, MatrixColumns.PlaceColumn::alike, false));
    for (List<Integer> down : siblings(rows, MatrixRows.Row::beside, true)) {
      places.forEach(across -> literal.block(down, across));
    }
    return literal.found.values().stream().filter(one -> !literal.follows(one, one.row(), literal.columns.get(one.column()).parent()) && !literal.follows(one, rows.get(one.row()).parent(), one.column()))
        .sorted(Comparator.comparing(Found::row).thenComparing(Found::column)).toList();
  }

  /** @param alone whether what has no key is a block by itself */
  private static <T> List<List<Integer>> siblings(List<T> heads, Function<T, String> key, boolean alone) {
    Map<String, List<Integer>> blocks = new TreeMap<>();
    IntStream.range(0, heads.size()).forEach(i -> {
      String its = key.apply(heads.get(i));
      if (its != null || alone) {
        blocks.computeIfAbsent(its == null ? "alone " + i : its, any -> new ArrayList<>()).add(i);
      }
    });
    return List.copyOf(blocks.values());
  }

  private boolean follows(Found one, int row, int column) {
    return row >= 0 && column >= 0 && found.containsKey(List.of(row, column)) && given.mask(row, column) == given.mask(one.row(), one.column());
  }

  /** What at least three in four of at least four have; null without such. */
  private static Integer usual(List<Integer> values) {
    return values.size() < 4 ? null : values.stream().distinct().filter(value -> values.stream().filter(value::equals).count() * 4 >= values.size() * 3L).findFirst().orElse(null);
  }

  private static int departing(List<Integer> values) {
    Integer usual = usual(values);
    return (int) values.stream().filter(value -> !value.equals(usual)).count();
  }

  private static int typical(List<List<Integer>> lines) {
    List<Integer> counts = lines.stream().filter(line -> usual(line) != null).map(LiteralOutliers::departing).sorted().toList();
    return counts.size() < 4 ? 0 : counts.get(counts.size() / 2);
  }

  private static int lacking(List<List<Integer>> lines, int typical) {
    return (int) lines.stream().filter(line -> usual(line) != null && departing(line) < typical).count();
  }

  private static double bits(int of, int departing) {
    return Math.log((of + 1.0) / (departing + 1.0)) / Math.log(2);
  }

  private static boolean departs(List<Integer> line, int value, int typical, Integer exception) {
    return usual(line) == null || value != usual(line) && (departing(line) > typical || exception != null && value != exception);
  }

  private static boolean says(List<Integer> line, List<Integer> across) {
    return usual(line) != null && (usual(line) != 0 || usual(across) != null);
  }

  private void block(List<Integer> down, List<Integer> across) {
    if (down.size() < 4 && across.size() < 4) {
      return;
    }
    List<List<Integer>> inRow = down.stream().map(row -> across.stream().map(column -> given.mask(row, column)).toList()).toList();
    List<List<Integer>> inColumn = across.stream().map(column -> down.stream().map(row -> given.mask(row, column)).toList()).toList();
    int typicalInRow = typical(inRow);
    int typicalInColumn = typical(inColumn);
    List<Integer> exceptions = new ArrayList<>();
    for (int r = 0; r < down.size(); r++) {
      for (int c = 0; c < across.size(); c++) {
        Integer value = inRow.get(r).get(c);
        if (!value.equals(usual(inRow.get(r))) && !value.equals(usual(inColumn.get(c)))) {
          exceptions.add(value);
        }
      }
    }
    Integer exception = typicalInRow == 0 && typicalInColumn == 0 ? null : usual(exceptions);
    int rowsLacking = lacking(inRow, typicalInRow);
    int columnsLacking = lacking(inColumn, typicalInColumn);
    boolean tellable = exception != null && rowsLacking >= 1 && rowsLacking <= 2 && columnsLacking >= 1 && columnsLacking <= 2;
    for (int r = 0; r < down.size(); r++) {
      for (int c = 0; c < across.size(); c++) {
        cell(down.get(r), across.get(c), inRow.get(r), inColumn.get(c), typicalInRow, typicalInColumn, exception, tellable, bits(across.size(), columnsLacking) + bits(down.size(), rowsLacking));
      }
    }
  }

  private void cell(int row, int column, List<Integer> inRow, List<Integer> inColumn, int typicalInRow, int typicalInColumn, Integer exception, boolean tellable, double lackingBits) {
    int value = given.mask(row, column);
    int above = columns.get(column).parent();
    boolean asAbove = above >= 0 && given.mask(row, above) == value;
    boolean lacks = tellable && usual(inRow) != null && usual(inColumn) != null && value == usual(inRow) && value == usual(inColumn) && departing(inRow) < typicalInRow && departing(inColumn) < typicalInColumn;
    boolean patterned = says(inRow, inColumn) || says(inColumn, inRow) && (usual(inRow) != null || !asAbove);
    if (lacks || patterned && departs(inRow, value, typicalInRow, exception) && departs(inColumn, value, typicalInColumn, exception)) {
      double measure = rows.get(row).weight() * (lacks ? lackingBits : (usual(inRow) == null ? 0 : bits(inRow.size(), departing(inRow))) + (usual(inColumn) == null ? 0 : bits(inColumn.size(), departing(inColumn))));
      found.merge(List.of(row, column), new Found(row, column, lacks, Math.round(measure * 1000)), (one, other) -> one.measure() >= other.measure() ? one : other);
    }
  }

  /** The same of what the engine found. */
  static List<Found> of(List<Outlier> outliers) {
    return outliers.stream().map(one -> new Found(one.row(), one.column(), one.lacks(), Math.round(one.measure() * 1000))).sorted(Comparator.comparing(Found::row).thenComparing(Found::column)).collect(Collectors.toList());
  }
}
