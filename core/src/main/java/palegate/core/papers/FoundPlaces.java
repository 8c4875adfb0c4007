package palegate.core.papers;

import java.util.BitSet;
import java.util.List;
import java.util.stream.IntStream;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.walls.Barrier;

/**
 * What one person can find now, and the containers that lead there (section 6, passage). Made in O(places), and from then on a
 * question is a look at bits. Everything that papers say is asked of this: what is not found is to the person as if it did not exist.
 */
public final class FoundPlaces {
  private final SnapshotAt at;
  private final int person;
  private final BitSet found = new BitSet();
  private final BitSet shown = new BitSet();

  private FoundPlaces(SnapshotAt at, int person) {
    this.at = at;
    this.person = person;
  }

  /** @param person a number of the state; negative for nobody, who finds nothing */
  public static FoundPlaces of(SnapshotAt at, int person) {
    FoundPlaces places = new FoundPlaces(at, person);
    if (person >= 0) {
      places.find();
    }
    return places;
  }

  private void find() {
    Snapshot snapshot = at.snapshot();
    int[] byClass = at.rightsInEveryClass(person);
    BitSet leads = new BitSet();
    int[] places = snapshot.places().toArray();
    for (int i = places.length - 1; i >= 0; i--) {
      int place = places[i];
      boolean finds = at.isConditioned(place) ? at.rightsNow(person, place).contains(Right.FIND) : (byClass[at.classOf(place)] & Rights.bit(Right.FIND)) != 0;
      if (finds) {
        found.set(place);
      }
      if (finds || leads.get(place) && !barredForGood(place)) {
        shown.set(place);
      }
      if (snapshot.parent(place) >= 0 && (finds || leads.get(place))) {
        leads.set(snapshot.parent(place));
      }
    }
  }

  /** Whether a screen, a seal or sides bar the person: then the container never shows, whatever it leads to. */
  private boolean barredForGood(int place) {
    return at.walls().barring(person, place).stream().anyMatch(wall -> !(wall.barrier() instanceof Barrier.Confine));
  }

  public SnapshotAt at() {
    return at;
  }

  public boolean finds(int place) {
    return place >= 0 && found.get(place);
  }

  /** Whether it shows in the tree: found, or on the way to something that is. */
  public boolean shows(int place) {
    return place >= 0 && shown.get(place);
  }

  /** How many places are found. */
  public int count() {
    return found.cardinality();
  }

  /** The numbers of all places that are found, in order of their numbers. */
  public IntStream stream() {
    return found.stream();
  }

  /** What shows directly below a place, in display order. */
  public List<Integer> children(int place) {
    return at.snapshot().children(place).stream().filter(this::shows).toList();
  }

  /** The path down to a place, without what does not show. */
  public List<Integer> path(int place) {
    return at.snapshot().path(place).stream().filter(this::shows).toList();
  }

  public Rights rights(int place) {
    return person < 0 ? Rights.NONE : at.rightsNow(person, place);
  }
}
