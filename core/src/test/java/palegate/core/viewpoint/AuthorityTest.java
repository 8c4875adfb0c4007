package palegate.core.viewpoint;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DutyChange;
import palegate.core.changes.GuardChange;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.OfEveryKind;
import palegate.core.changes.PassChange;
import palegate.core.changes.ShareChange;
import palegate.core.changes.PeopleChange;
import palegate.core.changes.PlaceChange;
import palegate.core.changes.RoleChange;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.sharing.Pass;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/** Section 9: a duty lets do what it says, where it says, and nothing beside. */
class AuthorityTest {
  private static final Subject MIA = new Subject.OfPerson("mia");
  private static final Subject OLA = new Subject.OfPerson("ola");

  private static Structure with(DutyAssignment... duties) {
    return OfEveryKind.structure().administeredBy(List.of(duties));
  }

  private static DutyAssignment duty(Duty duty, String place, String unit, String ceiling) {
    return new DutyAssignment("du-x", MIA, duty, place, unit, ceiling, Period.ALWAYS);
  }

  private static List<Authority.Beyond> beyond(Structure structure, Change... changes) {
    Snapshot snapshot = Snapshot.of(structure);
    return beyond("mia", snapshot, changes);
  }

  private static List<Authority.Beyond> beyond(String asker, Snapshot snapshot, Change... changes) {
    return Authority.beyond(Asker.of(snapshot.at(Harbour.NOW), asker), Rehearsal.of(snapshot, List.of(changes), Harbour.NOW, asker));
  }

  private static Grant grant(String place, String role) {
    return new Grant("e-new", place, OLA, role, Set.of(), Period.ALWAYS, null);
  }

  @Test
  void every_kind_of_change_takes_its_duty_and_is_covered_by_it_everywhere() {
    Structure base = OfEveryKind.structure();
    String root = base.repository().map(Place::id).orElseThrow();
    int altering = 0;
    for (Change change : OfEveryKind.changes()) {
      Structure none = base.administeredBy(new ArrayList<>(base.duties().values()));
      Snapshot snapshot = Snapshot.of(none);
      Rehearsal rehearsal = Rehearsal.of(snapshot, List.of(change), Harbour.NOW, "per");
      if (rehearsal.altered().isEmpty()) {
        continue;
      }
      altering++;
      assertThat(Authority.beyond(Asker.of(snapshot.at(Harbour.NOW), "mia"), rehearsal)).as("without any duty: %s", change).isNotEmpty();
      List<DutyAssignment> duties = new ArrayList<>(base.duties().values());
      duties.add(new DutyAssignment("du-x", OLA, change.duty(), change.duty().scope() == Duty.ScopeKind.PLACE ? root : null, null, null, Period.ALWAYS));
      Snapshot held = Snapshot.of(base.administeredBy(duties));
      assertThat(Authority.beyond(Asker.of(held.at(Harbour.NOW), "ola"), Rehearsal.of(held, List.of(change), Harbour.NOW, "ola"))).as("with its own duty: %s", change).isEmpty();
    }
    assertThat(altering).as("kinds that alter something here").isGreaterThan(30);
  }

  @Test
  void access_at_a_place_covers_it_and_what_is_below_and_nothing_beside_or_above() {
    Structure structure = with(duty(Duty.ACCESS, "c1", null, null));
    assertThat(beyond(structure, new AccessChange.AddGrant(grant("c1", "reader")))).isEmpty();
    assertThat(beyond(structure, new AccessChange.AddGrant(grant("cas", "reader")))).isNotEmpty();
    assertThat(beyond(structure, new PlaceChange.AddPlace(Place.plain("f-new", PlaceKind.FOLDER, "c1", "New", false, Map.of(), null, null, null)))).isEmpty();
    assertThat(beyond(structure, new PlaceChange.MovePlace("c1", "c2"))).as("a place that one keeps is not carried to where one keeps nothing").isNotEmpty();
    assertThat(beyond(structure, new GuardChange.SetGuards("c1", new Guards("reader", true, true)))).isEmpty();
  }

  @Test
  void a_ceiling_bounds_every_way_of_giving() {
    Structure structure = with(duty(Duty.ACCESS, "cas", null, "reader"));
    assertThat(beyond(structure, new AccessChange.AddGrant(grant("c1", "reader")))).isEmpty();
    assertThat(beyond(structure, new AccessChange.AddGrant(grant("c1", "keeper")))).isNotEmpty();
    assertThat(beyond(structure, new AccessChange.AddGrant(new Grant("e-new", "c1", new Subject.OfGroup("divers"), "keeper", Set.of(), Period.ALWAYS, null))))
        .as("an empty group may be filled later, by somebody else").isNotEmpty();
    assertThat(beyond(structure, new AccessChange.BreakPlace("c1", AccessChange.Start.CARRY_OVER, List.of(), "b"))).as("what is carried over reached the place before").isEmpty();
    assertThat(beyond(structure, new AccessChange.BreakPlace("c1", AccessChange.Start.EMPTY, List.of(new AccessChange.Keeper(MIA, "keeper")), "b"))).as("naming oneself keeper gives too").isNotEmpty();
    assertThat(beyond(with(duty(Duty.ACCESS, "cas", null, "spare")), new AccessChange.RemoveWithholding("c1", "w-val"))).as("taking a withholding back gives what it took").isNotEmpty();
  }

