package palegate.core.bundle;

import java.io.OutputStream;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Consumer;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;
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
    try (JsonGenerator json = new JsonFactory().createGenerator(ObjectWriteContext.empty(), out, JsonEncoding.UTF8)) {
      new BundleWriter(json).write(structure);
    }
  }

  private void write(Structure structure) {
    json.writeStartObject();
    json.writeStringProperty("format", "pale-gate-bundle");
    json.writeNumberProperty("version", 1);
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
    json.writeRaw("\n");
    json.writeEndObject();
    json.writeRaw("\n");
  }

  private void group(Group group) {
    named(group.id(), group.name());
    text("description", group.description());
    if (!group.members().isEmpty()) {
      json.writeArrayPropertyStart("members");
      for (Membership membership : group.members()) {
        json.writeStartObject();
        text(membership.member() instanceof Membership.PersonMember ? "person" : "group", membership.member().id());
        period(membership.period());
        json.writeEndObject();
      }
      json.writeEndArray();
    }
  }

  private void type(DocumentType type) {
    named(type.id(), type.name());
    if (!type.fields().isEmpty()) {
      json.writeArrayPropertyStart("fields");
      for (DocumentType.Field field : type.fields()) {
        json.writeStartObject();
        text("key", field.key());
        text("label", field.label());
        text("kind", field.kind().word());
        strings("choices", field.choices());
        flag("required", field.required(), false);
        json.writeEndObject();
      }
      json.writeEndArray();
    }
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
  }

  private void entry(Entry entry) {
    text("id", entry.id());
    text("place", entry.place());
    subject(entry.subject());
    if (entry instanceof Grant grant) {
      text("role", grant.role());
    } else {
      rights(((Withholding) entry).rights());
    }
    strings("types", entry.types().stream().sorted().toList());
    period(entry.period());
    text("note", entry.note());
  }

  private void subject(Subject subject) {
    json.writeObjectPropertyStart("subject");
    json.writeStringProperty(subject.kind(), subject.id());
    json.writeEndObject();
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
