package palegate.core.bundle;

import java.io.OutputStream;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Consumer;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.approvals.ApprovalRule;
import palegate.core.duties.Duty;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Conditions;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.separations.Separation;
import palegate.core.sharing.Pass;
import palegate.core.sharing.Shortlist;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;
import tools.jackson.core.JsonEncoding;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.json.JsonFactory;

/** Writes a structure as a bundle; what has its default is left out. The same structure gives the same bytes. */
public final class BundleWriter {
  private final JsonGenerator json;

  private BundleWriter(JsonGenerator json) {
    this.json = json;
  }

  /** Streams the bundle; one item a line, so that two bundles can be compared with any text tool. */
  public static void write(Structure structure, OutputStream out) {
    write(structure, null, out);
  }

  /** @param change the change that the structure is as of, so that what has come since is known when it is brought in again; null for none */
  public static void write(Structure structure, Long change, OutputStream out) {
    try (JsonGenerator json = new JsonFactory().createGenerator(ObjectWriteContext.empty(), out, JsonEncoding.UTF8)) {
      new BundleWriter(json).write(structure, change);
    }
  }

  private void write(Structure structure, Long change) {
    json.writeStartObject();
    json.writeStringProperty("format", "pale-gate-bundle");
    json.writeNumberProperty("version", 1);
    if (change != null) {
      json.writeNumberProperty("change", change);
    }
    list("units", structure.units().values(), unit -> {
      named(unit.id(), unit.name());
      text("parent", unit.parent());
    });
    list("people", structure.people().values(), person -> {
      named(person.id(), person.name());
      text("login", person.login());
      text("email", person.email());
      flag("external", person.external(), false);
      flag("active", person.active(), true);
      text("unit", person.unit());
    });
    list("groups", structure.groups().values(), this::group);
    list("roles", structure.roles().values(), role -> {
      named(role.id(), role.name());
      rights(role.rights());
    });
    list("types", structure.types().values(), this::type);
    list("places", structure.places().values(), this::place);
    list("grants", structure.grants().values(), this::entry);
    list("withholdings", structure.withholdings().values(), this::entry);
    list("oversights", structure.oversights().values(), oversight -> {
      text("id", oversight.id());
      text("place", oversight.place());
      subject(oversight.subject());
      period(oversight.period());
      text("note", oversight.note());
    });
    list("walls", structure.walls().values(), this::wall);
    if (!structure.approvals().isEmpty()) {
      list("approvals", structure.approvals().values(), this::approval);
    }
    if (!structure.duties().isEmpty()) {
      list("duties", structure.duties().values(), given -> {
        text("id", given.id());
        subject(given.subject());
        text("duty", given.duty().word());
        text("place", given.place());
        text("unit", given.unit());
        text("ceiling", given.ceiling());
        period(given.period());
      });
    }
    some("shortlists", structure.shortlists().values(), this::shortlist);
    some("passes", structure.passes().values(), this::pass);
    some("separations", structure.separations().values(), this::separation);
    some("sharing", structure.sharing().values(), rule -> {
      text("place", rule.place());
      text("who", rule.who().word());
      flag("outsiders", rule.outsiders(), false);
      text("role", rule.role());
      number("days", rule.days());
    });
    json.writeRaw("\n");
    json.writeEndObject();
    json.writeRaw("\n");
  }

  private void group(Group group) {
    named(group.id(), group.name());
    text("description", group.description());
    objects("members", group.members(), membership -> {
      text(membership.member() instanceof Membership.PersonMember ? "person" : "group", membership.member().id());
      period(membership.period());
    });
  }

  private void type(DocumentType type) {
    named(type.id(), type.name());
    text("shortName", type.shortName());
    flag("guarded", type.guarded(), false);
    strings("libraries", type.libraries().stream().sorted().toList());
    objects("fields", type.fields(), field -> {
      text("key", field.key());
      text("label", field.label());
      text("kind", field.kind().word());
      strings("choices", field.choices());
      flag("required", field.required(), false);
      number("width", field.width());
      flag("hidden", field.hidden(), false);
      text("help", field.help());
    });
    objects("clearances", type.clearances(), clearance -> {
      subject(clearance.subject());
      text("role", clearance.role());
      period(clearance.period());
    });
  }

  private void wall(Wall wall) {
    named(wall.id(), wall.name());
    text("reason", wall.reason());
    text("kind", wall.barrier().kind());
    text("state", wall.state() == Wall.State.STANDING ? null : wall.state().word());
    period(wall.period());
    if (wall.barrier() instanceof Barrier.Sides sides) {
      objects("sides", sides.sides(), side -> {
        text("name", side.name());
        subjects(side.subjects());
        scope(side.scope());
      });
    } else {
      subjects(wall.barrier().subjects());
      scope(wall.barrier().scopes().get(0));
    }
    objects("exceptions", wall.exceptions(), exempt -> {
      subject(exempt.subject());
      text("until", exempt.until() == null ? null : exempt.until().toString());
    });
  }

  private void approval(ApprovalRule rule) {
    named(rule.id(), rule.name());
    json.writeObjectPropertyStart("when");
    strings("kinds", rule.when().kinds().stream().sorted().toList());
    strings("duties", rule.when().duties().stream().map(Duty::word).sorted().toList());
    flag("outsidersGain", rule.when().outsidersGain(), false);
    strings("places", rule.when().places().stream().sorted().toList());
    json.writeEndObject();
    text("duty", rule.duty().word());
  }

