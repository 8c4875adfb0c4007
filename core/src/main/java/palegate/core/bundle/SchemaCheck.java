package palegate.core.bundle;

import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palegate.core.text.WellFormed;
import tools.jackson.databind.JsonNode;

/** Checks the shape of a bundle against the published JSON Schema, in words a person can use. */
final class SchemaCheck {
  private static final Schema SCHEMA = load();

  private SchemaCheck() {}

  static void check(JsonNode bundle, List<Fault> faults) {
    for (Error error : SCHEMA.validate(bundle)) {
      faults.add(fault(error));
    }
  }

  /** The schema's text, as published with the documents. */
  static String text() {
    try (InputStream in = SchemaCheck.class.getResourceAsStream("bundle.schema.json")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException unreadable) {
      throw new UncheckedIOException(unreadable);
    }
  }

  private static Schema load() {
    return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
        .getSchema(text(), InputFormat.JSON);
  }

  private static Fault fault(Error error) {
    String pointer = error.getInstanceLocation().toString();
    String value = shown(error.getInstanceNode());
    JsonNode expected = error.getSchemaNode();
    String property = error.getProperty();
    return switch (error.getKeyword()) {
      case "required" -> new Fault(pointer, "The key [" + property + "] is missing.", "Add it.");
      case "additionalProperties" -> new Fault(pointer + "/" + Pointers.escape(property),
          "The key [" + property + "] is unknown.", "Correct the spelling or leave it out.");
      case "type" -> new Fault(pointer, value + " is not of the right kind.", "It must be " + kinds(expected) + ".");
      case "enum" -> new Fault(pointer, value + " is not allowed.", "Allowed are: " + listed(expected) + ".");
      case "const" -> new Fault(pointer, value + " is not allowed.", "It must be " + listed(expected) + ".");
      case "pattern" -> pattern(pointer, value, error.getInstanceNode(), expected);
      case "minItems" -> new Fault(pointer, "The list has " + error.getInstanceNode().size() + " items.",
          expected.asInt() == 1
              ? "Name at least one, or leave the key out to say \"no restriction\"."
              : "It needs at least " + expected.asInt() + ".");
      case "minLength" -> new Fault(pointer, "The text is empty.", "Write at least one character.");
      case "maxLength" -> new Fault(pointer, "The text has more than " + expected.asInt() + " characters.", "Shorten it.");
      case "minProperties" -> new Fault(pointer, "Nothing is named here.", "Name at least one of the keys it can have.");
      case "maxProperties" -> new Fault(pointer, "More than one is named here.",
          "A subject is exactly one of person, group, unit or builtin.");
      default -> new Fault(pointer, error.getMessage() + ".", "See the published schema, rule [" + error.getKeyword() + "].");
    };
  }

  private static String shown(JsonNode node) {
    if (node == null || node.isContainer()) {
      return node == null ? "This" : node.isArray() ? "This list" : "This object";
    }
    String text = node.isString() ? node.asString() : node.toString();
    return "[" + (text.length() > 80 ? text.substring(0, 80) + "…" : text) + "]";
  }

  private static String listed(JsonNode expected) {
    return expected.isArray()
        ? expected.valueStream().map(JsonNode::asString).collect(Collectors.joining(", "))
        : "[" + expected.asString() + "]";
  }

  private static String kinds(JsonNode expected) {
    return (expected.isArray() ? expected.valueStream() : Stream.of(expected))
        .map(JsonNode::asString).map(SchemaCheck::kindInWords).collect(Collectors.joining(" or "));
  }

  private static String kindInWords(String kind) {
    return switch (kind) {
      case "string" -> "a text in quotation marks";
      case "boolean" -> "true or false";
      case "array" -> "a list in square brackets";
      case "object" -> "an object in braces";
      default -> kind;
    };
  }

  private static Fault pattern(String pointer, String value, JsonNode instance, JsonNode expected) {
    if (isInstant(expected)) {
      return new Fault(pointer, value + " is not an instant.", "Write it in UTC, as in 2026-10-02T08:00:00Z, at most to the microsecond.");
    }
    return WellFormed.id(instance.asString()).map(wrong -> new Fault(pointer, wrong.what(), wrong.remedy())).orElseGet(() -> new Fault(pointer, value + " is not a name that can stand here.", "See the published schema."));
  }

  private static boolean isInstant(JsonNode pattern) {
    return pattern.asString().startsWith("^\\d{4}");
  }
}
