package palegate.core.drafts;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.roaringbitmap.RoaringBitmap;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;

/**
 * The exact difference in standing rights between two states at one instant, over all people and all
 * places (section 8). A person or place that only one of the states has counts as without rights in
 * the other.
 *
 * <p>Places that are in one access class before and in one after change alike: they are counted, not
 * compared. The lists are made when asked for, from the changed classes alone.
 */
public final class Difference {
  /** Places that change alike, and who gains and loses there. */
  private record Shift(List<Spot> spots, RoaringBitmap[] gained, RoaringBitmap[] lost, RoaringBitmap gainers, RoaringBitmap losers) {}

  /** One place by its numbers before and after; -1 where it does not exist. */
  private record Spot(int before, int after) {}

  /** What is counted; a pair is one person at one place. */
  public record Totals(
      int peopleGaining, int peopleLosing, int places, int documents, long pairsGaining, long pairsLosing,
      int outsidersGaining) {}

  /** What changes for one person, over all places. */
  public record PersonShift(
      Person person, Rights gained, Rights lost, int placesGaining, int placesLosing, int documents) {}

  /** What changes at one place, over all people. */
  public record PlaceShift(Place place, String path, Rights gained, Rights lost, int peopleGaining, int peopleLosing) {}

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
  private final Snapshot before;
  private final Snapshot after;
  private final Moment momentBefore;
  private final Moment momentAfter;
  private final Numbering people;
  private final List<Shift> shifts = new ArrayList<>();
  private final Totals totals;

  private Difference(Snapshot before, Snapshot after, Instant instant) {
    this.instant = instant;
    this.before = before;
    this.after = after;
    momentBefore = before.at(instant);
    momentAfter = after.at(instant);
    people = new Numbering(before, after);
    findShifts();
    totals = count();
  }

  /** Compares two states at an instant. O(places + changed classes × people / 64). */
  public static Difference between(Snapshot before, Snapshot after, Instant instant) {
    return new Difference(before, after, instant);
  }

  public Instant instant() {
    return instant;
  }

  public Totals totals() {
    return totals;
  }

  public boolean isEmpty() {
    return shifts.isEmpty();
  }

  /** For each right, how many pairs gain it; rights that nobody gains are left out. */
  public Map<Right, Long> gainedByRight() {
    return byRight(true);
  }

  /** For each right, how many pairs lose it. */
  public Map<Right, Long> lostByRight() {
    return byRight(false);
  }

  /** Everyone who gains or loses anything, in byte order of their ids. */
  public List<PersonShift> people() {
    int[] gained = new int[people.count()];
    int[] lost = new int[people.count()];
    int[] placesGaining = new int[people.count()];
    int[] placesLosing = new int[people.count()];
    int[] documents = new int[people.count()];
    for (Shift shift : shifts) {
      int places = shift.spots().size();
      int papers = (int) shift.spots().stream().filter(spot -> place(spot).isDocument()).count();
      addMasks(shift.gained(), gained);
      addMasks(shift.lost(), lost);
      shift.gainers().forEach((int person) -> placesGaining[person] += places);
      shift.losers().forEach((int person) -> placesLosing[person] += places);
      RoaringBitmap.or(shift.gainers(), shift.losers())
          .forEach((int person) -> documents[person] += papers);
    }
    List<PersonShift> list = new ArrayList<>();
    for (int i = 0; i < gained.length; i++) {
      if (gained[i] != 0 || lost[i] != 0) {
        list.add(new PersonShift(people.person(i), Rights.ofMask(gained[i]), Rights.ofMask(lost[i]),
            placesGaining[i], placesLosing[i], documents[i]));
      }
    }
    return list;
  }

  /** Every place where anything changes, in tree order; those that only stood before come last. */
  public List<PlaceShift> places() {
    return shiftsInTreeOrder().entrySet().stream().map(entry -> new PlaceShift(
        place(entry.getKey()), path(entry.getKey()), rightsIn(entry.getValue().gained()),
        rightsIn(entry.getValue().lost()), entry.getValue().gainers().getCardinality(),
        entry.getValue().losers().getCardinality())).toList();
  }

  /** Every person at every place whose rights change; lazily, in tree order, then by person. */
  public Stream<Pair> pairs() {
    return shiftsInTreeOrder().entrySet().stream().flatMap(entry -> pairsAt(entry.getKey(), entry.getValue()));
  }

  private Map<Spot, Shift> shiftsInTreeOrder() {
    Map<Spot, Shift> bySpot = new TreeMap<>(treeOrder());
    shifts.forEach(shift -> shift.spots().forEach(spot -> bySpot.put(spot, shift)));
    return bySpot;
  }

  /** The places where a person loses a right, in tree order. */
  public List<Place> placesWhereLost(String person, Right right) {
    Integer number = people.numbersById().get(person);
    if (number == null) {
      return List.of();
    }
    return shifts.stream().filter(shift -> shift.lost()[right.ordinal()].contains(number))
        .flatMap(shift -> shift.spots().stream()).sorted(treeOrder()).map(this::place).toList();
  }

  /** The places where somebody loses govern, or that are new: only there can a lock-out begin. */
  Stream<Place> placesWhereGovernMayBeMissed() {
    return shifts.stream().flatMap(shift -> shift.spots().stream()
        .filter(spot -> spot.after() >= 0 && (spot.before() < 0 || !shift.lost()[Right.GOVERN.ordinal()].isEmpty())))
        .sorted(treeOrder()).map(this::place);
  }

