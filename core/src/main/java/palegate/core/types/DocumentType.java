package palegate.core.types;

import java.util.List;
import java.util.Objects;

/**
 * A document type with its fields (section 2).
 *
 * @param guarded whether documents of the type are only for those who are cleared (section 5)
 * @param clearances what counts for a guarded type; an open type may keep some for later
 */
public record DocumentType(String id, String name, boolean guarded, List<Field> fields, List<Clearance> clearances) {
  public DocumentType {
    Objects.requireNonNull(id);
    Objects.requireNonNull(name);
    fields = List.copyOf(fields);
    clearances = List.copyOf(clearances);
  }

  /** A type that is open to whoever the access lists let in. */
  public static DocumentType open(String id, String name, List<Field> fields) {
    return new DocumentType(id, name, false, fields, List.of());
  }

  /** This type with other clearances. */
  public DocumentType cleared(List<Clearance> changed) {
    return new DocumentType(id, name, guarded, fields, changed);
  }

  /** This type, guarded or open. */
  public DocumentType guarded(boolean changed) {
    return new DocumentType(id, name, changed, fields, clearances);
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
