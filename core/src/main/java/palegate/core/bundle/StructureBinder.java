package palegate.core.bundle;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
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
import palegate.core.structure.SharedIds;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;
import tools.jackson.databind.JsonNode;

/** Makes a structure of a bundle that has been checked and is sound. */
final class StructureBinder {
  private StructureBinder() {}

  static Structure bind(JsonNode bundle) {
    SharedIds ids = new SharedIds();
    return Structure.of(
        list(bundle, "units", unit -> new Unit(text(unit, "id"), text(unit, "name"), text(unit, "parent"))),
        list(bundle, "people", StructureBinder::person),
        list(bundle, "groups", group -> new Group(text(group, "id"), text(group, "name"),
            text(group, "description"), list(group, "members", StructureBinder::membership))),
        list(bundle, "roles", role -> new Role(text(role, "id"), text(role, "name"), rights(role))),
        list(bundle, "types", type -> new DocumentType(text(type, "id"), text(type, "name"), text(type, "shortName"),
            flag(type, "guarded"), new LinkedHashSet<>(list(type, "libraries", JsonNode::asString)),
            list(type, "fields", StructureBinder::field), list(type, "clearances", clearance -> new Clearance(
                subject(clearance), text(clearance, "role"), period(clearance))))),
        list(bundle, "places", place -> place(place, ids)),
        list(bundle, "grants", grant -> new Grant(text(grant, "id"), text(grant, "place"), subject(grant),
            text(grant, "role"), types(grant), period(grant), text(grant, "note"), text(grant, "sharedBy"), text(grant, "pass"))),
        list(bundle, "withholdings", taken -> new Withholding(text(taken, "id"), text(taken, "place"),
            subject(taken), rights(taken), types(taken), period(taken), text(taken, "note"))))
        .guardedBy(
            list(bundle, "oversights", oversight -> new Oversight(text(oversight, "id"), text(oversight, "place"),
                subject(oversight), period(oversight), text(oversight, "note"))),
            list(bundle, "walls", StructureBinder::wall))
        .approvedBy(list(bundle, "approvals", StructureBinder::approval))
        .administeredBy(list(bundle, "duties", StructureBinder::duty))
        .sharedBy(list(bundle, "sharing", StructureBinder::sharing), list(bundle, "passes", StructureBinder::pass),
            list(bundle, "shortlists", StructureBinder::shortlist), list(bundle, "separations", StructureBinder::separation));
  }

  private static Person person(JsonNode person) {
    return new Person(text(person, "id"), text(person, "name"), text(person, "login"), text(person, "email"),
        person.path("external").asBoolean(false), person.path("active").asBoolean(true), text(person, "unit"));
  }

  private static Membership membership(JsonNode member) {
    String person = text(member, "person");
    return new Membership(
        person == null ? new Membership.GroupMember(text(member, "group")) : new Membership.PersonMember(person),
        period(member));
  }

  private static DocumentType.Field field(JsonNode field) {
    String label = text(field, "label");
    return new DocumentType.Field(text(field, "key"), label == null ? text(field, "key") : label,
        DocumentType.Kind.parse(text(field, "kind")), list(field, "choices", JsonNode::asString),
        flag(field, "required"), field.has("width") && !field.path("width").isNull() ? field.path("width").asInt() : null,
        flag(field, "hidden"), text(field, "help"));
  }

  private static Place place(JsonNode place, SharedIds ids) {
    Map<String, String> labels = new LinkedHashMap<>();
    place.path("labels").propertyStream()
        .filter(label -> !label.getValue().asString().isEmpty())
        .forEach(label -> labels.put(label.getKey(), label.getValue().asString()));
    String id = text(place, "id");
    PlaceKind kind = PlaceKind.parse(text(place, "kind"));
    return new Place(kind.isContainer() ? ids.share(id) : id, kind, ids.share(text(place, "parent")),
        text(place, "name"), flag(place, "standsAlone"), labels,
        ids.share(text(place, "type")), ids.share(text(place, "owner")), text(place, "target"),
        guards(place), conditions(place.path("conditions")));
  }

  private static Guards guards(JsonNode place) {
    Guards guards = new Guards(text(place, "ceiling"), flag(place, "reserveSharing"), flag(place, "noTakeaway"));
    return guards.any() ? guards : Guards.NONE;
  }

  private static Conditions conditions(JsonNode in) {
    Conditions conditions = new Conditions(flag(in, "private"), flag(in, "frozen"), text(in, "checkedOutBy"),
        instant(in, "checkedOutAt"));
    return conditions.any() ? conditions : Conditions.NONE;
  }

  private static Wall wall(JsonNode wall) {
    String state = text(wall, "state");
    return new Wall(text(wall, "id"), text(wall, "name"), text(wall, "reason"),
        state == null ? Wall.State.STANDING : Wall.State.parse(state), period(wall), barrier(wall),
        list(wall, "exceptions", exception -> new Wall.Exempt(subject(exception), instant(exception, "until"))));
  }

