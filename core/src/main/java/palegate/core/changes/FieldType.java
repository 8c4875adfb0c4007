package palegate.core.changes;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import palegate.core.text.WellFormed;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * What a field of a change holds: how it is read, checked, written and described. One declaration serves the API, files of
 * changes, stored drafts, the JSON Schema and changes that the core makes itself.
 */
abstract class FieldType<V> {
  static final int LIST_AT_MOST = 2_000;
  static final int SIDES_AT_MOST = 100;

  static final FieldType<String> ID = text(WellFormed::id, text -> text, schema -> schema.put("pattern", "^[A-Za-z0-9._:-]{1,64}$"));
  static final FieldType<String> NAME = text(WellFormed::name, String::strip, schema -> schema.put("minLength", 1).put("maxLength", WellFormed.NAME_AT_MOST));
  /** A short name: none rather than an empty one. */
  static final FieldType<String> OTHER_NAME = text(WellFormed::name, FieldType::blankToNone, schema -> schema.put("maxLength", WellFormed.NAME_AT_MOST));
  static final FieldType<String> TEXT = text(WellFormed::text, text -> text, schema -> schema.put("maxLength", WellFormed.TEXT_AT_MOST));
  static final FieldType<String> STRIPPED_TEXT = text(WellFormed::text, FieldType::blankToNone, schema -> schema.put("maxLength", WellFormed.TEXT_AT_MOST));
  static final FieldType<String> LOGIN = text(WellFormed::login, FieldType::blankToNone, schema -> schema.put("maxLength", WellFormed.LOGIN_AT_MOST));
  static final FieldType<String> EMAIL = text(WellFormed::email, FieldType::blankToNone, schema -> schema.put("maxLength", WellFormed.EMAIL_AT_MOST));
  static final FieldType<String> KEY = text(WellFormed::key, String::strip, schema -> schema.put("minLength", 1).put("maxLength", WellFormed.KEY_AT_MOST));
  static final FieldType<String> VALUE = text(WellFormed::value, text -> text, schema -> schema.put("maxLength", WellFormed.VALUE_AT_MOST));
  /** The id from which a break makes the ids of what it carries over. */
  static final FieldType<String> PREFIX = text(prefix -> WellFormed.id(prefix + ".0000"), text -> text, schema -> schema.put("pattern", "^[A-Za-z0-9._:-]{1,59}$"));

  static final FieldType<Boolean> FLAG = new FieldType<>() {
    @Override
    Boolean read(JsonNode node, Reading at) {
      return node.isBoolean() ? node.booleanValue() : at.refused("This is neither true nor false.", "Write true or false.");
    }

    @Override
    JsonNode write(Boolean value) {
      return JSON.booleanNode(value);
    }

    @Override
    ObjectNode schema(Schemas schemas) {
      return JSON.objectNode().put("type", "boolean");
    }
  };

  /** Cut to microseconds: the database keeps no more. */
  static final FieldType<Instant> INSTANT = new FieldType<>() {
    @Override
    Instant read(JsonNode node, Reading at) {
      try {
        return node.isString() ? Instant.parse(node.stringValue().toUpperCase(Locale.ROOT)).truncatedTo(ChronoUnit.MICROS)
            : at.refused("This is not an instant.", "Write it as in \"2026-10-02T08:00:00Z\".");
      } catch (DateTimeException wrong) {
        return at.refused("[" + WellFormed.echoed(node.stringValue()) + "] is not an instant.", "Write it as in 2026-10-02T08:00:00Z.");
      }
    }

    @Override
    void check(Instant value, Consumer<WellFormed.Wrong> wrong) {
      WellFormed.instant(value).ifPresent(wrong);
    }

    @Override
    JsonNode write(Instant value) {
      return JSON.stringNode(value.toString());
    }

    @Override
    ObjectNode schema(Schemas schemas) {
      return JSON.objectNode().put("type", "string").put("format", "date-time");
    }
  };

  /** Labels by key; an empty text is no value, and is left out. */
  static final FieldType<Map<String, String>> LABELS = keyed(VALUE, "labels", String::strip, Map::copyOf);

  static final JsonNodeFactory JSON = JsonNodeFactory.instance;

  /** The value, or null after saying what is wrong with it. */
  abstract V read(JsonNode node, Reading at);

  /** Says what is ill-formed in a value, wherever it comes from. */
  void check(V value, Consumer<WellFormed.Wrong> wrong) {}

  abstract JsonNode write(V value);

  /** The JSON Schema (2020-12) of it. */
  abstract ObjectNode schema(Schemas schemas);

  static FieldType<String> text(Function<String, Optional<WellFormed.Wrong>> form, UnaryOperator<String> tidy, Consumer<ObjectNode> limits) {
    return new FieldType<>() {
      @Override
      String read(JsonNode node, Reading at) {
        return node.isString() ? tidy.apply(node.stringValue()) : at.refused("This is not a text.", "Write a text.");
      }

      @Override
      void check(String value, Consumer<WellFormed.Wrong> wrong) {
        form.apply(value).ifPresent(wrong);
      }

      @Override
      JsonNode write(String value) {
        return JSON.stringNode(value);
      }

      @Override
      ObjectNode schema(Schemas schemas) {
        ObjectNode schema = JSON.objectNode().put("type", "string");
        limits.accept(schema);
        return schema;
      }
    };
  }

