package palegate.core.rehearsal;

import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.collections.Later;
import palegate.core.collections.PersonSet;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/**
 * The exact difference in standing rights between two states at one instant, over all people and all
 * places (section 8). A person or place that only one of the states has counts as without rights in
 * the other.
 *
 * <p>Places that are in one access class before and in one after change alike: they are counted, not
 * compared, and each pair of classes is worked out once. The lists are made when asked for, lazily.
 */
public final class RightsDifference {
  /** What is counted; a pair is one person at one place. */
  public record Totals(
      int peopleGaining, int peopleLosing, int places, int documents, long pairsGaining, long pairsLosing,
      int outsidersGaining) {}

  /** What changes for one person, over all places. */
  public record PersonShift(
      Person person, Rights gained, Rights lost, int placesGaining, int placesLosing, int documents) {}

  /** What changes at one place, over all people. */
  public record PlaceShift(Place place, Rights gained, Rights lost, int peopleGaining, int peopleLosing) {}

  /** What changes for one person at one place. */
  public record Pair(Person person, Place place, String path, Rights before, Rights after) {
    public Rights gained() {
      return after.minus(before);
    }

    public Rights lost() {
      return before.minus(after);
    }
  }

  private final Instant instant;
  private final PlacesByClassPair spots;
  private final Snapshot after;
  private final Numbering people;
  private final PairTable pairs;
  private final DifferencesByClassPair shifts;
  private final Totals totals;
  private final Later<List<PersonShift>> personShifts = new Later<>(this::findPersonShifts);
  private final Later<String> digest = new Later<>(this::findDigest);

  private RightsDifference(SnapshotAt momentBefore, SnapshotAt momentAfter, Instant instant) {
    this.instant = instant;
    after = momentAfter.snapshot();
    people = new Numbering(momentBefore.snapshot(), after);
    spots = PlacesByClassPair.between(momentBefore, momentAfter);
    pairs = spots.count();
    shifts = DifferencesByClassPair.of(momentBefore, momentAfter, people, pairs);
    totals = count();
  }

  /** Compares two states at an instant. If one was made from the other, the cost grows with what was touched. */
  public static RightsDifference between(Snapshot before, Snapshot after, Instant instant) {
    return new RightsDifference(before.at(instant), after.at(instant), instant);
  }

  /** Compares what holds at two moments, of one snapshot or of two. */
  public static RightsDifference between(SnapshotAt before, SnapshotAt after) {
    return new RightsDifference(before, after, after.instant());
  }

  /** Whether two states give everyone the same; stops at the first difference. */
  static boolean none(Snapshot before, Snapshot after, Instant instant) {
    SnapshotAt momentBefore = before.at(instant);
    SnapshotAt momentAfter = after.at(instant);
    return DifferencesByClassPair.none(momentBefore, momentAfter, new Numbering(before, after), PlacesByClassPair.between(momentBefore, momentAfter).count());
  }

  public Instant instant() {
    return instant;
  }

  public Totals totals() {
    return totals;
  }

  public boolean isEmpty() {
    return totals.places() == 0;
  }

  /**
   * A digest of the whole difference: the same text for the same difference, wherever it is worked out and however it
   * came about. O(changed places + changed pairs of classes × people / 8) the first time.
   */
  public String digest() {
    return digest.get();
  }

  private String findDigest() {
    long[] found = new long[DifferenceDigest.LANES];
    if (!isEmpty()) {
      long[][] byPeople = shifts.digests(new DifferenceDigest(people, people.words()));
      long[][] byPlaces = spots.sumsOfPlaces(pairs);
      for (int lane = 0; lane < found.length; lane++) {
        for (int pair = 0; pair < pairs.size(); pair++) {
          found[lane] = DifferenceDigest.plus(found[lane], DifferenceDigest.times(byPeople[lane][pair], byPlaces[lane][pair]));
        }
      }
    }
    return DifferenceDigest.text(found);
  }

  /** For each right, how many pairs gain it; rights that nobody gains are left out. */
  public Map<Right, Long> gainedByRight() {
    return byRight(shifts.gainedByRight());
  }

