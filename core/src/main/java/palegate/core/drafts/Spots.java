package palegate.core.drafts;

import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.places.Place;
import palegate.core.snapshot.Altered;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;

/** The places of two states, matched with each other, and how many go from which class to which. */
abstract class Spots {
  /** One place by its numbers before and after; -1 where it does not exist. */
  record Spot(int before, int after) {}

  final Moment before;
  final Moment after;

  private Spots(Moment before, Moment after) {
    this.before = before;
    this.after = after;
  }

  static Spots between(Moment before, Moment after) {
    return after.comparableTo(before) ? new OfRelatives(before, after) : new OfStrangers(before, after);
  }

  /** Counts the places whose rights can differ, by pair of classes. */
  abstract PairTable count();

  /** All places of either state: in the order of the state after, then those that are gone. */
  abstract Stream<Spot> inOrder();

  abstract Optional<Spot> find(String place);

  /** The number of a place's pair of classes, or -1 if it is none of those counted. */
  int pair(PairTable pairs, Spot spot) {
    return pairs.find(spot.before() < 0 ? -1 : before.classOf(spot.before()), spot.after() < 0 ? -1 : after.classOf(spot.after()));
  }

  Place place(Spot spot) {
    return spot.after() >= 0 ? after.snapshot().place(spot.after()) : before.snapshot().place(spot.before());
  }

  String path(Spot spot) {
    return spot.after() >= 0 ? after.snapshot().pathText(spot.after()) : before.snapshot().pathText(spot.before());
  }

  /** Adds the places after whose pair is wanted. */
  void placesAfter(PairTable pairs, BitSet wanted, BitSet found) {
    if (!wanted.isEmpty()) {
      inOrder().filter(spot -> spot.after() >= 0).forEach(spot -> {
        int pair = pair(pairs, spot);
        if (pair >= 0 && wanted.get(pair)) {
          found.set(spot.after());
        }
      });
    }
  }

  /**
   * Two states of which one was made from the other: places have the same numbers, classes the same meaning. One of them
   * may have places more, with higher numbers.
   */
  private static final class OfRelatives extends Spots {
    private final int countBefore;
    private final int countAfter;
    private final Snapshot larger;

    OfRelatives(Moment before, Moment after) {
      super(before, after);
      countBefore = before.snapshot().placeCount();
      countAfter = after.snapshot().placeCount();
      larger = countBefore > countAfter ? before.snapshot() : after.snapshot();
    }

    private int classBefore(int place) {
      return place < countBefore ? before.classOf(place) : -1;
    }

    private int classAfter(int place) {
      return place < countAfter ? after.classOf(place) : -1;
    }

    @Override
    PairTable count() {
      PairTable pairs = new PairTable();
      Altered altered = after.alteredSince(before);
      boolean peopleDiffer = !altered.people().isEmpty();
      int[] moved = new int[peopleDiffer ? before.classCount() : 0];
      int[] papersMoved = new int[moved.length];
      for (Moment.Range range : ranges()) {
        for (int place = range.from(); place < range.until(); place++) {
          int was = classBefore(place);
          int is = classAfter(place);
          if (was != is) {
            int papers = larger.isDocument(place) ? 1 : 0;
            pairs.add(was, is, 1, papers);
            if (was >= 0 && was < moved.length) {
              moved[was]++;
              papersMoved[was] += papers;
            }
          }
        }
      }
      if (peopleDiffer) {
        addClassesOfAlteredPeople(altered, pairs, moved, papersMoved);
      }
      return pairs;
    }

    private List<Moment.Range> ranges() {
      return after.madeFrom(before) ? after.changedRanges() : before.madeFrom(after) ? before.changedRanges() : everywhere();
    }

    private List<Moment.Range> everywhere() {
      return List.of(new Moment.Range(0, larger.placeCount()));
    }

    /** A place that stays in its class changes too if the class names people who have come or gone. */
    private void addClassesOfAlteredPeople(Altered altered, PairTable pairs, int[] moved, int[] papersMoved) {
      boolean anywhere = altered.anywhere();
      for (int number = 0; number < moved.length; number++) {
        int places = before.placesInClass(number) - moved[number];
        if (places > 0 && (anywhere || altered.concerns(number))) {
          pairs.add(number, number, places, before.documentsInClass(number) - papersMoved[number]);
        }
      }
    }

