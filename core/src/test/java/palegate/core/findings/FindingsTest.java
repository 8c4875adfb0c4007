package palegate.core.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

class FindingsTest {
  @Test
  void empty_groups_and_the_topmost_places_without_a_keeper_are_found() {
    assertThat(Findings.of(Harbour.snapshot(), Harbour.NOW)).extracting(Finding::thing)
        .contains("group:divers", "place:c2");
  }

  @Test
  void a_guarded_type_cleared_for_nobody_a_wall_around_nothing_and_a_person_on_two_sides_are_found() {
    Barrier sides = new Barrier.Sides(List.of(
        new Barrier.Side("Hull", List.of(new Subject.OfPerson("ola")), Scope.ofPlaces("c1")),
        new Barrier.Side("Cargo", List.of(new Subject.OfPerson("ola")), Scope.ofLabel("case", "none"))));
    Structure structure = Harbour.structure()
        .withTypes(Map.of("letter", new DocumentType("letter", "Letter", true, List.of(), List.of())))
        .guardedBy(List.of(), List.of(new Wall("w", "Collision", null, Wall.State.STANDING, Period.ALWAYS, sides, List.of())));
    assertThat(Findings.of(Snapshot.of(structure), Harbour.NOW)).extracting(Finding::text)
        .contains("“Letter” is guarded, and nobody active is cleared for it.",
            "“Collision”, side “Cargo”, covers nothing.",
            "Ola is on more than one side of “Collision”: Hull, Cargo.");
  }
}
