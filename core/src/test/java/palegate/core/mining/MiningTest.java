package palegate.core.mining;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.PeopleChange;
import palegate.core.changes.RoleChange;
import palegate.core.findings.Findings;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.random.RandomStructures;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.text.WellFormed;

/** Fewer entries that give exactly the same. */
class MiningTest {
  private static final AtomicInteger NEXT = new AtomicInteger();

  private static Mining.Found mined(Snapshot snapshot) {
    return Mining.of(snapshot, Harbour.NOW, () -> "mined-" + NEXT.incrementAndGet(), Mining.Progress.NONE);
  }

  private static Snapshot with(Snapshot before, Grant... grants) {
    List<Change> changes = new ArrayList<>();
    List.of(grants).forEach(grant -> changes.add(new AccessChange.AddGrant(grant)));
    DraftApplication.Result result = DraftApplication.of(before, changes, Harbour.NOW);
    assertThat(result.refusals()).isEmpty();
    return before.next(result.difference());
  }

  private static Grant grant(String id, String place, Subject subject) {
    return new Grant(id, place, subject, "reader", Set.of(), Period.ALWAYS, null);
  }

  private static List<Proposal.Kind> kinds(Mining.Found found) {
    return found.proposals().stream().map(Proposal::kind).toList();
  }

  private static Person staff(String id) {
    return new Person(id, id, null, null, false, true, null);
  }

  private static Snapshot after(Snapshot before, Change... changes) {
    DraftApplication.Result result = DraftApplication.of(before, List.of(changes), Harbour.NOW);
    assertThat(result.refusals()).isEmpty();
    return before.next(result.difference());
  }

  @Test
  void people_named_together_at_three_places_become_a_group_and_at_two_it_would_be_no_less() {
    Snapshot more = Snapshot.of(Harbour.structure().withPeople(Map.of("p1", staff("p1"), "p2", staff("p2"), "p3", staff("p3"))));
    List<Grant> grants = new ArrayList<>();
    Map.of("c2", "reader", "cas", "reader", "c1", "keeper").forEach((place, role) -> List.of("p1", "p2", "p3").forEach(person -> grants.add(Harbour.grant(place + person, place, new Subject.OfPerson(person), role))));
    Mining.Found found = mined(with(more, grants.toArray(Grant[]::new)));
    assertThat(kinds(found)).contains(Proposal.Kind.NEW_GROUP);
    assertThat(found.after().entries()).isLessThan(found.before().entries());
    assertThat(found.after().groups()).isEqualTo(found.before().groups() + 1);
    assertThat(kinds(mined(with(more, grants.subList(0, 6).toArray(Grant[]::new))))).as("six entries, or two with a group of three").doesNotContain(Proposal.Kind.NEW_GROUP);
  }

  @Test
  void the_people_of_a_unit_named_one_by_one_are_named_as_the_unit_and_what_was_noted_is_kept() {
    Snapshot snapshot = with(Harbour.snapshot(), grant("a1", "cas", new Subject.OfPerson("mia")), new Grant("a2", "cas", new Subject.OfPerson("ola"), "reader", Set.of(), Period.ALWAYS, "asked by the board"), grant("a3", "cas", new Subject.OfPerson("una")));
    Proposal proposal = mined(snapshot).proposals().get(0);
    assertThat(proposal.kind()).isEqualTo(Proposal.Kind.GROUP);
    assertThat(proposal.words()).isEqualTo("Name Company and not 3 of its people one by one, at CAS.");
    assertThat(proposal.changes()).filteredOn(AccessChange.AddGrant.class::isInstance).singleElement().satisfies(change -> {
      Grant grant = ((AccessChange.AddGrant) change).grant();
      assertThat(grant.subject()).isEqualTo(new Subject.OfUnit("u-all"));
      assertThat(grant.note()).isEqualTo("asked by the board");
    });
  }

  @Test
  void notes_that_are_too_long_together_are_kept_as_far_as_they_fit_and_the_rest_is_counted() {
    List<Grant> grants = new ArrayList<>();
    for (String person : List.of("mia", "ola", "una")) {
      grants.add(new Grant("n" + person, "cas", new Subject.OfPerson(person), "reader", Set.of(), Period.ALWAYS, person + "x".repeat(WellFormed.TEXT_AT_MOST / 2 - 50)));
    }
    Grant one = mined(with(Harbour.snapshot(), grants.toArray(Grant[]::new))).proposals().get(0).changes().stream().filter(AccessChange.AddGrant.class::isInstance).map(change -> ((AccessChange.AddGrant) change).grant()).findFirst().orElseThrow();
    assertThat(one.note()).startsWith("mia").contains("; ola").endsWith("; and 1 more").hasSizeLessThanOrEqualTo(WellFormed.TEXT_AT_MOST);
  }

