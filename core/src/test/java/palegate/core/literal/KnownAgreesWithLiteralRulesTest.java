package palegate.core.literal;

import static org.assertj.core.api.Assertions.assertThat;
import static palegate.core.literal.Literally.FIRST_SEED;

import java.io.ByteArrayOutputStream;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palegate.core.bundle.BundleReader;
import palegate.core.bundle.BundleWriter;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.random.RandomDuties;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;
import palegate.core.viewpoint.Asker;
import palegate.core.viewpoint.Viewpoint;
import palegate.core.walls.Barrier;
import palegate.core.walls.Wall;

/** Section 9, what an asker may know: read literally, place by place and person by person, against what the viewpoint cuts. */
class KnownAgreesWithLiteralRulesTest {
  private static final Instant NOW = RandomStructures.NOW;

  @Test
  void exactly_the_places_that_the_rules_name_are_known_and_mean_the_same() throws Exception {
    int cut = 0;
    int hidden = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(1_500); seed++) {
      Random random = new Random(seed);
      Structure structure = RandomDuties.over(RandomStructures.fromSeed(seed), random);
      List<String> people = List.copyOf(structure.people().keySet());
      if (people.isEmpty() || structure.repository().isEmpty()) {
        continue;
      }
      String person = people.get(random.nextInt(people.size()));
      Viewpoint viewpoint = Viewpoint.of(Asker.of(Snapshot.of(structure).at(NOW), person));
      Structure known = viewpoint.snapshot().structure();
      String because = "seed " + seed + ", " + person + " with " + viewpoint.asker().held();

      Set<String> covered = covered(structure, person);
      Set<String> literally = new HashSet<>();
      covered.forEach(place -> path(structure, place).forEach(literally::add));
      if (!viewpoint.asker().holds(Duty.WALLS)) {
        assertThat(known.places().keySet()).as(because).isEqualTo(literally);
      } else {
        assertThat(known.places().keySet()).as(because).containsAll(literally);
      }
      assertMeansTheSame(because, structure, known, covered);
      assertSound(because, known);
      assertThat(Viewpoint.of(Asker.of(Snapshot.of(known).at(NOW), person)).snapshot().structure()).as(because + ": cutting twice is cutting once").isEqualTo(known);
      assertNothingOfABarringWall(because, structure, viewpoint);
      cut += viewpoint.whole() ? 0 : 1;
      hidden += covered.size() < structure.places().size() && viewpoint.asker().holdsEverywhere(Duty.ACCESS) ? 1 : 0;
    }
    assertThat(cut).as("most askers may not know everything").isGreaterThan(Often.times(700));
    assertThat(hidden).as("walls hide something from some who administer everything").isGreaterThan(Often.times(10));
  }

  /** Whoever has rights at a covered place is known, with the same rights; nobody has any there whom they do not really have. */
  private static void assertMeansTheSame(String because, Structure structure, Structure known, Set<String> covered) {
    for (String place : covered) {
      for (Person person : structure.people().values()) {
        Set<Right> real = LiteralRules.rights(structure, person.id(), place, NOW);
        if (!real.isEmpty() || known.people().containsKey(person.id())) {
          assertThat(known.people()).as(because + ": " + person.id() + " has rights at " + place).containsKey(person.id());
          assertThat(LiteralRules.rights(known, person.id(), place, NOW)).as(because + ": " + person.id() + " at " + place).isEqualTo(real);
        }
      }
    }
  }

  private static void assertSound(String because, Structure known) throws Exception {
    if (known.repository().isPresent()) {
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      BundleWriter.write(known, out);
      BundleReader.Read read = BundleReader.read(out.toByteArray());
      assertThat(read.structure().places()).as(because).hasSameSizeAs(known.places());
    }
  }

  private static void assertNothingOfABarringWall(String because, Structure structure, Viewpoint viewpoint) {
    if (!viewpoint.asker().holds(Duty.WALLS)) {
      Person asker = structure.people().get(viewpoint.asker().id());
      structure.walls().values().stream().filter(wall -> wall.barsAt(NOW) && !(wall.barrier() instanceof Barrier.Sides))
          .filter(wall -> structure.places().values().stream().anyMatch(place -> LiteralWalls.bars(structure, wall, asker, place, NOW)))
          .forEach(wall -> assertThat(viewpoint.snapshot().structure().walls()).as(because + ": " + wall).doesNotContainKey(wall.id()));
    }
  }

  /** Read from section 9: the places of one's duties and those one governs, but for those from which a wall bars one, and what lies behind those. */
  private static Set<String> covered(Structure structure, String id) {
    Person person = structure.people().get(id);
    List<DutyAssignment> held = structure.duties().values().stream().filter(given -> person.active() && LiteralRules.in(given.period().from(), given.period().until(), NOW))
        .filter(given -> LiteralRules.matches(structure, person, given.subject(), NOW)).toList();
    boolean everywhere = held.stream().anyMatch(given -> given.duty() == Duty.AUDIT || given.duty() == Duty.WALLS);
    Set<String> covered = structure.places().values().stream().filter(place -> {
      List<String> path = path(structure, place.id());
      boolean duty = everywhere || held.stream().anyMatch(given -> given.place() != null && path.contains(given.place()));
      boolean behind = path.stream().anyMatch(above -> structure.walls().values().stream()
          .anyMatch(wall -> !(wall.barrier() instanceof Barrier.Confine) && bars(structure, wall, person, above)));
      boolean barred = structure.walls().values().stream().anyMatch(wall -> bars(structure, wall, person, place.id()));
      return (duty || LiteralRules.rights(structure, id, place.id(), NOW).contains(Right.GOVERN)) && !behind && !barred;
    }).map(Place::id).collect(Collectors.toCollection(HashSet::new));
    withoutLinksToNothing(structure, covered);
    return covered;
  }

  /** Links are taken one by one, for as long as what one shows is known without those that are left. */
  private static void withoutLinksToNothing(Structure structure, Set<String> covered) {
    Set<String> links = covered.stream().filter(place -> structure.places().get(place).target() != null).collect(Collectors.toSet());
    covered.removeAll(links);
    boolean more = true;
    while (more) {
      Set<String> known = covered.stream().flatMap(place -> path(structure, place).stream()).collect(Collectors.toSet());
      more = links.removeIf(link -> known.contains(structure.places().get(link).target()) && covered.add(link));
    }
  }

  private static boolean bars(Structure structure, Wall wall, Person person, String place) {
    return wall.barsAt(NOW) && LiteralWalls.bars(structure, wall, person, structure.places().get(place), NOW);
  }

  private static List<String> path(Structure structure, String place) {
    List<String> path = new ArrayList<>();
    for (String at = place; at != null; at = structure.places().get(at).parent()) {
      path.add(at);
    }
    return path;
  }
}