    @Override
    Stream<Spot> inOrder() {
      return larger.placeCount() == 0 ? Stream.empty() : larger.inDisplayOrder(0).mapToObj(this::spot);
    }

    private Spot spot(int place) {
      return new Spot(place < countBefore ? place : -1, place < countAfter ? place : -1);
    }

    @Override
    void placesAfter(PairTable pairs, BitSet wanted, BitSet found) {
      if (!wanted.isEmpty()) {
        boolean anywhere = !after.alteredSince(before).people().isEmpty();
        for (Moment.Range range : anywhere ? everywhere() : ranges()) {
          for (int place = range.from(); place < Math.min(range.until(), countAfter); place++) {
            int pair = pairs.find(classBefore(place), classAfter(place));
            found.set(place, pair >= 0 && wanted.get(pair) || found.get(place));
          }
        }
      }
    }

    @Override
    Optional<Spot> find(String place) {
      int number = larger.placeNumber(place);
      return number < 0 ? Optional.empty() : Optional.of(spot(number));
    }
  }

  /** Two states that have nothing in common but ids. */
  private static final class OfStrangers extends Spots {
    /** For each place after, its number before, or -1. */
    private final int[] numberBefore;
    private final BitSet kept = new BitSet();

    OfStrangers(Moment before, Moment after) {
      super(before, after);
      Snapshot was = before.snapshot();
      Snapshot is = after.snapshot();
      numberBefore = new int[is.placeCount()];
      // What was not moved stands in the same order in both: the next one is nearly always the next one.
      int next = 0;
      for (int place = 0; place < numberBefore.length; place++) {
        String id = is.place(place).id();
        boolean here = next < was.placeCount() && was.place(next).id().equals(id);
        numberBefore[place] = here ? next : was.placeNumber(id);
        if (numberBefore[place] >= 0) {
          kept.set(numberBefore[place]);
          next = numberBefore[place] + 1;
        }
      }
    }

    @Override
    PairTable count() {
      PairTable pairs = new PairTable();
      for (int place = 0; place < numberBefore.length; place++) {
        int was = numberBefore[place];
        pairs.add(was < 0 ? -1 : before.classOf(was), after.classOf(place), 1, after.snapshot().isDocument(place) ? 1 : 0);
      }
      Snapshot was = before.snapshot();
      for (int place = kept.nextClearBit(0); place < was.placeCount(); place = kept.nextClearBit(place + 1)) {
        pairs.add(before.classOf(place), -1, 1, was.isDocument(place) ? 1 : 0);
      }
      return pairs;
    }

    @Override
    Stream<Spot> inOrder() {
      Snapshot was = before.snapshot();
      Snapshot is = after.snapshot();
      IntStream now = is.placeCount() == 0 ? IntStream.empty() : is.inDisplayOrder(0);
      boolean allKept = kept.cardinality() == was.placeCount();
      IntStream gone = allKept ? IntStream.empty() : was.inDisplayOrder(0).filter(place -> !kept.get(place));
      return Stream.concat(now.mapToObj(place -> new Spot(numberBefore[place], place)), gone.mapToObj(place -> new Spot(place, -1)));
    }

    @Override
    void placesAfter(PairTable pairs, BitSet wanted, BitSet found) {
      for (int place = 0; place < numberBefore.length && !wanted.isEmpty(); place++) {
        int was = numberBefore[place];
        int pair = pairs.find(was < 0 ? -1 : before.classOf(was), after.classOf(place));
        found.set(place, pair >= 0 && wanted.get(pair) || found.get(place));
      }
    }

    @Override
    Optional<Spot> find(String place) {
      int was = before.snapshot().placeNumber(place);
      int is = after.snapshot().placeNumber(place);
      return was < 0 && is < 0 ? Optional.empty() : Optional.of(new Spot(was, is));
    }
  }
}
