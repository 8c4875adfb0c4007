package palegate.core.literal;

import static org.assertj.core.api.Assertions.assertThat;
import static palegate.core.literal.Literally.FIRST_SEED;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palegate.core.papers.Acts;
import palegate.core.papers.FoundPlaces;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;

/** Section 6, passage, and what rights let a person do: papers against the rules read literally. */
class PapersAgreeWithLiteralRulesTest {
  @Test
  void exactly_what_a_person_can_find_is_found_and_only_what_leads_there_shows() {
    int found = 0;
    int passages = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(600); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      SnapshotAt at = Snapshot.of(structure).at(RandomStructures.NOW);
      for (Person person : structure.people().values()) {
        FoundPlaces places = FoundPlaces.of(at, at.snapshot().personNumber(person.id()));
        int count = 0;
        for (Place place : structure.places().values()) {
          int number = at.snapshot().placeNumber(place.id());
          boolean literally = LiteralRules.rights(structure, person.id(), place.id(), RandomStructures.NOW).contains(Right.FIND);
          boolean shows = place.kind().isContainer() ? LiteralRules.shows(structure, person.id(), place, RandomStructures.NOW) : literally;
          assertThat(places.finds(number)).as("seed %d, %s finds %s", seed, person.id(), place.id()).isEqualTo(literally);
          assertThat(places.shows(number)).as("seed %d, %s sees %s", seed, person.id(), place.id()).isEqualTo(shows);
          count += literally ? 1 : 0;
          passages += shows && !literally ? 1 : 0;
        }
        assertThat(places.count()).as("seed %d, %s", seed, person.id()).isEqualTo(count);
        found += count;
      }
    }
    assertThat(found).isGreaterThan(1_000);
    assertThat(passages).isGreaterThan(100);
  }

  @Test
  void an_act_is_offered_exactly_to_whoever_has_the_right_that_it_takes() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(300); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      SnapshotAt at = Snapshot.of(structure).at(RandomStructures.NOW);
      for (Person person : structure.people().values()) {
        for (Place place : structure.places().values()) {
          Set<Right> rights = LiteralRules.rights(structure, person.id(), place.id(), RandomStructures.NOW);
          List<Acts.Offer> offers = Acts.of(at, at.snapshot().personNumber(person.id()), at.snapshot().placeNumber(place.id()));
          for (Acts.Offer offer : offers) {
            boolean may = switch (offer.act()) {
              case OPEN -> rights.contains(Right.READ);
              case COPY -> rights.contains(Right.COPY);
              case ADD -> offer.may();
              case DESCRIBE -> rights.contains(Right.DESCRIBE);
              case REVISE, CHECK_OUT, FREEZE -> rights.contains(Right.REVISE);
              case DELETE -> rights.contains(Right.DELETE);
              case UNFREEZE -> rights.contains(Right.GOVERN);
              case CHECK_IN -> person.id().equals(place.conditions().checkedOutBy()) || rights.contains(Right.GOVERN);
              case MAKE_PRIVATE -> person.id().equals(place.owner()) && rights.contains(Right.DESCRIBE);
              case MAKE_OPEN -> person.id().equals(place.owner()) || rights.contains(Right.GOVERN);
            };
            assertThat(offer.may()).as("seed %d, %s at %s: %s", seed, person.id(), place.id(), offer).isEqualTo(may);
          }
        }
      }
    }
  }
}
