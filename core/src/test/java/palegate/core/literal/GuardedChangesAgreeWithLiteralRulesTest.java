package palegate.core.literal;

import static org.assertj.core.api.Assertions.assertThat;
import static palegate.core.literal.Literally.FIRST_SEED;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import palegate.core.drafts.Change;
import palegate.core.drafts.GuardedChanges;
import palegate.core.drafts.Rehearsal;
import palegate.core.duties.Duty;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomGrowth;
import palegate.core.random.RandomLayouts;
import palegate.core.random.RandomMoves;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/**
 * Section 7, at its end: whatever kinds of changes a draft is made of, if at any instant from now on anybody would be
 * unbarred or cleared by it, it waits for the duty. Judged literally: every person, every place, every wall, every instant.
 */
class GuardedChangesAgreeWithLiteralRulesTest {
  private static final Instant NOW = RandomStructures.NOW;
  private int unbarring;
  private int clearing;
  private int needless;

  @Test
  void nobody_is_unbarred_or_cleared_without_the_duty_being_asked_for() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 4_000; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      List<Change> changes = new ArrayList<>(switch ((int) (seed % 4)) {
        case 0 -> RandomDrafts.fromSeed(structure, seed);
        case 1 -> RandomLayouts.fromSeed(structure, seed);
        case 2 -> RandomMoves.fromSeed(structure, structure, seed, 0);
        default -> RandomGrowth.fromSeed(structure, seed, 0);
      });
      changes.removeIf(change -> change.duty() == Duty.WALLS || change.duty() == Duty.TYPES);
      assertGuarded(seed, Rehearsal.of(Snapshot.of(structure), changes, NOW, null));
    }
    assertThat(unbarring).as("drafts that unbar somebody are among them").isGreaterThan(40);
    assertThat(clearing).as("drafts that clear somebody are among them").isGreaterThan(40);
    assertThat(needless).as("hardly any draft waits for nothing").isLessThan(unbarring + clearing);
  }

  private void assertGuarded(long seed, Rehearsal rehearsal) {
    Map<Duty, String> needed = GuardedChanges.of(rehearsal);
    Structure before = rehearsal.before().structure();
    Structure after = rehearsal.after().structure();
    Set<Instant> instants = new TreeSet<>(Set.of(NOW));
    instants.addAll(rehearsal.before().boundariesAfter(NOW));
    instants.addAll(rehearsal.after().boundariesAfter(NOW));
    boolean unbars = false;
    boolean clears = false;
    for (Person is : after.people().values()) {
      Person was = before.people().get(is.id());
      if (was == null || !was.active() || !is.active()) {
        continue;
      }
      for (Place place : after.places().values()) {
        Place earlier = before.places().get(place.id());
        for (Instant instant : earlier == null ? Set.<Instant>of() : instants) {
          unbars = unbars || unbars(before, after, was, is, earlier, place, instant);
          clears = clears || clears(before, after, was, is, earlier, place, instant);
        }
      }
    }
    if (unbars) {
      assertThat(needed).as("seed %d", seed).containsKey(Duty.WALLS);
      unbarring++;
    }
    if (clears) {
      assertThat(needed).as("seed %d", seed).containsKey(Duty.TYPES);
      clearing++;
    }
    boolean goes = before.places().keySet().stream().anyMatch(id -> !after.places().containsKey(id));
    boolean comes = after.people().values().stream().anyMatch(person -> person.active() && (!before.people().containsKey(person.id()) || !before.people().get(person.id()).active()));
    boolean planned = before.walls().values().stream().anyMatch(wall -> wall.state() == Wall.State.PLANNED);
    needless += !unbars && !clears && !goes && !comes && !planned && !needed.isEmpty() ? 1 : 0;
  }

  private static boolean unbars(Structure before, Structure after, Person was, Person is, Place earlier, Place place, Instant instant) {
    return before.walls().values().stream().anyMatch(wall -> LiteralWalls.bars(before, wall, was, earlier, instant)
        && !LiteralWalls.bars(after, after.walls().get(wall.id()), is, place, instant));
  }

  private static boolean clears(Structure before, Structure after, Person was, Person is, Place earlier, Place place, Instant instant) {
    Set<Right> had = cleared(before, was, earlier, instant);
    return !had.containsAll(cleared(after, is, place, instant));
  }

  private static Set<Right> cleared(Structure structure, Person person, Place place, Instant instant) {
    DocumentType type = place.type() == null ? null : structure.types().get(place.type());
    if (type == null || !type.guarded()) {
      return EnumSet.allOf(Right.class);
    }
    Set<Right> cleared = EnumSet.noneOf(Right.class);
    for (Clearance clearance : type.clearances()) {
      if (LiteralRules.in(clearance.period().from(), clearance.period().until(), instant) && LiteralRules.matches(structure, person, clearance.subject(), instant)) {
        cleared.addAll(structure.roles().get(clearance.role()).rights().list());
      }
    }
    return cleared;
  }
}
