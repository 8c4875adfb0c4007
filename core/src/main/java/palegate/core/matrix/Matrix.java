package palegate.core.matrix;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.stages.HoldersByRight;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.questions.PeopleByRights;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Reader;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/**
 * Subjects against places (job capability 12). A cell says what the entries that name the subject, or a group
 * or unit that it is in, give and take there, where that comes from, and how many of the subject's people have
 * exactly that, more or less.
 */
public final class Matrix {
  /** Where what a cell shows comes from, nearest first. */
  public enum From {
    /** An entry of the subject at the place itself. */
    HERE,
    /** An entry of the subject further up. */
    ABOVE,
    /** An entry of a group or unit that the subject is in. */
    THROUGH_GROUP,
    /** Nothing names the subject here. */
    NOTHING
  }

  /** Why people of a subject have less than its cell says, or more. */
  public enum Because {
    /** Walls bar them. */
    WALL,
    /** A withholding that does not name the whole subject. */
    WITHHOLDING,
    /** They are not cleared for the document's type. */
    CLEARANCE,
    /** A ceiling for outsiders. */
    CEILING,
    /** A house rule. */
    HOUSE_RULE,
    /** Another entry names them. */
    OTHER_GRANT,
    /** An oversight names them. */
    OVERSIGHT
  }

  /**
   * One cell.
   *
   * @param rights given, less withheld, closed: what the entries come to before guards
   * @param people how many active people the subject names
   * @param exactly how many of them have just these rights at the place
   * @param more how many have some right beyond these
   * @param less how many lack some of these
   */
  public record Cell(Rights rights, Rights withheld, From from, int people, int exactly, int more, int less) {}

  /** Up to so many people of a subject are gone through one by one; beyond, everybody's bits are cheaper. */
  private static final int FEW = 1_024;

  private record Row(Subject subject, Set<Subject> own, PersonSet people, int[] numbers) {
    boolean few() {
      return numbers.length <= FEW;
    }
  }

  private final SnapshotAt moment;
  private final Snapshot snapshot;
  private final Instant instant;
  private final List<Row> rows = new ArrayList<>();
  private final List<Column> columns;
  private final Cell[][] cells;
  /** Everyone behind a row that is gone through person by person. */
  private final PersonSet listed;

  private Matrix(SnapshotAt moment, Instant instant, List<Subject> subjects, List<Column> columns) {
    this.moment = moment;
    this.instant = instant;
    this.columns = List.copyOf(columns);
    snapshot = moment.snapshot();
    for (Subject subject : subjects) {
      PersonSet people = moment.matching(subject).and(moment.active());
      rows.add(new Row(subject, Containing.of(moment, subject), people, people.toArray()));
    }
    cells = new Cell[rows.size()][columns.size()];
    listed = rows.stream().filter(Row::few).map(Row::people).reduce(PersonSet.NOBODY, PersonSet::or);
    // The columns in two halves, one for each processor that a small machine has.
    IntStream.range(0, 2).parallel().forEach(half -> {
      Filling filling = new Filling();
      for (int column = half * columns.size() / 2; column < (half + 1) * columns.size() / 2; column++) {
        filling.fill(column);
      }
    });
  }

  /** Works out all cells. O(columns × (reaching entries + subjects × members)). */
  public static Matrix of(SnapshotAt moment, Instant instant, List<Subject> subjects, List<Column> columns) {
    return new Matrix(moment, instant, subjects, columns);
  }

  /** Of places themselves, by number. */
  public static Matrix of(SnapshotAt moment, Instant instant, List<Subject> subjects, int[] places) {
    return new Matrix(moment, instant, subjects, Arrays.stream(places).mapToObj(Column::of).toList());
  }

  public Cell cell(int subject, int column) {
    return cells[subject][column];
  }

  /**
   * Why people have more, or less, than a cell says.
   *
   * @param people each reason with how many of those asked about it concerns
   * @param differing how many have something else than the cell says
   * @param asked how many of those were asked about
   */
  public record Reasons(Map<Because, Integer> people, int differing, int asked) {}

  /** Of a place itself, not of a type; of so many people at most. */
  public Reasons because(int subject, int column, int atMost) {
    return MatrixReasons.of(moment, instant, rows.get(subject).people(), columns.get(column).place(), cell(subject, column).rights(), atMost);
  }

