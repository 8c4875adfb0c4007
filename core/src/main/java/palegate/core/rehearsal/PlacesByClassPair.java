package palegate.core.rehearsal;

import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.places.Place;
import palegate.core.snapshot.PeopleDifference;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/** The places of two states, matched with each other, and how many go from which class to which. */
abstract class PlacesByClassPair {
  /** One place by its numbers before and after; -1 where it does not exist. */
  record Spot(int before, int after) {}

  private static final int FEW_PLACES = 20_000;
  /** Fewer places than this are not worth a second thread. */
  private static final int PLACES_FOR_A_THREAD = 100_000;

  final SnapshotAt before;
  final SnapshotAt after;

  private PlacesByClassPair(SnapshotAt before, SnapshotAt after) {
    this.before = before;
    this.after = after;
  }

  static PlacesByClassPair between(SnapshotAt before, SnapshotAt after) {
    return after.comparableTo(before) ? new OfRelatives(before, after) : new OfStrangers(before, after);
  }

  /** Counts the places whose rights can differ, by pair of classes. */
  abstract PairTable count();

  /** All places of either state: in the order of the state after, then those that are gone. */
  abstract Stream<Spot> inOrder();

  /** At least those of them where anything changes, in the same order. */
  Stream<Spot> changing() {
    return inOrder();
  }

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

  /** Told of a place and of the number of its pair of classes. */
  @FunctionalInterface
  interface PairVisitor {
    void visit(int pair, Place place);
  }

  /** Visits every place whose pair of classes was counted, in no order. O(places that can differ). */
  abstract void forEach(PairTable pairs, PairVisitor visitor);

  /** By lane and pair of classes, the sum of the hashes of its places. O(places that can differ). */
  abstract long[][] sumsOfPlaces(PairTable pairs);

