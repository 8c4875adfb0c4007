package palegate.exports;

import java.io.IOException;
import java.io.OutputStream;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import palegate.core.matrix.Column;
import palegate.core.matrix.Matrix;
import palegate.core.matrix.MatrixColumns;
import palegate.core.matrix.MatrixRows;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.SubjectNames;

/**
 * A matrix as a file: a workbook that reads like the screen, in which a cell's style and words tell where it comes from; or one line a cell, for
 * machines.
 *
 * @param places what is across, if it is places; empty for types
 * @param columns what is across, in either case
 * @param facts the cover
 */
public record MatrixSheet(String name, String title, Map<String, String> facts, SnapshotAt moment, Instant instant, List<MatrixRows.Row> rows, List<MatrixColumns.PlaceColumn> places, List<Column> columns) {
  /** A file has at most so many cells. */
  public static final int CELLS_AT_MOST = 500_000;
  /** A workbook's table is at most so wide. */
  public static final int WIDE_AT_MOST = 16_000;
  /** A part of the columns at a time: cells are written as they are worked out. */
  private static final int ROWS_AT_ONCE = 40;

  private static final List<Sheet.Column> LINES = List.of(new Sheet.Column("subjectKind", "Kind", 10), new Sheet.Column("subject", "Subject", 30), new Sheet.Column("place", "Place", 60), new Sheet.Column("type", "Document type", 20),
      new Sheet.Column("rights", "Rights", 40), new Sheet.Column("role", "Role", 16), new Sheet.Column("withheld", "Withheld", 20), new Sheet.Column("from", "Comes from", 18),
      new Sheet.Column("people", "People", 8, true), new Sheet.Column("exactly", "Exactly that", 8, true), new Sheet.Column("more", "More", 8, true), new Sheet.Column("less", "Less", 8, true));

  public long cells() {
    return (long) rows.size() * columns.size();
  }

  /**
   * Writes it; memory does not grow with the rows.
   *
   * @param turned whether the places go down and the subjects across; only a workbook can be turned
   */
  public void write(FileFormat format, boolean turned, OutputStream out) throws IOException {
    if (format == FileFormat.XLSX) {
      MatrixWorkbook.write(this, turned, out);
    } else {
      format.write(new Sheet(name, title, facts, LINES, IntStream.range(0, (rows.size() + ROWS_AT_ONCE - 1) / ROWS_AT_ONCE).boxed().flatMap(part -> lines(part).stream())), out);
    }
  }

  private List<List<String>> lines(int part) {
    List<MatrixRows.Row> some = rows.subList(part * ROWS_AT_ONCE, Math.min(rows.size(), (part + 1) * ROWS_AT_ONCE));
    Matrix matrix = matrix(some);
    Map<Rights, String> roles = roleNames();
    List<List<String>> lines = new ArrayList<>();
    for (int row = 0; row < some.size(); row++) {
      for (int column = 0; column < columns.size(); column++) {
        Matrix.Cell cell = matrix.cell(row, column);
        Column head = columns.get(column);
        lines.add(List.of(some.get(row).subject().kind(), rowName(some.get(row)), snapshot().pathText(head.place()), head.type() == null ? "" : snapshot().structure().types().get(head.type()).name(),
            cell.rights().toString(), roles.getOrDefault(cell.rights(), ""), cell.withheld().toString(), from(cell.from()), Integer.toString(cell.people()), Integer.toString(cell.exactly()), Integer.toString(cell.more()), Integer.toString(cell.less())));
      }
    }
    return lines;
  }

  Matrix matrix(List<MatrixRows.Row> some) {
    return Matrix.of(moment, instant, some.stream().map(MatrixRows.Row::subject).toList(), columns);
  }

  Snapshot snapshot() {
    return moment.snapshot();
  }

  String rowName(MatrixRows.Row row) {
    return SubjectNames.of(row.subject(), snapshot().structure());
  }

  String columnName(int column) {
    Column head = columns.get(column);
    return head.type() != null ? snapshot().structure().types().get(head.type()).name() : snapshot().place(head.place()).name();
  }

  int columnDepth(int column) {
    return places.isEmpty() ? 0 : places.get(column).depth();
  }

  /** The role that a set of rights is, where it is one's. */
  Map<Rights, String> roleNames() {
    Map<Rights, String> names = new HashMap<>();
    snapshot().structure().roles().values().stream().sorted((one, other) -> one.id().compareTo(other.id())).forEach((Role role) -> names.putIfAbsent(role.rights(), role.name()));
    return names;
  }

  /** In few letters: a role's name, or each right by its first letters. */
  static String words(Rights rights, Map<Rights, String> roles) {
    return rights.isEmpty() ? "" : roles.getOrDefault(rights, String.join(" ", rights.list().stream().map(Right::word).map(word -> word.substring(0, 3)).toList()));
  }

  static String from(Matrix.From from) {
    return switch (from) {
      case HERE -> "given here";
      case ABOVE -> "from above";
      case THROUGH_GROUP -> "through a group";
      case NOTHING -> "";
    };
  }

  /** A file's name of a title. */
  public static String nameOf(String title) {
    String name = title.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
    return "matrix-" + (name.isEmpty() ? "of-places" : name.substring(0, Math.min(60, name.length())));
  }
}
