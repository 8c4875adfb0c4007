package palegate.core.matrix;

import java.util.Objects;

/**
 * What stands at the head of a column.
 *
 * @param place by its number
 * @param type null for the place itself; else a document of this type, without labels or conditions, imagined directly below it (section 6)
 */
public record Column(int place, String type) {
  public static Column of(int place) {
    return new Column(place, null);
  }

  public static Column ofType(int container, String type) {
    return new Column(container, Objects.requireNonNull(type));
  }

  /** The type that decides which entries touch it; null for a container, or a document without one. */
  String typeIn(palegate.core.snapshot.Snapshot snapshot) {
    return type != null ? type : snapshot.place(place).type();
  }
}
