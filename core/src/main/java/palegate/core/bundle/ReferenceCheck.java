package palegate.core.bundle;

import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.stream.Stream;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Period;
import palegate.core.text.WellFormed;
import tools.jackson.databind.JsonNode;

/**
 * What a schema cannot say about people, types, entries and walls: that ids lead somewhere, that
 * dates are in order, that memberships do not overlap. Works on what is well-shaped and leaves the
 * rest to the schema, so that all faults come at once.
 */
final class ReferenceCheck {
  private final JsonNode bundle;
  private final Ids ids;
  private final List<Fault> faults;

  private ReferenceCheck(JsonNode bundle, Ids ids, List<Fault> faults) {
    this.bundle = bundle;
    this.ids = ids;
    this.faults = faults;
  }

  static void check(JsonNode bundle, Ids ids, List<Fault> faults) {
    new ReferenceCheck(bundle, ids, faults).checkAll();
  }

  private void checkAll() {
    each(bundle, "units", "", (unit, at) -> ids.checkReference(unit, "parent", "units", at));
    Map<String, String> logins = new HashMap<>();
    each(bundle, "people", "", (person, at) -> {
      ids.checkReference(person, "unit", "units", at);
      checkLogin(person, at, logins);
    });
    each(bundle, "groups", "", this::checkGroup);
    each(bundle, "types", "", (type, at) -> {
      ids.checkReferences(type, "libraries", "places", at);
      each(type, "clearances", at, (clearance, there) -> {
        ids.checkSubject(clearance, there);
        ids.checkReference(clearance, "role", "roles", there);
        checkPeriod(clearance, there);
      });
    });
    each(bundle, "grants", "", (grant, at) -> {
      ids.checkReference(grant, "role", "roles", at);
      ids.checkReference(grant, "sharedBy", "people", at);
      ids.checkReference(grant, "pass", "passes", at);
      checkEntry(grant, at);
    });
    each(bundle, "withholdings", "", this::checkEntry);
    each(bundle, "oversights", "", this::checkEntry);
    each(bundle, "walls", "", this::checkWall);
    each(bundle, "approvals", "", (rule, at) -> {
      ids.checkReferences(rule.path("when"), "places", "places", at + "/when");
      if (rule.path("when").isObject() && rule.path("when").propertyStream().noneMatch(criterion -> criterion.getValue().isArray() || criterion.getValue().asBoolean(false))) {
        faults.add(new Fault(at + "/when", "The rule does not say when it applies.", "Name kinds of changes, duties or places, or that outsiders gain."));
      }
    });
    each(bundle, "duties", "", this::checkDuty);
    Set<String> saying = new HashSet<>();
    each(bundle, "sharing", "", (rule, at) -> {
      ids.checkReference(rule, "place", "places", at);
      ids.checkReference(rule, "role", "roles", at);
      once(rule, "place", saying, at, "The place [%s] says twice who may share.", "Give each place one rule.");
    });
    each(bundle, "passes", "", this::checkPass);
    Set<String> listed = new HashSet<>();
    each(bundle, "shortlists", "", (list, at) -> {
      ids.checkReference(list, "unit", "units", at);
      once(list, "unit", listed, at, "The unit [%s] has two shortlists.", "Give each unit one.");
      checkAudiences(list, at);
    });
    each(bundle, "separations", "", (separation, at) -> each(separation, "sides", at, (side, there) -> {
      ids.checkReferences(side, "roles", "roles", there);
      ids.checkReferences(side, "groups", "groups", there);
      ids.checkReferences(side, "types", "types", there);
      if (side.isObject() && List.of("roles", "rights", "groups", "duties").stream().noneMatch(side::has)) {
        faults.add(new Fault(there, "A side of the separation names nothing.", "Name roles, rights, groups or duties."));
      }
    }));
    each(bundle, "places", "", (place, at) -> checkInstant(place.path("conditions"), "checkedOutAt", at + "/conditions"));
  }

  private void checkLogin(JsonNode person, String at, Map<String, String> logins) {
    String login = person.path("login").isString() ? person.path("login").asString().strip().toLowerCase(Locale.ROOT) : "";
    String other = login.isEmpty() ? null : logins.putIfAbsent(login, person.path("id").asString(""));
    if (other != null) {
      faults.add(new Fault(at + "/login", "The login [" + person.path("login").asString() + "] is that of [" + other + "] too.", "Give each person a login of their own."));
    }
  }

  private void checkEntry(JsonNode entry, String at) {
    ids.checkReference(entry, "place", "places", at);
    ids.checkSubject(entry, at);
    ids.checkReferences(entry, "types", "types", at);
    checkPeriod(entry, at);
  }

  private void once(JsonNode holder, String key, Set<String> known, String at, String what, String remedy) {
    String id = holder.path(key).isString() ? holder.path(key).asString() : null;
    if (id != null && !known.add(id)) {
      faults.add(new Fault(at + "/" + key, what.formatted(id), remedy));
    }
  }

  private void checkPass(JsonNode pass, String at) {
    ids.checkReference(pass, "place", "places", at);
    ids.checkReference(pass, "role", "roles", at);
    ids.checkReference(pass, "maker", "people", at);
    ids.checkSubjects(pass, "audience", at);
    checkPeriod(pass, at);
    each(pass, "audience", at, (subject, there) -> {
      if (subject.path("builtin").asString("").equals("outsiders")) {
        faults.add(new Fault(there, "A pass is never for all outsiders.", "Name the people or groups that it is for."));
      }
    });
  }

