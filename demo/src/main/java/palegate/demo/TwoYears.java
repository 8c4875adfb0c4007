package palegate.demo;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.OversightChange;
import palegate.core.changes.PeopleChange;
import palegate.core.changes.PlaceChange;
import palegate.core.changes.WallChange;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.roles.Rights;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/**
 * What happened at Sallowpoint in two years besides the few changes that tell a story of their own: a house taken over, joiners and
 * leavers, casualties opened and closed, breaks made and regretted, a wall raised late. The same day gives the same history.
 */
final class TwoYears {
  private static final long SEED = 2_624;
  private static final int DAYS = 728;
  private static final String WENNA = "wenna.carrow";
  private static final String TEODOR = "teodor.brask";
  private static final List<String> SHIPS = List.of("Amber Tide", "Bright Meridian", "Curlew Sands", "Dunlin", "Eastern Lantern", "Fair Reckoning", "Gannet Hill",
      "Hope of Marrow", "Iron Fulmar", "Jenny Skerry", "King of Grent", "Long Ebb", "Merrow", "Northern Thrift", "Old Petrel", "Pelham Light", "Quiet Sound", "Redshank");
  private static final List<String> CARGO = List.of("steel coils", "grain", "timber", "frozen fish", "cars", "fertiliser", "cement", "bananas");
  private static final List<String> TEAMS = List.of("Claims desk", "Salvage watch", "Ports and agents", "Translators", "Night desk", "Drawing office", "Quality readers",
      "Insurance liaison", "Ship finance", "Weather and tides", "Records room", "Reception", "Systems", "Partners' office", "Grent surveyors", "Marrow Roads house", "Apprentices");

  private record At(int daysAgo, String author, String note, List<Change> changes) {}

  private final Instant today;
  private final Random random = new Random(SEED);
  private final Names names;
  private final List<At> all = new ArrayList<>();
  private final List<String> joined = new ArrayList<>();
  private final List<String> owners;
  private int persons = 200;
  private int documents = 40_000;
  private int entries = 1_000;

  private TwoYears(Instant today, List<Person> known) {
    this.today = today;
    names = new Names(random);
    known.forEach(person -> names.given(person.name()));
    owners = known.stream().filter(Person::staff).filter(Person::active).map(Person::id).toList();
    growTheHouse();
    joinersAndLeavers();
    casualties();
    vesselsAndOffice();
    breaksMadeAndRegretted();
    outsidersAndWalls();
    smallChanges();
  }

  /** Oldest first; {@code known} are the people of the beginning, whose names nobody else is given. */
  static List<Sallowpoint.PastChange> of(Instant today, List<Person> known) {
    return new TwoYears(today, known).all.stream().sorted(Comparator.comparing(At::daysAgo).reversed())
        .map(at -> new Sallowpoint.PastChange(today.minus(Duration.ofDays(at.daysAgo())).plus(Duration.ofMinutes(500 + at.note().length() * 3L + at.daysAgo() % 60)),
            at.author(), at.note(), at.changes())).toList();
  }

  private void growTheHouse() {
    List<Change> teams = new ArrayList<>();
    for (int i = 0; i < TEAMS.size(); i++) {
      teams.add(new PeopleChange.SetGroup("g-team-x" + i, TEAMS.get(i), "Works across all offices."));
    }
    at(725, WENNA, "Groups for the desks that had none.", teams);
    for (int wave = 0; wave < 3; wave++) {
      List<Change> people = new ArrayList<>();
      for (int i = 0; i < 18; i++) {
        people.addAll(newcomer(List.of("u-grent-harbour-adj", "u-isle-marrow-adj", "u-sallowpoint-adj").get(wave), wave == 0 ? 14 : 15));
      }
      at(700 - wave * 9, TEODOR, List.of("Grent Survey House joins us: their people, first part.", "Marrow Roads Adjusting joins us: their people.", "Marrow Roads Adjusting: those who come to Sallowpoint.").get(wave), people);
    }
    // Also where a break says just what its parent says: so it goes on saying.
    at(688, WENNA, "The surveyors from Grent read every casualty.", List.of(grant("lib-cas", new Subject.OfGroup("g-team-x14"), "r-reader"), grant("f-2513", new Subject.OfGroup("g-team-x14"), "r-reader")));
    give(687, WENNA, "Marrow Roads keeps its own letters in Vessels.", "lib-ves", "g-team-x15", "r-filer");
  }

