package palegate.core.questions;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;
import palegate.core.types.DocumentType.Field;
import palegate.core.types.FieldValues;

/** What becomes of the values of documents when fields of their type become of another kind (job capability 4). */
public final class Conversion {
  /**
   * One value of one document.
   *
   * @param after the value in its new form; null if it cannot be converted, and stays as it is
   */
  public record Converted(Place document, Field field, String before, String after) {}

  private Conversion() {}

  /** The values that need another form, or have none, in the changed type; those that stay as they are, are left out. O(places). */
  public static List<Converted> of(Structure structure, DocumentType changed) {
    DocumentType known = structure.types().get(changed.id());
    List<Field> altered = known == null ? List.of() : changed.fields().stream()
        .filter(field -> known.field(field.key()).filter(was -> was.kind() != field.kind() || !was.choices().equals(field.choices())).isPresent()).toList();
    List<Converted> converted = new ArrayList<>();
    if (!altered.isEmpty()) {
      Function<String, Optional<String>> person = people(structure);
      structure.places().values().stream().filter(place -> changed.id().equals(place.type())).forEach(document -> altered.forEach(field -> {
        String before = document.labels().get(field.key());
        String after = before == null ? null : FieldValues.in(field, before, person).orElse(null);
        if (before != null && !before.equals(after)) {
          converted.add(new Converted(document, field, before, after));
        }
      }));
    }
    return converted;
  }

  /** Finds people by id, or by a name that only one of them has. */
  public static Function<String, Optional<String>> people(Structure structure) {
    Map<String, String> byName = new HashMap<>();
    for (Person person : structure.people().values()) {
      byName.merge(person.name(), person.id(), (one, other) -> "");
    }
    return text -> structure.people().containsKey(text) ? Optional.of(text)
        : Optional.ofNullable(byName.get(text)).filter(id -> !id.isEmpty());
  }
}
