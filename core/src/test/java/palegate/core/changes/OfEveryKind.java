package palegate.core.changes;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.approvals.ApprovalRule;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.places.Conditions;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.separations.Separation;
import palegate.core.sharing.Pass;
import palegate.core.sharing.SharingRule;
import palegate.core.sharing.Shortlist;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** At least one change of every kind, each of which can be made on {@link #structure} and does something there. */
public final class OfEveryKind {
  private static final Instant DAY = Instant.parse("2026-12-01T00:00:00Z");
  private static final Subject MIA = new Subject.OfPerson("mia");
  private static final Period UNTIL = new Period(null, DAY);

  private OfEveryKind() {}

  /** A harbour with something of everything. */
  public static Structure structure() {
    Structure plain = Harbour.structure();
    Place kept = plain.places().get("val1").as("valuation", "ola").in(new Conditions(true, true, "ola", Harbour.NOW));
    return plain
        .guardedBy(List.of(new Oversight("o-1", "cas", new Subject.OfUnit("u-cas"), Period.ALWAYS, null)), List.of(
            new Wall("w-1", "Hull", "Two owners", Wall.State.STANDING, Period.ALWAYS, new Barrier.Seal(Scope.ofPlaces("c2"), List.of(MIA)), List.of(new Wall.Exempt(new Subject.OfPerson("ola"), DAY))),
            new Wall("w-2", "Fees", null, Wall.State.PLANNED, Period.ALWAYS, new Barrier.Screen(Scope.ofTypes("letter"), List.of(MIA)), List.of())))
        .approvedBy(List.of(new ApprovalRule("ap-1", "Walls", ApprovalRule.When.duty(Duty.WALLS), Duty.WALLS)))
        .administeredBy(List.of(new DutyAssignment("du-1", new Subject.OfPerson("per"), Duty.PEOPLE, null, "u-cas", null, Period.ALWAYS)))
        .sharedBy(List.of(new SharingRule("c2", SharingRule.Who.KEEPERS, true, "reader", 28)),
            List.of(new Pass("pa-1", "c1", "reader", List.of(new Subject.OfUnit("u-cas"), MIA), "ola", Period.ALWAYS, 20, "why")),
            List.of(new Shortlist("u-cas", List.of(new Shortlist.Audience(Subject.BuiltIn.STAFF, "Everyone", "Whoever works here.")))),
            List.of(new Separation("se-1", "Fees", "why", true, Separation.Within.PLACE, List.of(side("reader"), side("keeper")))))
        .withGrants(Map.of("e-sh", new Grant("e-sh", "c1", MIA, "reader", Set.of(), UNTIL, null, "ola", null)))
        .withPlaces(Map.of("val1", kept, "l-1", Place.plain("l-1", PlaceKind.LINK, "root", "Shown", false, Map.of(), null, null, "cas")))
        .withUnits(Map.of("u-empty", new Unit("u-empty", "Empty", "u-all")))
        .withRoles(Map.of("spare", new Role("spare", "Spare", Rights.parse(List.of("find")))))
        .withTypes(Map.of("fee", new DocumentType("fee", "Fee", true, List.of(), List.of(new Clearance(MIA, "reader", UNTIL))), "memo", DocumentType.open("memo", "Memo", List.of())));
  }

  private static Separation.Side side(String role) {
    return new Separation.Side(Set.of(role), Rights.NONE, Set.of(), Set.of(), Set.of("fee"));
  }

  public static List<Change> changes() {
    return List.of(
        new AccessChange.AddGrant(new Grant("e-1", "c1", MIA, "reader", Set.of("letter"), UNTIL, "why")),
        new AccessChange.RemoveGrant("cas", "e-adj"),
        new AccessChange.AddWithholding(new Withholding("e-2", "c1", MIA, Rights.parse(List.of("copy")), Set.of(), new Period(Harbour.JULY, null), null)),
        new AccessChange.RemoveWithholding("c1", "w-val"),
        new AccessChange.BreakPlace("c1", AccessChange.Start.EMPTY, List.of(new AccessChange.Keeper(new Subject.OfPerson("ola"), "keeper")), "b"),
        new AccessChange.RejoinPlace("c2", true, Set.of("e-c2")),
        new GuardChange.SetGuards("c1", new Guards("reader", true, false)),
        new GuardChange.Release("val1", Conditions.Condition.FROZEN),
        new GuardChange.PutUnder("let2", Conditions.Condition.CHECKED_OUT, "mia", DAY),
        new OversightChange.AddOversight(new Oversight("o-2", "c1", MIA, UNTIL, "why")),
        new OversightChange.RemoveOversight("cas", "o-1"),
        new PlaceChange.AddPlace(Place.plain("d-1", PlaceKind.DOCUMENT, "c1", "Doc", false, Map.of("case", "C-1"), "letter", "ola", null)),
        new PlaceChange.RenamePlace("c1", "Other"),
        new PlaceChange.MovePlace("c1", "c2"),
        new PlaceChange.SetDocument("let2", "memo", "ola"),
        new PlaceChange.SetLabels("c1", Map.of("case", "C-1")),
        new PlaceChange.RemovePlace("l-1"),
        new PeopleChange.SetPerson(new Person("pia", "Pia", "pia", "pia@sallowpoint.example", false, true, "u-cas")),
        new PeopleChange.SetUnit(new Unit("u-new", "New", "u-all")),
        new PeopleChange.RemoveUnit("u-empty"),
        new PeopleChange.SetGroup("divers", "Divers and riggers", "why"),
        new PeopleChange.RemoveGroup("divers"),
        new MembershipChange.AddMember("divers", new Membership(new Membership.PersonMember("ola"), UNTIL)),
        new MembershipChange.RemoveMember("adjusters", new Membership(new Membership.GroupMember("trainees"), new Period(null, Harbour.JULY))),
        new RoleChange.SetRole(new Role("new", "New", Rights.parse(List.of("find", "read")))),
        new RoleChange.RemoveRole("spare"),
        new TypeChange.SetType(new DocumentType("t-new", "New", "N", true, Set.of("cas"),
            List.of(new DocumentType.Field("k", "Key", DocumentType.Kind.CHOICE, List.of("a"), true, 12, true, "help")), List.of())),
        new TypeChange.RemoveType("memo"),
        new ClearanceChange.AddClearance("fee", new Clearance(new Subject.OfGroup("divers"), "reader", UNTIL)),
        new ClearanceChange.RemoveClearance("fee", new Clearance(MIA, "reader", UNTIL)),
        new WallChange.SetWall(new Wall("w-3", "Sale", "why", Wall.State.PLANNED, new Period(DAY, null), new Barrier.Sides(List.of(
            new Barrier.Side("Buyer", List.of(MIA), Scope.ofPlaces("c1")),
            new Barrier.Side("Seller", List.of(new Subject.OfPerson("per")), new Scope(Set.of(), Set.of("letter"), Map.of("case", Set.of("C-1", "C-2")))))),
            List.of(new Wall.Exempt(new Subject.OfPerson("ola"), DAY)))),
        new WallChange.RemoveWall("w-2"),
        new WallChange.AddException("w-1", new Wall.Exempt(new Subject.OfPerson("per"), DAY)),
        new WallChange.RemoveException("w-1", new Wall.Exempt(new Subject.OfPerson("ola"), DAY)),
        new ApprovalChange.SetApproval(new ApprovalRule("ap-2", "Rule", new ApprovalRule.When(Set.of("addGrant"), Set.of(Duty.ACCESS), true, Set.of("c1")), Duty.WALLS)),
        new ApprovalChange.RemoveApproval("ap-1"),
        new DutyChange.SetDuty(new DutyAssignment("du-2", MIA, Duty.ACCESS, "c1", null, "reader", UNTIL)),
        new DutyChange.RemoveDuty("du-1"),
        new ShareChange.AddShare(new Grant("e-3", "c1", MIA, "reader", Set.of("letter"), UNTIL, "why", "ola", "pa-1")),
        new ShareChange.TakeBackShare("c1", "e-sh"),
        new ShareChange.SetSharing(new SharingRule("c1", SharingRule.Who.SHARERS, true, "reader", 7)),
        new ShareChange.RemoveSharing("c2"),
        new PassChange.SetPass(new Pass("pa-2", "c1", "reader", List.of(Subject.BuiltIn.STAFF, MIA), "ola", UNTIL, 3, "why")),
        new PassChange.OpenPass("pa-1", "mia", "e-4"),
        new PassChange.TakeBackPass("pa-1"),
        new ShortlistChange.SetShortlist(new Shortlist("u-all", List.of(new Shortlist.Audience(Subject.BuiltIn.STAFF, "Everyone", null), new Shortlist.Audience(new Subject.OfUnit("u-cas"), "Casualty", "why")))),
        new ShortlistChange.RemoveShortlist("u-cas"),
        new SeparationChange.SetSeparation(new Separation("se-2", "Two hats", "why", true, Separation.Within.ANYWHERE, List.of(
            new Separation.Side(Set.of("keeper"), Rights.parse(List.of("govern")), Set.of("divers"), Set.of(Duty.ACCESS, Duty.WALLS), Set.of("fee", "letter")),
            new Separation.Side(Set.of(), Rights.NONE, Set.of("trainees"), Set.of(), Set.of())))),
        new SeparationChange.RemoveSeparation("se-1"));
  }
}