  private void scope(Scope scope) {
    json.writeObjectPropertyStart("scope");
    strings("places", scope.places().stream().sorted().toList());
    strings("types", scope.types().stream().sorted().toList());
    if (!scope.labels().isEmpty()) {
      json.writeObjectPropertyStart("labels");
      new TreeMap<>(scope.labels()).forEach((key, values) -> strings(key, values.stream().sorted().toList()));
      json.writeEndObject();
    }
    json.writeEndObject();
  }

  private void place(Place place) {
    text("id", place.id());
    text("parent", place.parent());
    text("kind", place.kind().word());
    text("name", place.name());
    flag("standsAlone", place.standsAlone() && place.parent() != null, false);
    if (!place.labels().isEmpty()) {
      json.writeObjectPropertyStart("labels");
      for (Map.Entry<String, String> label : new TreeMap<>(place.labels()).entrySet()) {
        json.writeStringProperty(label.getKey(), label.getValue());
      }
      json.writeEndObject();
    }
    text("type", place.type());
    text("owner", place.owner());
    text("target", place.target());
    text("ceiling", place.guards().ceiling());
    flag("reserveSharing", place.guards().reserveSharing(), false);
    flag("noTakeaway", place.guards().noTakeaway(), false);
    Conditions in = place.conditions();
    if (in.any()) {
      json.writeObjectPropertyStart("conditions");
      flag("private", in.isPrivate(), false);
      flag("frozen", in.frozen(), false);
      text("checkedOutBy", in.checkedOutBy());
      text("checkedOutAt", in.checkedOutAt() == null ? null : in.checkedOutAt().toString());
      json.writeEndObject();
    }
  }

  private void entry(Entry entry) {
    text("id", entry.id());
    text("place", entry.place());
    subject(entry.subject());
    if (entry instanceof Grant grant) {
      text("role", grant.role());
      text("sharedBy", grant.sharedBy());
      text("pass", grant.pass());
    } else {
      rights(((Withholding) entry).rights());
    }
    strings("types", entry.types().stream().sorted().toList());
    period(entry.period());
    text("note", entry.note());
  }

  private void shortlist(Shortlist list) {
    text("unit", list.unit());
    objects("audiences", list.audiences(), audience -> {
      subject(audience.subject());
      text("name", audience.name());
      text("text", audience.text());
    });
  }

  private void pass(Pass pass) {
    text("id", pass.id());
    text("place", pass.place());
    text("role", pass.role());
    objects("audience", pass.audience(), subject -> json.writeStringProperty(subject.kind(), subject.id()));
    text("maker", pass.maker());
    period(pass.period());
    number("uses", pass.uses());
    text("note", pass.note());
  }

  private void separation(Separation separation) {
    named(separation.id(), separation.name());
    text("reason", separation.reason());
    flag("needsApproval", separation.needsApproval(), false);
    text("within", separation.within().word());
    objects("sides", separation.sides(), side -> {
      strings("roles", side.roles().stream().sorted().toList());
      strings("rights", side.rights().words());
      strings("groups", side.groups().stream().sorted().toList());
      strings("duties", side.duties().stream().map(Duty::word).sorted().toList());
      strings("types", side.types().stream().sorted().toList());
    });
  }

  /** A list that older readers do not know is left out where there is nothing in it. */
  private <T> void some(String key, Collection<T> items, Consumer<T> write) {
    if (!items.isEmpty()) {
      list(key, items, write);
    }
  }

  private void subject(Subject subject) {
    json.writeObjectPropertyStart("subject");
    json.writeStringProperty(subject.kind(), subject.id());
    json.writeEndObject();
  }

  private void subjects(List<Subject> subjects) {
    objects("subjects", subjects, subject -> json.writeStringProperty(subject.kind(), subject.id()));
  }

  /** Leaves an empty list out. */
  private <T> void objects(String key, List<T> items, Consumer<T> write) {
    if (!items.isEmpty()) {
      json.writeArrayPropertyStart(key);
      for (T item : items) {
        json.writeStartObject();
        write.accept(item);
        json.writeEndObject();
      }
      json.writeEndArray();
    }
  }

  private void named(String id, String name) {
    text("id", id);
    text("name", name);
  }

  private void rights(Rights rights) {
    json.writeArrayPropertyStart("rights");
    rights.words().forEach(json::writeString);
    json.writeEndArray();
  }

  private void strings(String key, List<String> values) {
    if (!values.isEmpty()) {
      json.writeArrayPropertyStart(key);
      values.forEach(json::writeString);
      json.writeEndArray();
    }
  }

  private void period(Period period) {
    text("from", period.from() == null ? null : period.from().toString());
    text("until", period.until() == null ? null : period.until().toString());
  }

  private void text(String key, String value) {
    if (value != null) {
      json.writeStringProperty(key, value);
    }
  }

  private void number(String key, Integer value) {
    if (value != null) {
      json.writeNumberProperty(key, value);
    }
  }

  private void flag(String key, boolean value, boolean byDefault) {
    if (value != byDefault) {
      json.writeBooleanProperty(key, value);
    }
  }

  private <T> void list(String key, Iterable<T> items, Consumer<T> write) {
    json.writeArrayPropertyStart(key);
    for (T item : items) {
      json.writeRaw("\n  ");
      json.writeStartObject();
      write.accept(item);
      json.writeEndObject();
    }
    json.writeEndArray();
  }
}