  private static ApprovalRule approval(JsonNode rule) {
    JsonNode when = rule.path("when");
    return new ApprovalRule(text(rule, "id"), text(rule, "name"), new ApprovalRule.When(
        new LinkedHashSet<>(list(when, "kinds", JsonNode::asString)), new LinkedHashSet<>(list(when, "duties", duty -> Duty.parse(duty.asString()))),
        flag(when, "outsidersGain"), new LinkedHashSet<>(list(when, "places", JsonNode::asString))), Duty.parse(text(rule, "duty")));
  }

  static DutyAssignment duty(JsonNode given) {
    return new DutyAssignment(text(given, "id"), subject(given), Duty.parse(text(given, "duty")), text(given, "place"), text(given, "unit"), text(given, "ceiling"), period(given));
  }

  private static SharingRule sharing(JsonNode rule) {
    return new SharingRule(text(rule, "place"), SharingRule.Who.parse(text(rule, "who")), flag(rule, "outsiders"), text(rule, "role"), number(rule, "days"));
  }

  private static Pass pass(JsonNode pass) {
    return new Pass(text(pass, "id"), text(pass, "place"), text(pass, "role"), list(pass, "audience", StructureBinder::subjectValue), text(pass, "maker"), period(pass),
        number(pass, "uses"), text(pass, "note"));
  }

  private static Shortlist shortlist(JsonNode list) {
    return new Shortlist(text(list, "unit"), list(list, "audiences", audience -> new Shortlist.Audience(subject(audience), text(audience, "name"), text(audience, "text"))));
  }

  private static Separation separation(JsonNode separation) {
    return new Separation(text(separation, "id"), text(separation, "name"), text(separation, "reason"), flag(separation, "needsApproval"),
        Separation.Within.parse(text(separation, "within")), list(separation, "sides", side -> new Separation.Side(new LinkedHashSet<>(list(side, "roles", JsonNode::asString)), rights(side),
            new LinkedHashSet<>(list(side, "groups", JsonNode::asString)), new LinkedHashSet<>(list(side, "duties", duty -> Duty.parse(duty.asString()))), types(side))));
  }

  private static Integer number(JsonNode holder, String key) {
    return holder.path(key).isNumber() ? holder.path(key).asInt() : null;
  }

  private static Barrier barrier(JsonNode wall) {
    return switch (text(wall, "kind")) {
      case "screen" -> new Barrier.Screen(scope(wall), subjects(wall));
      case "seal" -> new Barrier.Seal(scope(wall), subjects(wall));
      case "confine" -> new Barrier.Confine(scope(wall), subjects(wall));
      default -> new Barrier.Sides(list(wall, "sides",
          side -> new Barrier.Side(text(side, "name"), subjects(side), scope(side))));
    };
  }

  private static Scope scope(JsonNode holder) {
    JsonNode scope = holder.path("scope");
    Map<String, Set<String>> labels = new LinkedHashMap<>();
    scope.path("labels").propertyStream().forEach(label -> labels.put(label.getKey(),
        new LinkedHashSet<>(label.getValue().valueStream().map(JsonNode::asString).toList())));
    return new Scope(new LinkedHashSet<>(list(scope, "places", JsonNode::asString)), types(scope), labels);
  }

  private static List<Subject> subjects(JsonNode holder) {
    return list(holder, "subjects", StructureBinder::subjectValue);
  }

  private static Subject subject(JsonNode holder) {
    return subjectValue(holder.path("subject"));
  }

  private static Subject subjectValue(JsonNode subject) {
    Map.Entry<String, JsonNode> named = subject.propertyStream().findFirst().orElseThrow();
    return Subject.of(named.getKey(), named.getValue().asString());
  }

  private static Rights rights(JsonNode holder) {
    return Rights.parse(list(holder, "rights", JsonNode::asString));
  }

  private static Set<String> types(JsonNode entry) {
    return new LinkedHashSet<>(list(entry, "types", JsonNode::asString));
  }

  private static Period period(JsonNode holder) {
    Instant from = instant(holder, "from");
    Instant until = instant(holder, "until");
    return from == null && until == null ? Period.ALWAYS : new Period(from, until);
  }

  private static Instant instant(JsonNode holder, String key) {
    String text = text(holder, key);
    return text == null ? null : Instants.parse(text);
  }

  private static boolean flag(JsonNode holder, String key) {
    return holder.path(key).asBoolean(false);
  }

  private static String text(JsonNode holder, String key) {
    JsonNode value = holder.path(key);
    return value.isString() ? value.asString() : null;
  }

  private static <T> List<T> list(JsonNode holder, String key, Function<JsonNode, T> bind) {
    return holder.path(key).valueStream().map(bind).toList();
  }
}