  /** For each right, how many pairs lose it. */
  public Map<Right, Long> lostByRight() {
    return byRight(shifts.lostByRight());
  }

  /** Everyone who gains or loses anything, in byte order of their ids. O(changed pairs of classes × people / 64) the first time. */
  public List<PersonShift> people() {
    return personShifts.get();
  }

  private List<PersonShift> findPersonShifts() {
    PersonTotals totals = shifts.people();
    List<PersonShift> list = new ArrayList<>();
    people.inOrder(shifts.gaining().or(shifts.losing())).forEach(person -> list.add(new PersonShift(people.person(person), Rights.ofMask(totals.gained(person)),
        Rights.ofMask(totals.lost(person)), totals.placesGaining[person], totals.placesLosing[person], totals.documents[person])));
    return List.copyOf(list);
  }

  /** Every place where anything changes, lazily, in tree order; those that only stood before come last. */
  public Stream<PlaceShift> places() {
    return changedSpots().map(spot -> {
      int pair = spots.pair(pairs, spot);
      return new PlaceShift(spots.place(spot), shifts.gained(pair), shifts.lost(pair),
          shifts.peopleGaining(pair), shifts.peopleLosing(pair));
    });
  }

  /** The same with only some people counted: where anything changes for one of them. Each pair of classes is worked out once. */
  public Stream<PlaceShift> placesOf(Predicate<Person> wanted) {
    PersonSet among = PersonSet.of(IntStream.range(0, people.count()).filter(number -> wanted.test(people.person(number))).toArray());
    Map<Integer, ForSome> known = new HashMap<>();
    return changedSpots().flatMap(spot -> {
      ForSome some = known.computeIfAbsent(spots.pair(pairs, spot), pair -> forSome(shifts.shift(pair), among));
      return some.gaining() + some.losing() == 0 ? Stream.empty()
          : Stream.of(new PlaceShift(spots.place(spot), some.gained(), some.lost(), some.gaining(), some.losing()));
    });
  }

  /** The path of a place of either state; as it is after, if it is there. */
  public String path(Place place) {
    return spots.path(spots.find(place.id()).orElseThrow());
  }

  private record ForSome(Rights gained, Rights lost, int gaining, int losing) {}

  private static ForSome forSome(Shift shift, PersonSet among) {
    int gained = 0;
    int lost = 0;
    for (int right = 0; right < Right.values().length; right++) {
      gained |= shift.gained(right).intersects(among) ? 1 << right : 0;
      lost |= shift.lost(right).intersects(among) ? 1 << right : 0;
    }
    return new ForSome(Rights.ofMask(gained), Rights.ofMask(lost), shift.gainers().sizeOfAnd(among), shift.losers().sizeOfAnd(among));
  }

  /** Whether anything changes at one of some places, or, if asked, whether somebody from outside gains anything there. O(changed places). */
  boolean changesAnywhere(Predicate<Place> where, boolean outsidersGain) {
    BitSet wanted = new BitSet();
    PersonSet outsiders = outsidersGain
        ? PersonSet.of(IntStream.range(0, people.count()).filter(number -> people.person(number).external()).toArray()) : null;
    for (int pair = 0; pair < pairs.size(); pair++) {
      wanted.set(pair, shifts.changes(pair) && (outsiders == null || shifts.shift(pair).gainers().intersects(outsiders)));
    }
    boolean[] found = new boolean[1];
    if (!wanted.isEmpty()) {
      spots.forEach(pairs, (pair, place) -> found[0] = found[0] || wanted.get(pair) && where.test(place));
    }
    return found[0];
  }

  /** Every person at every place whose rights change; lazily, in tree order, then by person. */
  public Stream<Pair> pairs() {
    return changedSpots().flatMap(this::pairsAt);
  }

  /** The pairs that are looked for, as a list that can be read from anywhere in it. O(changed places + changed pairs of classes × people / 64). */
  public FoundPairs find(FoundPairs.Wanted wanted) {
    Stream<PlacesByClassPair.Spot> where = wanted.place() == null ? changedSpots() : spots.find(wanted.place()).filter(this::changes).stream();
    return new FoundPairs(wanted, wanted.below() == null ? where : where.filter(below(wanted.below())), spots, pairs, shifts, people);
  }

