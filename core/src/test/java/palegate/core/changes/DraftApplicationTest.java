package palegate.core.changes;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

class DraftApplicationTest {
  private static DraftApplication.Result apply(Change... changes) {
    return DraftApplication.of(Harbour.snapshot(), List.of(changes), Harbour.NOW);
  }

  @Nested
  class Breaking {
    @Test
    void carrying_over_makes_the_reaching_entries_the_places_own_so_nothing_changes() {
      Rehearsal rehearsal = Rehearsal.of(Harbour.snapshot(),
          List.of(new AccessChange.BreakPlace("c1", AccessChange.Start.CARRY_OVER, List.of(), "b")), Harbour.NOW, null);
      assertThat(rehearsal.differences()).allSatisfy(difference -> assertThat(difference.isEmpty()).isTrue());
      Structure after = rehearsal.after().structure();
      assertThat(after.places().get("c1").standsAlone()).isTrue();
      assertThat(after.grants().values()).filteredOn(grant -> grant.place().equals("c1"))
          .extracting(Grant::role).containsExactlyInAnyOrder("preparer", "keeper");
    }

    @Test
    void entries_that_have_ended_are_not_carried_over_and_those_to_come_are() {
      Grant ended = dated("old", new Period(null, Harbour.NOW.minus(Duration.ofDays(1))));
      Grant coming = dated("new", new Period(Harbour.NOW.plus(Duration.ofDays(1)), null));
      Structure base = Harbour.structure();
      Structure with = Structure.of(base.units().values(), base.people().values(), base.groups().values(), base.roles().values(),
          base.types().values(), base.places().values(), List.of(ended, coming), List.of());
      Structure after = DraftApplication.of(Snapshot.of(with),
          List.of(new AccessChange.BreakPlace("c1", AccessChange.Start.CARRY_OVER, List.of(), "b")), Harbour.NOW).structure();
      assertThat(after.grants().values()).filteredOn(grant -> grant.place().equals("c1"))
          .singleElement().satisfies(carried -> assertThat(carried.period()).isEqualTo(coming.period()));
    }

    @Test
    void a_place_that_stands_alone_and_the_repository_cannot_be_broken() {
      assertThat(apply(new AccessChange.BreakPlace("c2", AccessChange.Start.EMPTY, List.of(), "b"), new AccessChange.BreakPlace("root", AccessChange.Start.EMPTY, List.of(), "b")).refusals())
          .extracting(Refusal::change).containsExactly(0, 1);
    }

    private Grant dated(String id, Period period) {
      return new Grant(id, "cas", Subject.BuiltIn.STAFF, "reader", Set.of(), period, null);
    }
  }

  @Nested
  class Rejoining {
    @Test
    void discards_the_own_list_and_follows_again() {
      Structure after = apply(new AccessChange.RejoinPlace("c2", false)).structure();
      assertThat(after.places().get("c2").standsAlone()).isFalse();
      assertThat(after.grants()).doesNotContainKey("e-c2").containsKey("e-adj");
    }

    @Test
    void leaves_breaks_further_down_unless_asked_to_rejoin_them_too() {
      Change breakCas = new AccessChange.BreakPlace("cas", AccessChange.Start.CARRY_OVER, List.of(), "b");
      assertThat(apply(breakCas, new AccessChange.RejoinPlace("cas", false)).structure().places().get("c2").standsAlone()).isTrue();
      assertThat(apply(breakCas, new AccessChange.RejoinPlace("cas", true)).structure().places().get("c2").standsAlone()).isFalse();
    }

    @Test
    void a_place_that_follows_cannot_be_rejoined() {
      assertThat(apply(new AccessChange.RejoinPlace("c1", false)).refusals()).singleElement()
          .satisfies(refusal -> assertThat(refusal.what()).contains("already follows"));
    }
  }

  @Nested
  class Entries {
    @Test
    void all_faults_of_one_entry_are_named_at_once() {
      Grant bad = new Grant("e-keep", "c1", new Subject.OfGroup("nobody"), "boss", Set.of("poem"),
          new Period(null, Harbour.NOW.minusSeconds(1)), null);
      assertThat(apply(new AccessChange.AddGrant(bad)).refusals()).extracting(Refusal::what).hasSize(5)
          .anySatisfy(what -> assertThat(what).contains("[e-keep]")).anySatisfy(what -> assertThat(what).contains("[nobody]"))
          .anySatisfy(what -> assertThat(what).contains("[boss]")).anySatisfy(what -> assertThat(what).contains("[poem]"));
    }

    @Test
    void a_refused_change_is_left_out_and_the_others_are_made() {
      DraftApplication.Result result = apply(new AccessChange.RemoveGrant("c1", "e-adj"), new AccessChange.RemoveGrant("cas", "e-adj"));
      assertThat(result.refusals()).extracting(Refusal::change).containsExactly(0);
      assertThat(result.structure().grants()).doesNotContainKey("e-adj");
    }

    @Test
    void a_withholding_must_name_a_right() {
      Withholding nothing = new Withholding("w", "c1", Subject.BuiltIn.STAFF, Rights.NONE, Set.of(), Period.ALWAYS, null);
      assertThat(apply(new AccessChange.AddWithholding(nothing)).refusals()).hasSize(1);
    }
  }
}
