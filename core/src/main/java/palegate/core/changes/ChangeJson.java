package palegate.core.changes;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import palegate.core.bundle.Fault;
import palegate.core.text.WellFormed;
import tools.jackson.core.JsonPointer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Changes as JSON objects: the kind first, then its fields. The same in the API, drafts, the journal and files of changes. */
public final class ChangeJson {
  private static final String KIND = "kind";

  private ChangeJson() {}

  /**
   * Reads one change.
   *
   * @param pointer the JSON pointer of it in what is read
   * @param newId an id for what it makes and does not name, from the letters with which it begins
   * @param faults takes everything that is wrong, with its place
   * @return null if anything was
   */
  public static Change read(JsonNode node, String pointer, UnaryOperator<String> newId, List<Fault> faults) {
    return read(node, new Reading(pointer, faults, newId, true));
  }

  /** Reads what was written before, perhaps by an earlier version: what is ill-formed in it is said when it is made, not here. */
  public static Change readKept(JsonNode node) {
    List<Fault> faults = new ArrayList<>();
    Change change = read(node, new Reading("", faults, letters -> letters, false));
    if (change == null) {
      throw new IllegalArgumentException("A change that was kept cannot be read: " + faults);
    }
    return change;
  }

  /** Of what {@link #read} refused: the change without what is wrong in it, to find what else stands against it; empty if that says none. */
  public static Optional<Change> readLoosely(JsonNode node, UnaryOperator<String> newId) {
    List<Fault> faults = new ArrayList<>();
    read(node, "", newId, faults);
    JsonNode left = node.deepCopy();
    // From the end: what is taken out of a list moves what comes after it.
    faults.stream().map(Fault::pointer).distinct().map(JsonPointer::compile).filter(pointer -> pointer.head() != null)
        .sorted(Comparator.comparingInt((JsonPointer pointer) -> pointer.last().getMatchingIndex()).reversed()).forEach(pointer -> {
      JsonNode holder = left.at(pointer.head());
      if (holder instanceof ObjectNode object) {
        object.remove(pointer.last().getMatchingProperty());
      } else if (holder instanceof ArrayNode list && pointer.last().getMatchingIndex() < list.size()) {
        list.remove(pointer.last().getMatchingIndex());
      }
    });
    return Optional.ofNullable(read(left, new Reading("", new ArrayList<>(), newId, false)));
  }

  private static Change read(JsonNode node, Reading at) {
    if (!node.isObject()) {
      return at.refused("A change is an object.", "Write an object with its kind and its fields.");
    }
    JsonNode named = node.get(KIND);
    ChangeKind kind = named != null && named.isString() ? ChangeKind.parse(named.stringValue()).orElse(null) : null;
    if (kind == null) {
      return at.in(KIND).refused(named == null ? "[kind] is missing." : "There is no kind of change [" + WellFormed.echoed(named.isString() ? named.stringValue() : named.toString()) + "].",
          "Use one of " + String.join(", ", Stream.of(ChangeKind.values()).map(ChangeKind::word).toList()) + ".");
    }
    ObjectNode fields = FieldType.JSON.objectNode().setAll((ObjectNode) node);
    fields.remove(KIND);
    return kind.shape().read(fields, at);
  }

  public static ObjectNode write(Change change) {
    ObjectNode written = FieldType.JSON.objectNode().put(KIND, change.kind().word());
    written.setAll(Shape.unchecked(change.kind()).write(change));
    return written;
  }

  /** A list of changes, as drafts and the journal keep it. */
  public static String written(List<Change> changes) {
    ArrayNode list = FieldType.JSON.arrayNode();
    changes.forEach(change -> list.add(write(change)));
    return list.toString();
  }

  /** The same change, but what it makes gets other ids: to be drafted once more, or by somebody else. */
  public static Change anew(Change change, UnaryOperator<String> newId) {
    List<Fault> faults = new ArrayList<>();
    Change made = change.kind().shape().read(Shape.unchecked(change.kind()).writeWithoutMade(change), new Reading("", faults, newId, false));
    if (made == null) {
      throw new IllegalArgumentException("The change [" + change.kind().word() + "] cannot be written down: " + faults);
    }
    return made;
  }

  /**
   * The JSON Schemas (2020-12) of all kinds of change and of what they are made of, by name; each refers to others by
   * {@code reference} and the name.
   *
   * @param ofFile whether they are those of a file that people write, or of the API
   */
  public static Map<String, ObjectNode> schemas(UnaryOperator<String> reference, boolean ofFile) {
    Schemas schemas = new Schemas(reference::apply, ofFile);
    Map<String, ObjectNode> kinds = new LinkedHashMap<>();
    for (ChangeKind kind : ChangeKind.values()) {
      kinds.put(kind.shape().name(), kind.shape().objectSchema(schemas, kind.word()));
    }
    kinds.putAll(schemas.byName);
    return kinds;
  }

  /** The names of the kinds' schemas, by the word of the kind, in order. */
  public static Map<String, String> schemaNames() {
    Map<String, String> names = new LinkedHashMap<>();
    for (ChangeKind kind : ChangeKind.values()) {
      names.put(kind.word(), kind.shape().name());
    }
    return names;
  }
}