  /** A place is where it was and where it is. */
  private Predicate<PlacesByClassPair.Spot> below(String top) {
    BitSet was = below(spots.before.snapshot(), top);
    BitSet is = below(spots.after.snapshot(), top);
    return spot -> spot.before() >= 0 && was.get(spot.before()) || spot.after() >= 0 && is.get(spot.after());
  }

  private static BitSet below(Snapshot snapshot, String top) {
    BitSet below = new BitSet();
    int number = snapshot.placeNumber(top);
    if (number >= 0) {
      snapshot.below(number).forEach(below::set);
    }
    return below;
  }

  /** The same at one place only. */
  public Stream<Pair> pairsAt(String place) {
    return spots.find(place).filter(this::changes).stream().flatMap(this::pairsAt);
  }

  /** The places of the state after where a person loses a right. */
  public PlaceSet placesWhereLost(String person, Right right) {
    BitSet found = new BitSet();
    addPlacesWhereLost(person, right, found);
    return new PlaceSet(after, found);
  }

  void addPlacesWhereLost(String person, Right right, BitSet found) {
    int number = people.numberOf(person);
    if (number >= 0) {
      found.or(placesWhere(pair -> shifts.lost(pair).contains(right) && shifts.loses(pair, number, right)));
    }
  }

  /** The places of the state after where a pair of classes satisfies a test. */
  BitSet placesWhere(IntPredicate test) {
    BitSet wanted = new BitSet();
    for (int pair = 0; pair < pairs.size(); pair++) {
      wanted.set(pair, test.test(pair));
    }
    BitSet found = new BitSet();
    spots.placesAfter(pairs, wanted, found);
    return found;
  }

  /** The class before, or -1. */
  int classBefore(int pair) {
    return pairs.before(pair);
  }

  /** The class after, or -1. */
  int classAfter(int pair) {
    return pairs.after(pair);
  }

  boolean someoneLosesGovern(int pair) {
    return shifts.lost(pair).contains(Right.GOVERN);
  }

  /** How many people gain or lose anything, one person left out. */
  public int changedPeopleBut(String person) {
    PersonSet changed = shifts.gaining().or(shifts.losing());
    int number = people.numberOf(person);
    return changed.size() - (number >= 0 && changed.contains(number) ? 1 : 0);
  }

  /** How many person–place pairs change; one that both gains and loses counts once. */
  public long changedPairs() {
    return shifts.changedPairs();
  }

  private Stream<PlacesByClassPair.Spot> changedSpots() {
    return isEmpty() ? Stream.empty() : spots.changing().filter(this::changes);
  }

  private boolean changes(PlacesByClassPair.Spot spot) {
    int pair = spots.pair(pairs, spot);
    return pair >= 0 && shifts.changes(pair);
  }

  private Stream<Pair> pairsAt(PlacesByClassPair.Spot spot) {
    int pair = spots.pair(pairs, spot);
    Shift shift = shifts.shift(pair);
    String path = spots.path(spot);
    Place place = spots.place(spot);
    return people.inOrder(shift.gainers().or(shift.losers())).mapToObj(person ->
        new Pair(people.person(person), place, path, shifts.before(pair, person), shifts.after(pair, person)));
  }

  private Totals count() {
    int places = 0;
    int documents = 0;
    for (int pair = 0; pair < pairs.size(); pair++) {
      if (shifts.changes(pair)) {
        places += pairs.places(pair);
        documents += pairs.documents(pair);
      }
    }
    int outsiders = (int) shifts.gaining().stream().filter(person -> people.person(person).external()).count();
    return new Totals(shifts.gaining().size(), shifts.losing().size(), places, documents,
        shifts.pairsGaining(), shifts.pairsLosing(), outsiders);
  }

  private static Map<Right, Long> byRight(long[] counts) {
    Map<Right, Long> byRight = new TreeMap<>();
    IntStream.range(0, counts.length).filter(right -> counts[right] > 0)
        .forEach(right -> byRight.put(Right.values()[right], counts[right]));
    return byRight;
  }
}
