package palegate.core.viewpoint;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashSet;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/**
 * The places that an asker may know in the console, as bits by their numbers (section 9): what their duties cover, the places that
 * they {@code govern}, and what leads there; without what a wall keeps from them, and what is below it. O(places), once.
 */
final class KnownPlaces {
  /** Places that a duty covers, or that the asker governs. */
  final BitSet covered = new BitSet();
  /** Those, the containers that lead there, and what the walls are drawn around that the asker keeps. */
  final BitSet known = new BitSet();
  /** Covered places, and all that are above one. */
  final BitSet onTheWay = new BitSet();
  /** Places whose entries reach a covered one. */
  final BitSet reaching = new BitSet();

  KnownPlaces(Asker asker, SnapshotAt at, BarringWalls walls) {
    Snapshot snapshot = at.snapshot();
    boolean everywhere = asker.holdsAny(Duty.AUDIT, Duty.WALLS) || Stream.of(Duty.values()).anyMatch(duty -> duty.scope() == Duty.ScopeKind.PLACE && asker.holdsEverywhere(duty));
    Set<String> tops = new HashSet<>(asker.held().stream().map(DutyAssignment::place).filter(place -> place != null).toList());
    BitSet governed = everywhere ? new BitSet() : governed(asker);
    BitSet inScope = new BitSet();
    BitSet barred = new BitSet();
    int[] places = everywhere || !tops.isEmpty() || !governed.isEmpty() ? snapshot.places().toArray() : new int[0];
    for (int place : places) {
      int parent = snapshot.parent(place);
      BarringWalls.Hidden hidden = walls.at(place);
      if (parent >= 0 && barred.get(parent) || hidden == BarringWalls.Hidden.BARRED) {
        barred.set(place);
      }
      if (everywhere || parent >= 0 && inScope.get(parent) || tops.contains(snapshot.place(place).id())) {
        inScope.set(place);
      }
      if (!barred.get(place) && hidden == BarringWalls.Hidden.NO && (inScope.get(place) || governsIn(governed, asker, snapshot, place))) {
        covered.set(place);
      }
    }
    BitSet links = new BitSet();
    covered.stream().filter(place -> snapshot.place(place).target() != null).forEach(links::set);
    known.or(covered);
    known.andNot(links);
    leadThere(snapshot, places);
    // A link to what is not there is not there either; one that is there may make known what leads to it.
    for (boolean more = true; more;) {
      int[] shown = links.stream().filter(link -> known.get(snapshot.placeNumber(snapshot.place(link).target()))).toArray();
      Arrays.stream(shown).forEach(link -> {
        known.set(link);
        links.clear(link);
      });
      more = shown.length > 0;
      if (more) {
        leadThere(snapshot, places);
      }
    }
    covered.andNot(links);
    onTheWay.or(known);
    if (asker.holds(Duty.WALLS)) {
      // Whoever keeps the walls knows what they are drawn around, if not what is there.
      snapshot.structure().walls().values().stream().flatMap(wall -> wall.barrier().scopes().stream()).flatMap(scope -> scope.places().stream())
          .mapToInt(snapshot::placeNumber).filter(place -> place >= 0).forEach(place -> {
            known.set(place);
            String target = snapshot.place(place).target();
            known.set(target == null ? place : snapshot.placeNumber(target));
          });
      leadThere(snapshot, places);
    }
    reaching.or(covered);
    for (int i = places.length - 1; i >= 0; i--) {
      int parent = snapshot.parent(places[i]);
      if (parent >= 0 && reaching.get(places[i]) && !snapshot.standsAlone(places[i])) {
        reaching.set(parent);
      }
    }
  }

  /** From the last place to the first, so that what is below has been seen before what is above. */
  private void leadThere(Snapshot snapshot, int[] places) {
    for (int i = places.length - 1; i >= 0; i--) {
      if (known.get(places[i]) && snapshot.parent(places[i]) >= 0) {
        known.set(snapshot.parent(places[i]));
      }
    }
  }

  /** In the state in which the asker holds their duties. O(classes + places). */
  private static BitSet governed(Asker asker) {
    BitSet governed = new BitSet();
    if (asker.person() >= 0) {
      SnapshotAt state = asker.state();
      int[] byClass = state.rightsInEveryClass(asker.person());
      boolean any = Arrays.stream(byClass).anyMatch(mask -> (mask & Rights.bit(Right.GOVERN)) != 0);
      if (any) {
        state.snapshot().places().filter(place -> (byClass[state.classOf(place)] & Rights.bit(Right.GOVERN)) != 0)
            .filter(place -> !state.isConditioned(place) || state.rightsNow(asker.person(), place).contains(Right.GOVERN)).forEach(governed::set);
      }
    }
    return governed;
  }

  private static boolean governsIn(BitSet governed, Asker asker, Snapshot snapshot, int place) {
    int now = governed.isEmpty() ? -1 : snapshot == asker.snapshot() ? place : asker.snapshot().placeNumber(snapshot.place(place).id());
    return now >= 0 && governed.get(now);
  }
}