  @Test
  void what_is_made_has_a_name_of_its_own_that_is_not_too_long() {
    assertThat(Mined.free("Divers", "else", Set.of("Divers", "Divers (2)"))).isEqualTo("Divers (3)");
    assertThat(Mined.free("x".repeat(WellFormed.NAME_AT_MOST), "12 people", Set.of())).isEqualTo("12 people");
  }

  @Test
  void a_group_that_holds_somebody_who_is_not_named_takes_nobody_s_place() {
    Snapshot snapshot = with(Harbour.snapshot(), grant("a1", "cas", new Subject.OfPerson("mia")), grant("a2", "cas", new Subject.OfPerson("ola")));
    assertThat(kinds(mined(snapshot))).doesNotContain(Proposal.Kind.GROUP);
  }

  @Test
  void of_two_groups_with_the_same_people_one_takes_the_other_s_place_and_nothing_is_said_twice() {
    Snapshot snapshot = with(after(Harbour.snapshot(), new PeopleChange.SetGroup("trainees-too", "Trainees too", null), new MembershipChange.AddMember("trainees-too", new Membership(new Membership.PersonMember("mia"), Period.ALWAYS))),
        grant("t1", "c2", new Subject.OfGroup("trainees")), grant("t2", "c2", new Subject.OfGroup("trainees-too")));
    Mining.Found found = mined(snapshot);
    assertThat(kinds(found)).contains(Proposal.Kind.MERGE);
    assertThat(found.after().groups()).isEqualTo(found.before().groups() - 1);
    assertThat(found.proposals()).filteredOn(one -> one.kind() == Proposal.Kind.MERGE).singleElement().satisfies(one -> assertThat(one.saves()).as("both were named at C2").isEqualTo(1));
  }

  @Test
  void a_group_that_a_member_leaves_one_day_is_not_merged_with_one_that_keeps_them() {
    Snapshot snapshot = after(Harbour.snapshot(), new PeopleChange.SetGroup("for-now", "For now", null), new MembershipChange.AddMember("for-now", new Membership(new Membership.PersonMember("mia"), new Period(null, Harbour.JULY))),
        new AccessChange.AddGrant(grant("t2", "c2", new Subject.OfGroup("for-now"))));
    assertThat(kinds(mined(with(snapshot, Harbour.grant("t3", "c1", new Subject.OfGroup("for-now"), "keeper"), Harbour.grant("t4", "c2", new Subject.OfGroup("trainees"), "preparer"))))).doesNotContain(Proposal.Kind.MERGE);
  }

  @Test
  void roles_given_together_are_given_as_the_role_they_come_to_or_become_one() {
    Snapshot roles = after(Harbour.snapshot(), new RoleChange.SetRole(new Role("adder", "Adder", Rights.parse(List.of("find", "read", "copy", "add")))), new RoleChange.SetRole(new Role("writer", "Writer", Rights.parse(List.of("find", "read", "copy", "describe", "revise")))),
        new RoleChange.SetRole(new Role("clearer", "Clearer", Rights.parse(List.of("find", "delete")))), new RoleChange.SetRole(new Role("curator", "Preparer, complete", Rights.parse(List.of("find", "read", "copy", "add", "describe", "revise")))));
    Subject mia = new Subject.OfPerson("mia");
    Mining.Found one = mined(with(roles, Harbour.grant("a", "c2", mia, "adder"), Harbour.grant("b", "c2", mia, "writer")));
    assertThat(one.proposals()).filteredOn(proposal -> proposal.kind() == Proposal.Kind.ROLE).singleElement().satisfies(proposal -> assertThat(proposal.words()).isEqualTo("Give “Preparer, complete” for Mia at CAS / C2, and not 2 roles that come to that."));
    Subject per = new Subject.OfPerson("per");
    Mining.Found made = mined(with(roles, Harbour.grant("a", "c2", mia, "adder"), Harbour.grant("b", "c2", mia, "clearer"), Harbour.grant("c", "c2", per, "adder"), Harbour.grant("d", "c2", per, "clearer")));
    assertThat(made.proposals()).filteredOn(proposal -> proposal.kind() == Proposal.Kind.NEW_ROLE).singleElement().satisfies(proposal -> assertThat(proposal.words()).isEqualTo("Make a role of the rights that are given together 2 times: “Adder and Clearer”."));
    assertThat(made.after().entries()).isEqualTo(made.before().entries() - 2);
  }

  @Test
  void however_many_entries_have_ended_no_proposal_is_more_than_a_draft_takes_up() {
    Map<String, Grant> ended = new HashMap<>();
    for (int i = 0; i < 2_500; i++) {
      ended.put("over-" + i, new Grant("over-" + i, "c1", new Subject.OfPerson("mia"), "reader", Set.of(), new Period(null, Harbour.NOW.minusSeconds(i + 1L)), null));
    }
    Mining.Found found = mined(Snapshot.of(Harbour.structure().withGrants(ended)));
    assertThat(found.proposals()).filteredOn(proposal -> proposal.kind() == Proposal.Kind.ENDED).extracting(Proposal::saves).containsExactly(1_000, 1_000, 500);
    assertThat(found.after().entries()).isEqualTo(found.before().entries() - 2_500);
  }

