package palegate.core.rehearsal;

import java.time.Instant;
import java.util.BitSet;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import palegate.core.changes.FormerPlace;
import palegate.core.duties.Duty;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/**
 * What walls and guarded types hang on is guarded itself (section 7, at its end): whether a draft would unbar anybody from
 * anything, or clear anybody for a guarded type, now or at any later instant at which something begins or ends. Then it
 * waits for somebody who holds the duty for walls, or for types. What bars or clears fewer waits for nobody.
 *
 * <p>Only what the draft makes another is looked at: the places whose label, type or parent is another or that go, with all
 * below them, and the people who match other subjects than before ({@link GuardedPeople}). A wall that is planned or begins later counts
 * like one that stands, and whoever it will bar by then counts like somebody whom it bars today: a place that leaves its
 * scope is guarded even while the wall bars nobody.
 */
public final class GuardedChanges {
  private final Rehearsal rehearsal;
  private final Snapshot before;
  private final Snapshot after;
  private final Structure was;
  private final Structure is;
  private final Instant now;
  private final Map<Duty, String> found = new EnumMap<>(Duty.class);

  private GuardedChanges(Rehearsal rehearsal) {
    this.rehearsal = rehearsal;
    before = rehearsal.before();
    after = rehearsal.after();
    was = before.structure();
    is = after.structure();
    now = rehearsal.instant();
  }

  /** The duties that somebody must hold who makes or approves the draft, each with the first reason found, in words. */
  public static Map<Duty, String> of(Rehearsal rehearsal) {
    GuardedChanges changes = new GuardedChanges(rehearsal);
    if (!changes.was.walls().isEmpty() || changes.was.types().values().stream().anyMatch(DocumentType::guarded)) {
      changes.lookAtPlaces();
      changes.lookAtRoles();
      changes.lookAtTypes();
      GuardedPeople.look(rehearsal, changes.found);
    }
    return changes.found;
  }

  private boolean all() {
    return found.containsKey(Duty.WALLS) && found.containsKey(Duty.TYPES);
  }

  // --- places ---------------------------------------------------------------------------------------

  private void lookAtPlaces() {
    // A wall that the draft makes another is the business of whoever changes walls.
    List<Wall> walls = WallScopes.live(was.walls().values().stream(), now).filter(wall -> is.walls().get(wall.id()) != null
        && is.walls().get(wall.id()).barrier().equals(wall.barrier())).toList();
    WallScopes earlier = new WallScopes(before, walls);
    WallScopes later = new WallScopes(after, walls);
    for (String id : rehearsal.altered().places().stream().sorted().toList()) {
      Place had = was.places().get(id);
      Place has = is.places().get(id);
      if (all()) {
        return;
      }
      if (had == null) {
        lookAtComingBack(has);
      } else if (has == null) {
        lookAtRemoved(had, earlier);
      } else if (!had.labels().equals(has.labels()) || !Objects.equals(had.type(), has.type()) || !Objects.equals(had.parent(), has.parent())) {
        lookAtType(had, has);
        lookBelow(has, earlier, later);
      }
    }
  }

  /** A document that goes takes its content out of what guards it: guarded like a move out. */
  private void lookAtRemoved(Place gone, WallScopes earlier) {
    if (isGuarded(was, gone.type())) {
      found.putIfAbsent(Duty.TYPES, "it removes “" + gone.name() + "”, whose type is guarded");
    }
    if (!found.containsKey(Duty.WALLS) && !earlier.surrounding(before.placeNumber(gone.id())).isEmpty()) {
      found.put(Duty.WALLS, "it removes “" + gone.name() + "”, around which a wall runs");
    }
  }

  /** What comes back brings its content along: the walls that kept people from it must still do so. */
  private void lookAtComingBack(Place place) {
    FormerPlace former = rehearsal.formerly(place.id());
    if (former != null && !former.isBehindItsWalls(after, now)) {
      found.putIfAbsent(Duty.WALLS, "it brings “" + place.name() + "” back without a wall that ran around it");
    }
  }

  private void lookAtType(Place had, Place has) {
    if (!Objects.equals(had.type(), has.type()) && isGuarded(was, had.type()) && clearsMore(was.types().get(had.type()), has.type())) {
      found.putIfAbsent(Duty.TYPES, "it makes “" + has.name() + "” a document that more people are cleared for");
    }
  }

  /** Whether the other type clears anything that the one did not clear the same subject for, for as long; whoever they are by then. */
  private boolean clearsMore(DocumentType one, String other) {
    return !isGuarded(is, other) || is.types().get(other).clearances().stream().filter(clearance -> !clearance.period().endedBy(now))
        .anyMatch(clearance -> one.clearances().stream().noneMatch(known -> includes(known, clearance)));
  }

  private boolean includes(Clearance known, Clearance clearance) {
    return known.subject().equals(clearance.subject()) && known.period().includes(clearance.period(), now)
        && is.roles().get(clearance.role()).rights().minus(was.roles().get(known.role()).rights()).isEmpty();
  }

  private void lookBelow(Place top, WallScopes earlier, WallScopes later) {
    after.below(after.placeNumber(top.id())).takeWhile(place -> !found.containsKey(Duty.WALLS)).forEach(place -> {
      int before = this.before.placeNumber(after.place(place).id());
      if (before >= 0) {
        BitSet lost = earlier.barringFrom(before);
        lost.andNot(later.barringFrom(place));
        if (!lost.isEmpty()) {
          found.put(Duty.WALLS, "it changes which walls cover “" + after.place(place).name() + "”");
        }
      }
    });
  }

  private static boolean isGuarded(Structure structure, String type) {
    return type != null && structure.types().containsKey(type) && structure.types().get(type).guarded();
  }

  // --- roles and types --------------------------------------------------------------------------------

  private void lookAtRoles() {
    Set<String> widened = new HashSet<>();
    rehearsal.altered().roles().forEach(id -> {
      if (was.roles().containsKey(id) && is.roles().containsKey(id) && !is.roles().get(id).rights().minus(was.roles().get(id).rights()).isEmpty()) {
        widened.add(id);
      }
    });
    if (!widened.isEmpty()) {
      is.types().values().stream().filter(type -> type.guarded() && isGuarded(was, type.id()))
          .filter(type -> type.clearances().stream().anyMatch(clearance -> widened.contains(clearance.role()) && !clearance.period().endedBy(now)))
          .findFirst().ifPresent(type -> found.putIfAbsent(Duty.TYPES, "it widens a role that people are cleared with for “" + type.name() + "”"));
    }
  }

  /** Whoever changes types holds the duty for them; an undo or a bundle may do it in somebody else's draft. */
  private void lookAtTypes() {
    rehearsal.altered().types().stream().sorted().filter(id -> isGuarded(was, id)).forEach(id -> {
      DocumentType had = was.types().get(id);
      DocumentType has = is.types().get(id);
      if (has != null && (!has.guarded() || has.clearances().stream().anyMatch(clearance -> !had.clearances().contains(clearance)))) {
        found.putIfAbsent(Duty.TYPES, "it clears somebody for “" + has.name() + "”");
      }
    });
  }
}
