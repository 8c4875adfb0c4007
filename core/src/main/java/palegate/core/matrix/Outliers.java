package palegate.core.matrix;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntFunction;
import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;
import palegate.core.roles.Rights;

/**
 * Finds cells that depart from their siblings. Rows are siblings if they are directly in the same group or unit; columns if they are of one kind
 * below one place, or have the same name below places that are siblings, or are types.
 *
 * <p>Siblings follow a <em>pattern</em> if there are at least four and at least three in four of them have the same rights. A cell departs if it
 * has others than every pattern it stands in. That alone would mark the ordinary arrangement in which each regional group has something in its own
 * region and nothing elsewhere; so as many departures as are typical of the siblings (the median) are taken for their way, as long as they say the
 * same. A cell that stands in one more than is typical, both along and down, is marked; and where all siblings have their exception but one row and
 * one column, the cell in which those two meet lacks it. That most have nothing is a pattern only if it is so both along and down: everybody has to have something somewhere. Groups that are in no other are
 * compared too, but as they are of many kinds, what is found of them counts half.
 *
 * <p>What merely flows down from a marked place, or in from a marked group, is not marked again.
 */
public final class Outliers {
  /** So many siblings make a pattern, at least. */
  public static final int SIBLINGS_AT_LEAST = 4;
  private static final double SHARE = 0.75;
  /** Where more rows and columns than these lack their exception, it cannot be told which cells they are. */
  private static final int LACKING_AT_MOST = 2;

  private final GivenRights given;
  private final IntUnaryOperator columnAbove;
  private final int[] counts = new int[Rights.ALL.mask() + 1];
  private final Map<Long, Outlier> found = new HashMap<>();

  private Outliers(GivenRights given, IntUnaryOperator columnAbove) {
    this.given = given;
    this.columnAbove = columnAbove;
  }

  /** The strangest first, of equal ones by row and column. O(blocks of siblings × rows × different columns in the block + found). */
  public static List<Outlier> of(GivenRights given, List<MatrixRows.Row> rows, List<MatrixColumns.PlaceColumn> columns) {
    Outliers outliers = new Outliers(given, column -> columns.get(column).parent());
    Collection<int[]> subjects = blocks(rows.size(), row -> rows.get(row).beside(), true);
    List<int[]> places = new ArrayList<>(blocks(columns.size(), column -> columns.get(column).beside(), true));
    places.addAll(blocks(columns.size(), column -> columns.get(column).alike(), false));
    places.forEach(block -> outliers.lookAll(subjects, block, rows));
    return outliers.listed(row -> rows.get(row).parent());
  }

  /** The same where the columns are document types of one container: all of them are siblings. */
  public static List<Outlier> ofTypes(GivenRights given, List<MatrixRows.Row> rows) {
    Outliers outliers = new Outliers(given, column -> -1);
    int[] all = IntStream.range(0, given.columns()).toArray();
    outliers.lookAll(blocks(rows.size(), row -> rows.get(row).beside(), true), all, rows);
    return outliers.listed(row -> rows.get(row).parent());
  }

