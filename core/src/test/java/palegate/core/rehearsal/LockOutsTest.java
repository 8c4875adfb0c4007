package palegate.core.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.changes.Change;
import palegate.core.changes.PeopleChange;
import palegate.core.literal.LiteralRules;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.random.RandomGrowth;
import palegate.core.random.RandomLayouts;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

class LockOutsTest {
  @Test
  void a_keeper_who_leaves_staff_without_losing_a_right_leaves_a_lock_out() {
    Structure before = Harbour.structure();
    Person ola = before.people().get("ola");
    Structure after = before.withPeople(Map.of("ola", new Person("ola", ola.name(), ola.login(), ola.email(), true, true, ola.unit())));
    Snapshot was = Snapshot.of(before);
    Snapshot is = Snapshot.of(after);
    RightsDifference difference = RightsDifference.between(was, is, Harbour.NOW);
    assertThat(difference.isEmpty()).as("nobody's rights change").isTrue();
    assertThat(new PlaceSet(is, LockOuts.between(was, is, difference)).stream()).extracting(Place::id).containsExactly("root", "cas", "c1", "val1");
  }

  @Test
  void candidates_are_those_who_govern_the_place_or_else_the_nearest_above() {
    Snapshot snapshot = Harbour.snapshot();
    assertThat(LockOuts.candidates(snapshot, Harbour.NOW, snapshot.placeNumber("c1"))).extracting(Person::id).containsExactly("ola");
    assertThat(LockOuts.candidates(snapshot, Harbour.NOW, snapshot.placeNumber("c2"))).extracting(Person::id).containsExactly("ola");
  }

  @Test
  void without_anybody_who_governs_nobody_can_be_named() {
    Structure base = Harbour.structure();
    Snapshot nobody = Snapshot.of(Structure.of(base.units().values(), base.people().values(), base.groups().values(),
        base.roles().values(), base.types().values(), base.places().values(), List.of(), List.of()));
    assertThat(LockOuts.candidates(nobody, Harbour.NOW, 0)).isEmpty();
    assertThat(LockOuts.all(nobody, Harbour.NOW).size()).isEqualTo(base.places().size());
  }

  @Test
  void the_lock_outs_of_a_draft_are_the_places_that_literally_lose_their_last_keeper_or_come_without_one() {
    int found = 0;
    for (long seed = 1; seed <= 900; seed++) {
      Structure before = RandomStructures.fromSeed(seed);
      // Without people, units and types that come, and without moves, one state is made from the other.
      boolean related = seed % 3 > 0;
      long chosen = seed;
      List<Change> changes = new ArrayList<>(related ? RandomGrowth.fromSeed(before, seed, 0) : RandomLayouts.fromSeed(before, seed));
      if (related) {
        before.people().values().stream().filter(Person::active).findFirst().ifPresent(person -> changes.add(leaving(person, chosen)));
      }
      Rehearsal rehearsal = Rehearsal.of(Snapshot.of(before), changes, RandomStructures.NOW, null);
      Structure after = rehearsal.after().structure();
      Set<String> expected = after.places().keySet().stream().filter(place -> !isKept(after, place))
          .filter(place -> !before.places().containsKey(place) || isKept(before, place)).collect(Collectors.toSet());
      assertThat(rehearsal.lockOutsNow().stream().map(Place::id).collect(Collectors.toSet())).as("seed %d: %s", seed, changes).isEqualTo(expected);
      found += expected.isEmpty() ? 0 : 1;
    }
    assertThat(found).as("drafts with lock-outs").isGreaterThan(200);
  }

  /** Out of the staff, or inactive. */
  private static Change leaving(Person person, long seed) {
    return new PeopleChange.SetPerson(new Person(person.id(), person.name(), null, null, seed % 2 == 0, seed % 2 == 0, person.unit()));
  }

  private static boolean isKept(Structure structure, String place) {
    return structure.people().values().stream().anyMatch(person -> person.active() && person.staff()
        && LiteralRules.standing(structure, person.id(), place, RandomStructures.NOW).contains(Right.GOVERN));
  }
}
