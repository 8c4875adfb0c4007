package palegate.core.viewpoint;

import java.util.PrimitiveIterator;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import palegate.core.duties.Duty;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.core.walls.Barrier;

/** An asker between two states: what they could know of the first, and by what more of the second is known to them (section 9). */
final class Following {
  private static final int LOOKED_AT_MOST = 2_000;

  /** What they could know of the first state. */
  final Structure known;
  /** The asker in the first state, and in the second. */
  final Asker was;
  final Asker asker;
  /** The second state, whole. */
  final Snapshot snapshot;
  final Structure all;
  final StructureDifference difference;
  final BarringWalls barring;
  /** Whether they may know everybody. */
  final boolean everybody;
  /** Whether they know every place but what walls keep from them: then what they govern themselves makes nothing known besides. */
  final boolean everywhere;
  /** Whether there is a wall of which they know no word, and only whom it names. */
  final boolean wordless;

  Following(Viewpoint before, Asker asker, StructureDifference difference) {
    known = before.snapshot().structure();
    was = before.asker();
    this.asker = asker;
    this.difference = difference;
    snapshot = asker.snapshot();
    all = snapshot.structure();
    barring = new BarringWalls(asker, snapshot);
    boolean everyPlace = KnownStructure.knowsEveryPlaceByDuty(asker);
    everybody = KnownPeople.all(asker, everyPlace);
    everywhere = asker.holdsAny(Duty.AUDIT, Duty.WALLS) || everyPlace;
    wordless = all.walls().values().stream().anyMatch(wall -> wall.barrier() instanceof Barrier.Sides && !barring.knows(wall));
  }

  /** Whether it is clear of every one of some parts what becomes of it. */
  static boolean each(Set<String> ids, Predicate<String> clear) {
    return ids.stream().allMatch(clear);
  }

  // --- subjects -------------------------------------------------------------------------------------

  /** Whether the asker is or was in a subject. O(1). */
  boolean isMine(Subject subject) {
    return isIn(was, subject) || isIn(asker, subject);
  }

  private static boolean isIn(Asker who, Subject subject) {
    Structure structure = who.snapshot().structure();
    boolean there = subject instanceof Subject.BuiltIn || subject instanceof Subject.OfGroup && structure.groups().containsKey(subject.id())
        || subject instanceof Subject.OfUnit && structure.units().containsKey(subject.id()) || subject instanceof Subject.OfPerson && structure.people().containsKey(subject.id());
    return there && who.state().matches(who.person(), subject);
  }

  /** Whether a subject could be known in the first state. */
  boolean isKnown(Subject subject) {
    return everybody || subject instanceof Subject.BuiltIn || subject instanceof Subject.OfPerson && known.people().containsKey(subject.id())
        || subject instanceof Subject.OfGroup && known.groups().containsKey(subject.id()) || subject instanceof Subject.OfUnit && known.units().containsKey(subject.id());
  }

  boolean isKnownPerson(String id) {
    return id == null || everybody || known.people().containsKey(id);
  }

  // --- places ---------------------------------------------------------------------------------------

  /** Whether a duty covers a place, or the asker governs it. O(duties held × depth). */
  boolean isInScope(String place) {
    return isInScopeOfDuty(place) || governs(asker, place);
  }

  boolean isInScopeOfDuty(String place) {
    return isInScopeOfDuty(all, place);
  }

  /** Whether a duty, which they held then too, covered a place in the first state. */
  boolean wasInScopeOfDuty(String place) {
    return isInScopeOfDuty(difference.before(), place);
  }

  private boolean isInScopeOfDuty(Structure structure, String place) {
    return everywhere || Stream.of(Duty.values()).filter(duty -> duty.scope() == Duty.ScopeKind.PLACE).anyMatch(duty -> asker.holdsAt(duty, structure, place));
  }

  /** What keeps the asker from a place: a wall around it, or around anything above. */
  BarringWalls.Hidden hidden(int place) {
    return hidden(snapshot, barring, place);
  }

  /** The same of a place of the first state. */
  BarringWalls.Hidden wasHidden(String place) {
    return hidden(was.snapshot(), new BarringWalls(was, was.snapshot()), was.snapshot().placeNumber(place));
  }

  private static BarringWalls.Hidden hidden(Snapshot snapshot, BarringWalls barring, int place) {
    for (int at = snapshot.parent(place); at >= 0; at = snapshot.parent(at)) {
      if (barring.at(at) == BarringWalls.Hidden.BARRED) {
        return BarringWalls.Hidden.BARRED;
      }
    }
    return barring.at(place);
  }

  /** Whether it is in scope, and no wall keeps it from them: what stands there is known to them, and whom it names. */
  boolean isCovered(String place) {
    return isInScope(place) && hidden(snapshot.placeNumber(place)) == BarringWalls.Hidden.NO && all.places().get(place).target() == null;
  }

  // --- what they govern -----------------------------------------------------------------------------

  /** Whether somebody governs a place; not if it is not there. O(1). */
  static boolean governs(Asker who, String place) {
    SnapshotAt state = who.state();
    int number = state.snapshot().placeNumber(place);
    return number >= 0 && (state.rightsInClass(who.person(), state.classOf(number)) & Rights.bit(Right.GOVERN)) != 0
        && (!state.isConditioned(number) || state.rightsNow(who.person(), number).contains(Right.GOVERN));
  }

  /** Whether they govern nothing at a place and below, which may hang on nothing that is another; said only of what is not too much to look at. */
  boolean governsNothing(String place) {
    return ofEachBelow(place, number -> (asker.state().rightsInClass(asker.person(), asker.state().classOf(number)) & Rights.bit(Right.GOVERN)) == 0);
  }

  /** Whether they govern the same as before at a place and below. */
  boolean governsTheSame(String place) {
    return ofEachBelow(place, number -> {
      String id = snapshot.place(number).id();
      return governs(was, id) == governs(asker, id);
    });
  }

  private interface Clear {
    boolean of(int place);
  }

  private boolean ofEachBelow(String place, Clear clear) {
    PrimitiveIterator.OfInt below = everywhere ? null : snapshot.below(snapshot.placeNumber(place)).iterator();
    for (int looked = 0; below != null && below.hasNext(); looked++) {
      if (looked == LOOKED_AT_MOST || !clear.of(below.nextInt())) {
        return false;
      }
    }
    return true;
  }

  /** The same but for its name, or what guards it. */
  static boolean isSlight(Place before, Place after) {
    return before != null && after != null && after.equals(new Place(before.id(), before.kind(), before.parent(), after.name(), before.standsAlone(), before.labels(), before.type(), before.owner(), before.target(),
        after.guards(), before.conditions()));
  }
}
