package palegate.core.changes;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.text.IllFormed;
import palegate.core.text.WellFormed;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * How a record is written as a JSON object: its fields, what each holds, and how a record is made of them. Declared once, beside
 * the record; reading, checking, writing and the JSON Schema follow from it.
 */
final class Shape<T> extends FieldType<T> {
  static final Shape<Subject> SUBJECT = Shape.<Subject>named("SubjectRef")
      .needed("kind", word(List.of("person", "group", "unit", "builtin")), "Say person, group, unit or builtin.", Subject::kind)
      .needed("id", ID, "Name a person, group or unit.", Subject::id)
      .readBy(values -> Subject.of(values.text("kind"), values.text("id")));

  private enum Presence {
    NEEDED, OPTIONAL, MADE
  }

  private record Field<T, V>(String name, FieldType<V> type, Presence presence, String missing, Function<Values, V> otherwise, Function<T, V> of) {
    void check(T from, Consumer<WellFormed.Wrong> wrong) {
      V value = of.apply(from);
      if (value != null) {
        type.check(value, wrong);
      }
    }

    JsonNode write(T from) {
      V value = of.apply(from);
      boolean left = value == null || presence == Presence.OPTIONAL && (value instanceof List<?> list && list.isEmpty() || value instanceof Map<?, ?> map && map.isEmpty());
      return left ? null : type.write(value);
    }

    V read(JsonNode node, Reading at) {
      V value = type.read(node, at);
      if (value != null && at.strict()) {
        type.check(value, at::refused);
      }
      return value;
    }
  }

  /** Fields are declared one by one, in the order in which they are written. */
  static final class Builder<T> {
    private final String name;
    private final List<Field<T, ?>> fields = new ArrayList<>();

    private Builder(String name) {
      this.name = name;
    }

    /** @param missing what to do about it if it is missing */
    <V> Builder<T> needed(String field, FieldType<V> type, String missing, Function<T, V> of) {
      fields.add(new Field<>(field, type, Presence.NEEDED, missing, null, of));
      return this;
    }

    <V> Builder<T> optional(String field, FieldType<V> type, Function<T, V> of) {
      fields.add(new Field<>(field, type, Presence.OPTIONAL, null, values -> null, of));
      return this;
    }

    /** False if it is left out. */
    Builder<T> flag(String field, Function<T, Boolean> of) {
      return flag(field, false, of);
    }

    Builder<T> flag(String field, boolean otherwise, Function<T, Boolean> of) {
      fields.add(new Field<>(field, FLAG, Presence.OPTIONAL, null, values -> otherwise, of));
      return this;
    }

    /** The id of what the change makes: if it is left out, it gets one that begins with these letters. */
    Builder<T> made(String field, FieldType<String> type, Function<Values, String> letters, Function<T, String> of) {
      fields.add(new Field<>(field, type, Presence.MADE, null, letters, of));
      return this;
    }

    Builder<T> made(String field, String letters, Function<T, String> of) {
      return made(field, ID, values -> letters, of);
    }

    Builder<T> place(Function<T, String> of) {
      return needed("place", ID, "Name a place.", of);
    }

    Builder<T> subject(Function<T, Subject> of) {
      return needed("subject", SUBJECT, "Name a person, group or unit.", of);
    }

    Builder<T> role(Function<T, String> of) {
      return needed("role", ID, "Choose a role.", of);
    }

    Builder<T> ids(String field, String things, Function<T, ? extends Collection<String>> of) {
      return optional(field, list(ID, 0, LIST_AT_MOST, things), from -> of.apply(from).stream().sorted().toList());
    }

    Builder<T> labels(Function<T, Map<String, String>> of) {
      return optional("labels", LABELS, of);
    }

    /** The two ends, {@code from} and {@code until}. */
    Builder<T> period(Function<T, Period> of) {
      return optional("from", INSTANT, from -> of.apply(from).from()).until(from -> of.apply(from).until());
    }

    Builder<T> until(Function<T, Instant> of) {
      return optional("until", INSTANT, of);
    }

    Builder<T> note(Function<T, String> of) {
      return optional("note", TEXT, of);
    }

    /** A record that cannot be made of its values says why with an {@link IllegalArgumentException}. */
    Shape<T> readBy(Function<Values, T> reader) {
      return new Shape<>(name, List.copyOf(fields), reader);
    }
  }

  private final String name;
  private final List<Field<T, ?>> fields;
  private final Function<Values, T> reader;

  private Shape(String name, List<Field<T, ?>> fields, Function<Values, T> reader) {
    this.name = name;
    this.fields = fields;
    this.reader = reader;
  }

  /** @param name of the shape in the JSON Schema and in the description of the API */
  static <T> Builder<T> named(String name) {
    return new Builder<>(name);
  }

