package palegate.core.drafts;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/**
 * What a draft would do if it were put in force now: computed, nothing is changed (section 8).
 *
 * <p>The difference is taken now and at every later instant at which an entry that the draft touches
 * begins or ends.
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
  private final List<Refusal> refusals;
  private final List<Difference> differences = new ArrayList<>();
  private final List<Place> lockOuts;
  private final List<RefusedBreak> refusedBreaks;
  private final List<Place> authorLosesGovern;
  private final List<Entry> withoutEffect;

  private Rehearsal(Snapshot before, List<Change> changes, Instant now, String author) {
    this.before = before;
    Application.Result applied = Application.of(before.structure(), changes, now);
    refusals = applied.refusals();
    after = changes.isEmpty() ? before : before.next(applied.structure(), applied.touched());
    for (Instant instant : instants(now)) {
      differences.add(Difference.between(before, after, instant));
    }
    lockOuts = differences.stream()
        .flatMap(difference -> LockOuts.between(before, after, difference).stream())
        .distinct().toList();
    refusedBreaks = changes.stream().filter(change -> change instanceof Change.Break)
        .map(Change::place).distinct().flatMap(place -> refusedBreak(place, now)).toList();
    authorLosesGovern = author == null ? List.of() : differences.stream()
        .flatMap(difference -> difference.placesWhereLost(author, Right.GOVERN).stream())
        .distinct().toList();
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
  public List<Place> lockOuts() {
    return lockOuts;
  }

  /** The breaks of the draft that would leave nobody active and on staff with {@code govern}. */
  public List<RefusedBreak> refusedBreaks() {
    return refusedBreaks;
  }

  public List<Place> authorLosesGovern() {
    return authorLosesGovern;
  }

  /** The entries the draft adds that change nothing for anybody, at no instant. */
  public List<Entry> withoutEffect() {
    return withoutEffect;
  }

  private Set<Instant> instants(Instant now) {
    Set<Instant> later = new TreeSet<>();
    touchedEntries().map(Entry::period).flatMap(period -> Stream.of(period.from(), period.until()))
        .filter(end -> end != null && end.isAfter(now)).forEach(later::add);
    Set<Instant> instants = new LinkedHashSet<>();
    instants.add(now);
    instants.addAll(later);
    return instants;
  }

  private Stream<Entry> touchedEntries() {
    return Stream.concat(missingFrom(before, after), missingFrom(after, before));
  }

  /** The entries that only the other snapshot has. */
  private static Stream<Entry> missingFrom(Snapshot here, Snapshot other) {
    Structure mine = here.structure();
    Structure theirs = other.structure();
    return Stream.concat(
        theirs.grants().values().stream().filter(entry -> !entry.equals(mine.grants().get(entry.id()))),
        theirs.withholdings().values().stream()
            .filter(entry -> !entry.equals(mine.withholdings().get(entry.id()))));
  }

  private Stream<RefusedBreak> refusedBreak(String place, Instant now) {
    int number = after.placeNumber(place);
    if (number < 0 || !after.place(number).standsAlone()) {
      return Stream.empty();
    }
    boolean locked = false;
    for (Difference difference : differences) {
      for (int at = number; at < after.endOf(number) && !locked; at++) {
        // The broken place itself must have a keeper; below it, whoever had one must keep one.
        locked = LockOuts.at(after.at(difference.instant()), at)
            && (at == number || !LockOuts.at(before.at(difference.instant()), before.placeNumber(after.place(at).id())));
      }
    }
    return locked
        ? Stream.of(new RefusedBreak(after.place(number), LockOuts.candidates(before, now, before.placeNumber(place))))
        : Stream.empty();
  }

  private List<Entry> findWithoutEffect() {
    return missingFrom(before, after).filter(entry -> !before.structure().grants().containsKey(entry.id())
        && !before.structure().withholdings().containsKey(entry.id()) && changesNothing(entry)).toList();
  }

  private boolean changesNothing(Entry added) {
    Snapshot without = after.next(Without.entry(after.structure(), added), Set.of(added.place()));
    return differences.stream().allMatch(
        difference -> Difference.between(after, without, difference.instant()).isEmpty());
  }
}