  /** One of some words. */
  static FieldType<String> word(List<String> words) {
    return new FieldType<>() {
      @Override
      String read(JsonNode node, Reading at) {
        return node.isString() && words.contains(node.stringValue()) ? node.stringValue()
            : at.refused("[" + WellFormed.echoed(node.isString() ? node.stringValue() : node.toString()) + "] is not among what can stand here.",
                "Use one of " + String.join(", ", words) + ".");
      }

      @Override
      JsonNode write(String value) {
        return JSON.stringNode(value);
      }

      @Override
      ObjectNode schema(Schemas schemas) {
        ObjectNode schema = JSON.objectNode().put("type", "string");
        if (schemas.ofFile) {
          words.forEach(schema.putArray("enum")::add);
        }
        return schema;
      }
    };
  }

  static <E extends Enum<E>> FieldType<E> constant(Class<E> type) {
    FieldType<String> words = word(Stream.of(type.getEnumConstants()).map(Enum::name).toList());
    return new FieldType<>() {
      @Override
      E read(JsonNode node, Reading at) {
        String word = words.read(node, at);
        return word == null ? null : Enum.valueOf(type, word);
      }

      @Override
      JsonNode write(E value) {
        return JSON.stringNode(value.name());
      }

      @Override
      ObjectNode schema(Schemas schemas) {
        ObjectNode schema = JSON.objectNode().put("type", "string");
        Stream.of(type.getEnumConstants()).map(Enum::name).forEach(schema.putArray("enum")::add);
        return schema;
      }
    };
  }

  static FieldType<Integer> whole(int least, int most, String remedy) {
    return new FieldType<>() {
      @Override
      Integer read(JsonNode node, Reading at) {
        return node.isInt() && node.intValue() >= least && node.intValue() <= most ? node.intValue()
            : at.refused("[" + WellFormed.echoed(node.toString()) + "] is not a number from " + least + " to " + most + ".", remedy);
      }

      @Override
      JsonNode write(Integer value) {
        return JSON.numberNode(value);
      }

      @Override
      ObjectNode schema(Schemas schemas) {
        return JSON.objectNode().put("type", "integer").put("minimum", least).put("maximum", most);
      }
    };
  }

  /** @param things what it is a list of, in the plural */
  static <V> FieldType<List<V>> list(FieldType<V> of, int least, int most, String things) {
    return new FieldType<>() {
      @Override
      List<V> read(JsonNode node, Reading at) {
        if (!node.isArray()) {
          return at.refused("This is not a list.", "Write a list of " + things + ".");
        }
        if (node.size() < least) {
          return at.refused("The list is empty.", "Name at least " + (least == 1 ? "one." : least + "."));
        }
        if (node.size() > most) {
          return at.refused("There are " + node.size() + " " + things + ".", "Use at most " + most + ".");
        }
        List<V> values = new ArrayList<>();
        for (int i = 0; i < node.size(); i++) {
          V value = of.read(node.get(i), at.in(Integer.toString(i)));
          if (value != null) {
            values.add(value);
          }
        }
        return values;
      }

      @Override
      void check(List<V> values, Consumer<WellFormed.Wrong> wrong) {
        WellFormed.atMost(things, values.size(), most).ifPresent(wrong);
        values.stream().limit(most).forEach(value -> of.check(value, wrong));
      }

      @Override
      JsonNode write(List<V> values) {
        ArrayNode written = JSON.arrayNode();
        values.forEach(value -> written.add(of.write(value)));
        return written;
      }

      @Override
      ObjectNode schema(Schemas schemas) {
        ObjectNode schema = JSON.objectNode().put("type", "array");
        schema.set("items", of.schema(schemas));
        if (least > 0) {
          schema.put("minItems", least);
        }
        return schema.put("maxItems", most);
      }
    };
  }

  /** Values by key, in the order of the keys. */
  static <V> FieldType<Map<String, V>> keyed(FieldType<V> of, String things, UnaryOperator<V> tidy, UnaryOperator<Map<String, V>> copy) {
    return new FieldType<>() {
      @Override
      Map<String, V> read(JsonNode node, Reading at) {
        if (!node.isObject()) {
          return at.refused("This is not an object.", "Write " + things + " by their keys.");
        }
        Map<String, V> values = new LinkedHashMap<>();
        for (Map.Entry<String, JsonNode> property : node.properties()) {
          String key = property.getKey().strip();
          boolean nothing = property.getValue().isNull() || property.getValue().isString() && property.getValue().stringValue().isBlank();
          V value = key.isEmpty() || nothing ? null : of.read(property.getValue(), at.in(property.getKey()));
          if (value != null) {
            values.put(key, tidy.apply(value));
          }
        }
        return copy.apply(values);
      }

      @Override
      void check(Map<String, V> values, Consumer<WellFormed.Wrong> wrong) {
        WellFormed.atMost(things, values.size(), LIST_AT_MOST).ifPresent(wrong);
        new TreeMap<>(values).forEach((key, value) -> {
          KEY.check(key, wrong);
          of.check(value, wrong);
        });
      }

      @Override
      JsonNode write(Map<String, V> values) {
        ObjectNode written = JSON.objectNode();
        new TreeMap<>(values).forEach((key, value) -> written.set(key, of.write(value)));
        return written;
      }

      @Override
      ObjectNode schema(Schemas schemas) {
        ObjectNode schema = JSON.objectNode().put("type", "object");
        schema.set("additionalProperties", of.schema(schemas));
        return schema;
      }
    };
  }

  private static String blankToNone(String text) {
    return text.isBlank() ? null : text.strip();
  }
}