  private List<Change> newcomer(String unit, int team) {
    String id = "p-" + persons++;
    joined.add(id);
    Person person = person(id, names.next(), false, unit);
    return List.of(new PeopleChange.SetPerson(person), join("g-team-x" + team, id, Period.ALWAYS));
  }

  private static Person person(String id, String name, boolean external, String unit) {
    String login = name.toLowerCase(Locale.ROOT).replace(' ', '.');
    return new Person(id, name, login, login + "@sallowpoint.example", external, true, unit);
  }

  private void joinersAndLeavers() {
    List<String> units = List.of("u-sallowpoint-adj", "u-fin", "u-grent-harbour-adj", "u-per", "u-isle-marrow-adj", "u-man");
    for (int i = 0; i < 40; i++) {
      int day = 660 - i * 16;
      String unit = units.get(i % units.size());
      List<Change> changes = new ArrayList<>(newcomer(unit, i % 13));
      String id = joined.get(joined.size() - 1);
      String name = ((PeopleChange.SetPerson) changes.get(0)).person().name();
      if (unit.endsWith("-adj")) {
        changes.add(join("g-adjusters", id, Period.ALWAYS));
      }
      at(day, i % 3 == 0 ? WENNA : TEODOR, name + " starts " + List.of("as an adjuster", "in Accounts", "in Grent Harbour", "in Personnel", "in Isle Marrow", "as a partner's assistant").get(i % 6) + ".", changes);
    }
    for (int i = 0; i < 9; i++) {
      String id = joined.get(i * 5 + 2);
      String unit = List.of("u-grent-harbour-adj", "u-isle-marrow-adj", "u-sallowpoint-adj").get((i * 5 + 2) / 18 % 3);
      PeopleChange.SetPerson was = (PeopleChange.SetPerson) all.stream().flatMap(at -> at.changes().stream())
          .filter(change -> change instanceof PeopleChange.SetPerson set && set.person().id().equals(id)).findFirst().orElseThrow();
      Person person = was.person();
      at(420 - i * 43, TEODOR, person.name() + List.of(" has left us.", " retires.", " goes back to sea.").get(i % 3), List.of(
          new PeopleChange.SetPerson(new Person(id, person.name(), person.login(), person.email(), false, false, unit))));
    }
  }

