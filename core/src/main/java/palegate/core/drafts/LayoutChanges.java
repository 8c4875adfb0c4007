package palegate.core.drafts;

import java.util.ArrayList;
import java.util.List;
import palegate.core.access.Entry;
import palegate.core.access.Oversight;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.types.DocumentType;

/** Makes places, names them, moves them and takes them away: the tree stays one, and each kind stands where it may (section 2). */
final class LayoutChanges {
  private final Pending pending;
  private final Refuser refuser;

  LayoutChanges(Pending pending, Refuser refuser) {
    this.pending = pending;
    this.refuser = refuser;
  }

  void make(LayoutChange change) {
    if (change instanceof LayoutChange.AddPlace add) {
      add(add);
      return;
    }
    Place place = pending.place(change.place());
    if (place == null) {
      refuser.refuse(change, "The place [" + change.place() + "] does not exist (any more).", "Remove this change from the draft.");
    } else if (change instanceof LayoutChange.RenamePlace rename) {
      if (checks().passed()) {
        pending.put(place.named(rename.name()));
      }
    } else if (change instanceof LayoutChange.MovePlace move) {
      move(place, move);
    } else if (change instanceof LayoutChange.SetDocument set) {
      set(place, set);
    } else {
      remove(place, change);
    }
  }

  private void add(LayoutChange.AddPlace add) {
    Place place = add.added();
    Checks checks = checks()
        .refuseIf(pending.place(place.id()) != null, add, "The id [" + place.id() + "] is taken.", "Add the place under another id.");
    Place former = pending.place(place.id()) == null ? pending.formerly(place.id()) : null;
    checks.refuseIf(former != null && !former.isSameThingAs(place), add,
        "The id [" + place.id() + "] belonged to something that was removed, and an id never comes back for something else.", "Leave the id out: the place gets one of its own.");
    if (place.kind() == PlaceKind.REPOSITORY) {
      boolean alone = pending.base.placeCount() == 0 && place.parent() == null;
      checks.refuseIf(!alone, add, "There is one repository, and it is there already.", "Add a library, a folder, a document or a link.");
    } else {
      checkParent(checks, add, place.kind(), place.parent());
    }
    if (place.kind() == PlaceKind.LINK) {
      Place target = pending.place(place.target());
      checks.refuseIf(target == null, add, "There is no place [" + place.target() + "] to show.", "Choose a place that exists.");
      checks.refuseIf(target != null && target.kind() == PlaceKind.LINK, add, "A link cannot show another link.", "Choose what that link shows.");
    }
    checkDocument(checks, add, place, place.parent());
    if (checks.passed()) {
      pending.put(place);
    }
  }

  private void move(Place place, LayoutChange.MovePlace move) {
    Checks checks = checks().refuseIf(place.kind() == PlaceKind.REPOSITORY, move, "The repository is the root.", "Move what is below it.");
    checkParent(checks, move, place.kind(), move.parent());
    List<String> way = new ArrayList<>();
    for (Place at = pending.place(move.parent()); at != null; at = pending.place(at.parent())) {
      way.add(at.name());
      if (at.id().equals(place.id())) {
        checks.refuseIf(true, move, "[" + place.name() + "] would stand below itself: " + String.join(" in ", way) + ".", "Choose a place that is not below it.");
        break;
      }
    }
    if (checks.passed()) {
      checkTypesBelow(checks, move, place);
    }
    if (checks.passed()) {
      pending.put(place.movedTo(move.parent()));
    }
  }

  private void set(Place place, LayoutChange.SetDocument set) {
    Place changed = place.as(set.type(), set.owner());
    Checks checks = checks().refuseIf(!place.isDocument(), set, "[" + place.name() + "] is a " + place.kind().word() + ".", "Only a document has a type and an owner.")
        .refuseIf(place.conditions().isPrivate() && set.owner() == null, set, "[" + place.name() + "] is private, and what is private has an owner.",
            "Release it first, or name an owner.");
    checkDocument(checks, set, changed, place.parent());
    if (checks.passed()) {
      pending.put(changed);
    }
  }

  private void remove(Place place, LayoutChange change) {
    Checks checks = checks().refuseIf(place.kind() == PlaceKind.REPOSITORY, change, "The repository is the root.", "Remove what is below it.")
        .refuseIf(pending.hasChildren(place.id()), change, "There is something below [" + place.name() + "].", "Remove what is below it first.");
    String used = checks.passed() ? pending.references().place(place.id(), pending) : null;
    checks.refuseIf(used != null, change, "[" + place.name() + "] is still used: " + used + ".", "Take it away there first.");
    if (checks.passed()) {
      for (Entry entry : pending.entriesAt(place.id())) {
        pending.remove(entry);
      }
      for (Oversight oversight : pending.oversightsAt(place.id())) {
        pending.remove(oversight);
      }
      pending.remove(place);
    }
  }

  private void checkParent(Checks checks, Change change, PlaceKind kind, String parent) {
    Place above = pending.place(parent);
    checks.refuseIf(above == null, change, "There is no place [" + parent + "] (any more).", "Choose a place that exists.");
    checks.refuseIf(above != null && !kind.mayStandBelow(above.kind()), change,
        "A " + kind.word() + " cannot stand below a " + (above == null ? "place" : above.kind().word()) + ".", "Choose " + where(kind) + ".");
  }

  private static String where(PlaceKind kind) {
    return switch (kind) {
      case REPOSITORY, LIBRARY -> "the repository";
      case FOLDER, DOCUMENT -> "a library or a folder";
      case LINK -> "the repository, a library or a folder";
    };
  }

  private void checkDocument(Checks checks, Change change, Place place, String parent) {
    if (place.owner() != null) {
      checks.refuseIf(pending.person(place.owner()) == null, change, "There is no person [" + place.owner() + "].", "Choose a person who exists, or none.");
    }
    if (place.type() != null) {
      DocumentType type = pending.type(place.type());
      checks.refuseIf(type == null, change, "There is no document type [" + place.type() + "].", "Choose one of the types that exist, or none.");
      if (type != null) {
        checkLibrary(checks, change, type, libraryOf(parent));
      }
    }
  }

  private void checkTypesBelow(Checks checks, LayoutChange.MovePlace move, Place place) {
    boolean narrowed = pending.before().types().values().stream().anyMatch(type -> !type.libraries().isEmpty());
    int number = pending.base.placeNumber(place.id());
    if (narrowed && number >= 0) {
      Place library = libraryOf(move.parent());
      for (int at : pending.base.below(number).toArray()) {
        Place below = pending.place(pending.base.place(at).id());
        if (checks.passed() && below != null && below.type() != null && pending.type(below.type()) != null) {
          checkLibrary(checks, move, pending.type(below.type()), library);
        }
      }
    }
  }

  private void checkLibrary(Checks checks, Change change, DocumentType type, Place library) {
    boolean allowed = type.libraries().isEmpty() || library != null && type.libraries().contains(library.id());
    checks.refuseIf(!allowed, change, type.name() + " is not used in " + (library == null ? "this place" : library.name()) + ".",
        "Choose another type, or say at the type that it may be used there.");
  }

  private Place libraryOf(String place) {
    Place at = pending.place(place);
    while (at != null && at.kind() != PlaceKind.LIBRARY) {
      at = pending.place(at.parent());
    }
    return at;
  }

  private Checks checks() {
    return new Checks(pending, refuser);
  }
}
