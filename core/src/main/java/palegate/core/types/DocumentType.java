package palegate.core.types;

import java.util.List;
import java.util.Objects;

/** A document type with its fields (section 2). */
public record DocumentType(String id, String name, List<Field> fields) {
  public DocumentType {
    Objects.requireNonNull(id);
    Objects.requireNonNull(name);
    fields = List.copyOf(fields);
  }

  /** One field of a type; {@code choices} is empty but for a choice field. */
  public record Field(String key, String label, Kind kind, List<String> choices, boolean required) {
    public Field {
      Objects.requireNonNull(key);
      Objects.requireNonNull(kind);
      choices = List.copyOf(choices);
    }
  }

  /** What a field holds. */
  public enum Kind {
    TEXT, NUMBER, MONEY, DATE, CHOICE, FLAG, PERSON;

    public String word() {
      return name().toLowerCase(java.util.Locale.ROOT);
    }

    public static Kind parse(String word) {
      return valueOf(word.toUpperCase(java.util.Locale.ROOT));
    }
  }
}
