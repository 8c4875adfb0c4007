package palegate.core.drafts;

import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.walls.Conflict;
import palegate.core.walls.Coverage;
import palegate.core.walls.Wall;

/**
 * What a draft would do if it were put in force now: computed, nothing is changed (section 8).
 *
 * <p>The difference is taken now and at every later instant at which an entry, membership, clearance,
 * oversight or wall that the draft touches begins or ends. Its cost grows with what the draft touches.
 */
public final class Rehearsal {
  /** A place that a break would leave without a keeper, and who could be named to govern it. */
  public record RefusedBreak(Place place, List<Person> candidates) {
    public RefusedBreak {
      candidates = List.copyOf(candidates);
    }
  }

  private final Snapshot before;
  private final Snapshot after;
  private final Instant now;
  private final List<Change> changes;
  private final List<Refusal> refusals;
  private final List<Difference> differences = new ArrayList<>();
  private final PlaceSet lockOuts;
  private final List<RefusedBreak> refusedBreaks;
  private final PlaceSet authorLosesGovern;
  private final List<Entry> withoutEffect;
  /** The states after the first change, the first two, and so on; made when somebody asks what did what. */
  private List<Snapshot> steps;

  private Rehearsal(Snapshot before, List<Change> changes, Instant now, String author) {
    this.before = before;
    this.now = now;
    this.changes = List.copyOf(changes);
    Application.Result applied = Application.of(before, changes, now);
    refusals = applied.refusals();
    after = before.next(applied.structure());
    for (Instant instant : instants()) {
      differences.add(Difference.between(before, after, instant));
    }
    BitSet locked = new BitSet();
    differences.forEach(difference -> locked.or(LockOuts.between(before, after, difference)));
    lockOuts = new PlaceSet(after, locked);
    refusedBreaks = changes.stream().filter(change -> change instanceof Change.Break)
        .map(change -> ((Change.Break) change).place()).distinct().flatMap(this::refusedBreak).toList();
    authorLosesGovern = new PlaceSet(after, authorLosses(author));
    withoutEffect = findWithoutEffect();
  }

  /**
   * Rehearses changes, in order, on a state.
   *
   * @param author the id of the person who drafts, or null if they are not in the structure
   */
  public static Rehearsal of(Snapshot before, List<Change> changes, Instant now, String author) {
    return new Rehearsal(before, changes, now, author);
  }

  public Snapshot before() {
    return before;
  }

  /** The state the draft leads to; changes that were refused are left out of it. */
  public Snapshot after() {
    return after;
  }

  /** The changes that cannot be made, all of them. */
  public List<Refusal> refusals() {
    return refusals;
  }

  /** Now first, then later instants in their order; never empty. */
  public List<Difference> differences() {
    return List.copyOf(differences);
  }

  public Difference now() {
    return differences.get(0);
  }

  /** The places that have a keeper before and would have none, now or at a later instant of the draft. */
  public PlaceSet lockOuts() {
    return lockOuts;
  }

  /** The breaks of the draft that would leave nobody active and on staff with {@code govern}. */
  public List<RefusedBreak> refusedBreaks() {
    return refusedBreaks;
  }

  public PlaceSet authorLosesGovern() {
    return authorLosesGovern;
  }

  /** The entries the draft adds that change nothing for anybody, at no instant. */
  public List<Entry> withoutEffect() {
    return withoutEffect;
  }

  /** Active people whom the draft puts on two sides of one wall, now or at a later instant. */
  public List<Conflict> wallConflicts() {
    return differences.stream().flatMap(difference -> {
      Set<Conflict> known = new LinkedHashSet<>(Conflict.all(before.at(difference.instant()), difference.instant()));
      return Conflict.all(after.at(difference.instant()), difference.instant()).stream().filter(conflict -> !known.contains(conflict));
    }).distinct().toList();
  }

  /** The walls that the draft puts there whose scope covers nothing, or everything. */
  public List<Coverage> oddWalls() {
    return before.structure().walls().differing(after.structure().walls()).stream().sorted()
        .map(after.structure().walls()::get).filter(wall -> wall != null && wall.state() != Wall.State.LIFTED)
        .flatMap(wall -> Coverage.of(after, wall).stream()).filter(Coverage::isOdd).toList();
  }

  /**
   * Which changes of the draft, by position, alter a person's rights at a place at an instant, each taken
   * after those before it. O(changes × what each touches) the first time.
   */
  public List<Integer> causes(String person, String place, Instant instant) {
    List<Integer> causes = new ArrayList<>();
    Rights rights = rights(before, person, place, instant);
    List<Snapshot> states = steps();
    for (int change = 0; change < states.size(); change++) {
      Rights next = rights(states.get(change), person, place, instant);
      if (!next.equals(rights)) {
        causes.add(change);
      }
      rights = next;
    }
    return causes;
  }

  /** What one change of the draft does, taken after those before it. */
  public Difference effectOf(int change, Instant instant) {
    return Difference.between(change == 0 ? before : steps().get(change - 1), steps().get(change), instant);
  }

