package palegate.core.access;

import java.util.Set;
import palegate.core.people.Period;
import palegate.core.people.Subject;

/** A line of an access list: a grant or a withholding (section 4). */
public sealed interface Entry permits Grant, Withholding {
  String id();

  /** The id of the place where the entry stands; it reaches everything below up to a break. */
  String place();

  Subject subject();

  /** The document types it is narrowed to; empty means no narrowing. */
  Set<String> types();

  Period period();

  /** Why the entry is there, or null. */
  String note();

  /** Whether the entry touches a document of this type; {@code type} is null for all other places. */
  default boolean touches(String type) {
    return types().isEmpty() || (type != null && types().contains(type));
  }

  /** Whether two entries say the same to the same subject for the same time, wherever they stand. */
  default boolean saysTheSameAs(Entry other) {
    return subject().equals(other.subject())
        && types().equals(other.types())
        && period().equals(other.period())
        && givesOrTakesTheSameAs(other);
  }

  /** Whether both give the same role, or both take the same rights. */
  boolean givesOrTakesTheSameAs(Entry other);
}
