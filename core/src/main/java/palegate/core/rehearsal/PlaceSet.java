package palegate.core.rehearsal;

import java.util.BitSet;
import java.util.stream.Stream;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;

/** Some places of a snapshot: counted at once, listed when asked for, in the order in which people read the tree. */
public final class PlaceSet {
  /** Of so many it is quicker to compare the ways to them than to put the whole tree in order. */
  private static final int FEW = 1_000;

  private final Snapshot snapshot;
  private final BitSet numbers;

  PlaceSet(Snapshot snapshot, BitSet numbers) {
    this.snapshot = snapshot;
    this.numbers = numbers;
  }

  public int size() {
    return numbers.cardinality();
  }

  public boolean isEmpty() {
    return numbers.isEmpty();
  }

  public boolean contains(int place) {
    return numbers.get(place);
  }

  /** A sum over the places that does not depend on their order, by lane; O(places of the set), where in order it would be those of the snapshot. */
  long[] digest() {
    long[] sums = new long[DifferenceDigest.LANES];
    numbers.stream().forEach(place -> {
      for (int lane = 0; lane < sums.length; lane++) {
        sums[lane] = DifferenceDigest.plus(sums[lane], snapshot.placeHash(lane, place));
      }
    });
    return sums;
  }

  /** Lazily. O(set log set × depth) for a few, else O(places of the snapshot) if there are any. */
  public Stream<Place> stream() {
    return isEmpty() ? Stream.empty()
        : numbers.cardinality() <= FEW ? numbers.stream().boxed().sorted(snapshot.inTreeOrder()).map(snapshot::place) : snapshot.inDisplayOrder().filter(numbers::get).mapToObj(snapshot::place);
  }
}
