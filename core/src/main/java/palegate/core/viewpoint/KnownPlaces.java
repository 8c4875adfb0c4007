package palegate.core.viewpoint;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Objects;
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
    BitSet inScope = new BitSet();
    if (everywhere) {
      snapshot.places().forEach(inScope::set);
    } else {
      asker.held().stream().map(DutyAssignment::place).filter(Objects::nonNull).mapToInt(snapshot::placeNumber).filter(top -> top >= 0 && !inScope.get(top))
          .forEach(top -> snapshot.below(top).forEach(inScope::set));
      addGoverned(inScope, asker, snapshot);
    }
    cover(inScope, snapshot, walls);
    BitSet links = new BitSet();
    covered.stream().filter(place -> snapshot.place(place).target() != null).forEach(links::set);
    known.or(covered);
    known.andNot(links);
    leadThere(snapshot);
    // A link to what is not there is not there either; one that is there may make known what leads to it.
    for (boolean more = true; more;) {
      int[] shown = links.stream().filter(link -> known.get(snapshot.placeNumber(snapshot.place(link).target()))).toArray();
      Arrays.stream(shown).forEach(link -> {
        known.set(link);
        links.clear(link);
      });
      more = shown.length > 0;
      if (more) {
        leadThere(snapshot);
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
      leadThere(snapshot);
    }
    reaching.or(covered);
    covered.stream().forEach(place -> {
      for (int here = place; !snapshot.standsAlone(here) && snapshot.parent(here) >= 0 && !reaching.get(snapshot.parent(here)); here = snapshot.parent(here)) {
        reaching.set(snapshot.parent(here));
      }
    });
  }

  /** Of some places, those that no wall keeps from the asker, nor anything above them. O(places + places above them). */
  private void cover(BitSet inScope, Snapshot snapshot, BarringWalls walls) {
    BitSet looked = new BitSet();
    BitSet barred = new BitSet();
    List<Integer> up = new ArrayList<>();
    inScope.stream().forEach(place -> {
      up.clear();
      int top = place;
      for (; top >= 0 && !looked.get(top); top = snapshot.parent(top)) {
        up.add(top);
      }
      boolean below = top >= 0 && barred.get(top);
      for (int i = up.size() - 1; i >= 0; i--) {
        below |= walls.at(up.get(i)) == BarringWalls.Hidden.BARRED;
        looked.set(up.get(i));
        barred.set(up.get(i), below);
      }
      covered.set(place, !barred.get(place) && walls.at(place) == BarringWalls.Hidden.NO);
    });
  }

  /** Whatever is above something known, up to what leads there already. O(known places + places above them). */
  private void leadThere(Snapshot snapshot) {
    for (int place : known.stream().toArray()) {
      for (int above = snapshot.parent(place); above >= 0 && !known.get(above); above = snapshot.parent(above)) {
        known.set(above);
      }
    }
  }

  /** What the asker governs in the state in which they hold their duties, as far as it is in the one that is looked at. O(classes + places). */
  private static void addGoverned(BitSet places, Asker asker, Snapshot snapshot) {
    if (asker.person() < 0) {
      return;
    }
    SnapshotAt state = asker.state();
    int[] byClass = state.rightsInEveryClass(asker.person());
    if (Arrays.stream(byClass).noneMatch(mask -> (mask & Rights.bit(Right.GOVERN)) != 0)) {
      return;
    }
    boolean same = snapshot == asker.snapshot();
    state.snapshot().places().filter(place -> (byClass[state.classOf(place)] & Rights.bit(Right.GOVERN)) != 0)
        .filter(place -> !state.isConditioned(place) || state.rightsNow(asker.person(), place).contains(Right.GOVERN))
        .map(place -> same ? place : snapshot.placeNumber(state.snapshot().place(place).id())).filter(place -> place >= 0).forEach(places::set);
  }
}
