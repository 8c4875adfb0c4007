package palegate.demo;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.function.UnaryOperator;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.types.DocumentType;
import palegate.core.types.DocumentType.Field;
import palegate.core.types.DocumentType.Kind;

/** What there is to keep: document types, and the tree of libraries, folders, documents and links. */
final class Papers {
  private static final List<String> SHIPS = List.of("Brannock Star", "Lady Ottoline", "Grey Pilgrim", "Marigold Bay",
      "Tern Rock", "Halcyon Reach", "Ebb Warden", "Saint Orrin", "Wide Meridian", "Kittiwake", "Cold Harbour Maid", "Osprey Light");

  private final Random random;
  private final List<Person> people;
  final List<DocumentType> types = new ArrayList<>();
  final Map<String, Place> places = new LinkedHashMap<>();
  private int documents;

  Papers(Random random, List<Person> people) {
    this.random = random;
    this.people = people.stream().filter(Person::staff).filter(Person::active).toList();
    makeTypes();
    container("root", PlaceKind.REPOSITORY, null, "Sallowpoint repository");
    makeCasualties();
    makeVessels();
    makeOffice();
  }

  /** Marks a place as standing alone. */
  void breakAt(String id) {
    places.computeIfPresent(id, (any, place) -> place.broken());
  }

  /** Replaces a place by a changed copy of it. */
  void change(String id, UnaryOperator<Place> how) {
    places.computeIfPresent(id, (any, place) -> how.apply(place));
  }

  private void makeTypes() {
    type("survey", "Survey report", new Field("date", "Surveyed on", Kind.DATE, List.of(), true));
    type("salvage", "Salvage agreement");
    type("manifest", "Cargo manifest");
    type("valuation", "Valuation", new Field("currency", "Currency", Kind.CHOICE, List.of("EUR", "NOK", "GBP"), true),
        new Field("amount", "Amount", Kind.MONEY, List.of(), false));
    type("statement", "Adjustment statement");
    type("fee", "Fee note", new Field("amount", "Amount", Kind.MONEY, List.of(), true));
    type("photos", "Photo log");
    type("dive", "Diver's log");
    type("certificate", "Certificate", new Field("expires", "Expires on", Kind.DATE, List.of(), true));
    type("contract", "Contract");
    type("personnel", "Personnel record", new Field("person", "Person", Kind.PERSON, List.of(), true));
    type("appraisal", "Appraisal");
    type("minute", "Board minute");
    type("policy", "Policy");
    type("tender", "Tender");
    type("letter", "Letter");
  }

  private void makeCasualties() {
    container("lib-cas", PlaceKind.LIBRARY, "root", "Casualties");
    for (String name : Company.CASES) {
      String number = Company.caseNumber(name);
      String id = "f-" + number;
      // One case was filed under a wrong number, and everything that hangs on the label misses it.
      Map<String, String> labels = Map.of("case", number.equals("2417") ? "C-2471" : "C-" + number);
      places.put(id, Place.plain(id, PlaceKind.FOLDER, "lib-cas", name, false, labels, null, null, null));
      section(id, "survey", "Survey", "Survey report", "survey", 16);
      section(id, "corr", "Correspondence", "Letter", "letter", 27);
      section(id, "val", "Valuation", "Valuation", "valuation", 4);
      section(id, "stat", "Statement", "Statement of adjustment", "statement", 3);
      section(id, "fees", "Fees", "Fee note", "fee", 12);
      folder("f-" + number + "-survey-photos", "f-" + number + "-survey", "Photographs");
      papers("f-" + number + "-survey-photos", "Photo log", "photos", 4);
      papers("f-" + number + "-survey", "Diver's log", "dive", 2);
      papers(id, "Cargo manifest", "manifest", 2);
      papers(id, "Salvage agreement", "salvage", 1);
    }
  }

