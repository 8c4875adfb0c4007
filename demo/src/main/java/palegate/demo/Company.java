package palegate.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Unit;

/** Who works at Sallowpoint Adjusting and with it: units, people and groups. */
final class Company {
  static final List<String> CASES = List.of(
      "C-2406 Brannock Star", "C-2411 Lady Ottoline", "C-2417 Grey Pilgrim", "C-2423 Marigold Bay", "C-2502 Tern Rock",
      "C-2508 Halcyon Reach", "C-2513 Ebb Warden", "C-2519 Saint Orrin", "C-2604 Wide Meridian", "C-2607 Kittiwake");
  static final List<String> FIRMS = List.of("Corran Divers", "Northlight Class", "Hale & Pryor Counsel", "Tarn Audit");

  private final Random random;
  private final Instant today;
  private final Names names;
  final List<Unit> units = new ArrayList<>();
  final List<Person> people = new ArrayList<>();
  final Map<String, List<Membership>> members = new LinkedHashMap<>();
  private final Map<String, String> titles = new LinkedHashMap<>();
  private final Map<String, String> descriptions = new LinkedHashMap<>();

  Company(Random random, Instant today) {
    this.random = random;
    this.today = today;
    names = new Names(random);
    makeUnits();
    makePeople();
    name("p-106", "Ferris Oake");
    name("p-113", "Linnet Sayle");
    makeTrades();
    makeTeams();
    plantTrouble();
  }

  List<Group> groups() {
    return titles.entrySet().stream()
        .map(group -> new Group(group.getKey(), group.getValue(), descriptions.get(group.getKey()), members.get(group.getKey())))
        .toList();
  }

  private void makeUnits() {
    unit("u-sal", "Sallowpoint Adjusting", null);
    for (String office : List.of("Sallowpoint", "Grent Harbour", "Isle Marrow")) {
      unit("u-" + key(office), office + " office", "u-sal");
      unit("u-" + key(office) + "-adj", office + " adjusting", "u-" + key(office));
    }
    unit("u-fin", "Accounts department", "u-sallowpoint");
    unit("u-per", "Personnel department", "u-sallowpoint");
    unit("u-man", "Management", "u-sallowpoint");
  }

  private void makePeople() {
    person("p-wenna", "Wenna Carrow", false, "u-man");
    person("p-teodor", "Teodor Brask", false, "u-man");
    person("p-oriel", "Oriel Fenn", false, "u-fin");
    person("p-mia", "Mia Torrance", false, "u-sallowpoint-adj");
    person("p-ola", "Ola Lindqvist", false, "u-grent-harbour-adj");
    person("p-hesper", "Hesper Vance", false, "u-per");
    List<String> desks = List.of("u-sallowpoint-adj", "u-sallowpoint-adj", "u-grent-harbour-adj", "u-isle-marrow-adj", "u-fin", "u-per", "u-man");
    for (int i = people.size(); i < 46; i++) {
      person("p-" + (100 + i), names.next(), false, desks.get(i % desks.size()));
    }
    for (int i = 0; i < 14; i++) {
      person("p-x" + (10 + i), names.next(), true, null);
    }
    // Somebody always has left, and their papers have not been tidied.
    Person leaver = people.get(30);
    people.set(30, new Person(leaver.id(), leaver.name(), leaver.login(), leaver.email(), false, false, leaver.unit()));
  }

  private void makeTrades() {
    group("g-keepers", "Repository keepers", "Look after the whole repository.", "p-wenna", "p-teodor");
    group("g-management", "Management", "Partners and heads of office.", inUnit("u-man"));
    group("g-accounts", "Accounts", "Fees, invoices and the ledger.", inUnit("u-fin"));
    group("g-personnel", "Personnel", "Contracts, appraisals, leave.", inUnit("u-per"));
    List<String> adjusting = people.stream().filter(person -> person.unit() != null && person.unit().endsWith("-adj")).map(Person::id).toList();
    group("g-trainees", "Trainee adjusters", "In their first two years.", adjusting.get(adjusting.size() - 1), adjusting.get(adjusting.size() - 2), adjusting.get(adjusting.size() - 3));
    group("g-adjusters", "Adjusters", "Prepare the papers of a casualty.", adjusting.subList(0, 14).toArray(String[]::new));
    nest("g-adjusters", "g-trainees", Period.ALWAYS);
    group("g-surveyors", "Surveyors", "Inspect hull and machinery.", adjusting.subList(14, 19).toArray(String[]::new));
    group("g-cargo", "Cargo specialists", "Value and trace the cargo.", adjusting.subList(11, 16).toArray(String[]::new));
    for (String office : List.of("Sallowpoint", "Grent Harbour", "Isle Marrow")) {
      group("g-" + key(office), office + " desk", "Everyone who sits in " + office + ".",
          people.stream().filter(person -> person.unit() != null && person.unit().startsWith("u-" + key(office))).map(Person::id).toArray(String[]::new));
    }
  }

