package palegate.core.questions;

import java.util.BitSet;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.walls.Barrier;

/**
 * Which containers show in the tree to a person (section 6): those that they may find, and those that
 * lead to something that they may find. Passage is not a right and is never reported as one.
 */
public final class Passage {
  private Passage() {}

  /** The numbers of the containers that show. O(places). */
  public static BitSet of(SnapshotAt moment, int person) {
    Snapshot snapshot = moment.snapshot();
    BitSet shown = new BitSet();
    BitSet leads = new BitSet();
    int[] places = snapshot.places().toArray();
    // From the last place to the first, so that what is below has been seen before what is above.
    for (int i = places.length - 1; i >= 0; i--) {
      int place = places[i];
      boolean found = moment.rightsNow(person, place).contains(Right.FIND);
      if (snapshot.place(place).kind().isContainer() && (found || leads.get(place) && !barredForGood(moment, person, place))) {
        shown.set(place);
      }
      if ((found || leads.get(place)) && snapshot.parent(place) >= 0) {
        leads.set(snapshot.parent(place));
      }
    }
    return shown;
  }

  /** Whether a screen, a seal or sides bar the person: then the container never shows, whatever it leads to. */
  private static boolean barredForGood(SnapshotAt moment, int person, int place) {
    return moment.walls().barring(person, place).stream().anyMatch(wall -> !(wall.barrier() instanceof Barrier.Confine));
  }
}