  private void casualties() {
    for (int i = 0; i < SHIPS.size(); i++) {
      int opened = 640 - i * 34;
      String number = "C-" + (2_701 + i);
      String id = "f-" + (2_701 + i);
      String team = "g-case-" + (2_701 + i);
      String ship = SHIPS.get(i);
      List<Change> changes = new ArrayList<>();
      changes.add(new PeopleChange.SetGroup(team, "Team " + number, "Works on " + ship + "."));
      for (int member = 0; member < 4 + i % 3; member++) {
        changes.add(join(team, joined.get((i * 7 + member * 11) % thereSince(opened)), Period.ALWAYS));
      }
      changes.add(new PlaceChange.AddPlace(Place.plain(id, PlaceKind.FOLDER, "lib-cas", number + " " + ship, false, Map.of("case", number), null, null, null)));
      List<String> sections = List.of("Survey", "Correspondence", "Valuation", "Statement", "Fees");
      for (String section : sections) {
        changes.add(folder(id + "-" + section.toLowerCase(Locale.ROOT), id, section));
      }
      for (String part : List.of("Hull", "Machinery", "Photographs")) {
        changes.add(folder(id + "-survey-" + part.toLowerCase(Locale.ROOT), id + "-survey", part));
      }
      for (String who : List.of("Owners", "Insurers")) {
        changes.add(folder(id + "-corr-" + who.toLowerCase(Locale.ROOT), id + "-correspondence", who));
      }
      changes.add(grant(id, new Subject.OfGroup(team), "r-curator"));
      at(opened, i % 2 == 0 ? WENNA : TEODOR, number + " " + ship + ": opened, " + CARGO.get(i % CARGO.size()) + " aboard.", changes);
      papers(opened - 5, number + ": the surveyors' first papers are in.", id, ship, List.of(
          new Batch("-survey-hull", "Hull survey", "survey", 12), new Batch("-survey-machinery", "Machinery survey", "survey", 8),
          new Batch("-survey-photographs", "Photo log", "photos", 10), new Batch("-survey", "Diver's log", "dive", 4)), opened);
      papers(opened - 24, number + ": letters and valuations.", id, ship, List.of(
          new Batch("-corr-owners", "Letter to owners", "letter", 22), new Batch("-corr-insurers", "Letter to insurers", "letter", 24), new Batch("-correspondence", "Letter to the port", "letter", 8),
          new Batch("-valuation", "Valuation of " + CARGO.get(i % CARGO.size()), "valuation", 7), new Batch("", "Cargo manifest", "manifest", 3), new Batch("", "Salvage agreement", "salvage", 1)), opened - 20);
      if (opened > 120) {
        papers(opened - 90, number + ": the statement goes out.", id, ship, List.of(
            new Batch("-statement", "Adjustment statement", "statement", 5), new Batch("-fees", "Fee note", "fee", 14)), opened - 88);
      }
      if (opened > 330) {
        at(opened - 300, TEODOR, number + " is closed: from now on it is only read.", List.of(
            new AccessChange.AddWithholding(new Withholding("tw-" + id, id, new Subject.OfGroup(team), Rights.parse(List.of("add", "revise", "delete", "describe")), Set.of(), Period.ALWAYS, "Closed case"))));
      }
    }
  }

  /** How many of those who joined had done so by then: the houses that were taken over, and one more every sixteen days. */
  private static int thereSince(int daysAgo) {
    return 54 + Math.max(0, Math.min(40, (660 - daysAgo) / 16));
  }

  private record Batch(String below, String name, String type, int count) {}

  private void papers(int day, String note, String caseFolder, String ship, List<Batch> batches, int written) {
    List<Change> changes = new ArrayList<>();
    for (Batch batch : batches) {
      for (int i = 1; i <= batch.count(); i++) {
        changes.add(document(caseFolder + batch.below(), batch.name() + ", " + ship + " %02d.pdf".formatted(i), batch.type(), written - i % 5));
      }
    }
    at(day, List.of(WENNA, TEODOR).get(day % 2), note, changes);
  }

  private void vesselsAndOffice() {
    for (int i = 0; i < SHIPS.size(); i++) {
      String id = "v-" + SHIPS.get(i).toLowerCase(Locale.ROOT).replace(' ', '-');
      List<Change> changes = new ArrayList<>(List.of(folder(id, "lib-ves", SHIPS.get(i)), folder(id + "-cert", id, "Certificates")));
      for (int paper = 1; paper <= 8; paper++) {
        changes.add(document(id + "-cert", "Certificate of class %02d.pdf".formatted(paper), "certificate", 640 - i * 34));
      }
      for (int paper = 1; paper <= 4; paper++) {
        changes.add(document(id, "General arrangement %02d.pdf".formatted(paper), null, 640));
      }
      at(638 - i * 34, TEODOR, SHIPS.get(i) + ": certificates and plans.", changes);
    }
    for (int month = 0; month < 24; month++) {
      LocalDate first = today.atZone(ZoneOffset.UTC).toLocalDate().minusMonths(24L - month).withDayOfMonth(1);
      String id = "m-" + first.getYear() + "-" + first.getMonthValue();
      List<Change> changes = new ArrayList<>(List.of(folder("acc-" + id, "lib-acc", "Month " + first.getYear() + "-%02d".formatted(first.getMonthValue()))));
      for (int paper = 1; paper <= 12; paper++) {
        changes.add(document("acc-" + id, "Fee note %s %02d.pdf".formatted(first.toString().substring(0, 7), paper), "fee", 700 - month * 29));
      }
      changes.add(document("lib-board-min", "Board minutes " + first.toString().substring(0, 7) + ".pdf", "minute", 700 - month * 29));
      at(715 - month * 29, WENNA, "The month's fees, and the minutes of the board.", changes);
    }
  }