  private void checkAudiences(JsonNode list, String at) {
    Set<String> proposed = new HashSet<>();
    each(list, "audiences", at, (audience, there) -> {
      ids.checkSubject(audience, there);
      JsonNode subject = audience.path("subject");
      if (subject.has("person") || subject.path("builtin").asString("").equals("outsiders")) {
        faults.add(new Fault(there + "/subject", "A shortlist proposes groups, units or all staff.", "Name one of them."));
      } else if (subject.isObject() && !proposed.add(subject.toString())) {
        faults.add(new Fault(there + "/subject", "The shortlist proposes the same audience twice.", "Name each once."));
      }
    });
  }

  private void checkDuty(JsonNode given, String at) {
    ids.checkSubject(given, at);
    ids.checkReference(given, "place", "places", at);
    ids.checkReference(given, "unit", "units", at);
    ids.checkReference(given, "ceiling", "roles", at);
    checkPeriod(given, at);
    Stream.of(Duty.values()).filter(duty -> duty.word().equals(given.path("duty").asString(""))).findFirst()
        .flatMap(duty -> DutyAssignment.wrong(duty, given.path("subject").has("builtin"), given.path("place").isString(), given.path("unit").isString(), given.path("ceiling").isString()))
        .ifPresent(wrong -> faults.add(new Fault(at + "/" + wrong.key(), wrong.what(), wrong.remedy())));
  }

  private void checkGroup(JsonNode group, String at) {
    Map<String, List<Period>> periods = new HashMap<>();
    each(group, "members", at, (member, there) -> {
      ids.checkReference(member, "person", "people", there);
      ids.checkReference(member, "group", "groups", there);
      boolean person = member.path("person").isString();
      if (member.has("person") == member.has("group")) {
        faults.add(new Fault(there, "A member must name exactly one of person or group.", "Name one of the two."));
        return;
      }
      Period period = checkPeriod(member, there);
      String key = person ? "p:" + member.path("person").asString("") : "g:" + member.path("group").asString("");
      List<Period> earlier = periods.computeIfAbsent(key, any -> new ArrayList<>());
      if (period != null && earlier.stream().anyMatch(period::overlaps)) {
        faults.add(new Fault(there, "[" + key.substring(2) + "] is already a member for an overlapping period.",
            "Let the periods of one member follow each other."));
      }
      if (period != null) {
        earlier.add(period);
      }
    });
  }

  private void checkWall(JsonNode wall, String at) {
    boolean sides = "sides".equals(wall.path("kind").asString(""));
    for (String key : List.of("scope", "subjects", "sides")) {
      boolean wanted = key.equals("sides") == sides;
      if (wall.has(key) != wanted && wall.has("kind")) {
        faults.add(new Fault(at, "A wall of kind [" + wall.path("kind").asString("") + "] "
            + (wanted ? "needs \"" + key + "\"." : "has no \"" + key + "\"."), wanted ? "Add it." : "Leave it out."));
      }
    }
    checkScope(wall, at);
    ids.checkSubjects(wall, at);
    each(wall, "sides", at, (side, there) -> {
      checkScope(side, there);
      ids.checkSubjects(side, there);
    });
    each(wall, "exceptions", at, (exception, there) -> {
      ids.checkSubject(exception, there);
      checkInstant(exception, "until", there);
    });
    checkPeriod(wall, at);
  }

  private void checkScope(JsonNode holder, String at) {
    ids.checkReferences(holder.path("scope"), "places", "places", at + "/scope");
    ids.checkReferences(holder.path("scope"), "types", "types", at + "/scope");
  }

  /** The period, or null if it cannot be read or is out of order. */
  private Period checkPeriod(JsonNode holder, String at) {
    int before = faults.size();
    Instant from = checkInstant(holder, "from", at);
    Instant until = checkInstant(holder, "until", at);
    if (from != null && until != null && !until.isAfter(from)) {
      faults.add(new Fault(at + "/until", "The end [" + until + "] is not after the beginning [" + from + "].",
          "until is exclusive: choose an instant after from."));
    }
    // That an instant is of no year that can be kept is told with the texts.
    boolean kept = WellFormed.instant(from).isEmpty() && WellFormed.instant(until).isEmpty();
    return faults.size() == before && kept ? new Period(from, until) : null;
  }

  private Instant checkInstant(JsonNode holder, String key, String at) {
    JsonNode value = holder.get(key);
    if (value == null || !value.isString()) {
      return null;
    }
    try {
      return Instants.parse(value.asString());
    } catch (DateTimeException impossible) {
      String text = value.asString();
      if (text.toUpperCase(Locale.ROOT).matches("\\d{4}-\\d{2}-\\d{2}T.*(Z|\\+00:00)")) {
        // Any other shape has been reported by the schema already.
        faults.add(new Fault(at + "/" + key, "[" + text + "] is not a day or time that exists.", "Choose a date of the calendar."));
      }
      return null;
    }
  }

  private static void each(JsonNode holder, String key, String at, BiConsumer<JsonNode, String> check) {
    JsonNode items = holder.path(key);
    for (int i = 0; items.isArray() && i < items.size(); i++) {
      check.accept(items.get(i), at + "/" + key + "/" + i);
    }
  }
}
