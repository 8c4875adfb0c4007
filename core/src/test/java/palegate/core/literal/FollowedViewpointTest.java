package palegate.core.literal;

import static org.assertj.core.api.Assertions.assertThat;
import static palegate.core.literal.Literally.FIRST_SEED;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomDuties;
import palegate.core.random.RandomGrowth;
import palegate.core.random.RandomMoves;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.core.testkit.Often;
import palegate.core.viewpoint.Asker;
import palegate.core.viewpoint.Viewpoint;

/** Section 9: what an asker may know after a change, made from what they could know before, is what is made of the new state alone. */
class FollowedViewpointTest {
  @Test
  void what_is_followed_from_change_to_change_is_what_is_made_afresh_whatever_changes_duties_and_walls_among_it() {
    int partly = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(120); seed++) {
      Structure first = RandomDuties.over(RandomStructures.fromSeed(seed), new Random(seed));
      Snapshot state = Snapshot.of(first);
      Map<String, Viewpoint> before = new HashMap<>();
      for (int step = 0; step < 4; step++) {
        SnapshotAt at = state.at(RandomStructures.NOW);
        for (Person person : state.structure().people().values()) {
          Asker asker = Asker.of(at, person.id());
          Viewpoint followed = Viewpoint.of(asker, state, before.get(person.id()));
          Viewpoint fresh = Viewpoint.of(asker);
          String as = "seed %d, step %d, %s".formatted(seed, step, person.id());
          assertThat(followed.whole()).as(as).isEqualTo(fresh.whole());
          assertThat(StructureDifference.between(followed.snapshot().structure(), fresh.snapshot().structure()).things()).as(as).isEqualTo(Set.of());
          assertSameRights(as, followed.snapshot(), fresh.snapshot());
          before.put(person.id(), followed);
          partly += fresh.whole() || fresh.snapshot().placeCount() == 0 ? 0 : 1;
        }
        List<Change> changes = new ArrayList<>(step % 2 == 0 ? RandomGrowth.fromSeed(state.structure(), seed, step) : RandomMoves.fromSeed(first, state.structure(), seed, step));
        changes.addAll(RandomDrafts.fromSeed(state.structure(), seed + step));
        Structure changed = DraftApplication.of(state, changes, RandomStructures.NOW).structure();
        // Who administers what is another from time to time too.
        state = state.next(step == 2 ? RandomDuties.over(changed, new Random(seed + 7)) : changed);
      }
    }
    assertThat(partly).as("viewpoints of whoever knows a part").isGreaterThan(250);
  }

  private static void assertSameRights(String as, Snapshot one, Snapshot other) {
    SnapshotAt first = one.at(RandomStructures.NOW);
    SnapshotAt second = other.at(RandomStructures.NOW);
    for (Person person : one.structure().people().values()) {
      for (Place place : one.structure().places().values()) {
        assertThat(first.rights(one.personNumber(person.id()), one.placeNumber(place.id()))).as("%s: %s at %s", as, person.id(), place.id())
            .isEqualTo(second.rights(other.personNumber(person.id()), other.placeNumber(place.id())));
      }
    }
  }
}