  static void add(long[][] sums, int pair, Snapshot in, int place) {
    for (int lane = 0; lane < sums.length && pair >= 0; lane++) {
      sums[lane][pair] = DifferenceDigest.plus(sums[lane][pair], in.placeHash(lane, place));
    }
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

  /** Two states of which one was made from the other: places have the same numbers, classes the same meaning. Each may have places that the other has not. */
  private static final class OfRelatives extends PlacesByClassPair {
    private final Snapshot was;
    private final Snapshot is;

    OfRelatives(SnapshotAt before, SnapshotAt after) {
      super(before, after);
      was = before.snapshot();
      is = after.snapshot();
    }

    private int classBefore(int place) {
      return was.hasPlace(place) ? before.classOf(place) : -1;
    }

    private int classAfter(int place) {
      return is.hasPlace(place) ? after.classOf(place) : -1;
    }

    private boolean isDocument(int place) {
      return is.hasPlace(place) ? is.isDocument(place) : was.isDocument(place);
    }

    @Override
    PairTable count() {
      List<SnapshotAt.Range> ranges = ranges();
      int middle = middle(ranges);
      CompletableFuture<PairTable> second = middle < 0 ? null : CompletableFuture.supplyAsync(() -> count(ranges, middle, Integer.MAX_VALUE));
      PairTable pairs = count(ranges, 0, middle < 0 ? Integer.MAX_VALUE : middle);
      if (second != null) {
        pairs.addAll(second.join());
      }
      PeopleDifference altered = after.alteredSince(before);
      if (!altered.people().isEmpty()) {
        addClassesOfAlteredPeople(altered, pairs);
      }
      return pairs;
    }

    /** Where to cut the places in two; -1 if they are too few for it. */
    private static int middle(List<SnapshotAt.Range> ranges) {
      int all = ranges.stream().mapToInt(range -> range.until() - range.from()).sum();
      int left = all / 2;
      for (SnapshotAt.Range range : all < PLACES_FOR_A_THREAD ? List.<SnapshotAt.Range>of() : ranges) {
        if (left < range.until() - range.from()) {
          return range.from() + left;
        }
        left -= range.until() - range.from();
      }
      return -1;
    }

    /** Counts the places of some ranges that have numbers within bounds. */
    private PairTable count(List<SnapshotAt.Range> ranges, int first, int end) {
      PairTable pairs = new PairTable();
      // What was in one class nearly always is in one class again: the pair is found without looking for it.
      int[] lastPair = new int[before.classCount() + 1];
      for (SnapshotAt.Range range : ranges) {
        for (int place = Math.max(first, range.from()); place < Math.min(end, range.until()); place++) {
          int classBefore = classBefore(place);
          int classAfter = classAfter(place);
          if (classBefore != classAfter) {
            add(pairs, lastPair, classBefore, classAfter, isDocument(place) ? 1 : 0);
          }
        }
      }
      return pairs;
    }

    private static void add(PairTable pairs, int[] lastPair, int classBefore, int classAfter, int papers) {
      int pair = lastPair[classBefore + 1];
      if (pair < pairs.size() && pairs.before(pair) == classBefore && pairs.after(pair) == classAfter) {
        pairs.addTo(pair, 1, papers);
      } else {
        lastPair[classBefore + 1] = pairs.add(classBefore, classAfter, 1, papers);
      }
    }

    private List<SnapshotAt.Range> ranges() {
      return after.madeFrom(before) ? after.changedRanges() : before.madeFrom(after) ? before.changedRanges() : everywhere();
    }

    private List<SnapshotAt.Range> everywhere() {
      return List.of(new SnapshotAt.Range(0, Math.max(was.placeRoom(), is.placeRoom())));
    }

    /** A place that stays in its class changes too if the class names people who have come or gone. */
    private void addClassesOfAlteredPeople(PeopleDifference altered, PairTable pairs) {
      boolean anywhere = altered.anywhere();
      int[] moved = new int[before.classCount()];
      int[] papersMoved = new int[moved.length];
      for (int pair = 0; pair < pairs.size(); pair++) {
        if (pairs.before(pair) >= 0) {
          moved[pairs.before(pair)] += pairs.places(pair);
          papersMoved[pairs.before(pair)] += pairs.documents(pair);
        }
      }
      for (int number = 0; number < moved.length; number++) {
        int places = before.placesInClass(number) - moved[number];
        if (places > 0 && (anywhere || altered.concerns(number))) {
          pairs.add(number, number, places, before.documentsInClass(number) - papersMoved[number]);
        }
      }
    }

    @Override
    Stream<Spot> inOrder() {
      IntStream now = is.inDisplayOrder();
      BitSet gone = gone();
      IntStream then = gone.isEmpty() ? IntStream.empty() : was.inDisplayOrder().filter(gone::get);
      return IntStream.concat(now, then).mapToObj(this::spot);
    }

    /** Where few places were sorted anew, the whole tree need not be put in order for them. */
    @Override
    Stream<Spot> changing() {
      List<SnapshotAt.Range> ranges = ranges();
      if (ranges.stream().mapToInt(range -> range.until() - range.from()).sum() > FEW_PLACES || !after.alteredSince(before).people().isEmpty()) {
        return inOrder();
      }
      List<Integer> changing = ranges.stream().flatMapToInt(range -> IntStream.range(range.from(), range.until()))
          .filter(place -> classBefore(place) != classAfter(place)).boxed().toList();
      Stream<Integer> now = changing.stream().filter(is::hasPlace).sorted(is.inTreeOrder());
      Stream<Integer> then = changing.stream().filter(place -> !is.hasPlace(place)).sorted(was.inTreeOrder());
      return Stream.concat(now, then).map(this::spot);
    }

    @Override
    long[][] sumsOfPlaces(PairTable pairs) {
      List<SnapshotAt.Range> ranges = after.alteredSince(before).people().isEmpty() ? ranges() : everywhere();
      int middle = middle(ranges);
      CompletableFuture<long[][]> second = middle < 0 ? null : CompletableFuture.supplyAsync(() -> sumsOfPlaces(pairs, ranges, middle, Integer.MAX_VALUE));
      long[][] sums = sumsOfPlaces(pairs, ranges, 0, middle < 0 ? Integer.MAX_VALUE : middle);
      if (second != null) {
        long[][] more = second.join();
        for (int lane = 0; lane < sums.length; lane++) {
          for (int pair = 0; pair < pairs.size(); pair++) {
            sums[lane][pair] = DifferenceDigest.plus(sums[lane][pair], more[lane][pair]);
          }
        }
      }
      return sums;
    }

    private long[][] sumsOfPlaces(PairTable pairs, List<SnapshotAt.Range> ranges, int from, int until) {
      long[][] sums = new long[DifferenceDigest.LANES][pairs.size()];
      int[] lastPair = new int[before.classCount() + 1];
      for (SnapshotAt.Range range : ranges) {
        for (int place = Math.max(from, range.from()); place < Math.min(until, range.until()); place++) {
          int classBefore = classBefore(place);
          int classAfter = classAfter(place);
          if (classBefore >= 0 || classAfter >= 0) {
            int pair = lastPair[classBefore + 1];
            if (pair < 0 || pair >= pairs.size() || pairs.before(pair) != classBefore || pairs.after(pair) != classAfter) {
              pair = pairs.find(classBefore, classAfter);
              lastPair[classBefore + 1] = pair;
            }
            add(sums, pair, is.hasPlace(place) ? is : was, place);
          }
        }
      }
      return sums;
    }

    @Override
    void forEach(PairTable pairs, PairVisitor visitor) {
      boolean anywhere = !after.alteredSince(before).people().isEmpty();
      for (SnapshotAt.Range range : anywhere ? everywhere() : ranges()) {
        for (int place = range.from(); place < range.until(); place++) {
          int classBefore = classBefore(place);
          int classAfter = classAfter(place);
          int pair = classBefore < 0 && classAfter < 0 ? -1 : pairs.find(classBefore, classAfter);
          if (pair >= 0) {
            visitor.visit(pair, is.hasPlace(place) ? is.place(place) : was.place(place));
          }
        }
      }
    }

    private BitSet gone() {
      BitSet gone = new BitSet();
      was.places().filter(place -> !is.hasPlace(place)).forEach(gone::set);
      return gone;
    }

    private Spot spot(int place) {
      return new Spot(was.hasPlace(place) ? place : -1, is.hasPlace(place) ? place : -1);
    }

    @Override
    void placesAfter(PairTable pairs, BitSet wanted, BitSet found) {
      if (!wanted.isEmpty()) {
        boolean anywhere = !after.alteredSince(before).people().isEmpty();
        for (SnapshotAt.Range range : anywhere ? everywhere() : ranges()) {
          for (int place = range.from(); place < range.until(); place++) {
            int pair = pairs.find(classBefore(place), classAfter(place));
            found.set(place, pair >= 0 && wanted.get(pair) && is.hasPlace(place) || found.get(place));
          }
        }
      }
    }

    @Override
    Optional<Spot> find(String place) {
      int number = Math.max(is.placeNumber(place), was.placeNumber(place));
      return number < 0 ? Optional.empty() : Optional.of(spot(number));
    }
  }

  /** Two states that have nothing in common but ids. */
  private static final class OfStrangers extends PlacesByClassPair {
    /** For each place after, its number before, or -1. */
    private final int[] numberBefore;
    private final BitSet kept = new BitSet();

    OfStrangers(SnapshotAt before, SnapshotAt after) {
      super(before, after);
      Snapshot was = before.snapshot();
      Snapshot is = after.snapshot();
      numberBefore = new int[is.placeRoom()];
      // What was not moved stands in the same order in both: the next one is nearly always the next one.
      int next = 0;
      for (int place : is.places().toArray()) {
        String id = is.place(place).id();
        boolean here = was.hasPlace(next) && was.place(next).id().equals(id);
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
      after.snapshot().places().forEach(place -> {
        int was = numberBefore[place];
        pairs.add(was < 0 ? -1 : before.classOf(was), after.classOf(place), 1, after.snapshot().isDocument(place) ? 1 : 0);
      });
      Snapshot was = before.snapshot();
      was.places().filter(place -> !kept.get(place)).forEach(place -> pairs.add(before.classOf(place), -1, 1, was.isDocument(place) ? 1 : 0));
      return pairs;
    }

    @Override
    long[][] sumsOfPlaces(PairTable pairs) {
      Snapshot was = before.snapshot();
      Snapshot is = after.snapshot();
      long[][] sums = new long[DifferenceDigest.LANES][pairs.size()];
      is.places().forEach(place -> add(sums, pairs.find(numberBefore[place] < 0 ? -1 : before.classOf(numberBefore[place]), after.classOf(place)), is, place));
      was.places().filter(place -> !kept.get(place)).forEach(place -> add(sums, pairs.find(before.classOf(place), -1), was, place));
      return sums;
    }

    @Override
    void forEach(PairTable pairs, PairVisitor visitor) {
      Snapshot was = before.snapshot();
      Snapshot is = after.snapshot();
      is.places().forEach(place -> visitor.visit(pairs.find(numberBefore[place] < 0 ? -1 : before.classOf(numberBefore[place]), after.classOf(place)), is.place(place)));
      was.places().filter(place -> !kept.get(place)).forEach(place -> visitor.visit(pairs.find(before.classOf(place), -1), was.place(place)));
    }

    @Override
    Stream<Spot> inOrder() {
      Snapshot was = before.snapshot();
      Snapshot is = after.snapshot();
      IntStream now = is.inDisplayOrder();
      boolean allKept = kept.cardinality() == was.placeCount();
      IntStream gone = allKept ? IntStream.empty() : was.inDisplayOrder().filter(place -> !kept.get(place));
      return Stream.concat(now.mapToObj(place -> new Spot(numberBefore[place], place)), gone.mapToObj(place -> new Spot(place, -1)));
    }

    @Override
    void placesAfter(PairTable pairs, BitSet wanted, BitSet found) {
      if (!wanted.isEmpty()) {
        after.snapshot().places().forEach(place -> {
          int was = numberBefore[place];
          int pair = pairs.find(was < 0 ? -1 : before.classOf(was), after.classOf(place));
          found.set(place, pair >= 0 && wanted.get(pair) || found.get(place));
        });
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
