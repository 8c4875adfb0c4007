package palegate.core.questions;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Trace;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

class ExplanationTest {
  private final Snapshot snapshot = Harbour.snapshot();

  private Trace why(String person, String place, Instant instant) {
    return Explanation.of(snapshot, instant, snapshot.personNumber(person), snapshot.placeNumber(place),
        Explanation.WallReasons.SHOWN);
  }

  @Test
  void every_stage_says_what_it_did_and_why_even_when_nothing_matched() {
    Trace trace = why("per", "c1", Harbour.NOW);
    assertThat(trace.stages()).extracting(Trace.Step::number).containsExactly(0, 1, 2, 3, 4, 5, 6, 7, 8, 9);
    assertThat(trace.stages()).allSatisfy(step -> assertThat(step.reason()).isNotBlank());
    assertThat(trace.stages().get(2).reason()).contains("None of the 2 grants", "Per");
  }

  @Test
  void an_acting_entry_comes_with_the_chain_of_memberships_it_matched_by() {
    Trace trace = why("mia", "val1", Harbour.NOW);
    Trace.Acting grant = trace.stages().get(2).acting().get(0);
    assertThat(grant.entry().id()).isEqualTo("e-adj");
    assertThat(grant.here()).isFalse();
    assertThat(grant.paths()).singleElement().satisfies(path ->
        assertThat(path.links()).extracting(Trace.Link::id).containsExactly("trainees", "adjusters"));
    assertThat(trace.stages().get(3).acting()).singleElement()
        .satisfies(taken -> assertThat(taken.entry().id()).isEqualTo("w-val"));
    assertThat(trace.stages().get(3).before().minus(trace.stages().get(3).after())).hasToString("copy");
  }

  @Test
  void a_unit_matches_by_the_units_up_to_the_one_named() {
    Trace trace = why("mia", "let2", Harbour.NOW);
    assertThat(trace.stages().get(2).acting().get(0).paths().get(0).links())
        .extracting(Trace.Link::id).containsExactly("u-cas", "u-all");
  }

  @Test
  void evaluation_of_an_inactive_person_ends_at_stage_0() {
    assertThat(why("una", "c1", Harbour.NOW).stages()).extracting(Trace.Step::number).containsExactly(0);
  }

  @Test
  void an_entry_that_names_the_person_but_is_stopped_says_by_what() {
    assertThat(why("ola", "let2", Harbour.NOW).silent()).singleElement()
        .satisfies(silent -> assertThat(silent.why()).isEqualTo(Trace.Why.BEHIND_A_BREAK));
    assertThat(why("mia", "c1", Harbour.NOW).silent()).singleElement()
        .satisfies(silent -> assertThat(silent.why()).isEqualTo(Trace.Why.OTHER_TYPES));
  }

  @Test
  void with_hundreds_of_thousands_of_chains_the_shortest_are_listed_and_the_rest_admitted() {
    List<Group> groups = new ArrayList<>();
    groups.add(new Group("g0", "g0", null, List.of(new Membership(new Membership.PersonMember("mia"), Period.ALWAYS))));
    for (int layer = 1; layer <= 18; layer++) {
      String below = layer == 1 ? "g0" : "m" + (layer - 1);
      groups.add(inner("a" + layer, below));
      groups.add(inner("b" + layer, below));
      groups.add(inner("m" + layer, "a" + layer, "b" + layer));
    }
    Structure base = Harbour.structure();
    Structure deep = Structure.of(base.units().values(), base.people().values(), groups, base.roles().values(),
        base.types().values(), base.places().values(),
        List.of(Harbour.grant("e", "cas", new Subject.OfGroup("m18"), "reader")), List.of());
    Snapshot compiled = Snapshot.of(deep);
    Trace trace = Explanation.of(compiled, Harbour.NOW, compiled.personNumber("mia"), compiled.placeNumber("c1"),
        Explanation.WallReasons.SHOWN);
    assertThat(trace.stages().get(2).acting().get(0).paths()).hasSize(MembershipPaths.LISTED);
    assertThat(trace.stages().get(2).acting().get(0).morePaths()).isTrue();
  }

  private static Group inner(String id, String... inside) {
    return new Group(id, id, null, Arrays.stream(inside)
        .map(group -> new Membership(new Membership.GroupMember(group), Period.ALWAYS)).toList());
  }
}
