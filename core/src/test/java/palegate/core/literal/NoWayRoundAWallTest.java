package palegate.core.literal;

import static org.assertj.core.api.Assertions.assertThat;
import static palegate.core.literal.Literally.FIRST_SEED;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import palegate.core.changes.Change;
import palegate.core.changes.FormerPlace;
import palegate.core.changes.PlaceChange;
import palegate.core.duties.Duty;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomGrowth;
import palegate.core.random.RandomLayouts;
import palegate.core.random.RandomMoves;
import palegate.core.random.RandomStructures;
import palegate.core.rehearsal.GuardedChanges;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.reversal.Reversal;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.core.testkit.Often;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/**
 * Section 7: whatever somebody with any duties but those for walls and types does in up to six drafts, at whatever instants,
 * undoing among it, nobody comes to content that a wall or a clearance kept from them at the start. Content belongs to a
 * thing: what is removed and comes back under its id as something else is refused.
 */
class NoWayRoundAWallTest {
  @Test
  void nobody_comes_to_content_that_was_kept_from_them_at_the_start_in_up_to_six_drafts() {
    int made = 0;
    int refused = 0;
    int removed = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(900); seed++) {
      Structure start = RandomStructures.fromSeed(seed);
      Random random = new Random(seed);
      List<Snapshot> states = new ArrayList<>(List.of(Snapshot.of(start)));
      Map<String, FormerPlace> gone = new HashMap<>();
      Instant now = RandomStructures.NOW;
      for (int step = 0; step < 6 && !states.get(states.size() - 1).structure().roles().isEmpty(); step++) {
        Snapshot last = states.get(states.size() - 1);
        now = now.plusSeconds(random.nextInt(4_000));
        List<Change> changes = draft(states, seed, step, now, random, gone);
        Rehearsal rehearsal = Rehearsal.of(last, changes, now, null, gone::get);
        // Whoever holds the duty for walls agrees to removals: what is removed is to be seen by nobody.
        boolean removes = changes.stream().allMatch(change -> change instanceof PlaceChange.RemovePlace);
        if (!removes && !GuardedChanges.of(rehearsal).isEmpty()) {
          refused++;
          continue;
        }
        made++;
        Structure after = rehearsal.after().structure();
        for (Place place : last.structure().places().values()) {
          if (!after.places().containsKey(place.id())) {
            gone.put(place.id(), FormerPlace.in(last, place.id()));
            removed++;
          }
        }
        after.places().keySet().forEach(gone::remove);
        states.add(Snapshot.of(after));
      }
      assertNobodyComesToWhatWasKept(seed, states.get(0), states.get(states.size() - 1), now);
    }
    assertThat(made).as("drafts that anybody may put in force").isGreaterThan(500);
    assertThat(refused).as("drafts that wait for a duty").isGreaterThan(100);
    assertThat(removed).as("places that went").isGreaterThan(50);
  }

  private static List<Change> draft(List<Snapshot> states, long seed, int step, Instant now, Random random, Map<String, FormerPlace> gone) {
    Structure first = states.get(0).structure();
    Structure last = states.get(states.size() - 1).structure();
    List<Change> changes = new ArrayList<>(switch (random.nextInt(8)) {
      case 6 -> removals(last, random);
      case 7 -> new ArrayList<>(comeBackElsewhere(last, gone, random));
      case 0 -> RandomDrafts.fromSeed(last, seed * 7 + step);
      case 1 -> RandomLayouts.fromSeed(last, seed * 7 + step);
      case 2 -> RandomGrowth.fromSeed(last, seed * 7 + step, step);
      case 3 -> comeBackElsewhere(last, gone, random);
      case 4 -> states.size() > 1 ? Reversal.of(StructureDifference.between(states.get(states.size() - 2).structure(), last), states.get(states.size() - 1), now).changes() : List.<Change>of();
      default -> RandomMoves.fromSeed(first, last, seed * 7 + step, step);
    });
    changes.removeIf(change -> change.duty() == Duty.WALLS || change.duty() == Duty.TYPES);
    return changes;
  }

  private static List<Change> removals(Structure last, Random random) {
    return last.places().values().stream().filter(place -> place.isDocument() && random.nextInt(3) == 0).map(Place::id).sorted()
        .<Change>map(PlaceChange.RemovePlace::new).toList();
  }

  /** What has gone is asked for again, as it was and elsewhere. */
  private static List<Change> comeBackElsewhere(Structure last, Map<String, FormerPlace> gone, Random random) {
    List<String> containers = last.places().values().stream().filter(place -> place.kind().isContainer()).map(Place::id).sorted().toList();
    List<Change> changes = new ArrayList<>();
    gone.values().stream().map(FormerPlace::place).sorted((a, b) -> a.id().compareTo(b.id())).forEach(place -> {
      Place elsewhere = place.movedTo(containers.get(random.nextInt(containers.size())));
      changes.add(new PlaceChange.AddPlace(random.nextBoolean() ? elsewhere.labelled(Map.of()) : elsewhere));
      changes.add(new PlaceChange.AddPlace(place));
    });
    return changes;
  }

  private static void assertNobodyComesToWhatWasKept(long seed, Snapshot start, Snapshot end, Instant now) {
    Structure before = start.structure();
    Structure after = end.structure();
    Set<Instant> instants = new TreeSet<>(Set.of(now));
    instants.addAll(start.boundariesAfter(now));
    instants.addAll(end.boundariesAfter(now));
    for (Place document : before.places().values()) {
      Place still = after.places().get(document.id());
      if (!document.isDocument() || still == null) {
        continue;
      }
      for (Person person : before.people().values()) {
        Person is = after.people().get(person.id());
        for (Instant instant : person.active() && is.active() ? instants : Set.<Instant>of()) {
          for (Wall wall : before.walls().values()) {
            if (LiteralWalls.bars(before, wall, person, document, instant)) {
              assertThat(LiteralWalls.bars(after, after.walls().get(wall.id()), is, still, instant))
                  .as("seed %d: the wall %s keeps %s from %s at %s", seed, wall.id(), person.id(), document.id(), instant).isTrue();
            }
          }
          assertThat(cleared(before, person, document, instant)).as("seed %d: clearances keep %s from %s at %s", seed, person.id(), document.id(), instant)
              .containsAll(cleared(after, is, still, instant));
        }
      }
    }
  }

  private static Set<Right> cleared(Structure structure, Person person, Place place, Instant instant) {
    DocumentType type = place.type() == null ? null : structure.types().get(place.type());
    Set<Right> cleared = type == null || !type.guarded() ? EnumSet.allOf(Right.class) : EnumSet.noneOf(Right.class);
    if (type != null && type.guarded()) {
      type.clearances().stream().filter(clearance -> LiteralRules.in(clearance.period().from(), clearance.period().until(), instant)
              && LiteralRules.matches(structure, person, clearance.subject(), instant))
          .forEach(clearance -> cleared.addAll(structure.roles().get(clearance.role()).rights().list()));
    }
    return cleared;
  }
}
