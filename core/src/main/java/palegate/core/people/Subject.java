package palegate.core.people;

import java.util.Objects;
import java.util.Optional;

/** Whom an entry names (section 1). */
public sealed interface Subject {

  /** One person. */
  record OfPerson(String id) implements Subject {
    public OfPerson {
      Objects.requireNonNull(id);
    }
  }

  /** Everyone who is in a group by a chain of memberships. */
  record OfGroup(String id) implements Subject {
    public OfGroup {
      Objects.requireNonNull(id);
    }
  }

  /** Everyone in a unit and in the units below it. */
  record OfUnit(String id) implements Subject {
    public OfUnit {
      Objects.requireNonNull(id);
    }
  }

  /** A subject that is always there. */
  enum BuiltIn implements Subject {
    STAFF("staff", "All staff"),
    OUTSIDERS("outsiders", "All outsiders");

    private final String id;
    private final String title;

    BuiltIn(String id, String title) {
      this.id = id;
      this.title = title;
    }

    @Override
    public String id() {
      return id;
    }

    public String title() {
      return title;
    }

    public static Optional<BuiltIn> parse(String id) {
      return STAFF.id.equals(id) ? Optional.of(STAFF)
          : OUTSIDERS.id.equals(id) ? Optional.of(OUTSIDERS) : Optional.empty();
    }
  }

  /** The id within its kind; for a built-in subject its bundle word. */
  String id();

  /** The bundle's key for this kind: person, group, unit or builtin. */
  default String kind() {
    return this instanceof OfPerson ? "person"
        : this instanceof OfGroup ? "group" : this instanceof OfUnit ? "unit" : "builtin";
  }

  /** The subject of this kind and id; an unknown kind or built-in is refused. */
  static Subject of(String kind, String id) {
    return switch (kind) {
      case "person" -> new OfPerson(id);
      case "group" -> new OfGroup(id);
      case "unit" -> new OfUnit(id);
      case "builtin" -> BuiltIn.parse(id).orElseThrow(() -> new IllegalArgumentException(
          "[" + id + "] is not a built-in subject. There are two: staff and outsiders."));
      default -> throw new IllegalArgumentException(
          "[" + kind + "] is not a kind of subject. There are four: person, group, unit, builtin.");
    };
  }

  /** By kind, then id: a total order, so that whatever lists subjects is deterministic. */
  static int compare(Subject a, Subject b) {
    int byKind = a.kind().compareTo(b.kind());
    return byKind != 0 ? byKind : a.id().compareTo(b.id());
  }
}