  @Test
  void people_of_a_unit_are_moved_by_who_administers_it_and_others_are_not() {
    Structure structure = with(duty(Duty.PEOPLE, null, "u-cas", null));
    Person inside = structure.people().values().stream().filter(person -> "u-cas".equals(person.unit())).findFirst().orElseThrow();
    Person outside = structure.people().values().stream().filter(person -> !"u-cas".equals(person.unit())).findFirst().orElseThrow();
    assertThat(beyond(structure, new PeopleChange.SetPerson(new Person(inside.id(), "Another Name", inside.login(), inside.email(), inside.external(), inside.active(), inside.unit())))).isEmpty();
    assertThat(beyond(structure, new PeopleChange.SetPerson(new Person(outside.id(), "Another Name", outside.login(), outside.email(), outside.external(), outside.active(), outside.unit())))).isNotEmpty();
    assertThat(beyond(structure, new PeopleChange.SetPerson(new Person(outside.id(), outside.name(), outside.login(), outside.email(), outside.external(), outside.active(), "u-cas"))))
        .as("nobody is drawn into one's own unit from another").isNotEmpty();
    Person nowhere = structure.people().values().stream().filter(person -> person.unit() == null).findFirst().orElseThrow();
    assertThat(beyond(structure, new PeopleChange.SetPerson(new Person(nowhere.id(), "Another Name", null, null, nowhere.external(), nowhere.active(), null)))).as("nor is somebody without a unit").isNotEmpty();
    assertThat(beyond(structure, new PeopleChange.SetPerson(new Person(inside.id(), inside.name(), inside.login(), inside.email(), inside.external(), inside.active(), null)))).as("nor let go out of all units").isNotEmpty();
    assertThat(beyond(structure, new MembershipChange.AddMember("divers", new Membership(new Membership.PersonMember(outside.id()), Period.ALWAYS)))).isNotEmpty();
  }

  @Test
  void nobody_raises_their_own_ceiling() {
    Structure structure = with(duty(Duty.ACCESS, "root", null, "reader"));
    Role wider = new Role("reader", "Reader", Rights.ALL);
    assertThat(beyond(structure, new RoleChange.SetRole(wider))).as("roles are for whoever may give every one").isNotEmpty();
    assertThat(beyond(structure, new RoleChange.SetRole(wider), new AccessChange.AddGrant(grant("c1", "reader")))).isNotEmpty();
  }

  @Test
  void a_duty_is_not_come_by_through_a_group_that_holds_it() {
    DutyAssignment keepers = new DutyAssignment("du-k", new Subject.OfGroup("divers"), Duty.SYSTEM, null, null, null, Period.ALWAYS);
    Structure structure = with(duty(Duty.PEOPLE, null, null, null), keepers);
    for (Period period : List.of(Period.ALWAYS, new Period(Harbour.NOW.plusSeconds(3_600), null))) {
      assertThat(beyond(structure, new MembershipChange.AddMember("divers", new Membership(new Membership.PersonMember("mia"), period)))).as("%s", period).isNotEmpty();
    }
    Structure byUnit = with(duty(Duty.PEOPLE, null, null, null), new DutyAssignment("du-k", new Subject.OfUnit("u-cas"), Duty.ACCESS, "cas", null, null, Period.ALWAYS));
    Person una = byUnit.people().get("una");
    assertThat(una.active()).isFalse();
    assertThat(beyond(byUnit, new PeopleChange.SetPerson(new Person("una", una.name(), una.login(), una.email(), una.external(), true, una.unit())))).as("made active again").isNotEmpty();
    assertThat(beyond(with(duty(Duty.PEOPLE, null, null, null)), new MembershipChange.AddMember("divers", new Membership(new Membership.PersonMember("mia"), Period.ALWAYS)))).as("a group without any").isEmpty();
  }

  @Test
  void whoever_governs_a_place_changes_its_list_and_nothing_else_of_it() {
    Snapshot snapshot = Snapshot.of(OfEveryKind.structure().administeredBy(List.of()));
    assertThat(beyond("ola", snapshot, new AccessChange.AddGrant(grant("c1", "reader")))).isEmpty();
    assertThat(beyond("ola", snapshot, new PlaceChange.RenamePlace("c1", "Other"))).isNotEmpty();
    assertThat(beyond("ola", snapshot, new GuardChange.SetGuards("c1", new Guards("reader", false, false)))).isNotEmpty();
    assertThat(Authority.mayDraft(Asker.of(snapshot.at(Harbour.NOW), "ola"), new AccessChange.AddGrant(grant("c1", "reader")))).isTrue();
    assertThat(Authority.mayDraft(Asker.of(snapshot.at(Harbour.NOW), "mia"), new AccessChange.AddGrant(grant("c1", "reader")))).isFalse();
  }

