package palegate.core.random;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import palegate.core.access.Grant;
import palegate.core.approvals.ApprovalRule;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
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

/** One thing after another that a structure has beside its places and entries, altered at random: people, units, roles, types, duties and rules. */
public final class RandomRules {
  /** So many kinds of alterations there are. */
  public static final int KINDS = 14;

  private final Structure structure;
  private final RandomParts parts;
  private final Random random;
  private final String fresh;

  private RandomRules(Structure structure, long seed) {
    this.structure = structure;
    parts = RandomParts.of(structure, seed);
    random = new Random(seed);
    fresh = "-" + Long.toHexString(seed);
  }

  /** The structure with one thing of a kind altered, if it has what that takes. */
  public static Structure altered(Structure structure, int kind, long seed) {
    boolean empty = structure.people().isEmpty() || structure.places().isEmpty() || structure.roles().isEmpty();
    return empty ? structure : new RandomRules(structure, seed).altered(kind);
  }

  private Structure altered(int kind) {
    return switch (kind) {
      case 0 -> structure.withRoles(parts.structure().roles().values().stream().skip(random.nextInt(structure.roles().size())).limit(1)
          .map(role -> Map.of(role.id(), new Role(role.id(), role.name() + fresh, parts.chance(50) ? role.rights() : parts.rights().close()))).findFirst().orElse(Map.of()));
      case 1 -> structure.withRoles(Map.of("role" + fresh, new Role("role" + fresh, "Role", Rights.ofMask(1))));
      case 2 -> parts.type().map(structure.types()::get).map(type -> structure.withTypes(Map.of(type.id(), otherType(type)))).orElse(structure);
      case 3 -> structure.withTypes(Map.of("type" + fresh, new DocumentType("type" + fresh, "Type", null, parts.chance(30), libraries(), List.of(), parts.chance(30) ? List.of(clearance()) : List.of())));
      case 4 -> parts.unit().map(structure.units()::get).map(unit -> structure.withUnits(Map.of(unit.id(), new Unit(unit.id(), unit.name() + fresh, unit.parent())))).orElse(structure);
      case 5 -> structure.withUnits(Map.of("unit" + fresh, new Unit("unit" + fresh, "Unit", parts.chance(50) ? null : parts.unit().orElse(null))));
      case 6 -> parts.person().map(structure.people()::get).map(one -> structure.withPeople(Map.of(one.id(), new Person(one.id(), one.name() + fresh, one.login(), one.email(), parts.chance(20) != one.external(), one.active(),
          parts.chance(60) ? one.unit() : parts.unit().orElse(null))))).orElse(structure);
      case 7 -> structure.withPeople(Map.of("person" + fresh, new Person("person" + fresh, "Newcomer", null, null, parts.chance(30), true, parts.chance(40) ? null : parts.unit().orElse(null))));
      case 8 -> structure.withDuties(Map.of("duty" + fresh, new DutyAssignment("duty" + fresh, subject(), Duty.ACCESS, parts.place(), null, null, Period.ALWAYS)));
      case 9 -> {
        String id = "rule-" + random.nextInt(3);
        yield structure.withApprovals(Map.of(id, new ApprovalRule(id, "Rule", parts.chance(30) ? ApprovalRule.When.duty(Duty.WALLS) : ApprovalRule.When.places(parts.place()), Duty.ACCESS)));
      }
      case 10 -> {
        String place = parts.place();
        Map<String, SharingRule> rules = new HashMap<>();
        rules.put(place, structure.sharing().containsKey(place) ? null : new SharingRule(place, SharingRule.Who.KEEPERS, parts.chance(50), null, null));
        yield structure.withSharing(rules);
      }
      case 11 -> pass();
      case 12 -> parts.unit().map(unit -> structure.withShortlists(Map.of(unit, new Shortlist(unit, List.of(new Shortlist.Audience(parts.group().<Subject>map(Subject.OfGroup::new).orElse(Subject.BuiltIn.STAFF), "Those", null)))))).orElse(structure);
      default -> {
        String id = "apart-" + random.nextInt(2);
        Set<String> types = new HashSet<>();
        parts.type().filter(any -> parts.chance(60)).ifPresent(types::add);
        yield structure.withSeparations(Map.of(id, new Separation(id, "Apart", null, false, Separation.Within.ANYWHERE, List.of(new Separation.Side(Set.of(parts.role()), Rights.NONE, Set.of(), Set.of(), types),
            new Separation.Side(Set.of(), Rights.ofMask(4), parts.group().map(Set::of).orElse(Set.of()), Set.of(), Set.of())))));
      }
    };
  }

  private DocumentType otherType(DocumentType type) {
    List<Clearance> clearances = parts.chance(70) ? type.clearances() : List.of(clearance());
    return new DocumentType(type.id(), type.name() + fresh, type.shortName(), parts.chance(15) != type.guarded(), parts.chance(70) ? type.libraries() : libraries(), type.fields(), clearances);
  }

  private Clearance clearance() {
    return new Clearance(subject(), parts.role(), parts.clearance().period());
  }

  /** Somebody who is there, whatever has gone before. */
  private Subject subject() {
    Optional<Subject> group = parts.group().map(Subject.OfGroup::new);
    Optional<Subject> unit = parts.unit().map(Subject.OfUnit::new);
    Subject person = new Subject.OfPerson(parts.person().orElseThrow());
    return switch (random.nextInt(4)) {
      case 0 -> group.orElse(person);
      case 1 -> unit.orElse(person);
      case 2 -> Subject.BuiltIn.STAFF;
      default -> person;
    };
  }

  private Set<String> libraries() {
    return parts.chance(50) ? Set.of() : parts.place(place -> place.kind() == PlaceKind.LIBRARY).map(Set::of).orElse(Set.of());
  }

  /** A pass, and what somebody has through it. */
  private Structure pass() {
    Optional<String> maker = parts.person();
    String place = parts.place();
    Pass made = new Pass("pass" + fresh, place, parts.role(), List.of(Subject.BuiltIn.STAFF), maker.orElseThrow(), Period.ALWAYS, null, null);
    Structure with = structure.withPasses(Map.of(made.id(), made));
    return parts.chance(50) ? with
        : with.withGrants(Map.of("through" + fresh, new Grant("through" + fresh, place, new Subject.OfPerson(parts.person().orElseThrow()), made.role(), Set.of(), Period.ALWAYS, null, maker.orElseThrow(), made.id())));
  }
}
