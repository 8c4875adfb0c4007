package palegate.core.literal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.findings.Finding;
import palegate.core.findings.Findings;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;
import palegate.core.types.DocumentType;

/** What findings say of rights, held against the rules read literally. */
class FindingsAgreeWithLiteralRulesTest {
  private static final long FIRST_SEED = 20_261_130L;
  private static final int STRUCTURES = Often.times(400);
  private static final Instant NOW = RandomStructures.NOW;

  private static Set<String> things(List<Finding> findings, String... rules) {
    return findings.stream().filter(finding -> List.of(rules).contains(finding.rule())).map(finding -> finding.thing().substring(finding.thing().indexOf(':') + 1)).collect(Collectors.toCollection(TreeSet::new));
  }

  private static Map<List<String>, Rights> everything(Structure structure, Instant instant) {
    Map<List<String>, Rights> all = new HashMap<>();
    structure.people().keySet().forEach(person -> structure.places().keySet().forEach(place -> all.put(List.of(person, place), Literally.standing(structure, person, place, instant))));
    return all;
  }

  @Test
  void an_entry_that_does_nothing_can_be_left_out_without_anybody_noticing_now_or_at_last() {
    int found = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + STRUCTURES; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(structure);
      Set<String> idle = things(Findings.of(snapshot, NOW), "entry-without-effect", "person-entry-covered-by-group");
      List<Instant> later = snapshot.boundariesAfter(NOW);
      List<Instant> instants = later.isEmpty() ? List.of(NOW) : List.of(NOW, later.get(later.size() - 1));
      for (String id : idle) {
        Entry entry = structure.entry(id);
        Structure without = entry instanceof Grant ? structure.withGrants(Collections.singletonMap(id, null)) : structure.withWithholdings(Collections.singletonMap(id, null));
        for (Instant instant : instants) {
          assertThat(everything(without, instant)).as("without %s at %s (seed %d)", id, instant, seed).isEqualTo(everything(structure, instant));
        }
        found++;
      }
    }
    assertThat(found).isGreaterThan(200);
  }

  @Test
  void places_without_a_keeper_are_those_and_all_of_them() {
    int found = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + STRUCTURES; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Set<String> said = things(Findings.of(Snapshot.of(structure), NOW), "no-keeper");
      Predicate<Place> kept = place -> structure.people().values().stream().anyMatch(person -> person.active() && person.staff() && Literally.standing(structure, person.id(), place.id(), NOW).contains(Right.GOVERN));
      Set<String> expected = new TreeSet<>();
      for (Place place : structure.places().values()) {
        Place parent = place.parent() == null ? null : structure.places().get(place.parent());
        if (!kept.test(place) && (parent == null || kept.test(parent)) && !isOfTypeForNobody(structure, place)) {
          expected.add(place.id());
        }
      }
      assertThat(said).as("seed %d", seed).isEqualTo(expected);
      found += said.size();
    }
    assertThat(found).isGreaterThan(50);
  }

  private static boolean isOfTypeForNobody(Structure structure, Place place) {
    DocumentType type = place.type() == null ? null : structure.types().get(place.type());
    Snapshot snapshot = Snapshot.of(structure);
    return type != null && type.guarded() && type.clearances().stream().noneMatch(clearance -> clearance.period().holdsAt(NOW)
        && structure.people().values().stream().anyMatch(person -> person.active() && snapshot.at(NOW).matches(snapshot.personNumber(person.id()), clearance.subject())));
  }

  @Test
  void people_who_can_reach_nothing_are_those_and_all_of_them() {
    int found = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + STRUCTURES; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Set<String> said = things(Findings.of(Snapshot.of(structure), NOW), "people-with-nothing");
      Set<String> expected = structure.people().values().stream().filter(Person::active)
          .filter(person -> structure.places().keySet().stream().noneMatch(place -> Literally.standing(structure, person.id(), place, NOW).contains(Right.FIND))).map(Person::id).collect(Collectors.toCollection(TreeSet::new));
      assertThat(said).as("seed %d", seed).isEqualTo(expected);
      found += said.size();
    }
    assertThat(found).isGreaterThan(50);
  }

  @Test
  void a_break_that_does_nothing_can_be_rejoined_without_anybody_noticing_and_a_nearly_same_one_with_few() {
    int same = 0;
    int nearly = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + STRUCTURES; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      List<Finding> findings = Findings.of(Snapshot.of(structure), NOW);
      for (String place : things(findings, "break-same-as-parent", "break-nearly-same")) {
        Set<String> altered = new HashSet<>();
        Map<List<String>, Rights> after = everything(rejoined(structure, place), NOW);
        everything(structure, NOW).forEach((pair, rights) -> {
          if (!rights.equals(after.get(pair))) {
            altered.add(pair.get(0));
          }
        });
        if (things(findings, "break-same-as-parent").contains(place)) {
          assertThat(altered).as("rejoining %s (seed %d)", place, seed).isEmpty();
          same++;
        } else {
          assertThat(altered).as("rejoining %s (seed %d)", place, seed).hasSizeBetween(1, 3);
          nearly++;
        }
      }
    }
    assertThat(same).isGreaterThan(20);
    assertThat(nearly).isGreaterThan(5);
  }

  private static Structure rejoined(Structure structure, String place) {
    List<Entry> own = new ArrayList<>(structure.entries().filter(entry -> entry.place().equals(place)).toList());
    Map<String, Grant> grants = new HashMap<>();
    Map<String, Withholding> withholdings = new HashMap<>();
    own.forEach(entry -> {
      if (entry instanceof Grant) {
        grants.put(entry.id(), null);
      } else {
        withholdings.put(entry.id(), null);
      }
    });
    return structure.withGrants(grants).withWithholdings(withholdings).withPlaces(Map.of(place, structure.places().get(place).following()));
  }
}