  @Test
  void a_duty_that_is_over_or_to_come_or_of_somebody_inactive_lets_nobody_do_anything() {
    for (Period period : List.of(new Period(null, Harbour.NOW), new Period(Harbour.NOW.plusSeconds(1), null))) {
      Structure structure = with(new DutyAssignment("du-x", MIA, Duty.ACCESS, "cas", null, null, period));
      assertThat(beyond(structure, new AccessChange.AddGrant(grant("c1", "reader")))).as("%s", period).isNotEmpty();
    }
  }

  @Test
  void the_last_holder_of_system_stays_whatever_the_way() {
    DutyAssignment byGroup = new DutyAssignment("du-s", new Subject.OfGroup("divers"), Duty.SYSTEM, null, null, null, Period.ALWAYS);
    Structure structure = OfEveryKind.structure().administeredBy(List.of(byGroup));
    Structure held = Rehearsal.of(Snapshot.of(structure), List.of(new MembershipChange.AddMember("divers", new Membership(new Membership.PersonMember("ola"), Period.ALWAYS))), Harbour.NOW, "ola")
        .after().structure();
    Person ola = held.people().get("ola");
    List<Change> ways = List.of(new DutyChange.RemoveDuty("du-s"),
        new DutyChange.SetDuty(new DutyAssignment("du-s", new Subject.OfGroup("divers"), Duty.SYSTEM, null, null, null, new Period(null, Harbour.NOW.plusSeconds(86_400)))),
        new MembershipChange.RemoveMember("divers", new Membership(new Membership.PersonMember("ola"), Period.ALWAYS)),
        new PeopleChange.SetPerson(new Person("ola", ola.name(), ola.login(), ola.email(), ola.external(), false, ola.unit())));
    int lost = 0;
    for (Change way : ways) {
      Rehearsal rehearsal = Rehearsal.of(Snapshot.of(held), List.of(way), Harbour.NOW, "ola");
      boolean alone = held.groups().get("divers").members().size() == 1;
      if (!rehearsal.altered().isEmpty() && (alone || way instanceof DutyChange)) {
        assertThat(SystemHolders.lostFrom(held, rehearsal.after().structure(), Harbour.NOW)).as("%s", way).isPresent();
        lost++;
      }
    }
    assertThat(lost).isGreaterThanOrEqualTo(2);
    assertThat(SystemHolders.lostFrom(held, held.administeredBy(List.of(byGroup, new DutyAssignment("du-t", MIA, Duty.SYSTEM, null, null, null, Period.ALWAYS))), Harbour.NOW)).isEmpty();
  }

  /** Section 11: a share says who made it, and a pass who answers for it. */
  @Test
  void nobody_shares_in_somebody_else_s_name_by_a_draft() {
    Structure structure = with(duty(Duty.ACCESS, "cas", null, null));
    Grant mine = new Grant("e-new", "c1", OLA, "reader", Set.of(), Period.ALWAYS, null, "mia", null);
    assertThat(beyond(structure, new ShareChange.AddShare(mine))).isEmpty();
    assertThat(beyond(structure, new ShareChange.AddShare(new Grant("e-new", "c1", OLA, "reader", Set.of(), Period.ALWAYS, null, "per", null)))).as("in another name").isNotEmpty();
    assertThat(beyond(structure, new ShareChange.AddShare(new Grant("e-new", "c1", OLA, "reader", Set.of(), Period.ALWAYS, null, null, "pa-1")))).as("as if a pass had been opened").isNotEmpty();
    assertThat(beyond(structure, new AccessChange.BreakPlace("val1", AccessChange.Start.CARRY_OVER, List.of(new AccessChange.Keeper(OLA, "keeper")), "b"))).as("what stands in a name is carried over in it").isEmpty();
    Pass known = structure.passes().get("pa-1");
    assertThat(beyond(structure, new PassChange.SetPass(known.takenOverBy("mia")))).as("taken over").isEmpty();
    assertThat(beyond(structure, new PassChange.SetPass(new Pass("pa-1", "c1", "keeper", known.audience(), "ola", known.period(), known.uses(), null)))).as("more, in another name").isNotEmpty();
    assertThat(beyond(structure, new PassChange.SetPass(new Pass("pa-1", "c1", "reader", List.of(new Subject.OfUnit("u-all")), "ola", known.period(), known.uses(), null)))).as("for others, in another name").isNotEmpty();
    assertThat(beyond(structure, new PassChange.SetPass(new Pass("pa-1", "c1", "reader", List.of(MIA), "ola", new Period(null, Harbour.NOW.plusSeconds(9)), 1, null)))).as("less, in another name").isEmpty();
    assertThat(beyond(structure, new PassChange.SetPass(new Pass("pa-9", "c1", "reader", List.of(MIA), "ola", Period.ALWAYS, 1, null)))).as("a new one, in another name").isNotEmpty();
    assertThat(beyond(structure, new PassChange.TakeBackPass("pa-1"))).isEmpty();
    assertThat(beyond(with(duty(Duty.ACCESS, "root", null, null)), new ShareChange.AddShare(new Grant("e-new", "c1", OLA, "reader", Set.of(), Period.ALWAYS, null, "per", null)))).as("whoever keeps everything brings back what was").isEmpty();
  }
}
