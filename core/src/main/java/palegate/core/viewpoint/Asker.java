package palegate.core.viewpoint;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Person;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;

/**
 * A person who asks, with the duties that they hold at an instant: by name, through groups at any depth, or through units. Somebody
 * who is not active, or is nobody, holds none. Made in O(duties handed out).
 */
public final class Asker {
  private final SnapshotAt state;
  private final String id;
  private final int person;
  private final List<DutyAssignment> held;
  /** Whether they govern anything, once it was asked. */
  private Boolean governs;

  private Asker(SnapshotAt state, String id, int person, List<DutyAssignment> held) {
    this.state = state;
    this.id = id;
    this.person = person;
    this.held = held;
  }

  /** @param person the id of a person of the structure; null, or of nobody, for somebody who holds nothing */
  public static Asker of(SnapshotAt state, String person) {
    int number = person == null ? -1 : state.snapshot().personNumber(person);
    boolean active = number >= 0 && state.active().contains(number);
    List<DutyAssignment> held = !active ? List.of() : state.snapshot().structure().duties().values().stream()
        .filter(given -> given.period().holdsAt(state.instant()) && state.matches(number, given.subject())).toList();
    return new Asker(state, person, number, held);
  }

  /** Somebody who is not there yet and would hold just this, to see what they would see. */
  public static Asker holding(SnapshotAt state, DutyAssignment given) {
    return new Asker(state, null, -1, List.of(given));
  }

  /** The id of the person; null for nobody. */
  public String id() {
    return id;
  }

  /** Their number in the state; negative if they are not in it. */
  int person() {
    return person;
  }

  /** The state in which they hold their duties. */
  public SnapshotAt state() {
    return state;
  }

  public List<DutyAssignment> held() {
    return held;
  }

  public Set<Duty> duties() {
    EnumSet<Duty> duties = EnumSet.noneOf(Duty.class);
    held.forEach(given -> duties.add(given.duty()));
    return duties;
  }

  public boolean holds(Duty duty) {
    return held.stream().anyMatch(given -> given.duty() == duty);
  }

  public boolean holdsAny(Duty... wanted) {
    return Stream.of(wanted).anyMatch(this::holds);
  }

  /** The duties of a kind that cover a place, as it stands in any state. O(duties held × depth). */
  Stream<DutyAssignment> covering(Duty duty, Structure structure, String place) {
    return held.stream().filter(given -> given.duty() == duty && isAtOrBelow(structure, place, given.place()));
  }

  public boolean holdsAt(Duty duty, Structure structure, String place) {
    return covering(duty, structure, place).findAny().isPresent();
  }

  /** Whether a duty covers the whole repository. */
  public boolean holdsEverywhere(Duty duty) {
    String repository = state.snapshot().structure().repository().map(Place::id).orElse(null);
    return held.stream().anyMatch(given -> given.duty() == duty && (duty.scope() == Duty.ScopeKind.NONE || Objects.equals(given.place(), repository)));
  }

  /** Whether the duty {@code people} covers a unit, as it stands in any state; null stands for people who sit in none. */
  public boolean administersUnit(Structure structure, String unit) {
    return held.stream().anyMatch(given -> given.duty() == Duty.PEOPLE && (given.unit() == null || unit != null && unitIsAtOrBelow(structure, unit, given.unit())));
  }

  public boolean administersEverybody() {
    return held.stream().anyMatch(given -> given.duty() == Duty.PEOPLE && given.unit() == null);
  }

  public boolean administers(Structure structure, Person one) {
    return administersUnit(structure, one.unit());
  }

  /**
   * What {@code access} lets them give at a place of any state: everything, what the ceilings of their duties there allow together, or null
   * without the duty. The ceilings are those of the state in which they hold their duties: nobody raises their own.
   */
  public Rights mayGive(Structure structure, String place) {
    return covering(Duty.ACCESS, structure, place).map(this::bound).reduce(Rights::union).orElse(null);
  }

  private Rights bound(DutyAssignment given) {
    return given.ceiling() == null ? Rights.ALL : snapshot().structure().roles().get(given.ceiling()).rights();
  }

  /** Whether they hold {@code access} for the whole repository, and may give every role. */
  public boolean keepsEverything() {
    String repository = snapshot().structure().repository().map(Place::id).orElse(null);
    return held.stream().anyMatch(given -> given.duty() == Duty.ACCESS && given.ceiling() == null && Objects.equals(given.place(), repository));
  }

  /** Whether they hold {@code govern} at a place now: then they may change its list without any duty. */
  public boolean governs(String place) {
    return has(Right.GOVERN, place);
  }

  /** Whether they have anything to do in the console: a duty, or the list of a place that they govern. */
  public boolean mayComeIn() {
    return !held.isEmpty() || governsAnything();
  }

  /** Whether they govern any place, conditions of documents aside. O(classes), the first time. */
  public boolean governsAnything() {
    if (governs == null) {
      governs = person >= 0 && Arrays.stream(state.rightsInEveryClass(person)).anyMatch(mask -> (mask & Rights.bit(Right.GOVERN)) != 0);
    }
    return governs;
  }

  /** It is clear otherwise that they govern nothing: then it is not asked of every class. */
  void governNothing() {
    governs = false;
  }

  /** Their rights now on the content of a document; none on anything else. */
  public Rights rightsOnDocument(String place) {
    int number = person < 0 ? -1 : state.snapshot().placeNumber(place);
    return number < 0 || !state.snapshot().isDocument(number) ? Rights.NONE : state.rightsNow(person, number);
  }

  /** Whether they may find a place now, as any person may (section 9, 1). */
  public boolean finds(String place) {
    return has(Right.FIND, place);
  }

  public boolean has(Right right, String place) {
    int number = person < 0 ? -1 : state.snapshot().placeNumber(place);
    return number >= 0 && state.rightsNow(person, number).contains(right);
  }

  private static boolean isAtOrBelow(Structure structure, String place, String top) {
    return climbs(place, top, id -> structure.places().containsKey(id), id -> structure.places().get(id).parent());
  }

  static boolean unitIsAtOrBelow(Structure structure, String unit, String top) {
    return climbs(unit, top, id -> structure.units().containsKey(id), id -> {
      Unit found = structure.units().get(id);
      return found.parent();
    });
  }

  private static boolean climbs(String from, String top, Predicate<String> exists, UnaryOperator<String> parent) {
    for (String at = from; at != null && exists.test(at); at = parent.apply(at)) {
      if (at.equals(top)) {
        return true;
      }
    }
    return false;
  }

  Snapshot snapshot() {
    return state.snapshot();
  }
}
