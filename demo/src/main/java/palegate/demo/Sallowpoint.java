package palegate.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.Set;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.structure.Structure;

/** The demo: Sallowpoint Adjusting as it was two years ago, and what was changed since. */
public final class Sallowpoint {
  private static final long SEED = 2_406;

  /** A draft that was put in force at an earlier day. */
  public record PastChange(Instant at, String author, String note, List<Change> changes) {}

  /** Who signs in to the demo: the login, the person, what they are there to do, and what to try first. */
  public record SignIn(String login, String person, String does, String tryFirst) {}

  private final Instant today;
  private final Company company;
  private final Papers papers;
  private final List<Grant> grants = new ArrayList<>();
  private final List<Withholding> withholdings = new ArrayList<>();

  private Sallowpoint(Instant now) {
    today = now.truncatedTo(ChronoUnit.DAYS);
    Random random = new Random(SEED);
    company = new Company(random, today);
    papers = new Papers(random, company.people);
    grantAtTheTop();
    grantInCasualties();
    grantToOutsiders();
    plantTrouble();
  }

  /** The structure that the demo starts from; the same day gives the same structure. */
  public static Structure structure(Instant now) {
    return new Sallowpoint(now).build();
  }

  public static List<SignIn> signIns() {
    return List.of(
        new SignIn("wenna.carrow", "p-wenna", "chief administrator: changes everything", "Press k and type Brannock; then Break …, and read the tray."),
        new SignIn("teodor.brask", "p-teodor", "second administrator: access everywhere, and people", "Draft something while somebody else drafts the same."),
        new SignIn("oriel.fenn", "p-oriel", "auditor: sees everything that no wall keeps from her, changes nothing", "Statements: who can reach Accounts, a year ago and now."),
        new SignIn("ola.lindqvist", "p-ola", "keeper of one library, Casualties; a wall runs through it", "Look for C-2411: to her it does not exist."),
        new SignIn("hesper.vance", "p-hesper", "looks after the Staff handbook and the people of the Sallowpoint office", "People: only those of her office are there."),
        new SignIn("ferris.oake", "p-106", "walls officer: raises and lifts walls", "Places: the walls at C-2406 Brannock Star, and why."),
        new SignIn("linnet.sayle", "p-113", "runs the reviews of Casualties and Accounts", "Rounds: begin one over Casualties, and see who would be asked."),
        new SignIn("mia.torrance", "p-mia", "an adjuster, without any duty", "Papers: her own repository; search for towage."));
  }

  /** Everything that has been changed since, oldest first: what tells a story, and all that is done in two years besides. */
  public static List<PastChange> wholeHistory(Instant now) {
    List<PastChange> all = new ArrayList<>(TwoYears.of(now.truncatedTo(ChronoUnit.DAYS), new Sallowpoint(now).company.people));
    all.addAll(history(now));
    all.sort(Comparator.comparing(PastChange::at));
    return all;
  }

  /** The few changes that tell a story, oldest first. */
  public static List<PastChange> history(Instant now) {
    Instant today = now.truncatedTo(ChronoUnit.DAYS);
    return List.of(
        new PastChange(ago(today, 412), "wenna.carrow", "Tenders are for management and whoever writes the tender.", List.of(
            new AccessChange.BreakPlace("lib-ten", AccessChange.Start.EMPTY, List.of(
                new AccessChange.Keeper(group("g-keepers"), "r-keeper"), new AccessChange.Keeper(group("g-management"), "r-curator")), "h-ten"))),
        new PastChange(ago(today, 233), "teodor.brask", "Saint Orrin: the owners ask for a closed file.", List.of(
            new AccessChange.BreakPlace("f-2519", AccessChange.Start.CARRY_OVER, List.of(), "h-orrin"))),
        new PastChange(ago(today, 97), "wenna.carrow", "Year-end audit, fees only.", List.of(
            new AccessChange.AddGrant(new Grant("h-audit", "lib-acc", group("g-firm-3"), "r-reader", Set.of("fee"),
                new Period(null, today.plus(Duration.ofDays(3))), "Tarn Audit, until the report is signed")))),
        new PastChange(ago(today, 41), "teodor.brask", "Trainees do not take valuations away.", List.of(
            new AccessChange.AddWithholding(new Withholding("h-val", "lib-cas", group("g-trainees"), Rights.parse(List.of("copy")),
                Set.of("valuation"), Period.ALWAYS, "Agreed with the partners")))),
        new PastChange(ago(today, 12), "wenna.carrow", "Halcyon Reach: the survey section follows the case again.", List.of(
            new AccessChange.RejoinPlace("f-2508-survey", false))));
  }

