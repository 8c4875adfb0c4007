package palegate.core.changes;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Supplier;
import tools.jackson.databind.node.ObjectNode;

/** The JSON Schemas of the shapes that are used, by name; each is made once and referred to. */
final class Schemas {
  final Map<String, ObjectNode> byName = new LinkedHashMap<>();
  private final Function<String, String> reference;
  /** Of a file that people write: words are listed, and what may be left out may be null. The API's clients hold both more loosely. */
  final boolean ofFile;

  Schemas(Function<String, String> reference, boolean ofFile) {
    this.reference = reference;
    this.ofFile = ofFile;
  }

  ObjectNode reference(String name, Supplier<ObjectNode> schema) {
    if (!byName.containsKey(name)) {
      byName.put(name, null);
      byName.put(name, schema.get());
    }
    return FieldType.JSON.objectNode().put("$ref", reference.apply(name));
  }
}
