package palegate.core.changes;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import palegate.core.bundle.Fault;
import palegate.core.bundle.InvalidBundle;
import palegate.core.bundle.JsonText;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A file of changes: what a draft holds, to be rehearsed or carried out elsewhere (the format's section "Later parts"). */
public final class ChangesFile {
  private static final String FORMAT = "pale-gate-changes";
  private static final int AT_MOST = 5_000;

  private ChangesFile() {}

  /**
   * Reads a whole file; every fault that it has is in the exception, in order of the pointers.
   *
   * @param newId an id for what a change makes and does not name, from the letters with which it begins
   */
  public static List<Change> read(byte[] bytes, UnaryOperator<String> newId) throws InvalidBundle {
    List<Fault> faults = new ArrayList<>();
    List<Change> changes = new ArrayList<>();
    JsonNode file = JsonText.read(bytes, faults);
    if (file != null && !file.isObject()) {
      faults.add(new Fault("", "This is not an object.", "A file of changes is one object with format, version and changes."));
    } else if (file != null) {
      readAll(file, newId, faults, changes);
    }
    if (!faults.isEmpty()) {
      throw new InvalidBundle(List.copyOf(new TreeSet<>(faults)));
    }
    return changes;
  }

  /** Of a file that {@link #read} refused: its changes as far as each says one, to find what else stands against them; null for those that say none. */
  public static List<Change> readLoosely(byte[] bytes, UnaryOperator<String> newId) {
    JsonNode file = JsonText.read(bytes, new ArrayList<>());
    JsonNode list = file == null ? null : file.get("changes");
    List<Change> changes = new ArrayList<>();
    for (int i = 0; list != null && list.isArray() && list.size() <= AT_MOST && i < list.size(); i++) {
      changes.add(ChangeJson.readLoosely(list.get(i), newId).orElse(null));
    }
    return changes;
  }

  private static void readAll(JsonNode file, UnaryOperator<String> newId, List<Fault> faults, List<Change> changes) {
    Reading at = new Reading("", faults, newId, true);
    file.propertyNames().stream().filter(key -> !List.of("format", "version", "changes").contains(key))
        .forEach(key -> at.in(key).refused("The key [" + key + "] is not known here.", "Use format, version and changes."));
    if (!FORMAT.equals(file.path("format").asString(""))) {
      at.in("format").refused("This is not a file of changes.", "Write \"format\": \"" + FORMAT + "\".");
    }
    if (!file.path("version").isInt() || file.path("version").intValue() != 1) {
      at.in("version").refused("This version is not known.", "Write \"version\": 1.");
    }
    JsonNode list = file.path("changes");
    if (!list.isArray() || list.isEmpty() || list.size() > AT_MOST) {
      at.in("changes").refused(list.isArray() ? "There are " + list.size() + " changes." : "There is no list of changes.", "List 1 to " + AT_MOST + " changes.");
      return;
    }
    for (int i = 0; i < list.size(); i++) {
      Change change = ChangeJson.read(list.get(i), "/changes/" + i, newId, faults);
      if (change != null) {
        changes.add(change);
      }
    }
  }

  /** The changes as a file that can be read back. */
  public static String write(List<Change> changes) {
    ObjectNode file = FieldType.JSON.objectNode().put("format", FORMAT).put("version", 1);
    changes.forEach(change -> file.withArray("changes").add(ChangeJson.write(change)));
    return file.toPrettyString() + "\n";
  }

  /** The JSON Schema (2020-12) of such a file. */
  public static String schema() {
    ObjectNode schema = FieldType.JSON.objectNode().put("$schema", "https://json-schema.org/draft/2020-12/schema").put("title", "Changes of a permission structure")
        .put("type", "object");
    ObjectNode properties = schema.putObject("properties");
    properties.putObject("format").put("const", FORMAT);
    properties.putObject("version").put("const", 1);
    ObjectNode list = properties.putObject("changes").put("type", "array").put("minItems", 1).put("maxItems", AT_MOST);
    ArrayNode kinds = list.putObject("items").putArray("oneOf");
    ChangeJson.schemaNames().values().forEach(name -> kinds.addObject().put("$ref", "#/$defs/" + name));
    schema.putArray("required").add("format").add("version").add("changes");
    schema.put("additionalProperties", false);
    ObjectNode definitions = schema.putObject("$defs");
    ChangeJson.schemas(name -> "#/$defs/" + name, true).forEach(definitions::set);
    return schema.toPrettyString() + "\n";
  }
}