  /** The active people of a subject, told apart by what they have in a column; most first. O(kinds × people / 64). */
  public static List<PeopleByRights.Alike> behind(SnapshotAt moment, Subject subject, Column column) {
    HoldersByRight holders = holders(moment, column);
    return PeopleByRights.of(moment.matching(subject).and(moment.active()), Arrays.stream(Right.values()).map(holders::of).toList());
  }

  /** The entries that make a cell so: those that name the subject itself first, nearer ones before those further up. O(reaching entries). */
  public static List<Entry> entries(SnapshotAt moment, Instant instant, Subject subject, Column column) {
    Set<Subject> containing = Containing.of(moment, subject);
    String type = column.typeIn(moment.snapshot());
    return moment.snapshot().reachingEntries(column.place()).stream().filter(entry -> containing.contains(entry.subject()) && entry.period().holdsAt(instant) && entry.touches(type))
        .sorted(Comparator.comparing(entry -> !entry.subject().equals(subject))).toList();
  }

  private static HoldersByRight holders(SnapshotAt moment, Column column) {
    return column.type() == null ? moment.holders(column.place()) : moment.holdersOnNew(column.place(), column.type());
  }

  /** Fills column after column in the same memory. */
  private final class Filling {
    private final Reader reader = moment.reader();
    /** What each listed person holds in the column at hand. */
    private final short[] held = new short[snapshot.personCount()];

    void fill(int column) {
      Column head = columns.get(column);
      int place = head.place();
      HoldersByRight holders = head.type() == null ? reader.read(moment.classOf(place)) : moment.holdersOnNew(place, head.type());
      listed.forEach(person -> held[person] = 0);
      for (Right right : Right.values()) {
        short bit = (short) Rights.bit(right);
        holders.of(right).and(listed).forEach(person -> held[person] |= bit);
      }
      List<Entry> reaching = snapshot.reachingEntries(place).stream()
          .filter(entry -> entry.period().holdsAt(instant) && entry.touches(head.typeIn(snapshot))).toList();
      for (int row = 0; row < rows.size(); row++) {
        cells[row][column] = cell(rows.get(row), place, reaching, holders);
      }
    }

    private Cell cell(Row row, int place, List<Entry> reaching, HoldersByRight holders) {
      int given = 0;
      int withheld = 0;
      From from = From.NOTHING;
      String here = snapshot.place(place).id();
      for (Entry entry : reaching) {
        if (row.own().contains(entry.subject())) {
          int rights = snapshot.rightsOf(entry).mask();
          given |= entry instanceof Grant ? rights : 0;
          withheld |= entry instanceof Grant ? 0 : rights;
          From source = !entry.subject().equals(row.subject()) ? From.THROUGH_GROUP
              : entry.place().equals(here) ? From.HERE : From.ABOVE;
          from = source.ordinal() < from.ordinal() ? source : from;
        }
      }
      int rights = Rights.close(given & ~withheld);
      return row.few() ? count(row, Rights.ofMask(rights), Rights.ofMask(given & withheld), from)
          : countMany(row, Rights.ofMask(rights), Rights.ofMask(given & withheld), from, holders);
    }

    private Cell count(Row row, Rights rights, Rights withheld, From from) {
      int exactly = 0;
      int more = 0;
      int less = 0;
      for (int person : row.numbers()) {
        int has = held[person];
        exactly += has == rights.mask() ? 1 : 0;
        more += (has & ~rights.mask()) != 0 ? 1 : 0;
        less += (rights.mask() & ~has) != 0 ? 1 : 0;
      }
      return new Cell(rights, withheld, from, row.numbers().length, exactly, more, less);
    }
  }

  /** The same with bits: for subjects that name very many. */
  private static Cell countMany(Row row, Rights rights, Rights withheld, From from, HoldersByRight holders) {
    PersonSet more = PersonSet.NOBODY;
    PersonSet less = PersonSet.NOBODY;
    for (Right right : Right.values()) {
      PersonSet held = holders.of(right);
      if (rights.contains(right)) {
        less = less.or(row.people().minus(held));
      } else {
        more = more.or(row.people().and(held));
      }
    }
    int differing = more.or(less).size();
    return new Cell(rights, withheld, from, row.people().size(), row.people().size() - differing, more.size(), less.size());
  }
}