  String name() {
    return name;
  }

  /** All that is ill-formed in a change, in order, each once. */
  static List<WellFormed.Wrong> wrongs(Change change) {
    Set<WellFormed.Wrong> wrongs = new LinkedHashSet<>();
    unchecked(change.kind()).check(change, wrongs::add);
    return List.copyOf(wrongs);
  }

  /** The shape of the change's own kind. */
  @SuppressWarnings("unchecked")
  static Shape<Change> unchecked(ChangeKind kind) {
    return (Shape<Change>) kind.shape();
  }

  @Override
  T read(JsonNode node, Reading at) {
    if (!node.isObject()) {
      return at.refused("This is not an object.", "Write an object with " + names() + ".");
    }
    int faults = at.faults().size();
    node.propertyNames().stream().filter(key -> at.strict() && fields.stream().noneMatch(field -> field.name().equals(key)))
        .forEach(key -> at.in(key).refused("The key [" + WellFormed.echoed(key) + "] is not known here.", "Use " + names() + "."));
    Map<String, Object> read = new HashMap<>();
    Values values = new Values(read);
    for (Field<T, ?> field : fields) {
      JsonNode value = node.get(field.name());
      if (value != null && !value.isNull()) {
        read.put(field.name(), field.read(value, at.in(field.name())));
      }
      if (read.get(field.name()) == null && field.presence() == Presence.NEEDED && at.strict() && !told(at.in(field.name()), faults)) {
        at.in(field.name()).refused("[" + field.name() + "] is missing.", field.missing());
      } else if (read.get(field.name()) == null && field.presence() == Presence.OPTIONAL) {
        read.put(field.name(), field.otherwise().apply(values));
      }
    }
    if (at.faults().size() > faults) {
      return null;
    }
    fields.stream().filter(field -> field.presence() == Presence.MADE && read.get(field.name()) == null)
        .forEach(field -> read.put(field.name(), at.newId().apply((String) field.otherwise().apply(values))));
    try {
      return reader.apply(values);
    } catch (IllFormed wrong) {
      return at.refused(wrong.wrong().what(), wrong.wrong().remedy());
    } catch (IllegalArgumentException wrong) {
      return at.refused(wrong.getMessage(), "Correct it and send it again.");
    } catch (NullPointerException missing) {
      if (at.strict()) {
        throw missing;
      }
      return at.refused("Something is missing that nothing can stand for.", "Draft the change again.");
    }
  }

  private static boolean told(Reading at, int since) {
    return at.faults().subList(since, at.faults().size()).stream().anyMatch(fault -> fault.pointer().equals(at.pointer()) || fault.pointer().startsWith(at.pointer() + "/"));
  }

  private String names() {
    return String.join(", ", fields.stream().map(Field::name).toList());
  }

  @Override
  void check(T from, Consumer<WellFormed.Wrong> wrong) {
    fields.forEach(field -> field.check(from, wrong));
  }

  /** The ids of what it makes are left out: whoever reads it gives new ones. */
  ObjectNode writeWithoutMade(T from) {
    return write(from, false);
  }

  @Override
  ObjectNode write(T from) {
    return write(from, true);
  }

  private ObjectNode write(T from, boolean made) {
    ObjectNode written = JSON.objectNode();
    for (Field<T, ?> field : fields) {
      JsonNode value = made || field.presence() != Presence.MADE ? field.write(from) : null;
      if (value != null) {
        written.set(field.name(), value);
      }
    }
    return written;
  }

  @Override
  ObjectNode schema(Schemas schemas) {
    return schemas.reference(name, () -> objectSchema(schemas, null));
  }

  /** @param kind the word that says of which kind a change is, or null for what is not a change */
  ObjectNode objectSchema(Schemas schemas, String kind) {
    ObjectNode schema = JSON.objectNode().put("type", "object");
    ObjectNode properties = JSON.objectNode();
    ArrayNode required = JSON.arrayNode();
    if (kind != null) {
      properties.putObject("kind").put("type", "string").putArray("enum").add(kind);
      required.add("kind");
    }
    for (Field<T, ?> field : fields) {
      ObjectNode type = field.type().schema(schemas);
      boolean needed = field.presence() == Presence.NEEDED;
      properties.set(field.name(), needed || !schemas.ofFile ? type : orNull(type));
      if (needed) {
        required.add(field.name());
      }
    }
    schema.set("properties", properties);
    if (!required.isEmpty()) {
      schema.set("required", required);
    }
    return schema.put("additionalProperties", false);
  }

  private static ObjectNode orNull(ObjectNode type) {
    ObjectNode either = JSON.objectNode();
    either.putArray("anyOf").add(type).addObject().put("type", "null");
    return either;
  }
}
