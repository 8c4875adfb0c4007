package palegate.core.papers;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import palegate.core.access.Grant;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.walls.Wall;

/** Sections 6 and 9: what somebody is told of their own rights comes to just those, and to nothing that they may not know. */
class OwnReasonsTest {
  private static final long SEED = 20_261_130;
  private static final String OTHER = "something else ";

  @Test
  void what_is_given_without_what_is_taken_is_what_the_person_has() {
    int told = 0;
    int taken = 0;
    int ends = 0;
    for (long seed = SEED; seed < SEED + 150; seed++) {
      SnapshotAt moment = Snapshot.of(RandomStructures.fromSeed(seed)).at(RandomStructures.NOW);
      for (int person : moment.active().stream().toArray()) {
        FoundPlaces places = FoundPlaces.of(moment, person);
        for (int place : places.stream().toArray()) {
          Rights rights = Rights.NONE;
          for (OwnReasons.Reason reason : OwnReasons.of(places, RandomStructures.NOW, person, place)) {
            rights = reason.kind() == OwnReasons.Kind.GIVES ? rights.union(reason.rights()) : rights.minus(reason.rights());
            assertThat(reason.rights().isEmpty()).as("seed %d: nothing is said of no right: %s", seed, reason).isFalse();
            assertThat(reason.until() == null || reason.until().isAfter(RandomStructures.NOW)).as("seed %d: %s", seed, reason).isTrue();
            if (reason.until() != null && reason.kind() == OwnReasons.Kind.GIVES) {
              SnapshotAt then = moment.snapshot().at(reason.until());
              assertThat(OwnReasons.of(FoundPlaces.of(then, person), reason.until(), person, place)).as("seed %d: it has ended then", seed).doesNotContain(reason);
              ends++;
            }
            taken += reason.kind() == OwnReasons.Kind.TAKES ? 1 : 0;
          }
          assertThat(rights).as("seed %d, %d at %d", seed, person, place).isEqualTo(places.rights(place));
          told++;
        }
      }
    }
    assertThat(told).isGreaterThan(400);
    assertThat(taken).isGreaterThan(50);
    assertThat(ends).as("reasons that end").isGreaterThan(20);
  }

  /** Every name, note and reason that the person may not know is another one in a second state: what they are told is the same to the letter. */
  @Test
  void nothing_that_one_may_not_know_is_in_a_word_of_it() {
    int told = 0;
    int renamed = 0;
    for (long seed = SEED; seed < SEED + 100; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(structure);
      SnapshotAt moment = snapshot.at(RandomStructures.NOW);
      for (int person : moment.active().stream().toArray()) {
        FoundPlaces places = FoundPlaces.of(moment, person);
        Structure elsewhere = otherwiseNamed(structure, moment, person, places);
        SnapshotAt other = Snapshot.of(elsewhere).at(RandomStructures.NOW);
        String id = snapshot.person(person).id();
        FoundPlaces theirs = FoundPlaces.of(other, other.snapshot().personNumber(id));
        for (int place : places.stream().toArray()) {
          int there = other.snapshot().placeNumber(snapshot.place(place).id());
          List<OwnReasons.Reason> said = OwnReasons.of(theirs, RandomStructures.NOW, other.snapshot().personNumber(id), there);
          assertThat(said).as("seed %d, %s at %s", seed, id, snapshot.place(place).id()).containsExactlyInAnyOrderElementsOf(OwnReasons.of(places, RandomStructures.NOW, person, place));
          told += said.size();
        }
        renamed += (int) elsewhere.places().values().stream().filter(place -> place.name().startsWith(OTHER)).count();
      }
    }
    assertThat(told).isGreaterThan(400);
    assertThat(renamed).as("places that somebody may not know").isGreaterThan(400);
  }

  private static Structure otherwiseNamed(Structure structure, SnapshotAt moment, int person, FoundPlaces places) {
    String own = moment.snapshot().person(person).id();
    Predicate<Subject> in = subject -> moment.matches(person, subject);
    return structure
        .withPlaces(others(structure.places(), place -> !places.shows(moment.snapshot().placeNumber(place.id())),
            place -> new Place(place.id(), place.kind(), place.parent(), OTHER + place.name(), place.standsAlone(), place.labels(), place.type(), place.owner(), place.target(), place.guards(), place.conditions())))
        .withPeople(others(structure.people(), one -> !one.id().equals(own), one -> new Person(one.id(), OTHER + one.name(), one.login(), one.email(), one.external(), one.active(), one.unit())))
        .withGroups(others(structure.groups(), group -> !in.test(new Subject.OfGroup(group.id())), group -> new Group(group.id(), OTHER + group.name(), group.description(), group.members())))
        .withUnits(others(structure.units(), unit -> !in.test(new Subject.OfUnit(unit.id())), unit -> new Unit(unit.id(), OTHER + unit.name(), unit.parent())))
        .withGrants(others(structure.grants(), grant -> true, grant -> new Grant(grant.id(), grant.place(), grant.subject(), grant.role(), grant.types(), grant.period(), OTHER, grant.sharedBy(), grant.pass())))
        .withWalls(others(structure.walls(), wall -> true, wall -> new Wall(wall.id(), OTHER + wall.name(), OTHER, wall.state(), wall.period(), wall.barrier(), wall.exceptions())));
  }

  private static <T> Map<String, T> others(Map<String, T> parts, Predicate<T> which, UnaryOperator<T> other) {
    Map<String, T> changed = new HashMap<>();
    parts.forEach((id, part) -> {
      if (which.test(part)) {
        changed.put(id, other.apply(part));
      }
    });
    return changed;
  }
}