  private void breaksMadeAndRegretted() {
    for (int i = 0; i < 7; i++) {
      String section = "f-" + (2_701 + i * 2) + "-valuation";
      int day = 590 - i * 66;
      at(day, TEODOR, "Valuations of C-" + (2_701 + i * 2) + " for those who make them, until they are agreed.", List.of(
          new AccessChange.BreakPlace(section, AccessChange.Start.EMPTY, List.of(new AccessChange.Keeper(new Subject.OfGroup("g-keepers"), "r-keeper"),
              new AccessChange.Keeper(new Subject.OfGroup("g-cargo"), "r-preparer")), "tb-" + i)));
      if (i % 3 != 2) {
        at(day - 13 - i * 4, WENNA, "Nobody could work on them: the valuations of C-" + (2_701 + i * 2) + " follow the case again.", List.of(new AccessChange.RejoinPlace(section, false)));
      }
    }
    at(301, TEODOR, "Fees of Gannet Hill stand by themselves, as the owners ask.", List.of(
        new AccessChange.BreakPlace("f-2707-fees", AccessChange.Start.CARRY_OVER, List.of(), "tb-fees")));
  }

  private void outsidersAndWalls() {
    List<String> firms = List.of("Skerry Salvage", "Fathom Chemists", "Lowmoor Counsel", "Penhallow Translators");
    for (int firm = 0; firm < firms.size(); firm++) {
      List<Change> changes = new ArrayList<>();
      String group = "g-out-" + firm;
      changes.add(new PeopleChange.SetGroup(group, firms.get(firm), "An outside firm."));
      for (int i = 0; i < 6; i++) {
        String id = "p-y" + (10 + firm * 6 + i);
        Person person = person(id, names.next(), true, null);
        changes.add(new PeopleChange.SetPerson(person));
        changes.add(join(group, id, Period.ALWAYS));
      }
      at(610 - firm * 130, WENNA, firms.get(firm) + " works for us.", changes);
      int days = 608 - firm * 130;
      at(days, TEODOR, firms.get(firm) + ": what they need, for a season.", List.of(
          new AccessChange.AddGrant(new Grant("tg-out-" + firm, "f-" + (2_701 + firm * 4) + "-survey", new Subject.OfGroup(group), "r-filer", Set.of(),
              new Period(null, ago(days).plus(Duration.ofDays(days < 230 ? days + 30 : 180))), "One season"))));
    }
    at(64, WENNA, "Quiet Sound and Long Ebb: we were asked by both sides. Raised late, after two of us had read the letters.", List.of(
        new WallChange.SetWall(new Wall("wall-late", "Quiet Sound and Long Ebb", "The two collided in fog; both owners asked us.", Wall.State.STANDING, Period.ALWAYS,
            new Barrier.Sides(List.of(new Barrier.Side("Owners of Long Ebb", List.of(new Subject.OfGroup("g-case-2712")), Scope.ofLabel("case", "C-2712")),
                new Barrier.Side("Cargo of Quiet Sound", List.of(new Subject.OfGroup("g-case-2717")), Scope.ofLabel("case", "C-2717")))), List.of()))));
    at(58, WENNA, "Somebody reads over the statements for a quarter.", List.of(
        new OversightChange.AddOversight(new Oversight("to-readers", "f-2716", new Subject.OfGroup("g-team-x6"), new Period(null, today.plus(Duration.ofDays(32))), "Statements are read by four eyes"))));
  }

