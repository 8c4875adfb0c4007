package palegate.core.snapshot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;

/** Many asked for at once get what each would alone. */
class RightsOfManyTest {
  private static void assertEachGetsWhatTheyWouldAlone(Snapshot snapshot, long seed, int count) {
    SnapshotAt moment = snapshot.at(RandomStructures.NOW);
    Random random = new Random(seed);
    int[] people = random.ints(count, 0, snapshot.personCount()).toArray();
    int[] places = random.ints(count, 0, snapshot.placeCount()).toArray();
    short[] rights = moment.rights(people, places);
    assertThat(rights).hasSize(count);
    for (int i = 0; i < count; i++) {
      assertThat(Rights.ofMask(rights[i])).as("seed %d, pair %d", seed, i).isEqualTo(moment.rights(people[i], places[i]));
    }
  }

  @Test
  void however_many_they_are() {
    for (int count : new int[] {0, 1, 31, 32, 33, 64, 1_000}) {
      assertEachGetsWhatTheyWouldAlone(Harbour.snapshot(), 20_261_125L, count);
    }
  }

  @Test
  void in_a_state_that_was_made_from_another_too() {
    Snapshot snapshot = Harbour.snapshot();
    Map<String, Role> fewer = new HashMap<>();
    snapshot.structure().roles().values().forEach(role -> fewer.put(role.id(), new Role(role.id(), role.name(), Rights.of(Right.FIND))));
    assertEachGetsWhatTheyWouldAlone(snapshot.next(snapshot.structure().withRoles(fewer)), 20_261_126L, 500);
  }

  @Test
  void each_person_needs_a_place() {
    SnapshotAt moment = Harbour.snapshot().at(Harbour.NOW);
    assertThatThrownBy(() -> moment.rights(new int[2], new int[3])).hasMessageContaining("[2] people").hasMessageContaining("[3] places");
  }
}
