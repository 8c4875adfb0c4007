package palegate.core.types;

import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import palegate.core.text.WellFormed;

/**
 * A document type with its fields (section 2).
 *
 * @param shortName what it is called where there is little room, or null
 * @param guarded whether documents of the type are only for those who are cleared (section 5)
 * @param libraries the ids of the libraries in which it may be used; empty for all
 * @param fields in the order in which they are shown
 * @param clearances what counts for a guarded type; an open type may keep some for later
 */
public record DocumentType(
    String id, String name, String shortName, boolean guarded, Set<String> libraries, List<Field> fields, List<Clearance> clearances) {
  public DocumentType {
    Objects.requireNonNull(id);
    Objects.requireNonNull(name);
    WellFormed.require(WellFormed::id, id);
    WellFormed.require(WellFormed::name, name);
    if (shortName != null) {
      WellFormed.require(WellFormed::name, shortName);
    }
    libraries = Set.copyOf(libraries);
    fields = List.copyOf(fields);
    clearances = List.copyOf(clearances);
  }

  /** A type without a short name that may be used in every library. */
  public DocumentType(String id, String name, boolean guarded, List<Field> fields, List<Clearance> clearances) {
    this(id, name, null, guarded, Set.of(), fields, clearances);
  }

  /** A type that is open to whoever the access lists let in. */
  public static DocumentType open(String id, String name, List<Field> fields) {
    return new DocumentType(id, name, false, fields, List.of());
  }

  /** This type with other clearances. */
  public DocumentType cleared(List<Clearance> changed) {
    return new DocumentType(id, name, shortName, guarded, libraries, fields, changed);
  }

  /** This type, guarded or open. */
  public DocumentType guarded(boolean changed) {
    return new DocumentType(id, name, shortName, changed, libraries, fields, clearances);
  }

  public Optional<Field> field(String key) {
    return fields.stream().filter(field -> field.key().equals(key)).findFirst();
  }

  /**
   * One field of a type.
   *
   * @param key the label in which documents hold its value
   * @param choices what can be chosen; empty but for a choice field
   * @param width of its column, in letters, or null to leave it to the screen
   * @param hidden whether lists leave it out
   * @param help a sentence for whoever fills it in, or null
   */
  public record Field(String key, String label, Kind kind, List<String> choices, boolean required, Integer width, boolean hidden, String help) {
    public Field {
      Objects.requireNonNull(key);
      Objects.requireNonNull(kind);
      WellFormed.require(WellFormed::key, key);
      WellFormed.require(WellFormed::text, help);
      choices = List.copyOf(choices);
      choices.forEach(choice -> WellFormed.require(WellFormed::value, choice));
    }

    /** A field that is shown, as wide as the screen likes. */
    public Field(String key, String label, Kind kind, List<String> choices, boolean required) {
      this(key, label, kind, choices, required, null, false, null);
    }
  }

  /** What a field holds. */
  public enum Kind {
    TEXT, NUMBER, MONEY, DATE, CHOICE, FLAG, PERSON;

    public String word() {
      return name().toLowerCase(Locale.ROOT);
    }

    public static Kind parse(String word) {
      return valueOf(word.toUpperCase(Locale.ROOT));
    }
  }
}
