package palegate.core.drafts;

import java.util.Objects;
import palegate.core.duties.Duty;
import palegate.core.places.Place;

/** A change of which places there are, where they stand, and what a document is. */
public sealed interface LayoutChange extends Change {
  @Override
  default Duty duty() {
    return Duty.ACCESS;
  }

  /** The id of the place. */
  String place();

  @Override
  default String thing() {
    return "place:" + place();
  }

  /** Puts a new place below its parent. */
  record AddPlace(Place added) implements LayoutChange {
    public AddPlace {
      Objects.requireNonNull(added);
    }

    @Override
    public String place() {
      return added.id();
    }
  }

  /** Calls a place something else. */
  record RenamePlace(String place, String name) implements LayoutChange {
    public RenamePlace {
      Objects.requireNonNull(place);
      Objects.requireNonNull(name);
    }
  }

  /** Puts a place, with all that is below it, below another parent. */
  record MovePlace(String place, String parent) implements LayoutChange {
    public MovePlace {
      Objects.requireNonNull(place);
      Objects.requireNonNull(parent);
    }
  }

  /** Says of which type a document is and who owns it; null for none. */
  record SetDocument(String place, String type, String owner) implements LayoutChange {
    public SetDocument {
      Objects.requireNonNull(place);
    }
  }

  /** Takes away a place with nothing below it, and the entries that stand there. */
  record RemovePlace(String place) implements LayoutChange {
    public RemovePlace {
      Objects.requireNonNull(place);
    }
  }
}