  private Structure build() {
    papers.breakAt("lib-people");
    papers.breakAt("lib-board");
    papers.breakAt("f-2406");
    papers.breakAt("f-2411");
    papers.breakAt("f-2508-survey");
    // Nobody noticed that this break says what its parent says, and that that one lost its keeper.
    papers.breakAt("f-2513");
    papers.breakAt("lib-acc-2024-contracts");
    Guarding.limit(papers, today);
    Shared shared = new Shared(company, papers, today);
    grants.addAll(shared.shares());
    return Structure.of(company.units, company.people, company.groups(), roles(), papers.types,
        papers.places.values(), grants, withholdings).guardedBy(Guarding.oversights(today), Guarding.walls(today)).administeredBy(duties(today))
        .sharedBy(Shared.rules(), shared.passes(), Shared.shortlists(), Shared.separations());
  }

  private static List<DutyAssignment> duties(Instant today) {
    return List.of(
        duty("du-wenna-access", "p-wenna", Duty.ACCESS, "root"), duty("du-wenna-oversight", "p-wenna", Duty.OVERSIGHT, "root"), duty("du-wenna-people", "p-wenna", Duty.PEOPLE, null),
        duty("du-wenna-types", "p-wenna", Duty.TYPES, null), duty("du-wenna-walls", "p-wenna", Duty.WALLS, null), duty("du-wenna-system", "p-wenna", Duty.SYSTEM, null),
        duty("du-wenna-rounds", "p-wenna", Duty.ROUNDS, "root"),
        new DutyAssignment("du-keepers", group("g-keepers"), Duty.ACCESS, "root", null, null, Period.ALWAYS), duty("du-teodor-people", "p-teodor", Duty.PEOPLE, null),
        duty("du-oriel", "p-oriel", Duty.AUDIT, null),
        new DutyAssignment("du-ola", new Subject.OfPerson("p-ola"), Duty.ACCESS, "lib-cas", null, "r-curator", Period.ALWAYS),
        duty("du-hesper-handbook", "p-hesper", Duty.ACCESS, "lib-hand"),
        new DutyAssignment("du-hesper-people", new Subject.OfPerson("p-hesper"), Duty.PEOPLE, null, "u-sallowpoint", null, Period.ALWAYS),
        duty("du-ferris", "p-106", Duty.WALLS, null),
        duty("du-linnet-cas", "p-113", Duty.ROUNDS, "lib-cas"),
        new DutyAssignment("du-linnet-acc", new Subject.OfPerson("p-113"), Duty.ROUNDS, "lib-acc", null, null, new Period(null, today.plus(Duration.ofDays(40)))));
  }

  /** The same sign-ins' duties for the first people of another structure, those with a scope left out. */
  public static List<DutyAssignment> dutiesFor(List<String> people, String repository) {
    List<DutyAssignment> duties = new ArrayList<>();
    for (Duty duty : Duty.changing()) {
      duties.add(duty("du-0-" + duty.word(), people.get(0), duty, duty.scope() == Duty.ScopeKind.PLACE ? repository : null));
    }
    duties.add(duty("du-1-access", people.get(1), Duty.ACCESS, repository));
    duties.add(duty("du-1-people", people.get(1), Duty.PEOPLE, null));
    duties.add(duty("du-2-audit", people.get(2), Duty.AUDIT, null));
    return duties;
  }

  private static DutyAssignment duty(String id, String person, Duty duty, String place) {
    return new DutyAssignment(id, new Subject.OfPerson(person), duty, place, null, null, Period.ALWAYS);
  }

  private static List<Role> roles() {
    return List.of(
        new Role("r-onlooker", "Onlooker", Rights.parse(List.of("find"))),
        new Role("r-reader", "Reader", Rights.parse(List.of("find", "read"))),
        new Role("r-filer", "Filer", Rights.parse(List.of("find", "read", "add"))),
        new Role("r-preparer", "Preparer", Rights.parse(List.of("find", "read", "copy", "add", "describe", "revise"))),
        new Role("r-curator", "Curator", Rights.parse(List.of("find", "read", "copy", "add", "describe", "revise", "delete", "share"))),
        new Role("r-keeper", "Keeper", Rights.ALL));
  }

