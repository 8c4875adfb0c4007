package palegate.core.rehearsal;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.FormerPlace;
import palegate.core.changes.Refusal;
import palegate.core.collections.Later;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.questions.SeparationsBroken;
import palegate.core.questions.WallConflict;
import palegate.core.questions.WallCoverage;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.core.types.Clearance;
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
  private final DraftApplication.Result applied;
  private final RightsDifference difference;
  private final Later<List<RightsDifference>> differences;
  private final Later<PlaceSet> lockOuts;
  private final Later<List<RefusedBreak>> refusedBreaks;
  private final Later<PlaceSet> authorLosesGovern;
  private final Later<List<Entry>> withoutEffect;
  /** The states after the first change, the first two, and so on. */
  private final Later<List<Snapshot>> steps;
  private final Later<String> digest;
  private final Later<List<SeparationsBroken.Broken>> separationsBroken;
  private final Function<String, FormerPlace> gone;

  private Rehearsal(Snapshot before, List<Change> changes, Instant now, String author, DraftApplication.Result applied, Snapshot after,
      Function<String, FormerPlace> gone) {
    this.before = before;
    this.gone = gone;
    this.now = now;
    this.changes = List.copyOf(changes);
    this.applied = applied;
    this.after = after;
    difference = RightsDifference.between(before, after, now);
    differences = new Later<>(() -> instants().stream()
        .map(instant -> instant.equals(now) ? difference : RightsDifference.between(before, after, instant)).toList());
    lockOuts = new Later<>(() -> lockOuts(differences()));
    refusedBreaks = new Later<>(() -> changes.stream().filter(change -> change instanceof AccessChange.BreakPlace)
        .map(change -> ((AccessChange.BreakPlace) change).place()).distinct().flatMap(this::refusedBreak).toList());
    authorLosesGovern = new Later<>(() -> new PlaceSet(after, authorLosses(author)));
    withoutEffect = new Later<>(this::findWithoutEffect);
    steps = new Later<>(this::findSteps);
    digest = new Later<>(this::findDigest);
    separationsBroken = new Later<>(this::findSeparationsBroken);
  }

  /**
   * Rehearses changes, in order, on a state.
   *
   * @param author the id of the person who drafts, or null if they are not in the structure
   */
  public static Rehearsal of(Snapshot before, List<Change> changes, Instant now, String author) {
    return of(before, changes, now, author, id -> null);
  }

  /** @param gone places that were there once and are gone; null for an id that never was one */
  public static Rehearsal of(Snapshot before, List<Change> changes, Instant now, String author, Function<String, FormerPlace> gone) {
    DraftApplication.Result applied = DraftApplication.of(before, changes, now, gone);
    return new Rehearsal(before, changes, now, author, applied, before.next(applied.difference()), gone);
  }

  /** The rehearsal of changes that could all be made, and led to this state already. */
  public static Rehearsal leadingTo(Snapshot after, DraftApplication.Result applied, Snapshot before, List<Change> changes, Instant now) {
    return new Rehearsal(before, changes, now, null, applied, after, id -> null);
  }

  public Snapshot before() {
    return before;
  }

  /** The state the draft leads to; changes that were refused are left out of it. */
  public Snapshot after() {
    return after;
  }

  /** What had the id of a place that the draft brings, before it was removed by an earlier change; null if nothing ever had. */
  FormerPlace formerly(String place) {
    return before.placeNumber(place) >= 0 ? null : gone.apply(place);
  }

  /** The instant from which it looks ahead. */
  public Instant instant() {
    return now;
  }

  /** Whether it says the same at another instant: whether nothing begins or ends between the two, in either state. */
  public boolean saysTheSameAt(Instant instant) {
    return before.sameBetween(now, instant) && after.sameBetween(now, instant);
  }

  /**
   * A digest of what is shown: the difference now and at each later instant, the places left without a keeper and the
   * people on two sides of a wall or of a separation. What holds must be what was seen (section 8), so orders and approvals carry it.
   */
  public String digest() {
    return digest.get();
  }

  private String findDigest() {
    StringBuilder text = new StringBuilder();
    for (RightsDifference at : differences()) {
      text.append(at == difference ? "now" : at.instant().toString()).append(' ').append(at.digest()).append('\n');
    }
    text.append("locked ").append(DifferenceDigest.text(lockOuts().digest())).append('\n');
    separationsBroken().stream().map(one -> "together " + one.separation() + ' ' + one.person() + ' ' + one.sides() + ' ' + one.places()).sorted().forEach(line -> text.append(line).append('\n'));
    wallConflicts().stream().map(conflict -> "sides " + conflict.wall() + ' ' + conflict.person()).sorted().forEach(line -> text.append(line).append('\n'));
    try {
      byte[] hash = MessageDigest.getInstance("SHA-256").digest(text.toString().getBytes(StandardCharsets.UTF_8));
      return HexFormat.of().formatHex(hash);
    } catch (NoSuchAlgorithmException never) {
      throw new IllegalStateException("Every Java has SHA-256.", never);
    }
  }

  /** The changes that cannot be made, all of them. */
  public List<Refusal> refusals() {
    return applied.refusals();
  }

  /** Those that hold whoever asks: of a state in which more stands than the author knows, only these count. */
  public List<Refusal> obstacles() {
    return refusals().stream().filter(refusal -> !refusal.amongKnown()).toList();
  }

  /** What the draft makes of the structure: clashes, the journal, rows and the next snapshot are made from it. */
  public StructureDifference altered() {
    return applied.difference();
  }

  /** Now first, then later instants in their order; never empty. */
  public List<RightsDifference> differences() {
    return differences.get();
  }

  public RightsDifference now() {
    return difference;
  }

  /** The places that have a keeper before and would have none, now or at a later instant of the draft. */
  public PlaceSet lockOuts() {
    return lockOuts.get();
  }

  /** The places that have a keeper now and would have none at once. */
  public PlaceSet lockOutsNow() {
    return lockOuts(List.of(difference));
  }

  private PlaceSet lockOuts(List<RightsDifference> found) {
    BitSet locked = new BitSet();
    found.forEach(at -> locked.or(LockOuts.between(before, after, at)));
    return new PlaceSet(after, locked);
  }

  /** The breaks of the draft that would leave nobody active and on staff with {@code govern}. */
  public List<RefusedBreak> refusedBreaks() {
    return refusedBreaks.get();
  }

  public PlaceSet authorLosesGovern() {
    return authorLosesGovern.get();
  }

  /** The entries the draft adds that change nothing for anybody, at no instant. */
  public List<Entry> withoutEffect() {
    return withoutEffect.get();
  }

  /** Active people whom the draft puts on two sides of one wall, now or at a later instant. */
  public List<WallConflict> wallConflicts() {
    return differences().stream().flatMap(difference -> {
      Set<WallConflict> known = new LinkedHashSet<>(WallConflict.all(before.at(difference.instant()), difference.instant()));
      return WallConflict.all(after.at(difference.instant()), difference.instant()).stream().filter(conflict -> !known.contains(conflict));
    }).distinct().toList();
  }

  /** Whom the draft brings to hold together what a separation keeps apart, now or at a later instant; of the separations that hold after it. */
  public List<SeparationsBroken.Broken> separationsBroken() {
    return separationsBroken.get();
  }

  private List<SeparationsBroken.Broken> findSeparationsBroken() {
    if (after.structure().separations().isEmpty()) {
      return List.of();
    }
    // Before the draft it is asked by the same separations, so that a new one names only whom the draft brings to it, and nobody for what was.
    Snapshot known = before.structure().separations().equals(after.structure().separations()) ? before
        : before.next(before.structure().withSeparations(difference(before.structure().separations(), after.structure().separations())));
    return differences().stream().flatMap(at -> SeparationsBroken.of(after.at(at.instant())).since(SeparationsBroken.of(known.at(at.instant()))).stream()).distinct().toList();
  }

  private static <T> Map<String, T> difference(Map<String, T> from, Map<String, T> to) {
    Map<String, T> changed = new HashMap<>(to);
    from.keySet().stream().filter(id -> !to.containsKey(id)).forEach(id -> changed.put(id, null));
    return changed;
  }

  /** The walls that the draft puts there whose scope covers nothing, or everything. */
  public List<WallCoverage> oddWalls() {
    return altered().walls().stream().sorted()
        .map(after.structure().walls()::get).filter(wall -> wall != null && wall.state() != Wall.State.LIFTED)
        .flatMap(wall -> WallCoverage.of(after, wall).stream()).filter(WallCoverage::isOdd).toList();
  }

  /**
   * Which changes of the draft, by position, alter a person's rights at a place at an instant, each taken
   * after those before it. O(changes × what each touches) the first time.
   */
  public List<Integer> causes(String person, String place, Instant instant) {
    List<Integer> causes = new ArrayList<>();
    Rights rights = rights(before, person, place, instant);
    List<Snapshot> states = steps.get();
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
  public RightsDifference effectOf(int change, Instant instant) {
    return RightsDifference.between(change == 0 ? before : steps.get().get(change - 1), steps.get().get(change), instant);
  }

  private static Rights rights(Snapshot snapshot, String person, String place, Instant instant) {
    int personNumber = snapshot.personNumber(person);
    int placeNumber = snapshot.placeNumber(place);
    return personNumber < 0 || placeNumber < 0 ? Rights.NONE : snapshot.at(instant).rights(personNumber, placeNumber);
  }

  private List<Snapshot> findSteps() {
    List<Snapshot> states = new ArrayList<>();
    for (int count = 1; count < changes.size(); count++) {
      states.add(before.next(DraftApplication.of(before, changes.subList(0, count), now).difference()));
    }
    if (!changes.isEmpty()) {
      states.add(after);
    }
    return states;
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
    return Stream.concat(onlyIn(before.structure(), after.structure()), onlyIn(after.structure(), before.structure()));
  }

  private Stream<Period> onlyIn(Structure here, Structure other) {
    return Stream.of(
        altered().grants().stream().map(here.grants()::get).filter(Objects::nonNull).map(Entry::period),
        altered().withholdings().stream().map(here.withholdings()::get).filter(Objects::nonNull).map(Entry::period),
        altered().oversights().stream().map(here.oversights()::get).filter(Objects::nonNull)
            .map(oversight -> oversight.period()),
        altered().groups().stream().map(here.groups()::get).filter(Objects::nonNull)
            .flatMap(group -> {
              var there = other.groups().get(group.id());
              Set<Membership> known = there == null ? Set.of() : new HashSet<>(there.members());
              return group.members().stream().filter(member -> !known.contains(member)).map(Membership::period);
            }),
        altered().types().stream().map(here.types()::get).filter(Objects::nonNull)
            .flatMap(type -> {
              var there = other.types().get(type.id());
              Set<Clearance> known = there == null || there.guarded() != type.guarded() ? Set.of() : new HashSet<>(there.clearances());
              return type.clearances().stream().filter(clearance -> !known.contains(clearance)).map(Clearance::period);
            }),
        altered().walls().stream().map(here.walls()::get).filter(Objects::nonNull)
            .flatMap(wall -> Stream.concat(Stream.of(wall.period()),
                wall.exceptions().stream().map(exception -> new Period(null, exception.until())))))
        .flatMap(periods -> periods);
  }

  private BitSet authorLosses(String author) {
    BitSet lost = new BitSet();
    if (author != null) {
      differences().forEach(difference -> difference.addPlacesWhereLost(author, Right.GOVERN, lost));
    }
    return lost;
  }

  private Stream<RefusedBreak> refusedBreak(String place) {
    int number = after.placeNumber(place);
    if (number < 0 || !after.place(number).standsAlone()) {
      return Stream.empty();
    }
    boolean locked = differences().stream().anyMatch(difference -> {
      LockOuts was = LockOuts.in(before.at(difference.instant()));
      LockOuts is = LockOuts.in(after.at(difference.instant()));
      // The broken place itself must have a keeper; below it, whoever had one must keep one.
      return after.below(number)
          .anyMatch(at -> is.at(at) && (at == number || !was.at(before.placeNumber(after.place(at).id()))));
    });
    return locked
        ? Stream.of(new RefusedBreak(after.place(number), LockOuts.candidates(before, now, before.placeNumber(place))))
        : Stream.empty();
  }

  private static boolean actsAt(int place, Entry entry, SnapshotAt moment) {
    return entry.period().holdsAt(moment.instant()) && entry.touches(moment.snapshot().place(place).type())
        && !moment.holders(place).sameAs(moment.holdersWithout(place, entry));
  }

  private List<Entry> findWithoutEffect() {
    Structure was = before.structure();
    Structure is = after.structure();
    Stream<Entry> added = Stream.concat(
        altered().grants().stream().sorted().filter(id -> !was.grants().containsKey(id)).map(is.grants()::get),
        altered().withholdings().stream().sorted().filter(id -> !was.withholdings().containsKey(id))
            .map(is.withholdings()::get));
    return added.filter(Objects::nonNull).filter(this::changesNothing).toList();
  }

  private static Structure without(Structure structure, Entry gone) {
    Map<String, Grant> grants = new HashMap<>();
    Map<String, Withholding> withholdings = new HashMap<>();
    (gone instanceof Grant ? grants : withholdings).put(gone.id(), null);
    return structure.withGrants(grants).withWithholdings(withholdings);
  }

  private boolean changesNothing(Entry added) {
    // Nearly every entry does something where it stands, and that is seen at once.
    int place = after.placeNumber(added.place());
    if (differences().stream().anyMatch(difference -> actsAt(place, added, after.at(difference.instant())))) {
      return false;
    }
    Snapshot without = after.next(without(after.structure(), added));
    return differences().stream().allMatch(difference -> RightsDifference.none(after, without, difference.instant()));
  }
}
