package palegate.core.viewpoint;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
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

  private static final int SEEDS = Integer.getInteger("palegate.seeds", 120);

  @Test
  void what_is_clear_is_true_of_every_change_and_everybody() {
    Map<String, Integer> clear = new TreeMap<>();
    int asked = 0;
    int altered = 0;
    for (long seed = SEED; seed < SEED + SEEDS; seed++) {
      Structure first = RandomDuties.over(RandomStructures.fromSeed(seed), new Random(seed));
      Snapshot state = Snapshot.of(seed % 3 == 0 ? first : governedByNobody(first));
      List<Change> changes = new ArrayList<>(RandomDrafts.fromSeed(state.structure(), seed));
      changes.addAll(RandomGrowth.fromSeed(state.structure(), seed, 0));
      // Days go by meanwhile: things begin and end.
      Instant now = RandomStructures.NOW;
      Random days = new Random(seed);
      Map<String, Viewpoint> before = viewpoints(state, now);
      for (Change change : changes) {
        DraftApplication.Result result = DraftApplication.of(state, List.of(change), now);
        if (!result.refusals().isEmpty() || result.difference().isEmpty()) {
          continue;
        }
        state = state.next(result.difference());
        now = now.plus(Duration.ofDays(days.nextInt(8) / 6));
        Map<String, Viewpoint> after = new HashMap<>();
        for (Map.Entry<String, Viewpoint> each : viewpoints(state, now).entrySet()) {
          Viewpoint known = before.get(each.getKey());
          // From one to the next, as an installation does it: what was wrong once would stay wrong.
          after.put(each.getKey(), Viewpoint.of(Asker.of(state.at(now), each.getKey()), state, known));
          if (known == null || known.whole()) {
            continue;
          }
          asked++;
          assertThat(StructureDifference.between(after.get(each.getKey()).snapshot().structure(), each.getValue().snapshot().structure()).things()).as("seed %d, %s after %s", seed, each.getKey(), change).isEqualTo(Set.of());
          Optional<Structure> followed = FollowedStructure.of(known, each.getValue().asker());
          if (followed.isPresent()) {
            assertThat(each.getValue().whole()).isFalse();
            assertThat(StructureDifference.between(followed.get(), each.getValue().snapshot().structure()).things()).as("seed %d, %s after %s", seed, each.getKey(), change).isEqualTo(Set.of());
            assertThat(each.getValue().asker().governsAnything()).as("seed %d, %s after %s", seed, each.getKey(), change).isEqualTo(Asker.of(state.at(now), each.getKey()).governsAnything());
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

  private static Map<String, Viewpoint> viewpoints(Snapshot state, Instant now) {
    Map<String, Viewpoint> all = new HashMap<>();
    for (Person person : state.structure().people().values()) {
      all.put(person.id(), Viewpoint.of(Asker.of(state.at(now), person.id())));
    }
    return all;
  }
}