  private void grantAtTheTop() {
    give("root", group("g-keepers"), "r-keeper");
    give("lib-cas", group("g-adjusters"), "r-preparer");
    give("lib-cas", group("g-surveyors"), "r-reader");
    give("lib-cas", group("g-management"), "r-reader");
    give("lib-cas", group("g-accounts"), "r-reader", Set.of("fee"), Period.ALWAYS, "Accounts read the fee notes of every case");
    give("lib-ves", Subject.BuiltIn.STAFF, "r-reader");
    give("lib-ves", group("g-surveyors"), "r-preparer");
    give("lib-charts", Subject.BuiltIn.STAFF, "r-reader");
    give("lib-hand", Subject.BuiltIn.STAFF, "r-reader");
    give("lib-hand", new Subject.OfPerson("p-hesper"), "r-curator");
    give("lib-hand", new Subject.OfPerson("p-teodor"), "r-curator");
    give("lib-acc", group("g-accounts"), "r-curator");
    give("lib-acc", group("g-management"), "r-reader");
    give("lib-people", group("g-keepers"), "r-keeper");
    give("lib-people", group("g-personnel"), "r-curator");
    give("lib-people", new Subject.OfUnit("u-man"), "r-onlooker");
    give("lib-board", group("g-keepers"), "r-keeper");
    give("lib-board", group("g-management"), "r-preparer");
  }

  private void grantInCasualties() {
    for (String name : Company.CASES) {
      String number = Company.caseNumber(name);
      if (number.equals("2513")) {
        // Its break is to say just what its parent says.
        continue;
      }
      give("f-" + number, group("g-team-" + number), "r-curator");
    }
    give("f-2406", group("g-keepers"), "r-keeper");
    give("f-2406", group("g-surveyors"), "r-reader");
    give("f-2411", group("g-keepers"), "r-keeper");
    give("f-2411", group("g-cargo"), "r-preparer");
    give("f-2508-survey", group("g-keepers"), "r-keeper");
    give("f-2508-survey", group("g-surveyors"), "r-preparer");
    give("f-2513", group("g-keepers"), "r-keeper");
    give("f-2513", group("g-adjusters"), "r-preparer");
    give("f-2513", group("g-surveyors"), "r-reader");
    give("f-2513", group("g-management"), "r-reader");
    give("f-2513", group("g-accounts"), "r-reader", Set.of("fee"), Period.ALWAYS, null);
    give("f-2607", new Subject.OfPerson("p-hesper"), "r-reader", Set.of(), new Period(null, today.plus(Duration.ofDays(11))), "Covers for a colleague");
  }

  private void grantToOutsiders() {
    give("lib-out", Subject.BuiltIn.OUTSIDERS, "r-onlooker");
    give("lib-out", group("g-adjusters"), "r-preparer");
    for (int i = 0; i < Company.FIRMS.size(); i++) {
      give("out-" + i, group("g-firm-" + i), "r-filer", Set.of(), new Period(null, today.plus(Duration.ofDays(60L + 30 * i))), null);
    }
    give("f-2423-survey", group("g-firm-0"), "r-filer", Set.of("dive"), new Period(today.minus(Duration.ofDays(200)), today.minus(Duration.ofDays(30))), "Hull inspection, first season");
  }

  private void plantTrouble() {
    give("f-2502", group("g-marrow-region"), "r-keeper");
    give("f-2519", group("g-marrow-region"), "r-keeper");
    give("f-2604", group("g-ice"), "r-preparer");
    give("lib-acc-2024-contracts", group("g-accounts"), "r-curator");
    // More than the ceiling of the library lets outsiders have.
    give("out-1", group("g-firm-1"), "r-preparer");
    withholdings.add(new Withholding("w-1", "f-2417", group("g-firm-2"), Rights.parse(List.of("copy")), Set.of(), Period.ALWAYS, "Counsel read, they do not take away"));
    withholdings.add(new Withholding("w-2", "f-2406", group("g-surveyors"), Rights.parse(List.of("copy", "revise")), Set.of(), Period.ALWAYS, null));
  }

  private void give(String place, Subject subject, String role) {
    give(place, subject, role, Set.of(), Period.ALWAYS, null);
  }

  private void give(String place, Subject subject, String role, Set<String> types, Period period, String note) {
    grants.add(new Grant("e-" + (100 + grants.size()), place, subject, role, types, period, note));
  }

  private static Grant grant(String id, String place, Subject subject, String role) {
    return new Grant(id, place, subject, role, Set.of(), Period.ALWAYS, null);
  }

  private static Subject group(String id) {
    return new Subject.OfGroup(id);
  }

  private static Instant ago(Instant today, int days) {
    return today.minus(Duration.ofDays(days)).plus(Duration.ofHours(9).plusMinutes(days % 50));
  }
}
