package palegate.core.questions;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import palegate.core.collections.PersonSet;
import palegate.core.literal.LiteralRules;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;

class SideBySideTest {
  @Test
  void two_groups_differ_exactly_where_what_all_of_their_people_may_do_differs() {
    for (long seed = 1; seed <= 300; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      SnapshotAt moment = Snapshot.of(structure).at(RandomStructures.NOW);
      List<Group> groups = List.copyOf(structure.groups().values());
      if (groups.size() < 2) {
        continue;
      }
      Subject one = new Subject.OfGroup(groups.get(0).id());
      Subject other = new Subject.OfGroup(groups.get(1).id());
      SideBySide compared = SideBySide.of(moment, one, other);
      Map<String, SideBySide.Differs> found = new HashMap<>();
      compared.places().forEach(differs -> found.put(differs.place().id(), differs));
      assertThat(compared.count()).as("seed %d", seed).isEqualTo(found.size());
      for (Place place : structure.places().values()) {
        Set<Right> ofOne = common(structure, moment, one, place);
        Set<Right> ofOther = common(structure, moment, other, place);
        SideBySide.Differs differs = found.get(place.id());
        assertThat(differs != null).as("seed %d, %s", seed, place.id()).isEqualTo(!ofOne.equals(ofOther));
        if (differs != null) {
          assertThat(Set.copyOf(differs.one().list())).as("seed %d, %s", seed, place.id()).isEqualTo(ofOne);
          assertThat(Set.copyOf(differs.other().list())).as("seed %d, %s", seed, place.id()).isEqualTo(ofOther);
        }
      }
    }
  }

  @Test
  void everyone_active_in_either_group_stands_in_exactly_one_of_three_columns() {
    for (long seed = 1; seed <= 300; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      SnapshotAt moment = Snapshot.of(structure).at(RandomStructures.NOW);
      List<Group> groups = List.copyOf(structure.groups().values());
      for (int i = 1; i < groups.size(); i++) {
        Subject one = new Subject.OfGroup(groups.get(i - 1).id());
        Subject other = new Subject.OfGroup(groups.get(i).id());
        SideBySide compared = SideBySide.of(moment, one, other);
        PersonSet all = moment.matching(one).or(moment.matching(other)).and(moment.active());
        assertThat(compared.onlyInOne().size() + compared.onlyInOther().size() + compared.inBoth().size()).as("seed %d", seed).isEqualTo(all.size());
        assertThat(compared.onlyInOne().or(compared.onlyInOther()).or(compared.inBoth()).toArray()).as("seed %d", seed).isEqualTo(all.toArray());
      }
    }
  }

  @Test
  void where_no_place_is_known_two_people_differ_nowhere() {
    Structure structure = LongStream.rangeClosed(1, 50).mapToObj(RandomStructures::fromSeed).filter(one -> one.people().size() > 1).findFirst().orElseThrow();
    Structure known = Structure.of(structure.units().values(), structure.people().values(), structure.groups().values(), structure.roles().values(), List.of(), List.of(), List.of(), List.of());
    List<Person> people = List.copyOf(known.people().values());
    SideBySide compared = SideBySide.of(Snapshot.of(known).at(RandomStructures.NOW), new Subject.OfPerson(people.get(0).id()), new Subject.OfPerson(people.get(1).id()));
    assertThat(compared.count()).isZero();
    assertThat(compared.places()).isEmpty();
  }

  private static Set<Right> common(Structure structure, SnapshotAt moment, Subject subject, Place place) {
    Set<Right> common = null;
    for (int person : moment.matching(subject).and(moment.active()).toArray()) {
      Set<Right> held = LiteralRules.standing(structure, moment.snapshot().person(person).id(), place.id(), RandomStructures.NOW);
      if (common == null) {
        common = EnumSet.noneOf(Right.class);
        common.addAll(held);
      } else {
        common.retainAll(held);
      }
    }
    return common == null ? EnumSet.noneOf(Right.class) : common;
  }
}
