package palegate.core.viewpoint;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
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
import palegate.core.random.RandomMoves;
import palegate.core.random.RandomRules;
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
      changes.addAll(RandomMoves.fromSeed(state.structure(), state.structure(), seed, 0));
      Collections.shuffle(changes, new Random(seed));
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
          if (known == null || known.whole() || known.snapshot().structure().places().isEmpty()) {
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
    assertThat(clear.values().stream().mapToInt(Integer::intValue).sum()).isGreaterThan(asked / 3);
    assertThat(altered).as("changes of what somebody knows that are clear").isGreaterThan(50);
    assertThat(clear.keySet()).contains("AddGrant", "RemoveGrant", "AddMember", "AddPlace", "SetGroup", "MovePlace", "RemovePlace");
  }

  @Test
  void what_is_clear_is_true_of_people_units_roles_types_duties_and_rules_too() {
    int[] asked = new int[RandomRules.KINDS];
    int[] clear = new int[RandomRules.KINDS];
    for (long seed = SEED; seed < SEED + 3L * SEEDS; seed++) {
      Structure first = RandomDuties.over(RandomStructures.fromSeed(seed), new Random(seed));
      Snapshot state = Snapshot.of(seed % 3 == 0 ? first : governedByNobody(first));
      Map<String, Viewpoint> before = viewpoints(state, RandomStructures.NOW);
      for (int step = 0; step < 8; step++) {
        int kind = Math.floorMod(seed * 5 + step, RandomRules.KINDS);
        Structure altered = RandomRules.altered(state.structure(), kind, seed * 31 + step);
        state = state.next(altered);
        Map<String, Viewpoint> after = new HashMap<>();
        for (Map.Entry<String, Viewpoint> fresh : viewpoints(state, RandomStructures.NOW).entrySet()) {
          Viewpoint known = before.get(fresh.getKey());
          Asker asker = Asker.of(state.at(RandomStructures.NOW), fresh.getKey());
          Viewpoint followed = Viewpoint.of(asker, state, known);
          String as = "seed %d, step %d, %s after an alteration of kind %d".formatted(seed, step, fresh.getKey(), kind);
          assertThat(StructureDifference.between(followed.snapshot().structure(), fresh.getValue().snapshot().structure()).things()).as(as).isEqualTo(Set.of());
          if (known != null && !known.whole() && known.snapshot().placeCount() > 0) {
            asked[kind]++;
            Optional<Structure> atAGlance = FollowedStructure.of(known, fresh.getValue().asker());
            clear[kind] += atAGlance.isPresent() ? 1 : 0;
            atAGlance.ifPresent(one -> assertThat(StructureDifference.between(one, fresh.getValue().snapshot().structure()).things()).as(as).isEqualTo(Set.of()));
          }
          after.put(fresh.getKey(), followed);
        }
        before = after;
      }
    }
    System.out.printf("Clear at a glance, by kind: %s of %s (seed %d)%n", Arrays.toString(clear), Arrays.toString(asked), SEED);
    for (int kind = 0; kind < RandomRules.KINDS; kind++) {
      assertThat(clear[kind]).as("alterations of kind %d that are clear", kind).isGreaterThan(asked[kind] / 5);
    }
  }

  @Test
  void what_is_clear_is_true_of_many_changes_at_once() {
    int asked = 0;
    int clear = 0;
    for (long seed = SEED; seed < SEED + 4L * SEEDS; seed++) {
      Random random = new Random(seed);
      Structure first = RandomDuties.over(RandomStructures.fromSeed(seed), random);
      Snapshot state = Snapshot.of(seed % 3 == 0 ? first : governedByNobody(first));
      Map<String, Viewpoint> before = viewpoints(state, RandomStructures.NOW);
      for (int step = 0; step < 4; step++) {
        List<Change> changes = new ArrayList<>(RandomMoves.fromSeed(state.structure(), state.structure(), seed, step));
        changes.addAll(RandomDrafts.fromSeed(state.structure(), seed + step));
        Collections.shuffle(changes, random);
        Structure altered = DraftApplication.of(state, changes.subList(0, Math.min(changes.size(), random.nextInt(4))), RandomStructures.NOW).structure();
        for (int more = random.nextInt(4); more > 0; more--) {
          altered = RandomRules.altered(altered, random.nextInt(RandomRules.KINDS), random.nextLong());
        }
        state = state.next(altered);
        Map<String, Viewpoint> after = new HashMap<>();
        for (Map.Entry<String, Viewpoint> fresh : viewpoints(state, RandomStructures.NOW).entrySet()) {
          Viewpoint known = before.get(fresh.getKey());
          Viewpoint followed = Viewpoint.of(Asker.of(state.at(RandomStructures.NOW), fresh.getKey()), state, known);
          assertThat(StructureDifference.between(followed.snapshot().structure(), fresh.getValue().snapshot().structure()).things()).as("seed %d, step %d, %s", seed, step, fresh.getKey()).isEqualTo(Set.of());
          assertThat(followed.asker().governsAnything()).as("seed %d, step %d, %s governs", seed, step, fresh.getKey()).isEqualTo(fresh.getValue().asker().governsAnything());
          if (known != null && !known.whole() && known.snapshot().placeCount() > 0) {
            asked++;
            clear += FollowedStructure.of(known, Asker.of(state.at(RandomStructures.NOW), fresh.getKey())).isPresent() ? 1 : 0;
          }
          after.put(fresh.getKey(), followed);
        }
        before = after;
      }
    }
    System.out.printf("Clear at a glance, many at once: %d of %d (seed %d)%n", clear, asked, SEED);
    assertThat(clear).isGreaterThan(asked / 10);
  }

  /** Of whoever governs anything less is clear. */
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
