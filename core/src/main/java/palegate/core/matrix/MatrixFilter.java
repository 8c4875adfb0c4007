package palegate.core.matrix;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;

/** Which cells of a whole matrix are of a kind. */
public final class MatrixFilter {
  /** Of what kind. */
  public enum Kind {
    /** They depart from their siblings. */
    OUTLIERS,
    /** An entry at the place itself names the subject. */
    HERE,
    /** Only entries further up name it. */
    ABOVE,
    /** Only entries of groups or units it is in. */
    THROUGH_GROUP,
    /** Something is given to a subject in which there are outsiders. */
    OUTSIDERS,
    /** A right is given. */
    RIGHT,
    /** Something else is given than at an earlier time. */
    CHANGED,
    /** The same is given, from the same, as in one cell. */
    ALIKE
  }

  /** @param columns of the cells of this row, by position, in order */
  public record InRow(int row, List<Integer> columns) {}

  /** @param total how many there are, also beyond those that are listed */
  public record Found(int total, List<InRow> rows) {}

  /** So many cells are listed. */
  public static final int LISTED_AT_MOST = 100_000;

  /**
   * What has to be known of a kind besides what is given.
   *
   * @param right for {@link Kind#RIGHT}
   * @param outlying for {@link Kind#OUTLIERS}
   * @param withOutsiders rows in which there are outsiders
   * @param before for {@link Kind#CHANGED}: the same matrix at an earlier time
   * @param row for {@link Kind#ALIKE}, with {@code column}: which cell, by position
   */
  public record Facts(Right right, List<Outlier> outlying, BitSet withOutsiders, GivenRights before, int row, int column) {}

  private MatrixFilter() {}

  /** O(rows × columns). */
  public static Found find(GivenRights given, Kind kind, Facts facts) {
    BitSet[] outlying = new BitSet[given.rows()];
    if (kind == Kind.OUTLIERS) {
      facts.outlying().forEach(one -> {
        outlying[one.row()] = outlying[one.row()] == null ? new BitSet() : outlying[one.row()];
        outlying[one.row()].set(one.column());
      });
    }
    int mask = kind == Kind.ALIKE ? given.mask(facts.row(), facts.column()) : 0;
    Matrix.From from = kind == Kind.ALIKE ? given.from(facts.row(), facts.column()) : null;
    List<InRow> rows = new ArrayList<>();
    int total = 0;
    for (int row = 0; row < given.rows(); row++) {
      List<Integer> columns = new ArrayList<>();
      for (int column = 0; column < given.columns(); column++) {
        boolean found = switch (kind) {
          case OUTLIERS -> outlying[row] != null && outlying[row].get(column);
          case HERE, ABOVE, THROUGH_GROUP -> given.from(row, column).name().equals(kind.name());
          case OUTSIDERS -> given.mask(row, column) != 0 && facts.withOutsiders().get(row);
          case RIGHT -> (given.mask(row, column) & Rights.bit(facts.right())) != 0;
          case ALIKE -> given.mask(row, column) == mask && given.from(row, column) == from;
          case CHANGED -> given.mask(row, column) != facts.before().mask(row, column);
        };
        if (found) {
          total++;
          if (total <= LISTED_AT_MOST) {
            columns.add(column);
          }
        }
      }
      if (!columns.isEmpty()) {
        rows.add(new InRow(row, columns));
      }
    }
    return new Found(total, rows);
  }
}
