package palegate.core.walls;

import java.util.List;
import java.util.Locale;
import java.util.Objects;
import palegate.core.people.Subject;
import palegate.core.text.WellFormed;

/** The four kinds of walls: who is barred, and from what (section 7). */
public sealed interface Barrier {

  /** The listed subjects are barred from the scope. */
  record Screen(Scope scope, List<Subject> subjects) implements Barrier {
    public Screen {
      Objects.requireNonNull(scope);
      subjects = named(subjects);
    }
  }

  /** Everyone but the listed subjects is barred from the scope. */
  record Seal(Scope scope, List<Subject> subjects) implements Barrier {
    public Seal {
      Objects.requireNonNull(scope);
      subjects = named(subjects);
    }
  }

  /** The listed subjects are barred from everything outside the scope. */
  record Confine(Scope scope, List<Subject> subjects) implements Barrier {
    public Confine {
      Objects.requireNonNull(scope);
      subjects = named(subjects);
    }
  }

  /** Whoever is on one side is barred from the scopes of all the others. */
  record Sides(List<Side> sides) implements Barrier {
    public Sides {
      sides = List.copyOf(sides);
      if (sides.size() < 2) {
        throw new IllegalArgumentException("A wall of sides has [" + sides.size() + "] side. It needs at least two.");
      }
      sides.forEach(side -> WellFormed.require(WellFormed::name, side.name));
    }
  }

  /** One side: its people, and the papers that are theirs. */
  record Side(String name, List<Subject> subjects, Scope scope) {
    public Side {
      Objects.requireNonNull(name);
      Objects.requireNonNull(scope);
      subjects = named(subjects);
    }
  }

  /** The bundle's word: screen, seal, confine or sides. */
  default String kind() {
    return getClass().getSimpleName().toLowerCase(Locale.ROOT);
  }

  /** Every subject that the wall names, side by side. */
  default List<Subject> subjects() {
    return this instanceof Sides sides
        ? sides.sides().stream().flatMap(side -> side.subjects().stream()).toList() : subjectsOfOne();
  }

  /** Every scope of the wall: one, or one for each side. */
  default List<Scope> scopes() {
    return this instanceof Sides sides ? sides.sides().stream().map(Side::scope).toList() : List.of(scopeOfOne());
  }

  private List<Subject> subjectsOfOne() {
    return this instanceof Screen screen ? screen.subjects
        : this instanceof Seal seal ? seal.subjects : ((Confine) this).subjects;
  }

  private Scope scopeOfOne() {
    return this instanceof Screen screen ? screen.scope
        : this instanceof Seal seal ? seal.scope : ((Confine) this).scope;
  }

  private static List<Subject> named(List<Subject> subjects) {
    if (subjects.isEmpty()) {
      throw new IllegalArgumentException("A wall, and every side, names at least one subject.");
    }
    return List.copyOf(subjects);
  }
}