  /** Positions with the same key together; those without one by themselves, or not at all. */
  private static Collection<int[]> blocks(int count, IntFunction<String> key, boolean alone) {
    Map<String, List<Integer>> together = new LinkedHashMap<>();
    List<int[]> all = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      String beside = key.apply(i);
      if (beside != null) {
        together.computeIfAbsent(beside, any -> new ArrayList<>()).add(i);
      } else if (alone) {
        all.add(new int[] {i});
      }
    }
    together.values().forEach(block -> all.add(block.stream().mapToInt(Integer::intValue).toArray()));
    return all;
  }

  /** How the cells of one row, or of one column, of a block stand: what most have (-1 without a pattern), and how many have something else. */
  private record Line(int usual, int departing, int of) {
    boolean pattern() {
      return usual >= 0;
    }

    /** That most have nothing says something only where it is so along and down: everybody has to have something somewhere. */
    boolean says(Line across) {
      return usual > 0 || usual == 0 && across.pattern();
    }

    Outlier.Pattern said() {
      return pattern() ? new Outlier.Pattern(Rights.ofMask(usual), of - departing, of) : null;
    }

    double bits() {
      return pattern() ? Outliers.bits(of, departing) : 0;
    }

    /** Whether a value is none of what the pattern allows; a line without a pattern has no say. */
    boolean departs(int value, int typical, int exception) {
      return !pattern() || value != usual && (departing > typical || exception >= 0 && value != exception);
    }
  }

  /** Columns of a block that have the same in every row: most folders beside each other have the same entries around them. */
  private record Alike(int first, int[] columns) {}

  private List<Alike> alike(int[] columns) {
    Map<Integer, List<Integer>> together = new LinkedHashMap<>();
    for (int column : columns) {
      together.computeIfAbsent(given.alike(column), any -> new ArrayList<>()).add(column);
    }
    return together.values().stream().map(each -> new Alike(each.get(0), each.stream().mapToInt(Integer::intValue).toArray())).toList();
  }

  /** Of values, each so many times. */
  private Line line(int length, int values, IntUnaryOperator mask, IntUnaryOperator times) {
    if (length < SIBLINGS_AT_LEAST) {
      return new Line(-1, 0, length);
    }
    int usual = 0;
    for (int i = 0; i < values; i++) {
      int value = mask.applyAsInt(i);
      counts[value] += times.applyAsInt(i);
      usual = counts[value] > counts[usual] ? value : usual;
    }
    int most = counts[usual];
    for (int i = 0; i < values; i++) {
      counts[mask.applyAsInt(i)] = 0;
    }
    return most >= SHARE * length ? new Line(usual, length - most, length) : new Line(-1, 0, length);
  }

  private void lookAll(Collection<int[]> subjects, int[] columns, List<MatrixRows.Row> rows) {
    List<Alike> places = alike(columns);
    for (int[] siblings : subjects) {
      // Where no row differs along many columns, or none from the others down few, nothing departs.
      boolean enough = columns.length >= SIBLINGS_AT_LEAST ? anyDiffersAlong(siblings, places) : siblings.length >= SIBLINGS_AT_LEAST && anyDiffersDown(siblings, places);
      if (enough) {
        look(siblings, columns, places, rows.get(siblings[0]).weight());
      }
    }
  }

  private boolean anyDiffersAlong(int[] rows, List<Alike> places) {
    for (int p = 1; p < places.size(); p++) {
      for (int row : rows) {
        if (given.mask(row, places.get(p).first()) != given.mask(row, places.get(0).first())) {
          return true;
        }
      }
    }
    return false;
  }

  private boolean anyDiffersDown(int[] rows, List<Alike> places) {
    for (Alike place : places) {
      for (int row : rows) {
        if (given.mask(row, place.first()) != given.mask(rows[0], place.first())) {
          return true;
        }
      }
    }
    return false;
  }

  private void look(int[] rows, int[] columns, List<Alike> places, double weight) {
    Line[] along = Arrays.stream(rows).mapToObj(row -> line(columns.length, places.size(), i -> given.mask(row, places.get(i).first()), i -> places.get(i).columns().length)).toArray(Line[]::new);
    Line[] down = places.stream().map(place -> line(rows.length, rows.length, i -> given.mask(rows[i], place.first()), i -> 1)).toArray(Line[]::new);
    int typicalAlong = typical(along, i -> 1);
    int typicalDown = typical(down, i -> places.get(i).columns().length);
    int exception = typicalAlong == 0 && typicalDown == 0 ? -1 : usualException(rows, places, along, down);
    int lackingRows = lacking(along, typicalAlong, i -> 1);
    int lackingColumns = lacking(down, typicalDown, i -> places.get(i).columns().length);
    boolean tellable = exception >= 0 && lackingRows > 0 && lackingColumns > 0 && lackingRows <= LACKING_AT_MOST && lackingColumns <= LACKING_AT_MOST;
    for (int r = 0; r < rows.length; r++) {
      for (int p = 0; p < down.length; p++) {
        int row = rows[r];
        int value = given.mask(row, places.get(p).first());
        boolean lacks = tellable && along[r].pattern() && down[p].pattern() && value == along[r].usual() && value == down[p].usual()
            && along[r].departing() < typicalAlong && down[p].departing() < typicalDown;
        if (!lacks && !(along[r].departs(value, typicalAlong, exception) && down[p].departs(value, typicalDown, exception))) {
          continue;
        }
        boolean asAbove = down[p].says(along[r]);
        boolean patterned = lacks || along[r].says(down[p]) || asAbove && along[r].pattern();
        for (int column : patterned || asAbove ? places.get(p).columns() : new int[0]) {
          if (patterned || !follows(row, column)) {
            keep(new Outlier(row, column, Rights.ofMask(value), along[r].said(), down[p].said(), lacks,
                weight * (lacks ? bits(columns.length, lackingColumns) + bits(rows.length, lackingRows) : along[r].bits() + down[p].bits())));
          }
        }
      }
    }
  }

  private static int lacking(Line[] lines, int typical, IntUnaryOperator times) {
    return IntStream.range(0, lines.length).filter(i -> lines[i].pattern() && lines[i].departing() < typical).map(times).sum();
  }

  /** How many departures are the way of these lines; 0 unless there are enough of them to tell. */
  private static int typical(Line[] lines, IntUnaryOperator times) {
    int[] order = IntStream.range(0, lines.length).filter(i -> lines[i].pattern()).boxed().sorted(Comparator.comparingInt(i -> lines[i].departing())).mapToInt(Integer::intValue).toArray();
    int all = Arrays.stream(order).map(times).sum();
    int passed = 0;
    for (int i : order) {
      passed += times.applyAsInt(i);
      if (passed > all / 2) {
        return all < SIBLINGS_AT_LEAST ? 0 : lines[i].departing();
      }
    }
    return 0;
  }

  /** What the departing cells of a block mostly have; -1 if they have no one thing. */
  private int usualException(int[] rows, List<Alike> places, Line[] along, Line[] down) {
    int[] exceptions = new int[counts.length];
    int all = 0;
    int usual = 0;
    for (int r = 0; r < rows.length; r++) {
      for (int p = 0; p < down.length; p++) {
        int value = given.mask(rows[r], places.get(p).first());
        if (value != along[r].usual() && value != down[p].usual()) {
          exceptions[value] += places.get(p).columns().length;
          all += places.get(p).columns().length;
          usual = exceptions[value] > exceptions[usual] ? value : usual;
        }
      }
    }
    return all >= SIBLINGS_AT_LEAST && exceptions[usual] >= SHARE * all ? usual : -1;
  }

  /** The rarer among the more, the stranger. */
  private static double bits(int of, int departing) {
    return Math.log((of + 1.0) / (departing + 1.0)) / Math.log(2);
  }

  /** A cell may be in two blocks, by place and by name: the stranger of the two is said. */
  private void keep(Outlier outlier) {
    found.merge(key(outlier.row(), outlier.column()), outlier, (one, other) -> one.measure() >= other.measure() ? one : other);
  }

  private static long key(int row, int column) {
    return (long) row << 32 | column;
  }

  private List<Outlier> listed(IntUnaryOperator rowAbove) {
    return found.values().stream()
        .filter(one -> !flows(one, one.row(), columnAbove.applyAsInt(one.column())) && !flows(one, rowAbove.applyAsInt(one.row()), one.column()))
        .sorted(Comparator.comparingDouble(Outlier::measure).reversed().thenComparingInt(Outlier::row).thenComparingInt(Outlier::column)).toList();
  }

  /** Whether a cell only has what the place above has: then what is strange about it, if it is not so beside others below, is strange there. */
  private boolean follows(int row, int column) {
    int above = columnAbove.applyAsInt(column);
    return above >= 0 && given.mask(row, column) == given.mask(row, above);
  }

  /** Whether the cell further up has the same and is marked for it: then this one only follows. */
  private boolean flows(Outlier one, int row, int column) {
    Outlier above = row < 0 || column < 0 ? null : found.get(key(row, column));
    return above != null && above.rights().equals(one.rights());
  }
}
