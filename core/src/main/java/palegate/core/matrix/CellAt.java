package palegate.core.matrix;

import java.util.Objects;
import palegate.core.people.Subject;

/** A cell of a matrix by what is at its heads, wherever those stand. */
public record CellAt(Subject subject, Column column) {
  public CellAt {
    Objects.requireNonNull(subject);
    Objects.requireNonNull(column);
  }
}
