package palegate.core.questions;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import palegate.core.literal.LiteralRules;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.places.PlaceKind;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

class BeyondTest {
  @Test
  void what_members_have_besides_is_what_they_would_have_if_the_group_were_empty() {
    for (long seed = 1; seed <= 200; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      for (Group group : structure.groups().values()) {
        Structure emptied = structure.withGroups(Map.of(group.id(), group.with(List.of())));
        Beyond beyond = Beyond.of(Snapshot.of(structure), RandomStructures.NOW, group.id());
        List<Beyond.Of> members = beyond.people().stream().map(beyond::of).toList();
        for (Beyond.Of member : members) {
          assertThat(member.documents()).as("seed %d, %s, with %s", seed, member.person().id(), group.id()).isEqualTo(documents(structure, member.person().id()));
          assertThat(member.without()).as("seed %d, %s, without %s", seed, member.person().id(), group.id()).isEqualTo(documents(emptied, member.person().id()));
        }
      }
    }
  }

  @Test
  void the_members_are_listed_by_name() {
    Structure structure = RandomStructures.fromSeed(7);
    Snapshot snapshot = Snapshot.of(structure);
    for (Group group : structure.groups().values()) {
      assertThat(Beyond.of(snapshot, RandomStructures.NOW, group.id()).people()).extracting(Person::name).isSorted();
    }
  }

  private static int documents(Structure structure, String person) {
    return (int) structure.places().values().stream().filter(place -> place.kind() == PlaceKind.DOCUMENT)
        .filter(place -> !LiteralRules.standing(structure, person, place.id(), RandomStructures.NOW).isEmpty()).count();
  }
}
