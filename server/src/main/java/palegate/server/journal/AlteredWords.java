package palegate.server.journal;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
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
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.roles.Role;
import palegate.core.structure.Alteration;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/** The exact content of a thing, field by field in words: two that differ in anything but their id have different words. */
final class AlteredWords {
  private final Names names;
  private final boolean wallReasons;

  /** {@code wallReasons} tells whether the reader may see why walls stand. */
  AlteredWords(Names names, boolean wallReasons) {
    this.names = names;
    this.wallReasons = wallReasons;
  }

  /** What the thing is called in a heading. */
  String title(Alteration altered) {
    Object thing = altered.after() == null ? altered.before() : altered.after();
    if (thing instanceof Entry entry) {
      return names.subject(entry.subject()) + " at " + names.place(entry.place());
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
    if (thing instanceof Alteration.GroupMembership membership) {
      return names.group(membership.group());
    }
    if (thing instanceof Unit unit) {
      return unit.name();
    }
    if (thing instanceof Oversight oversight) {
      return names.subject(oversight.subject()) + " at " + names.place(oversight.place());
    }
    if (thing instanceof Wall wall) {
      return wall.name();
    }
    if (thing instanceof ApprovalRule rule) {
      return rule.name();
    }
    if (thing instanceof DutyAssignment given) {
      return given.duty().word() + " of " + names.subject(given.subject());
    }
    String shared = SharingWords.title(names, thing);
    return shared != null ? shared : thing instanceof Role role ? role.name() : ((DocumentType) thing).name();
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
      put(fields, "unit", person.unit() == null ? null : names.unit(person.unit()));
    } else if (thing instanceof Group group) {
      fields.put("name", group.name());
      put(fields, "description", group.description());
    } else if (thing instanceof Alteration.GroupMembership held) {
      String id = held.membership().member().id();
      fields.put("group", names.group(held.group()));
      fields.put("member", held.membership().member() instanceof Membership.PersonMember ? names.person(id) : names.group(id) + " (a group)");
      period(fields, held.membership().period());
    } else if (thing instanceof Unit unit) {
      fields.put("name", unit.name());
      put(fields, "below", unit.parent() == null ? null : names.unit(unit.parent()));
    } else if (thing instanceof Role role) {
      fields.put("name", role.name());
      fields.put("rights", role.rights().toString());
    } else if (thing instanceof Oversight oversight) {
      fields.put("place", names.place(oversight.place()));
      fields.put("overseer", names.subject(oversight.subject()));
      period(fields, oversight.period());
      put(fields, "note", oversight.note());
    } else if (thing instanceof ApprovalRule rule) {
      approval(fields, rule);
    } else if (thing instanceof DutyAssignment given) {
      fields.put("duty", given.duty().word());
      fields.put("holder", names.subject(given.subject()));
      put(fields, "place and below", given.place() == null ? null : names.place(given.place()));
      put(fields, "unit and below", given.unit() == null ? null : names.unit(given.unit()));
      put(fields, "gives at most", given.ceiling() == null ? null : names.role(given.ceiling()));
      period(fields, given.period());
    } else if (thing instanceof Wall wall) {
      new WallWords(names, wallReasons).fields(fields, wall);
    } else if (SharingWords.fields(names, fields, thing)) {
      return fields;
    } else if (thing instanceof DocumentType type) {
      fields.put("name", type.name());
      fields.put("guarded", type.guarded() ? "yes" : "no");
      put(fields, "cleared", type.clearances().isEmpty() ? null : type.clearances().stream()
          .map(clearance -> names.subject(clearance.subject()) + " as " + names.role(clearance.role())
              + WallWords.dates(clearance.period())).collect(Collectors.joining(", ")));
      put(fields, "short name", type.shortName());
      put(fields, "only in", names.all(type.libraries(), names::place));
      int position = 0;
      for (DocumentType.Field field : type.fields()) {
        position++;
        fields.put("field " + field.key(), position + ". " + field(field));
      }
    }
    return fields;
  }

  private static String field(DocumentType.Field field) {
    List<String> words = new ArrayList<>(List.of("\u201c" + field.label() + "\u201d", field.kind().word()));
    if (!field.choices().isEmpty()) {
      words.add("choices " + field.choices().stream().map(choice -> "\u201c" + choice + "\u201d").collect(Collectors.joining(", ")));
    }
    if (field.required()) {
      words.add("required");
    }
    if (field.width() != null) {
      words.add("width " + field.width());
    }
    if (field.hidden()) {
      words.add("not in lists");
    }
    if (field.help() != null) {
      words.add("help \u201c" + field.help() + "\u201d");
    }
    return String.join(", ", words);
  }

  private void approval(Map<String, String> fields, ApprovalRule rule) {
    fields.put("name", rule.name());
    put(fields, "kinds of changes", rule.when().kinds().isEmpty() ? null : String.join(", ", rule.when().kinds().stream().sorted().toList()));
    put(fields, "duties taken", rule.when().duties().isEmpty() ? null : rule.when().duties().stream().sorted().map(Duty::word).collect(Collectors.joining(", ")));
    put(fields, "outsiders gain", rule.when().outsidersGain() ? "yes" : null);
    put(fields, "rights change in", names.all(rule.when().places(), names::place));
    fields.put("approved by", "somebody with the duty " + rule.duty().word());
  }

  private void entry(Map<String, String> fields, Entry entry) {
    fields.put("place", names.place(entry.place()));
    fields.put(entry instanceof Grant ? "to" : "withheld from", names.subject(entry.subject()));
    if (entry instanceof Grant grant) {
      fields.put("role", names.role(grant.role()));
      put(fields, "shared by", grant.sharedBy() == null ? null : names.person(grant.sharedBy()));
      put(fields, "through the pass", grant.pass());
    } else {
      fields.put("withholds", ((Withholding) entry).rights().toString());
    }
    put(fields, "narrowed to", names.all(entry.types(), names::type));
    period(fields, entry.period());
    put(fields, "note", entry.note());
  }

  private void place(Map<String, String> fields, Place place) {
    fields.put("name", place.name());
    fields.put("kind", place.kind().word());
    put(fields, "below", place.parent() == null ? null : names.place(place.parent()));
    fields.put("access", place.standsAlone() ? "stands alone" : "follows");
    put(fields, "type", place.type() == null ? null : names.type(place.type()));
    put(fields, "owner", place.owner() == null ? null : names.person(place.owner()));
    put(fields, "ceiling", place.guards().ceiling() == null ? null : names.role(place.guards().ceiling()));
    put(fields, "sharing", place.guards().reserveSharing() ? "reserved to those who govern" : null);
    put(fields, "taking away", place.guards().noTakeaway() ? "only for those who revise" : null);
    put(fields, "private", place.conditions().isPrivate() ? "yes" : null);
    put(fields, "frozen", place.conditions().frozen() ? "yes" : null);
    put(fields, "checked out at", text(place.conditions().checkedOutAt()));
    put(fields, "checked out by", place.conditions().checkedOutBy() == null ? null
        : names.person(place.conditions().checkedOutBy()));
    put(fields, "shows", place.target() == null ? null : names.place(place.target()));
    new TreeMap<>(place.labels()).forEach((key, value) -> fields.put("label " + key, value));
  }

  static void period(Map<String, String> fields, Period period) {
    put(fields, "from", text(period.from()));
    put(fields, "until", text(period.until()));
  }

  private static String text(Instant instant) {
    return instant == null ? null : instant.toString();
  }

  static void put(Map<String, String> fields, String key, String value) {
    if (value != null) {
      fields.put(key, value);
    }
  }
}
