package palegate.core.literal;

import java.time.Instant;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.Set;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.structure.Structure;

/**
 * The access rules read out aloud: slow, one person and one place at a time, straight from sections
 * 1 to 6. Shares no code with the engine beyond the values of the model, and exists to disagree
 * with it.
 */
public final class LiteralRules {
  private LiteralRules() {}

  public static Set<Right> rights(Structure structure, String personId, String placeId, Instant t) {
    Person person = structure.people().get(personId);
    Place place = structure.places().get(placeId);
    // 0 active
    if (!person.active()) {
      return EnumSet.noneOf(Right.class);
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
    // 6 close
    boolean changed = true;
    while (changed) {
      changed = given.removeIf(right -> !needOf(right, given));
    }
    return given;
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

  private static boolean in(Instant from, Instant until, Instant t) {
    return (from == null || t.compareTo(from) >= 0) && (until == null || t.compareTo(until) < 0);
  }

  private static boolean matches(Structure structure, Person person, Subject subject, Instant t) {
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
