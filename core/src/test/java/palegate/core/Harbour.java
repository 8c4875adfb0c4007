package palegate.core;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;

/**
 * A small structure for tests: Mia is a trainee and so, until July, an adjuster; Ola keeps; Per is
 * an outsider; Una has left. Casualties holds case C-1 with a valuation, and case C-2 stands alone.
 */
public final class Harbour {
  public static final Instant NOW = Instant.parse("2026-05-01T00:00:00Z");
  public static final Instant JULY = Instant.parse("2026-07-01T00:00:00Z");

  private Harbour() {}

  public static Structure structure() {
    return Structure.of(
        List.of(new Unit("u-all", "Company", null), new Unit("u-cas", "Casualty", "u-all")),
        List.of(person("mia", false, true, "u-cas"), person("ola", false, true, "u-all"),
            person("per", true, true, null), person("una", false, false, "u-cas")),
        List.of(
            new Group("trainees", "Trainees", null, List.of(member("mia"))),
            new Group("adjusters", "Adjusters", null, List.of(
                new Membership(new Membership.GroupMember("trainees"), new Period(null, JULY)), member("una"))),
            new Group("divers", "Divers", null, List.of())),
        List.of(new Role("reader", "Reader", Rights.parse(List.of("copy"))),
            new Role("preparer", "Preparer", Rights.parse(List.of("copy", "add", "describe", "revise"))),
            new Role("keeper", "Keeper", Rights.ALL)),
        List.of(DocumentType.open("valuation", "Valuation", List.of()), DocumentType.open("letter", "Letter", List.of())),
        List.of(
            place("root", PlaceKind.REPOSITORY, null, false, null),
            place("cas", PlaceKind.LIBRARY, "root", false, null),
            place("c1", PlaceKind.FOLDER, "cas", false, null),
            place("val1", PlaceKind.DOCUMENT, "c1", false, "valuation"),
            place("c2", PlaceKind.FOLDER, "cas", true, null),
            place("let2", PlaceKind.DOCUMENT, "c2", false, "letter")),
        List.of(
            grant("e-keep", "root", new Subject.OfPerson("ola"), "keeper"),
            grant("e-adj", "cas", new Subject.OfGroup("adjusters"), "preparer"),
            grant("e-c2", "c2", new Subject.OfUnit("u-all"), "reader")),
        List.of(new Withholding("w-val", "c1", new Subject.OfGroup("trainees"), Rights.parse(List.of("copy")),
            Set.of("valuation"), Period.ALWAYS, null)));
  }

  public static Snapshot snapshot() {
    return Snapshot.of(structure());
  }

  public static Grant grant(String id, String place, Subject subject, String role) {
    return new Grant(id, place, subject, role, Set.of(), Period.ALWAYS, null);
  }

  private static Person person(String id, boolean external, boolean active, String unit) {
    return new Person(id, id.substring(0, 1).toUpperCase(Locale.ROOT) + id.substring(1), id, null, external, active, unit);
  }

  private static Membership member(String person) {
    return new Membership(new Membership.PersonMember(person), Period.ALWAYS);
  }

  private static Place place(String id, PlaceKind kind, String parent, boolean standsAlone, String type) {
    return Place.plain(id, kind, parent, id.toUpperCase(Locale.ROOT), standsAlone, Map.of(), type, null, null);
  }
}