  @Test
  void how_far_it_is_is_told_and_never_more_than_there_is() {
    List<String> told = new ArrayList<>();
    Mining.of(with(Harbour.snapshot(), grant("again", "c1", new Subject.OfPerson("ola"))), Harbour.NOW, () -> "mined-" + NEXT.incrementAndGet(), (kind, tried, candidates, saved) -> {
      assertThat(tried).isLessThan(candidates);
      told.add(kind + " " + tried + " of " + candidates + ", " + saved);
      return true;
    });
    assertThat(told).contains("IDLE 0 of 1, 0");
  }

  @Test
  void what_is_given_again_further_down_is_taken_off() {
    Mining.Found found = mined(with(Harbour.snapshot(), grant("again", "c1", new Subject.OfPerson("ola"))));
    assertThat(kinds(found)).contains(Proposal.Kind.IDLE);
  }

  @Test
  void where_nothing_can_be_said_with_fewer_nothing_is_proposed() {
    Mining.Found once = mined(Harbour.snapshot());
    Snapshot snapshot = Harbour.snapshot();
    for (Proposal proposal : once.proposals()) {
      snapshot = snapshot.next(DraftApplication.of(snapshot, proposal.changes(), Harbour.NOW).difference());
    }
    assertThat(mined(snapshot).proposals()).isEmpty();
  }

  @Test
  void an_entry_for_a_type_of_which_there_is_no_document_yet_is_not_idle() {
    Grant later = new Grant("later", "c1", new Subject.OfPerson("mia"), "keeper", Set.of("letter"), Period.ALWAYS, null);
    Snapshot snapshot = with(Harbour.snapshot(), later);
    assertThat(snapshot.at(Harbour.NOW).rightsOnNew(snapshot.personNumber("mia"), snapshot.placeNumber("c1"), "letter").words()).contains("delete");
    assertThat(mined(snapshot).proposals()).noneMatch(proposal -> proposal.changes().contains(new AccessChange.RemoveGrant("c1", "later")));
    assertThat(Findings.of(snapshot, Harbour.NOW)).noneMatch(finding -> finding.key().contains("entry:later"));
  }

  @Test
  void it_can_be_called_off() {
    Mining.Found found = Mining.of(with(Harbour.snapshot(), grant("again", "c1", new Subject.OfPerson("ola"))), Harbour.NOW, () -> "x", (kind, tried, candidates, saved) -> false);
    assertThat(found.cut()).isTrue();
    assertThat(found.proposals()).isEmpty();
  }

  @Test
  void all_proposals_together_give_everybody_exactly_the_same_in_random_structures() {
    Map<Proposal.Kind, Integer> seen = new EnumMap<>(Proposal.Kind.class);
    int before = 0;
    int after = 0;
    for (long seed = 1; seed <= 400; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      Mining.Found found = Mining.of(snapshot, RandomStructures.NOW, () -> "mined-" + NEXT.incrementAndGet(), Mining.Progress.NONE);
      found.proposals().forEach(proposal -> seen.merge(proposal.kind(), 1, Integer::sum));
      List<Change> all = found.proposals().stream().flatMap(proposal -> proposal.changes().stream()).toList();
      Rehearsal rehearsal = Rehearsal.of(snapshot, all, RandomStructures.NOW, null);
      assertThat(rehearsal.refusals()).as("seed %d", seed).isEmpty();
      assertThat(rehearsal.differences()).as("seed %d", seed).allMatch(RightsDifference::isEmpty);
      Snapshot mined = rehearsal.after();
      assertThat(mined.structure().entries().count()).as("seed %d", seed).isEqualTo(found.after().entries());
      for (Instant later : snapshot.boundariesAfter(RandomStructures.NOW)) {
        assertThat(RightsDifference.between(snapshot, mined, later).isEmpty()).as("seed %d, at %s", seed, later).isTrue();
      }
      SnapshotAt one = snapshot.at(RandomStructures.NOW);
      SnapshotAt other = mined.at(RandomStructures.NOW);
      snapshot.structure().people().keySet().forEach(person -> snapshot.structure().places().keySet().forEach(place -> {
        Rights was = one.rights(snapshot.personNumber(person), snapshot.placeNumber(place));
        assertThat(other.rights(mined.personNumber(person), mined.placeNumber(place))).isEqualTo(was);
        if (snapshot.structure().places().get(place).kind().isContainer()) {
          snapshot.structure().types().keySet().forEach(type -> assertThat(other.rightsOnNew(mined.personNumber(person), mined.placeNumber(place), type)).as("a new document")
              .isEqualTo(one.rightsOnNew(snapshot.personNumber(person), snapshot.placeNumber(place), type)));
        }
      }));
      before += found.before().entries();
      after += found.after().entries();
    }
    assertThat(after).as("entries in all, %d before; %s", before, seen).isLessThan(before * 8 / 10);
  }
}
