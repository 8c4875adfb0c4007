package palegate.server.journal;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.approvals.ApprovalRule;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.roles.Role;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;
import palegate.server.store.StructureStore;

/** The exact content of a thing, field by field in words; names come from the structure given. */
final class AlteredWords {
  private final Structure structure;
  private final boolean wallReasons;

  /** {@code wallReasons} tells whether the reader may see why walls stand. */
  AlteredWords(Structure structure, boolean wallReasons) {
    this.structure = structure;
    this.wallReasons = wallReasons;
  }

  /** What the thing is called in a heading. */
  String title(StructureStore.Altered altered) {
    Object thing = altered.after() == null ? altered.before() : altered.after();
    if (thing instanceof Entry entry) {
      return SubjectNames.of(entry.subject(), structure) + " at " + place(entry.place());
    }
    if (thing instanceof Place place) {
      return place.name();
    }
    if (thing instanceof Person person) {
      return person.name();
    }
    if (thing instanceof Group group) {
      return group.name();
    }
    if (thing instanceof StructureStore.GroupMembership membership) {
      return group(membership.group());
    }
    if (thing instanceof Unit unit) {
      return unit.name();
    }
    if (thing instanceof Oversight oversight) {
      return SubjectNames.of(oversight.subject(), structure) + " at " + place(oversight.place());
    }
    if (thing instanceof Wall wall) {
      return wall.name();
    }
    if (thing instanceof ApprovalRule rule) {
      return rule.name();
    }
    if (thing instanceof DutyAssignment given) {
      return given.duty().word() + " of " + SubjectNames.of(given.subject(), structure);
    }
    return thing instanceof Role role ? role.name() : ((DocumentType) thing).name();
  }

  Map<String, String> fields(Object thing) {
    Map<String, String> fields = new LinkedHashMap<>();
    if (thing instanceof Entry entry) {
      entry(fields, entry);
    } else if (thing instanceof Place place) {
      place(fields, place);
    } else if (thing instanceof Person person) {
      fields.put("name", person.name());
      put(fields, "login", person.login());
      put(fields, "e-mail", person.email());
      fields.put("standing", person.external() ? "outsider" : "staff");
      fields.put("active", person.active() ? "yes" : "no");
      put(fields, "unit", person.unit() == null ? null : SubjectNames.of(new Subject.OfUnit(person.unit()), structure));
    } else if (thing instanceof Group group) {
      fields.put("name", group.name());
      put(fields, "description", group.description());
    } else if (thing instanceof StructureStore.GroupMembership held) {
      String id = held.membership().member().id();
      fields.put("member", SubjectNames.of(Subject.of(
          held.membership().member() instanceof Membership.PersonMember ? "person" : "group", id), structure));
      period(fields, held.membership().period());
    } else if (thing instanceof Unit unit) {
      fields.put("name", unit.name());
      put(fields, "below", unit.parent());
    } else if (thing instanceof Role role) {
      fields.put("name", role.name());
      fields.put("rights", role.rights().toString());
    } else if (thing instanceof Oversight oversight) {
      fields.put("place", place(oversight.place()));
      fields.put("overseer", SubjectNames.of(oversight.subject(), structure));
      period(fields, oversight.period());
      put(fields, "note", oversight.note());
    } else if (thing instanceof ApprovalRule rule) {
      approval(fields, rule);
    } else if (thing instanceof DutyAssignment given) {
      fields.put("duty", given.duty().word());
      fields.put("holder", SubjectNames.of(given.subject(), structure));
      put(fields, "place and below", given.place() == null ? null : place(given.place()));
      put(fields, "unit and below", given.unit() == null ? null : SubjectNames.of(new Subject.OfUnit(given.unit()), structure));
      put(fields, "gives at most", given.ceiling() == null ? null : role(given.ceiling()));
      period(fields, given.period());
    } else if (thing instanceof Wall wall) {
      new WallWords(structure, wallReasons).fields(fields, wall);
    } else if (thing instanceof DocumentType type) {
      fields.put("name", type.name());
      fields.put("guarded", type.guarded() ? "yes" : "no");
      put(fields, "cleared", type.clearances().isEmpty() ? null : type.clearances().stream()
          .map(clearance -> SubjectNames.of(clearance.subject(), structure) + " as " + role(clearance.role())
              + WallWords.dates(clearance.period())).collect(Collectors.joining(", ")));
      fields.put("fields", type.fields().stream().map(field -> field.label() + " (" + field.kind().word() + ")").collect(Collectors.joining(", ")));
    }
    return fields;
  }

