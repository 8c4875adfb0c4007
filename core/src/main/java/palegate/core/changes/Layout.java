package palegate.core.changes;

import java.util.ArrayList;
import java.util.List;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.types.DocumentType;

/** What the tree asks of a place: each kind stands where it may, and types stay in their libraries (section 2). */
final class Layout {
  private Layout() {}

  static void checkParent(Checks checks, Pending pending, PlaceKind kind, String parent) {
    Place above = pending.place(parent);
    checks.refuseIf(above == null, "There is no place [" + parent + "] (any more).", "Choose a place that exists.");
    checks.refuseIf(above != null && !kind.mayStandBelow(above.kind()),
        "A " + kind.word() + " cannot stand below a " + (above == null ? "place" : above.kind().word()) + ".", "Choose " + where(kind) + ".");
  }

  /** Libraries stand side by side: no two of one name. */
  static void checkName(Making on, Change change, Place place) {
    if (place.kind() == PlaceKind.LIBRARY && on.pending.otherLibraryNamed(place.name(), place.id())) {
      on.refuseTakenName(change, "There is a library called [" + place.name() + "] already.", "Choose another name, or use that library.");
    }
  }

  private static String where(PlaceKind kind) {
    return switch (kind) {
      case REPOSITORY, LIBRARY -> "the repository";
      case FOLDER, DOCUMENT -> "a library or a folder";
      case LINK -> "the repository, a library or a folder";
    };
  }

  static void checkNotBelowItself(Checks checks, Pending pending, Place place, String parent) {
    List<String> way = new ArrayList<>();
    for (Place at = pending.place(parent); at != null; at = pending.place(at.parent())) {
      way.add(at.name());
      if (at.id().equals(place.id())) {
        checks.refuseIf(true, "[" + place.name() + "] would stand below itself: " + String.join(" in ", way) + ".", "Choose a place that is not below it.");
        return;
      }
    }
  }

  static void checkDocument(Checks checks, Pending pending, Place place, String parent) {
    if (place.owner() != null) {
      checks.refuseIf(pending.person(place.owner()) == null, "There is no person [" + place.owner() + "].", "Choose a person who exists, or none.");
    }
    if (place.type() != null) {
      DocumentType type = pending.type(place.type());
      checks.refuseIf(type == null, "There is no document type [" + place.type() + "].", "Choose one of the types that exist, or none.");
      if (type != null) {
        checkLibrary(checks, type, libraryOf(pending, parent));
      }
    }
  }

  /** Whether everything below a place may go where it goes. O(places below) if any type is limited to libraries. */
  static void checkTypesBelow(Checks checks, Pending pending, Place place, String parent) {
    boolean narrowed = pending.before().types().values().stream().anyMatch(type -> !type.libraries().isEmpty());
    int number = pending.base.placeNumber(place.id());
    if (narrowed && number >= 0) {
      Place library = libraryOf(pending, parent);
      for (int at : pending.base.below(number).toArray()) {
        Place below = pending.place(pending.base.place(at).id());
        if (checks.passed() && below != null && below.type() != null && pending.type(below.type()) != null) {
          checkLibrary(checks, pending.type(below.type()), library);
        }
      }
    }
  }

  private static void checkLibrary(Checks checks, DocumentType type, Place library) {
    boolean allowed = type.libraries().isEmpty() || library != null && type.libraries().contains(library.id());
    checks.refuseIf(!allowed, type.name() + " is not used in " + (library == null ? "this place" : library.name()) + ".",
        "Choose another type, or say at the type that it may be used there.");
  }

  private static Place libraryOf(Pending pending, String place) {
    Place at = pending.place(place);
    while (at != null && at.kind() != PlaceKind.LIBRARY) {
      at = pending.place(at.parent());
    }
    return at;
  }
}
