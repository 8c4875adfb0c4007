package palegate.core.matrix;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;

/** Which places are the columns of a matrix: a place and what is below it, in the order of the tree. */
public final class MatrixColumns {
  /** A screen lays out so many places; what is left out is said. */
  public static final int AT_MOST = 20_000;

  /**
   * One column of places.
   *
   * @param depth below the place that was chosen, which has 0
   * @param parent the column of the place it stands below, or -1
   * @param beside which columns it is compared with first: those of the same kind below the same place
   * @param alike and then: those of the same name below the places beside its parent; null near the top
   */
  public record PlaceColumn(int place, int depth, int parent, String beside, String alike) {}

  /** @param left how many places were left out for being too many */
  public record Places(List<PlaceColumn> columns, int left) {}

  private MatrixColumns() {}

  /** A place with the containers, and if wanted the documents, below it: so many at most. O(laid out log children), and O(places below) where any are left out. */
  public static Places below(Snapshot snapshot, int top, boolean documents, int atMost) {
    List<PlaceColumn> columns = new ArrayList<>();
    // Without a recursion, and without putting in order what is not laid out.
    record Next(int place, int parent) {}
    Deque<Next> open = new ArrayDeque<>(List.of(new Next(top, -1)));
    while (!open.isEmpty() && columns.size() < atMost) {
      Next next = open.pop();
      Place said = snapshot.place(next.place());
      PlaceColumn above = next.parent() < 0 ? null : columns.get(next.parent());
      int column = columns.size();
      columns.add(new PlaceColumn(next.place(), above == null ? 0 : above.depth() + 1, next.parent(), above == null ? null : said.kind().word() + " in " + said.parent(),
          above == null || above.parent() < 0 ? null : said.kind().word() + " " + said.name() + " below " + snapshot.place(columns.get(above.parent()).place()).id()));
      List<Integer> children = documents ? snapshot.children(next.place()) : snapshot.childContainers(next.place());
      for (int i = children.size() - 1; i >= 0; i--) {
        open.push(new Next(children.get(i), column));
      }
    }
    int left = open.isEmpty() ? 0 : (int) snapshot.below(top).filter(place -> place == top || documents || !snapshot.isDocument(place)).count() - columns.size();
    return new Places(List.copyOf(columns), left);
  }
}