  private void makeVessels() {
    container("lib-ves", PlaceKind.LIBRARY, "root", "Vessels");
    for (String ship : SHIPS) {
      String id = "v-" + ship.toLowerCase(Locale.ROOT).replace(' ', '-');
      folder(id, "lib-ves", ship);
      folder(id + "-cert", id, "Certificates");
      papers(id + "-cert", "Certificate of class", "certificate", 6);
      papers(id + "-cert", "Load line certificate", "certificate", 4);
      folder(id + "-plans", id, "Plans");
      papers(id + "-plans", "General arrangement", null, 5);
    }
  }

  private void makeOffice() {
    container("lib-charts", PlaceKind.LIBRARY, "root", "Charts & tides");
    for (String water : List.of("Sallow Sound", "Grent Approaches", "Marrow Roads", "Outer Banks")) {
      String id = "ch-" + water.toLowerCase(Locale.ROOT).replace(' ', '-');
      folder(id, "lib-charts", water);
      papers(id, "Tide table", null, 14);
    }
    container("lib-hand", PlaceKind.LIBRARY, "root", "Staff handbook");
    section("lib-hand", "pol", "Policies", "Policy", "policy", 16);
    section("lib-hand", "how", "How we work", "Note", null, 12);
    container("lib-people", PlaceKind.LIBRARY, "root", "People files");
    section("lib-people", "records", "Records", "Personnel record", "personnel", 44);
    section("lib-people", "appr", "Appraisals", "Appraisal", "appraisal", 30);
    container("lib-acc", PlaceKind.LIBRARY, "root", "Accounts");
    for (String year : List.of("2024", "2025", "2026")) {
      section("lib-acc", year, "Year " + year, "Fee note " + year, "fee", 40);
      section("lib-acc-" + year, "contracts", "Contracts", "Contract", "contract", 8);
    }
    container("lib-board", PlaceKind.LIBRARY, "root", "Board papers");
    section("lib-board", "min", "Minutes", "Minutes", "minute", 24);
    container("lib-ten", PlaceKind.LIBRARY, "root", "Tenders");
    for (String tender : List.of("Northern salvage pool", "Marrow pilotage", "Harbour dredging")) {
      section("lib-ten", tender.substring(0, 4).toLowerCase(Locale.ROOT), tender, "Tender", "tender", 9);
    }
    container("lib-out", PlaceKind.LIBRARY, "root", "Shared with outsiders");
    for (int i = 0; i < Company.FIRMS.size(); i++) {
      folder("out-" + i, "lib-out", Company.FIRMS.get(i));
      papers("out-" + i, "Letter", "letter", 8);
    }
    places.put("l-hand", Place.plain("l-hand", PlaceKind.LINK, "lib-cas", "Staff handbook", false, Map.of(), null, null, "lib-hand"));
    places.put("l-charts", Place.plain("l-charts", PlaceKind.LINK, "lib-ves", "Charts & tides", false, Map.of(), null, null, "lib-charts"));
  }

  private void section(String parent, String key, String name, String papers, String type, int count) {
    String id = parent + "-" + key;
    folder(id, parent, name);
    papers(id, papers, type, count);
  }

  private void papers(String parent, String name, String type, int count) {
    for (int i = 1; i <= count; i++) {
      String id = "d-" + (10_000 + ++documents);
      places.put(id, Place.plain(id, PlaceKind.DOCUMENT, parent, name + " %02d.pdf".formatted(i), false, Map.of(), type,
          people.get(random.nextInt(people.size())).id(), null));
    }
  }

  private void folder(String id, String parent, String name) {
    container(id, PlaceKind.FOLDER, parent, name);
  }

  private void container(String id, PlaceKind kind, String parent, String name) {
    places.put(id, Place.plain(id, kind, parent, name, false, Map.of(), null, null, null));
  }

  private void type(String id, String name, Field... fields) {
    types.add(new DocumentType(id, name, Guarding.CLEARANCES.containsKey(id), List.of(fields),
        Guarding.CLEARANCES.getOrDefault(id, List.of())));
  }
}