  private void makeTeams() {
    List<String> staff = people.stream().filter(Person::staff).filter(Person::active).map(Person::id).toList();
    for (String name : CASES) {
      group("g-team-" + caseNumber(name), "Team " + name.substring(0, 6), "Works on " + name.substring(7) + ".",
          names.some(staff, 4 + random.nextInt(4)).toArray(String[]::new));
    }
    join("g-team-2406", "p-mia", new Period(null, today.plus(Duration.ofDays(3))));
    join("g-team-2406", "p-ola", Period.ALWAYS);
    List<String> outsiders = people.stream().filter(Person::external).map(Person::id).toList();
    for (int i = 0; i < FIRMS.size(); i++) {
      group("g-firm-" + i, FIRMS.get(i), "An outside firm.", outsiders.subList(i * 3, i * 3 + 3).toArray(String[]::new));
    }
    nest("g-team-2406", "g-firm-0", new Period(today.minus(Duration.ofDays(40)), today.plus(Duration.ofDays(20))));
  }

  private void plantTrouble() {
    // Works for one side of the collision and helps out on the other.
    join("g-team-2411", members.get("g-team-2406").get(0).member().id(), Period.ALWAYS);
    nest("g-surveyors", "g-firm-1", Period.ALWAYS);
    group("g-ice", "Ice desk", "Was planned for the northern season.");
    group("g-liaison", "Salvage liaison", "Set up for a tender that was not won.");
    group("g-cargo-desk", "Cargo desk", "The same people as the cargo specialists.",
        members.get("g-cargo").stream().map(member -> member.member().id()).toArray(String[]::new));
    group("g-marrow-region", "Marrow region", "Isle Marrow and whoever helps out there.");
    nest("g-marrow-region", "g-isle-marrow", Period.ALWAYS);
    join("g-team-2411", "p-teodor", new Period(today.minus(Duration.ofDays(300)), today.minus(Duration.ofDays(90))));
  }

  private void unit(String id, String name, String parent) {
    units.add(new Unit(id, name, parent));
  }

  private void person(String id, String name, boolean external, String unit) {
    String login = login(name);
    String domain = external ? "outside.example" : "sallowpoint.example";
    people.add(new Person(id, name, login, login + "@" + domain, external, true, unit));
  }

  /** Somebody whose name is told, because they sign in to the demo. */
  private void name(String id, String name) {
    people.replaceAll(person -> person.id().equals(id)
        ? new Person(id, name, login(name), login(name) + "@sallowpoint.example", person.external(), person.active(), person.unit()) : person);
  }

  private String login(String name) {
    return names.given(name).toLowerCase(Locale.ROOT).replace(' ', '.');
  }

  private void group(String id, String name, String description, String... people) {
    titles.put(id, name);
    descriptions.put(id, description);
    members.put(id, new ArrayList<>());
    for (String person : people) {
      join(id, person, Period.ALWAYS);
    }
  }

  private void join(String group, String person, Period period) {
    boolean overlaps = members.get(group).stream()
        .anyMatch(member -> member.member().id().equals(person) && member.period().overlaps(period));
    if (!overlaps) {
      members.get(group).add(new Membership(new Membership.PersonMember(person), period));
    }
  }

  private void nest(String outer, String inner, Period period) {
    members.get(outer).add(new Membership(new Membership.GroupMember(inner), period));
  }

  private String[] inUnit(String unit) {
    return people.stream().filter(person -> unit.equals(person.unit())).map(Person::id).toArray(String[]::new);
  }

  static String caseNumber(String name) {
    return name.substring(2, 6);
  }

  private static String key(String office) {
    return office.toLowerCase(Locale.ROOT).replace(' ', '-');
  }
}
