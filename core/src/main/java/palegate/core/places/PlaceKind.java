package palegate.core.places;

import java.util.Locale;

/** The five kinds of place (section 2). */
public enum PlaceKind {
  REPOSITORY,
  LIBRARY,
  FOLDER,
  DOCUMENT,
  LINK;

  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  public static PlaceKind parse(String word) {
    return valueOf(word.toUpperCase(Locale.ROOT));
  }

  /** Whether other places can stand below one of this kind. */
  public boolean isContainer() {
    return this == REPOSITORY || this == LIBRARY || this == FOLDER;
  }

  /** Whether a place of this kind may stand directly below one of the other kind (section 2). */
  public boolean mayStandBelow(PlaceKind parent) {
    return switch (this) {
      case REPOSITORY -> false;
      case LIBRARY -> parent == REPOSITORY;
      case FOLDER, DOCUMENT -> parent == LIBRARY || parent == FOLDER;
      case LINK -> parent.isContainer();
    };
  }
}
