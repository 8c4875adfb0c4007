package palegate.core.literal;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.structure.Structure;
import palegate.core.walls.Wall;

/**
 * The access rules read out aloud: slow, one person and one place at a time, straight from sections
 * 1 to 7. Shares no code with the engine beyond the values of the model, and exists to disagree
 * with it.
 */
public final class LiteralRules {
  private LiteralRules() {}

  /** Rights now: all stages. */
  public static Set<Right> rights(Structure structure, String personId, String placeId, Instant t) {
    return evaluate(structure, personId, placeId, t, true);
  }

  /** Standing rights: without stage 8. */
  public static Set<Right> standing(Structure structure, String personId, String placeId, Instant t) {
    return evaluate(structure, personId, placeId, t, false);
  }

  private static Set<Right> evaluate(Structure structure, String personId, String placeId, Instant t, boolean withConditions) {
    Person person = structure.people().get(personId);
    Place place = structure.places().get(placeId);
    Set<Right> none = EnumSet.noneOf(Right.class);
    // 0 active
    if (!person.active()) {
      return none;
    }
    // 1 walls
    for (Wall wall : structure.walls().values()) {
      if (LiteralWalls.bars(structure, wall, person, place, t)) {
        return none;
      }
    }
    // 2 grants, 3 withholdings
    Set<Right> given = EnumSet.noneOf(Right.class);
    Set<Right> taken = EnumSet.noneOf(Right.class);
    Place at = place;
    boolean reaches = true;
    while (reaches) {
      for (var grant : structure.grants().values()) {
        if (grant.place().equals(at.id()) && in(grant.period().from(), grant.period().until(), t)
            && touches(grant.types(), place) && matches(structure, person, grant.subject(), t)) {
          given.addAll(structure.roles().get(grant.role()).rights().list());
        }
      }
      for (var withholding : structure.withholdings().values()) {
        if (withholding.place().equals(at.id()) && in(withholding.period().from(), withholding.period().until(), t)
            && touches(withholding.types(), place) && matches(structure, person, withholding.subject(), t)) {
          taken.addAll(withholding.rights().list());
        }
      }
      reaches = !at.standsAlone() && at.parent() != null;
      at = reaches ? structure.places().get(at.parent()) : at;
    }
    given.removeAll(taken);
    // 4 clearance
    if (place.type() != null && structure.types().get(place.type()).guarded()) {
      Set<Right> cleared = EnumSet.noneOf(Right.class);
      for (var clearance : structure.types().get(place.type()).clearances()) {
        if (in(clearance.period().from(), clearance.period().until(), t) && matches(structure, person, clearance.subject(), t)) {
          cleared.addAll(structure.roles().get(clearance.role()).rights().list());
        }
      }
      given.retainAll(cleared);
    }
    // 5 ceiling
    List<Place> path = new ArrayList<>();
    for (Place up = place; up != null; up = up.parent() == null ? null : structure.places().get(up.parent())) {
      path.add(up);
    }
    for (Place up : path) {
      if (person.external() && up.guards().ceiling() != null) {
        given.retainAll(structure.roles().get(up.guards().ceiling()).rights().list());
      }
    }
    // 6 close
    close(given);
    // 7 house rules
    Set<Right> after6 = EnumSet.copyOf(given);
    if (path.stream().anyMatch(up -> up.guards().reserveSharing()) && !after6.contains(Right.GOVERN)) {
      given.remove(Right.SHARE);
    }
    if (path.stream().anyMatch(up -> up.guards().noTakeaway()) && !after6.contains(Right.REVISE)) {
      given.remove(Right.COPY);
    }
    close(given);
    // 8 conditions
    if (withConditions) {
      if (place.conditions().isPrivate() && !person.id().equals(place.owner())) {
        if (given.contains(Right.GOVERN)) {
          given.retainAll(EnumSet.of(Right.FIND, Right.GOVERN));
        } else {
          given.clear();
        }
      }
      if (place.conditions().frozen()) {
        given.removeAll(EnumSet.of(Right.REVISE, Right.DESCRIBE, Right.DELETE));
      }
      String by = place.conditions().checkedOutBy();
      if (by != null && !by.equals(person.id())) {
        given.removeAll(EnumSet.of(Right.REVISE, Right.DELETE));
      }
      close(given);
    }
    // 9 oversight
    for (var oversight : structure.oversights().values()) {
      if (!person.external() && in(oversight.period().from(), oversight.period().until(), t)
          && path.stream().anyMatch(up -> up.id().equals(oversight.place())) && matches(structure, person, oversight.subject(), t)) {
        given.add(Right.FIND);
        given.add(Right.READ);
      }
    }
    return given;
  }

  /** Passage, section 6: whether a container shows in the tree to a person. */
  public static boolean shows(Structure structure, String personId, Place container, Instant t) {
    if (rights(structure, personId, container.id(), t).contains(Right.FIND)) {
      return true;
    }
    for (Wall wall : structure.walls().values()) {
      if (!wall.barrier().kind().equals("confine")
          && LiteralWalls.bars(structure, wall, structure.people().get(personId), container, t)) {
        return false;
      }
    }
    return structure.places().values().stream().anyMatch(place -> isBelow(structure, place, container)
        && rights(structure, personId, place.id(), t).contains(Right.FIND));
  }

  private static boolean isBelow(Structure structure, Place place, Place above) {
    for (String up = place.parent(); up != null; up = structure.places().get(up).parent()) {
      if (up.equals(above.id())) {
        return true;
      }
    }
    return false;
  }

  private static void close(Set<Right> held) {
    boolean changed = true;
    while (changed) {
      changed = held.removeIf(right -> !needOf(right, held));
    }
  }

  private static boolean needOf(Right right, Set<Right> held) {
    return switch (right) {
      case FIND -> true;
      case READ, ADD, DESCRIBE, DELETE, GOVERN -> held.contains(Right.FIND);
      case COPY, REVISE, SHARE -> held.contains(Right.READ);
    };
  }

  private static boolean touches(Set<String> types, Place place) {
    return types.isEmpty() || (place.type() != null && types.contains(place.type()));
  }

  static boolean in(Instant from, Instant until, Instant t) {
    return (from == null || t.compareTo(from) >= 0) && (until == null || t.compareTo(until) < 0);
  }

  public static boolean matches(Structure structure, Person person, Subject subject, Instant t) {
    if (subject instanceof Subject.OfPerson one) {
      return one.id().equals(person.id());
    }
    if (subject instanceof Subject.OfUnit unit) {
      for (String at = person.unit(); at != null; at = structure.units().get(at).parent()) {
        if (at.equals(unit.id())) {
          return true;
        }
      }
      return false;
    }
    if (subject instanceof Subject.OfGroup group) {
      return inGroup(structure, person, group.id(), t, new HashSet<>());
    }
    return person.active() && person.external() == (subject == Subject.BuiltIn.OUTSIDERS);
  }

  private static boolean inGroup(Structure structure, Person person, String group, Instant t, Set<String> seen) {
    if (!seen.add(group)) {
      return false;
    }
    for (Membership membership : structure.groups().get(group).members()) {
      if (!in(membership.period().from(), membership.period().until(), t)) {
        continue;
      }
      if (membership.member() instanceof Membership.PersonMember direct && direct.id().equals(person.id())) {
        return true;
      }
      if (membership.member() instanceof Membership.GroupMember inner && inGroup(structure, person, inner.id(), t, seen)) {
        return true;
      }
    }
    return false;
  }
}