  private void smallChanges() {
    for (int i = 0; i < 26; i++) {
      int day = 560 - i * 20;
      String helper = joined.get((i * 13 + 5) % thereSince(day));
      // Some help out for a month, some of it is over, and some has just begun.
      String id = "f-" + (2_701 + i * 5 % Math.min(SHIPS.size(), Math.max(1, (640 - day) / 34)));
      at(day, i % 2 == 0 ? TEODOR : WENNA, List.of("Cover while a colleague is away.", "Helps with the cargo for a month.", "Reads along, to learn the trade.").get(i % 3), List.of(
          new AccessChange.AddGrant(new Grant("ts-" + i, id, new Subject.OfPerson(helper), i % 3 == 1 ? "r-preparer" : "r-reader", Set.of(),
              new Period(ago(day), ago(day).plus(Duration.ofDays(30 + i % 4 * 15L))), null))));
    }
    give(470, TEODOR, "The translators file what they translate.", "lib-out", "g-team-x3", "r-filer");
    give(352, WENNA, "Weather and tides look after the charts.", "lib-charts", "g-team-x9", "r-curator");
    at(351, WENNA, "A folder of our own for the storms of the year.", List.of(folder("ch-storms", "lib-charts", "Storms")));
    at(350, WENNA, "It is called Storm reports: that is what stands in it.", List.of(new PlaceChange.RenamePlace("ch-storms", "Storm reports")));
    at(215, TEODOR, "The handbook has a part for newcomers.", List.of(folder("hand-new", "lib-hand", "For newcomers"),
        document("hand-new", "Your first week.pdf", "policy", 215), document("hand-new", "Whom to ask.pdf", "policy", 215)));
  }

  private Change folder(String id, String parent, String name) {
    return new PlaceChange.AddPlace(Place.plain(id, PlaceKind.FOLDER, parent, name, false, Map.of(), null, null, null));
  }

  private Change document(String parent, String name, String type, int daysAgo) {
    String day = ago(Math.max(1, daysAgo)).atZone(ZoneOffset.UTC).toLocalDate().toString();
    Map<String, String> fields = type == null ? Map.of() : switch (type) {
      case "survey" -> Map.of("date", day);
      case "valuation" -> Map.of("currency", List.of("EUR", "NOK", "GBP").get(random.nextInt(3)), "amount", (40 + random.nextInt(9_000)) * 100 + " EUR");
      case "fee" -> Map.of("amount", 180 + random.nextInt(9_000) + ".50 EUR");
      case "certificate" -> Map.of("expires", ago(daysAgo).plus(Duration.ofDays(365L * 3)).atZone(ZoneOffset.UTC).toLocalDate().toString());
      default -> Map.<String, String>of();
    };
    String owner = owners.get(random.nextInt(owners.size()));
    return new PlaceChange.AddPlace(Place.plain("d-" + ++documents, PlaceKind.DOCUMENT, parent, name, false, fields, type, owner, null));
  }

  private void give(int day, String author, String note, String place, String group, String role) {
    at(day, author, note, List.of(grant(place, new Subject.OfGroup(group), role)));
  }

  private Change grant(String place, Subject subject, String role) {
    return new AccessChange.AddGrant(new Grant("te-" + ++entries, place, subject, role, Set.of(), Period.ALWAYS, null));
  }

  private static Change join(String group, String person, Period period) {
    return new MembershipChange.AddMember(group, new Membership(new Membership.PersonMember(person), period));
  }

  private Instant ago(int days) {
    return today.minus(Duration.ofDays(days));
  }

  private void at(int daysAgo, String author, String note, List<Change> changes) {
    int day = Math.max(1, Math.min(DAYS, daysAgo));
    all.add(new At(day, author, note, changes));
  }
}
