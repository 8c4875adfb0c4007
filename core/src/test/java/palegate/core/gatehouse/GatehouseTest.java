package palegate.core.gatehouse;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.places.PlaceKind;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;

class GatehouseTest {
  @Test
  void what_ends_is_found_from_after_the_first_instant_up_to_and_with_the_last() {
    Structure structure = Harbour.structure();
    assertThat(DatedThing.between(structure, Harbour.NOW, Harbour.JULY)).singleElement().satisfies(one -> {
      assertThat(one.words()).isEqualTo("Trainees in Adjusters");
      assertThat(one.begins()).isFalse();
      assertThat(one.aboutId()).isEqualTo("adjusters");
    });
    assertThat(DatedThing.between(structure, Harbour.JULY, Harbour.JULY.plusSeconds(1))).isEmpty();
    assertThat(DatedThing.between(structure, Harbour.NOW, Harbour.JULY.minusSeconds(1))).isEmpty();
  }

  @Test
  void whatever_holds_at_one_instant_and_not_at_the_next_has_begun_or_ended_between_them() {
    int found = 0;
    for (long seed = 1; seed <= 300; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Instant after = RandomStructures.NOW.minusSeconds(40L * 86_400);
      Instant upTo = RandomStructures.NOW.plusSeconds(40L * 86_400);
      List<Period> periods = new ArrayList<>();
      structure.entries().forEach(entry -> periods.add(entry.period()));
      structure.groups().values().forEach(group -> group.members().forEach(member -> periods.add(member.period())));
      structure.oversights().values().forEach(oversight -> periods.add(oversight.period()));
      structure.types().values().forEach(type -> type.clearances().forEach(clearance -> periods.add(clearance.period())));
      long altered = periods.stream().filter(period -> period.holdsAt(after) != period.holdsAt(upTo)).count();
      List<DatedThing> things = DatedThing.between(structure, after, upTo);
      assertThat(things.size()).as("seed %d", seed).isGreaterThanOrEqualTo((int) altered);
      assertThat(things).as("seed %d", seed).allSatisfy(one -> assertThat(one.at()).isAfter(after).isBeforeOrEqualTo(upTo));
      found += things.size();
    }
    assertThat(found).isPositive();
  }

  @Test
  void figures_are_those_of_asking_person_by_person_in_random_structures() {
    for (long seed = 1; seed <= 300; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      SnapshotAt moment = snapshot.at(RandomStructures.NOW);
      List<Person> having = snapshot.structure().people().values().stream()
          .filter(person -> IntStream.range(0, snapshot.placeCount()).anyMatch(place -> !moment.rights(snapshot.personNumber(person.id()), place).isEmpty())).toList();
      int breaks = (int) snapshot.structure().places().values().stream().filter(place -> place.standsAlone() && place.kind() != PlaceKind.REPOSITORY).count();
      int entries = (int) snapshot.structure().entries().filter(entry -> entry.period().holdsAt(RandomStructures.NOW)).count();
      assertThat(StateFigures.of(moment)).as("seed %d", seed).isEqualTo(new StateFigures(having.size(), (int) having.stream().filter(Person::external).count(), breaks, entries));
    }
  }
}