  private void approval(Map<String, String> fields, ApprovalRule rule) {
    fields.put("name", rule.name());
    put(fields, "kinds of changes", rule.when().kinds().isEmpty() ? null : String.join(", ", rule.when().kinds().stream().sorted().toList()));
    put(fields, "duties taken", rule.when().duties().isEmpty() ? null : rule.when().duties().stream().sorted().map(Duty::word).collect(Collectors.joining(", ")));
    put(fields, "outsiders gain", rule.when().outsidersGain() ? "yes" : null);
    put(fields, "rights change in", rule.when().places().isEmpty() ? null : rule.when().places().stream().sorted().map(this::place).collect(Collectors.joining(", ")));
    fields.put("approved by", "somebody with the duty " + rule.duty().word());
  }

  private void entry(Map<String, String> fields, Entry entry) {
    fields.put("place", place(entry.place()));
    fields.put(entry instanceof Grant ? "to" : "from", SubjectNames.of(entry.subject(), structure));
    if (entry instanceof Grant grant) {
      fields.put("role", role(grant.role()));
    } else {
      fields.put("withholds", ((Withholding) entry).rights().toString());
    }
    put(fields, "narrowed to", entry.types().isEmpty() ? null : entry.types().stream().sorted()
        .map(type -> structure.types().containsKey(type) ? structure.types().get(type).name() : type).collect(Collectors.joining(", ")));
    period(fields, entry.period());
    put(fields, "note", entry.note());
  }

  private void place(Map<String, String> fields, Place place) {
    fields.put("name", place.name());
    fields.put("kind", place.kind().word());
    put(fields, "below", place.parent() == null ? null : place(place.parent()));
    fields.put("access", place.standsAlone() ? "stands alone" : "follows");
    put(fields, "type", place.type() == null ? null : structure.types().containsKey(place.type()) ? structure.types().get(place.type()).name() : place.type());
    put(fields, "owner", place.owner() == null ? null : SubjectNames.of(new Subject.OfPerson(place.owner()), structure));
    put(fields, "ceiling", place.guards().ceiling() == null ? null : role(place.guards().ceiling()));
    put(fields, "sharing", place.guards().reserveSharing() ? "reserved to those who govern" : null);
    put(fields, "taking away", place.guards().noTakeaway() ? "only for those who revise" : null);
    put(fields, "private", place.conditions().isPrivate() ? "yes" : null);
    put(fields, "frozen", place.conditions().frozen() ? "yes" : null);
    put(fields, "checked out by", place.conditions().checkedOutBy() == null ? null
        : SubjectNames.of(new Subject.OfPerson(place.conditions().checkedOutBy()), structure));
    put(fields, "shows", place.target() == null ? null : place(place.target()));
    new TreeMap<>(place.labels()).forEach((key, value) -> fields.put("label " + key, value));
  }

  private String role(String id) {
    return structure.roles().containsKey(id) ? structure.roles().get(id).name() : id;
  }

  private String place(String id) {
    return structure.places().containsKey(id) ? structure.places().get(id).name() : id;
  }

  private String group(String id) {
    return SubjectNames.of(new Subject.OfGroup(id), structure);
  }

  private static void period(Map<String, String> fields, Period period) {
    put(fields, "from", text(period.from()));
    put(fields, "until", text(period.until()));
  }

  private static String text(Instant instant) {
    return instant == null ? null : instant.toString();
  }

  private static void put(Map<String, String> fields, String key, String value) {
    if (value != null) {
      fields.put(key, value);
    }
  }
}