  private static Rights rights(Snapshot snapshot, String person, String place, Instant instant) {
    int personNumber = snapshot.personNumber(person);
    int placeNumber = snapshot.placeNumber(place);
    return personNumber < 0 || placeNumber < 0 ? Rights.NONE : snapshot.at(instant).rights(personNumber, placeNumber);
  }

  private synchronized List<Snapshot> steps() {
    if (steps == null) {
      List<Snapshot> states = new ArrayList<>();
      for (int count = 1; count < changes.size(); count++) {
        states.add(before.next(Application.of(before, changes.subList(0, count), now).structure()));
      }
      if (!changes.isEmpty()) {
        states.add(after);
      }
      steps = states;
    }
    return steps;
  }

  private Set<Instant> instants() {
    Set<Instant> later = new TreeSet<>();
    touchedPeriods().flatMap(period -> Stream.of(period.from(), period.until()).filter(Objects::nonNull))
        .filter(end -> end.isAfter(now)).forEach(later::add);
    Set<Instant> instants = new LinkedHashSet<>();
    instants.add(now);
    instants.addAll(later);
    return instants;
  }

  /** The periods of everything that only one of the two states has. */
  private Stream<Period> touchedPeriods() {
    return Stream.of(onlyIn(before.structure(), after.structure()), onlyIn(after.structure(), before.structure()))
        .flatMap(periods -> periods);
  }

  private static Stream<Period> onlyIn(Structure here, Structure other) {
    return Stream.of(
        here.grants().differing(other.grants()).stream().map(here.grants()::get).filter(Objects::nonNull).map(Entry::period),
        here.withholdings().differing(other.withholdings()).stream().map(here.withholdings()::get).filter(Objects::nonNull).map(Entry::period),
        here.oversights().differing(other.oversights()).stream().map(here.oversights()::get).filter(Objects::nonNull)
            .map(oversight -> oversight.period()),
        here.groups().differing(other.groups()).stream().map(here.groups()::get).filter(Objects::nonNull)
            .flatMap(group -> {
              var there = other.groups().get(group.id());
              Set<Membership> known = there == null ? Set.of() : new HashSet<>(there.members());
              return group.members().stream().filter(member -> !known.contains(member)).map(Membership::period);
            }),
        here.types().differing(other.types()).stream().map(here.types()::get).filter(Objects::nonNull)
            .flatMap(type -> type.clearances().stream()).map(clearance -> clearance.period()),
        here.walls().differing(other.walls()).stream().map(here.walls()::get).filter(Objects::nonNull)
            .flatMap(wall -> Stream.concat(Stream.of(wall.period()),
                wall.exceptions().stream().map(exception -> new Period(null, exception.until())))))
        .flatMap(periods -> periods);
  }

  private BitSet authorLosses(String author) {
    BitSet lost = new BitSet();
    if (author != null) {
      differences.forEach(difference -> difference.addPlacesWhereLost(author, Right.GOVERN, lost));
    }
    return lost;
  }

  private Stream<RefusedBreak> refusedBreak(String place) {
    int number = after.placeNumber(place);
    if (number < 0 || !after.place(number).standsAlone()) {
      return Stream.empty();
    }
    boolean locked = differences.stream().anyMatch(difference -> {
      LockOuts was = LockOuts.in(before.at(difference.instant()));
      LockOuts is = LockOuts.in(after.at(difference.instant()));
      // The broken place itself must have a keeper; below it, whoever had one must keep one.
      return IntStream.range(number, after.endOf(number))
          .anyMatch(at -> is.at(at) && (at == number || !was.at(before.placeNumber(after.place(at).id()))));
    });
    return locked
        ? Stream.of(new RefusedBreak(after.place(number), LockOuts.candidates(before, now, before.placeNumber(place))))
        : Stream.empty();
  }

  private static boolean actsAt(int place, Entry entry, Moment moment) {
    return entry.period().holdsAt(moment.instant()) && entry.touches(moment.snapshot().place(place).type())
        && !moment.holders(place).sameAs(moment.holdersWithout(place, entry));
  }

  private List<Entry> findWithoutEffect() {
    Structure was = before.structure();
    Structure is = after.structure();
    Stream<Entry> added = Stream.concat(
        is.grants().differing(was.grants()).stream().sorted().filter(id -> !was.grants().containsKey(id)).map(is.grants()::get),
        is.withholdings().differing(was.withholdings()).stream().sorted().filter(id -> !was.withholdings().containsKey(id))
            .map(is.withholdings()::get));
    return added.filter(Objects::nonNull).filter(this::changesNothing).toList();
  }

  private boolean changesNothing(Entry added) {
    // Nearly every entry does something where it stands, and that is seen at once.
    int place = after.placeNumber(added.place());
    if (differences.stream().anyMatch(difference -> actsAt(place, added, after.at(difference.instant())))) {
      return false;
    }
    Pending pending = new Pending(after);
    pending.remove(added);
    Snapshot without = after.next(pending.result());
    return differences.stream().allMatch(difference -> Difference.none(after, without, difference.instant()));
  }
}