  private Stream<Pair> pairsAt(Spot spot, Shift shift) {
    RoaringBitmap touched = RoaringBitmap.or(shift.gainers(), shift.losers());
    String path = path(spot);
    Place place = place(spot);
    return touched.stream().mapToObj(person -> {
      Person who = people.person(person);
      return new Pair(who, place, path,
          rights(before, momentBefore, who, spot.before()), rights(after, momentAfter, who, spot.after()));
    });
  }

  private static Rights rights(Snapshot snapshot, Moment moment, Person person, int place) {
    int number = snapshot.personNumber(person.id());
    return number < 0 || place < 0 ? Rights.NONE : moment.holders(place).of(number);
  }

  private void findShifts() {
    Map<Long, List<Spot>> byClasses = new TreeMap<>();
    if (momentAfter.comparableTo(momentBefore)) {
      for (int place = 0; place < after.placeCount(); place++) {
        if (momentBefore.classOf(place) != momentAfter.classOf(place)) {
          Spot spot = new Spot(place, place);
          byClasses.computeIfAbsent(classes(spot), any -> new ArrayList<>()).add(spot);
        }
      }
    } else {
      for (int place = 0; place < after.placeCount(); place++) {
        Spot spot = new Spot(before.placeNumber(after.place(place).id()), place);
        byClasses.computeIfAbsent(classes(spot), any -> new ArrayList<>()).add(spot);
      }
      for (int place = 0; place < before.placeCount(); place++) {
        if (after.placeNumber(before.place(place).id()) < 0) {
          Spot spot = new Spot(place, -1);
          byClasses.computeIfAbsent(classes(spot), any -> new ArrayList<>()).add(spot);
        }
      }
    }
    byClasses.values().forEach(this::addShift);
  }

  private long classes(Spot spot) {
    long classBefore = spot.before() < 0 ? -1 : momentBefore.classOf(spot.before());
    long classAfter = spot.after() < 0 ? -1 : momentAfter.classOf(spot.after());
    return ((classBefore + 1) << 32) | (classAfter + 1);
  }

  private void addShift(List<Spot> spots) {
    Spot any = spots.get(0);
    int count = Right.values().length;
    RoaringBitmap[] gained = new RoaringBitmap[count];
    RoaringBitmap[] lost = new RoaringBitmap[count];
    for (Right right : Right.values()) {
      RoaringBitmap had = any.before() < 0 ? new RoaringBitmap()
          : people.fromBefore(momentBefore.holders(any.before()).of(right));
      RoaringBitmap has = any.after() < 0 ? new RoaringBitmap()
          : people.fromAfter(momentAfter.holders(any.after()).of(right));
      gained[right.ordinal()] = RoaringBitmap.andNot(has, had);
      lost[right.ordinal()] = RoaringBitmap.andNot(had, has);
    }
    RoaringBitmap gainers = RoaringBitmap.or(gained);
    RoaringBitmap losers = RoaringBitmap.or(lost);
    if (!gainers.isEmpty() || !losers.isEmpty()) {
      shifts.add(new Shift(spots, gained, lost, gainers, losers));
    }
  }

  private Totals count() {
    RoaringBitmap gaining = new RoaringBitmap();
    RoaringBitmap losing = new RoaringBitmap();
    int places = 0;
    int documents = 0;
    long pairsGaining = 0;
    long pairsLosing = 0;
    for (Shift shift : shifts) {
      gaining.or(shift.gainers());
      losing.or(shift.losers());
      places += shift.spots().size();
      documents += (int) shift.spots().stream().filter(spot -> place(spot).isDocument()).count();
      pairsGaining += (long) shift.spots().size() * shift.gainers().getCardinality();
      pairsLosing += (long) shift.spots().size() * shift.losers().getCardinality();
    }
    int outsiders = (int) gaining.stream().filter(person -> people.person(person).external()).count();
    return new Totals(gaining.getCardinality(), losing.getCardinality(), places, documents,
        pairsGaining, pairsLosing, outsiders);
  }

  private Map<Right, Long> byRight(boolean gains) {
    Map<Right, Long> counts = new TreeMap<>();
    for (Shift shift : shifts) {
      for (Right right : Right.values()) {
        long pairs = (long) shift.spots().size()
            * (gains ? shift.gained() : shift.lost())[right.ordinal()].getCardinality();
        if (pairs > 0) {
          counts.merge(right, pairs, Long::sum);
        }
      }
    }
    return counts;
  }

  private static void addMasks(RoaringBitmap[] byRight, int[] masks) {
    for (Right right : Right.values()) {
      byRight[right.ordinal()].forEach((int person) -> masks[person] |= Rights.bit(right));
    }
  }

  private static Rights rightsIn(RoaringBitmap[] byRight) {
    int mask = 0;
    for (Right right : Right.values()) {
      mask |= byRight[right.ordinal()].isEmpty() ? 0 : Rights.bit(right);
    }
    return Rights.ofMask(mask);
  }

  private Place place(Spot spot) {
    return spot.after() >= 0 ? after.place(spot.after()) : before.place(spot.before());
  }

  private String path(Spot spot) {
    return spot.after() >= 0 ? after.pathText(spot.after()) : before.pathText(spot.before());
  }

  private static Comparator<Spot> treeOrder() {
    return Comparator.comparingInt((Spot spot) -> spot.after() < 0 ? Integer.MAX_VALUE : spot.after())
        .thenComparingInt(Spot::before);
  }
}
