package palegate.core.bundle;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Reads bytes into a tree and survives any input. Keys that stand twice and numbers that are not
 * finite are reported and reading goes on; what is not JSON at all ends it.
 */
public final class JsonText {
  /** The format needs seven levels; anything far deeper is an attack or an accident. */
  private static final int DEEPEST = 64;

  private static final JsonFactory FACTORY = JsonFactory.builder()
      .streamReadConstraints(StreamReadConstraints.builder().maxNestingDepth(DEEPEST).build())
      .build();

  /** A container being filled, its pointer, and the key that waits for its value. */
  private static final class Open {
    final JsonNode node;
    final String pointer;
    String key;

    Open(JsonNode node, String pointer) {
      this.node = node;
      this.pointer = pointer;
    }

    String childPointer() {
      return pointer + "/" + (node instanceof ArrayNode array ? array.size() : Pointers.escape(key));
    }
  }

  private final List<Fault> faults;
  private final Deque<Open> open = new ArrayDeque<>();
  private JsonNode root;

  private JsonText(List<Fault> faults) {
    this.faults = faults;
  }

  /** The tree, or null if the bytes are not a JSON document; faults are added to the list. */
  public static JsonNode read(byte[] bytes, List<Fault> faults) {
    String text;
    try {
      text = StandardCharsets.UTF_8.newDecoder()
          .onMalformedInput(CodingErrorAction.REPORT).onUnmappableCharacter(CodingErrorAction.REPORT)
          .decode(ByteBuffer.wrap(bytes)).toString();
    } catch (CharacterCodingException notUtf8) {
      faults.add(new Fault("", "The file is not UTF-8 text.", "Save it as UTF-8."));
      return null;
    }
    if (text.indexOf('\0') >= 0) {
      faults.add(new Fault("", "The file holds NUL characters, as UTF-16 or UTF-32 text does.", "Save it as UTF-8."));
      return null;
    }
    return new JsonText(faults).parse(text.startsWith("\uFEFF") ? text.substring(1) : text);
  }

  private JsonNode parse(String text) {
    try (JsonParser parser = FACTORY.createParser(text)) {
      for (JsonToken token = parser.nextToken(); token != null; token = parser.nextToken()) {
        if (root != null && open.isEmpty()) {
          faults.add(new Fault("", "Something follows the end of the document" + at(parser.currentTokenLocation()) + ".",
              "A bundle is one JSON object and nothing else."));
          return null;
        }
        take(parser, token);
      }
    } catch (JacksonException broken) {
      faults.add(new Fault(open.isEmpty() ? "" : open.peek().pointer,
          "This is not JSON: " + broken.getOriginalMessage() + at(broken.getLocation()) + ".",
          "Check that the file is whole and well-formed."));
      return null;
    }
    if (root == null) {
      faults.add(new Fault("", "The file is empty.", "A bundle is one JSON object."));
    }
    return root;
  }

  private static String at(TokenStreamLocation location) {
    return location == null ? "" : " (line " + location.getLineNr() + ", column " + location.getColumnNr() + ")";
  }

  private void take(JsonParser parser, JsonToken token) {
    JsonNodeFactory nodes = JsonNodeFactory.instance;
    switch (token) {
      case START_OBJECT -> push(nodes.objectNode());
      case START_ARRAY -> push(nodes.arrayNode());
      case END_OBJECT, END_ARRAY -> open.pop();
      case PROPERTY_NAME -> open.peek().key = parser.currentName();
      case VALUE_STRING -> add(nodes.stringNode(parser.getString()));
      case VALUE_NUMBER_INT -> add(parser.getNumberType() == JsonParser.NumberType.INT
          ? nodes.numberNode(parser.getIntValue()) : nodes.numberNode(parser.getDoubleValue()));
      case VALUE_NUMBER_FLOAT -> addFraction(parser.getDoubleValue());
      case VALUE_TRUE -> add(nodes.booleanNode(true));
      case VALUE_FALSE -> add(nodes.booleanNode(false));
      default -> add(nodes.nullNode());
    }
  }

  private void addFraction(double number) {
    if (Double.isFinite(number)) {
      add(JsonNodeFactory.instance.numberNode(number));
    } else {
      faults.add(new Fault(open.isEmpty() ? "" : open.peek().childPointer(),
          "The number is too large to be finite.", "Write a finite number."));
      add(JsonNodeFactory.instance.numberNode(0));
    }
  }

  private void push(JsonNode container) {
    String pointer = open.isEmpty() ? "" : open.peek().childPointer();
    add(container);
    open.push(new Open(container, pointer));
  }

  private void add(JsonNode value) {
    if (open.isEmpty()) {
      root = value;
    } else if (open.peek().node instanceof ArrayNode array) {
      array.add(value);
    } else {
      Open parent = open.peek();
      ObjectNode object = (ObjectNode) parent.node;
      if (object.has(parent.key)) {
        faults.add(new Fault(parent.childPointer(), "The key [" + parent.key + "] stands twice in one object.",
            "Keep one of the two."));
      } else {
        object.set(parent.key, value);
      }
    }
  }
}
