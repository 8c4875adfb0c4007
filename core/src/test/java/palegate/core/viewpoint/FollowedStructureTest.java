package palegate.core.viewpoint;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.people.Person;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomDuties;
import palegate.core.random.RandomGrowth;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;

/** Section 9: where it is clear at a glance what a change makes of what somebody may know, it is what is made of the new state alone. */
class FollowedStructureTest {
  private static final long SEED = Long.getLong("palegate.seed", 20_261_130);

  @Test
  void what_is_clear_is_true_of_every_change_and_everybody() {
    Map<String, Integer> clear = new TreeMap<>();
    int asked = 0;
    int altered = 0;
    for (long seed = SEED; seed < SEED + 150; seed++) {
      Structure first = RandomDuties.over(RandomStructures.fromSeed(seed), new Random(seed));
      Snapshot state = Snapshot.of(seed % 3 == 0 ? first : governedByNobody(first));
      List<Change> changes = new ArrayList<>(RandomDrafts.fromSeed(state.structure(), seed));
      changes.addAll(RandomGrowth.fromSeed(state.structure(), seed, 0));
      Map<String, Viewpoint> before = viewpoints(state);
      for (Change change : changes) {
        DraftApplication.Result result = DraftApplication.of(state, List.of(change), RandomStructures.NOW);
        if (!result.refusals().isEmpty() || result.difference().isEmpty()) {
          continue;
        }
        state = state.next(result.difference());
        Map<String, Viewpoint> after = viewpoints(state);
        for (Map.Entry<String, Viewpoint> each : after.entrySet()) {
          Viewpoint known = before.get(each.getKey());
          if (known == null || known.whole()) {
            continue;
          }
          asked++;
          Optional<Structure> followed = FollowedStructure.of(known, each.getValue().asker());
          if (followed.isPresent()) {
            assertThat(each.getValue().whole()).isFalse();
            assertThat(StructureDifference.between(followed.get(), each.getValue().snapshot().structure()).things()).as("seed %d, %s after %s", seed, each.getKey(), change).isEqualTo(Set.of());
            clear.merge(change.getClass().getSimpleName(), 1, Integer::sum);
            altered += followed.get() == known.snapshot().structure() ? 0 : 1;
          }
        }
        before = after;
      }
    }
    System.out.printf("Clear at a glance: %s of %d, of which %d altered what is known (seed %d)%n", clear, asked, altered, SEED);
    assertThat(clear.values().stream().mapToInt(Integer::intValue).sum()).isGreaterThan(asked / 40);
    assertThat(altered).as("changes of what somebody knows that are clear").isGreaterThan(50);
    assertThat(clear.keySet()).contains("AddGrant", "RemoveGrant", "AddMember", "AddPlace", "SetGroup");
  }

  /** Of whoever governs anything little is clear. */
  private static Structure governedByNobody(Structure structure) {
    Map<String, Role> roles = new HashMap<>();
    structure.roles().values().forEach(role -> roles.put(role.id(), new Role(role.id(), role.name(), role.rights().minus(Rights.of(Right.GOVERN)).close())));
    return structure.withRoles(roles);
  }

  private static Map<String, Viewpoint> viewpoints(Snapshot state) {
    Map<String, Viewpoint> all = new HashMap<>();
    for (Person person : state.structure().people().values()) {
      all.put(person.id(), Viewpoint.of(Asker.of(state.at(RandomStructures.NOW), person.id())));
    }
    return all;
  }
}
