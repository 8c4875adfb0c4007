package palegate.core.types;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import palegate.core.types.DocumentType.Field;

/** Where the fields of a document are not what its type asks for: its kinds, what must be filled in, and what can be chosen (section 2). */
public final class FieldFaults {
  /**
   * One field that is not as it should be.
   *
   * @param value what stands there; null if nothing does and something must
   */
  public record FieldFault(Field field, String value) {
    public String what() {
      return value == null ? "[" + field.label() + "] is required, and nothing stands there." : "[" + value + "] is not what [" + field.label() + "] holds.";
    }

    public String remedy() {
      return switch (field.kind()) {
        case TEXT -> "Fill it in.";
        case NUMBER -> "Give a number, such as 1234.5.";
        case MONEY -> "Give an amount, such as 1234.50 EUR.";
        case DATE -> "Give a day, such as 2026-10-02.";
        case CHOICE -> "Choose one of " + String.join(", ", field.choices()) + ".";
        case FLAG -> "Say yes or no.";
        case PERSON -> "Name a person who exists, by their id.";
      };
    }
  }

  private FieldFaults() {}

  /**
   * In the order of the type's fields. O(fields).
   *
   * @param values what the document holds, by the keys of fields
   * @param person finds the id of a person by id or name; empty if there is none, or more than one
   */
  public static List<FieldFault> of(DocumentType type, Map<String, String> values, Function<String, Optional<String>> person) {
    List<FieldFault> faults = new ArrayList<>();
    for (Field field : type.fields()) {
      String value = values.get(field.key());
      boolean empty = value == null || value.isBlank();
      if (empty ? field.required() : FieldValues.in(field, value, person).isEmpty()) {
        faults.add(new FieldFault(field, empty ? null : value));
      }
    }
    return faults;
  }
}
