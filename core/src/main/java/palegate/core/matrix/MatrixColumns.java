package palegate.core.matrix;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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

  /** A place with the containers, and if wanted the documents, below it: so many at most. O(places below). */
  public static Places below(Snapshot snapshot, int top, boolean documents, int atMost) {
    List<PlaceColumn> columns = new ArrayList<>();
    Map<Integer, Integer> at = new HashMap<>();
    int left = 0;
    int[] order = snapshot.inDisplayOrder(top).filter(place -> place == top || documents || !snapshot.isDocument(place)).toArray();
    for (int place : order) {
      if (columns.size() == atMost) {
        left = order.length - atMost;
        break;
      }
      int parent = place == top ? -1 : at.get(snapshot.parent(place));
      at.put(place, columns.size());
      Place said = snapshot.place(place);
      PlaceColumn above = parent < 0 ? null : columns.get(parent);
      columns.add(new PlaceColumn(place, above == null ? 0 : above.depth() + 1, parent, above == null ? null : said.kind().word() + " in " + said.parent(),
          above == null || above.parent() < 0 ? null : said.kind().word() + " " + said.name() + " below " + snapshot.place(columns.get(above.parent()).place()).id()));
    }
    return new Places(List.copyOf(columns), left);
  }
}
