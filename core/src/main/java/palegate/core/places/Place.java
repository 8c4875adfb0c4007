package palegate.core.places;

import java.util.Map;
import java.util.Objects;
import palegate.core.text.WellFormed;

/**
 * A node of the repository tree (section 2).
 *
 * @param parent the id of the place above; null for the repository alone
 * @param standsAlone whether the place has a break; the repository stands alone by nature
 * @param labels own labels; an empty text is no value and is not kept
 * @param type the id of a document's type, or null
 * @param owner the id of a document's owner, or null
 * @param target the id of the place that a link shows; null for all other kinds
 * @param guards the ceiling and house rules that stand here
 * @param conditions what a document is in; none for all other kinds
 */
public record Place(
    String id, PlaceKind kind, String parent, String name, boolean standsAlone,
    Map<String, String> labels, String type, String owner, String target, Guards guards, Conditions conditions) {
  public Place {
    Objects.requireNonNull(id);
    Objects.requireNonNull(kind);
    Objects.requireNonNull(name);
    Objects.requireNonNull(guards);
    Objects.requireNonNull(conditions);
    standsAlone = standsAlone || kind == PlaceKind.REPOSITORY;
    labels = Map.copyOf(labels);
    WellFormed.require(WellFormed::id, id);
    WellFormed.require(WellFormed::name, name);
    labels.forEach((key, value) -> {
      WellFormed.require(WellFormed::key, key);
      if (!value.isEmpty()) {
        WellFormed.require(WellFormed::value, value);
      }
    });
  }

  /** A place without guards and conditions. */
  public static Place plain(String id, PlaceKind kind, String parent, String name, boolean standsAlone,
      Map<String, String> labels, String type, String owner, String target) {
    return new Place(id, kind, parent, name, standsAlone, labels, type, owner, target, Guards.NONE, Conditions.NONE);
  }

  /**
   * Whether this is the same thing as another place with its id: of the same kind, at the same parent, of the same type and
   * with the same labels, so that the same walls and clearances keep it. Content belongs to a thing, not to an id.
   */
  public boolean isSameThingAs(Place other) {
    return id.equals(other.id) && kind == other.kind && Objects.equals(parent, other.parent) && Objects.equals(type, other.type) && labels.equals(other.labels)
        && Objects.equals(target, other.target);
  }

  public boolean isDocument() {
    return kind == PlaceKind.DOCUMENT;
  }

  /** This place with a break. */
  public Place broken() {
    return new Place(id, kind, parent, name, true, labels, type, owner, target, guards, conditions);
  }

  /** This place following its parent again. */
  public Place following() {
    return new Place(id, kind, parent, name, false, labels, type, owner, target, guards, conditions);
  }

  /** This place with other guards. */
  public Place guarded(Guards changed) {
    return new Place(id, kind, parent, name, standsAlone, labels, type, owner, target, changed, conditions);
  }

  /** This document in other conditions. */
  public Place in(Conditions changed) {
    return new Place(id, kind, parent, name, standsAlone, labels, type, owner, target, guards, changed);
  }

  /** This place with other own labels. */
  public Place labelled(Map<String, String> changed) {
    return new Place(id, kind, parent, name, standsAlone, changed, type, owner, target, guards, conditions);
  }

  /** This place under another name. */
  public Place named(String changed) {
    return new Place(id, kind, parent, changed, standsAlone, labels, type, owner, target, guards, conditions);
  }

  /** This place below another one. */
  public Place movedTo(String changed) {
    return new Place(id, kind, changed, name, standsAlone, labels, type, owner, target, guards, conditions);
  }

  /** This document with another type and owner; null for none. */
  public Place as(String changedType, String changedOwner) {
    return new Place(id, kind, parent, name, standsAlone, labels, changedType, changedOwner, target, guards, conditions);
  }
}
