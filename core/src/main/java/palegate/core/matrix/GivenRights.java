package palegate.core.matrix;

import java.time.Instant;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.people.Subject;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.SubjectNames;

/**
 * What the entries come to in every cell of a matrix, however large, and where it comes from; nobody is counted. Columns in which the
 * same reaches share what was worked out: places of one access class have the same entries around them.
 */
public final class GivenRights {
  private static final int DIRECT = 1 << 9;
  private static final int THROUGH = 1 << 10;

  private final Snapshot snapshot;
  private final Instant instant;
  private final List<Subject> subjects;
  private final List<Column> columns;
  /** By subject: the rows that it is, or contains. */
  private final Map<Subject, int[]> rowsOf = new HashMap<>();
  /** By column: by row. Alike columns are one array. */
  private final short[][] cells;
  /** By column: the first with the same array. */
  private final int[] alike;

  private GivenRights(SnapshotAt moment, Instant instant, List<Subject> subjects, List<Column> columns) {
    snapshot = moment.snapshot();
    this.instant = instant;
    this.subjects = List.copyOf(subjects);
    this.columns = List.copyOf(columns);
    for (int row = 0; row < subjects.size(); row++) {
      if (!SubjectNames.isThere(subjects.get(row), snapshot.structure())) {
        continue;
      }
      for (Subject in : Containing.of(moment, subjects.get(row))) {
        int[] rows = rowsOf.getOrDefault(in, new int[0]);
        int[] more = Arrays.copyOf(rows, rows.length + 1);
        more[rows.length] = row;
        rowsOf.put(in, more);
      }
    }
    Map<Integer, Integer> firstOfClass = new HashMap<>();
    cells = new short[columns.size()][];
    alike = new int[cells.length];
    short[] nothing = new short[subjects.size()];
    int notThere = -1;
    for (int column = 0; column < cells.length; column++) {
      Column head = columns.get(column);
      alike[column] = head.place() < 0 ? notThere < 0 ? column : notThere : head.type() == null ? firstOfClass.getOrDefault(moment.classOf(head.place()), column) : column;
      if (alike[column] < column) {
        cells[column] = cells[alike[column]];
      } else if (head.place() < 0) {
        notThere = column;
        cells[column] = nothing;
      } else {
        if (head.type() == null) {
          firstOfClass.put(moment.classOf(head.place()), column);
        }
        cells[column] = worked(head);
      }
    }
  }

  /** Of columns whose place is not there (below 0), and of subjects that are not, nothing is given. O(different classes × (reaching entries + subjects) + columns). */
  public static GivenRights of(SnapshotAt moment, Instant instant, List<Subject> subjects, List<Column> columns) {
    return new GivenRights(moment, instant, subjects, columns);
  }

  private short[] worked(Column head) {
    String type = head.typeIn(snapshot);
    int[] given = new int[subjects.size()];
    int[] withheld = new int[subjects.size()];
    int[] named = new int[subjects.size()];
    for (Entry entry : snapshot.reachingEntries(head.place())) {
      int[] rows = rowsOf.get(entry.subject());
      if (rows != null && entry.period().holdsAt(instant) && entry.touches(type)) {
        int rights = snapshot.rightsOf(entry).mask();
        for (int row : rows) {
          given[row] |= entry instanceof Grant ? rights : 0;
          withheld[row] |= entry instanceof Grant ? 0 : rights;
          named[row] |= entry.subject().equals(subjects.get(row)) ? DIRECT : THROUGH;
        }
      }
    }
    short[] made = new short[given.length];
    for (int row = 0; row < made.length; row++) {
      made[row] = (short) (Rights.close(given[row] & ~withheld[row]) | named[row]);
    }
    return made;
  }

  /** At which it holds. */
  public Instant instant() {
    return instant;
  }

  public int rows() {
    return subjects.size();
  }

  public int columns() {
    return columns.size();
  }

  /** A number that columns with the same in every row may share; those of one access class do. */
  int alike(int column) {
    return alike[column];
  }

  /** The rights of a cell, as a mask. */
  public int mask(int row, int column) {
    return cells[column][row] & DIRECT - 1;
  }

  public Rights rights(int row, int column) {
    return Rights.ofMask(mask(row, column));
  }

  /** O(own entries of the place) where the subject itself is named. */
  public Matrix.From from(int row, int column) {
    int cell = cells[column][row];
    if ((cell & DIRECT) == 0) {
      return (cell & THROUGH) == 0 ? Matrix.From.NOTHING : Matrix.From.THROUGH_GROUP;
    }
    Column head = columns.get(column);
    Subject subject = subjects.get(row);
    String type = head.typeIn(snapshot);
    return snapshot.ownEntries(head.place()).stream().anyMatch(entry -> entry.subject().equals(subject) && entry.period().holdsAt(instant) && entry.touches(type))
        ? Matrix.From.HERE : Matrix.From.ABOVE;
  }
}
