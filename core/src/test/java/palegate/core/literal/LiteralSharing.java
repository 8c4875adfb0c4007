package palegate.core.literal;

import java.time.Duration;
import java.time.Instant;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import palegate.core.access.Grant;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.separations.Separation;
import palegate.core.sharing.SharingRule;
import palegate.core.structure.Structure;

/** Sections 11 and 13 read out aloud, one person and one place at a time. */
final class LiteralSharing {
  private LiteralSharing() {}

  /** Whether somebody may share so: everything that sections 9 and 11 ask for. */
  static boolean mayShare(Structure structure, String sharer, Grant share, Instant now, Set<Instant> later) {
    Structure unseen = withoutOversight(structure);
    Set<Right> own = LiteralRules.standing(unseen, sharer, share.place(), now);
    if (!own.contains(Right.SHARE) || !LiteralRules.rights(structure, sharer, share.place(), now).contains(Right.SHARE)) {
      return false;
    }
    Set<Right> gives = EnumSet.noneOf(Right.class);
    gives.addAll(structure.roles().get(share.role()).rights().list());
    for (Place at = structure.places().get(share.place()); at != null; at = at.parent() == null ? null : structure.places().get(at.parent())) {
      SharingRule rule = structure.sharing().get(at.id());
      if (rule == null) {
        continue;
      }
      boolean nobody = rule.who() == SharingRule.Who.NOBODY || rule.who() == SharingRule.Who.KEEPERS && !own.contains(Right.GOVERN);
      boolean tooMuch = rule.role() != null && !structure.roles().get(rule.role()).rights().list().containsAll(gives);
      boolean tooLong = rule.days() != null && (share.period().until() == null || share.period().until().isAfter(now.plus(Duration.ofDays(rule.days()))));
      if (nobody || tooMuch || tooLong || !rule.outsiders() && namesOutsiders(structure, share, instants(share, now, later))) {
        return false;
      }
    }
    Structure after = structure.withGrants(Map.of(share.id(), share));
    for (Instant instant : instants(share, now, later)) {
      for (Person person : structure.people().values()) {
        for (Place place : structure.places().values()) {
          Set<Right> gained = LiteralRules.standing(after, person.id(), place.id(), instant);
          gained.removeAll(LiteralRules.standing(structure, person.id(), place.id(), instant));
          if (!LiteralRules.standing(unseen, sharer, place.id(), now).containsAll(gained)) {
            return false;
          }
        }
      }
    }
    return true;
  }

  private static Set<Instant> instants(Grant share, Instant now, Set<Instant> later) {
    Set<Instant> instants = new TreeSet<>(Set.of(now));
    later.stream().filter(instant -> instant.isAfter(now) && (share.period().until() == null || instant.isBefore(share.period().until()))).forEach(instants::add);
    return instants;
  }

  private static boolean namesOutsiders(Structure structure, Grant share, Set<Instant> instants) {
    return share.subject() == Subject.BuiltIn.OUTSIDERS || structure.people().values().stream().anyMatch(person -> person.external() && person.active()
        && instants.stream().anyMatch(instant -> LiteralRules.matches(structure, person, share.subject(), instant)));
  }

  private static Structure withoutOversight(Structure structure) {
    return structure.guardedBy(List.of(), structure.walls().values());
  }

  /** Who holds together what a separation keeps apart: on which sides, by place; the empty text stands for anywhere. */
  static Set<Integer> sidesHeld(Structure structure, Separation separation, Person person, String place, Instant t) {
    Set<Integer> held = new HashSet<>();
    for (int side = 0; side < separation.sides().size(); side++) {
      if (person.active() && holds(structure, separation.sides().get(side), person, place, t)) {
        held.add(side);
      }
    }
    return held;
  }

  /** @param place null for any place */
  private static boolean holds(Structure structure, Separation.Side side, Person person, String place, Instant t) {
    for (String group : side.groups()) {
      if (LiteralRules.matches(structure, person, new Subject.OfGroup(group), t)) {
        return true;
      }
    }
    for (Place one : structure.places().values()) {
      if ((place == null || place.equals(one.id())) && (side.types().isEmpty() || one.type() != null && side.types().contains(one.type()))) {
        if (LiteralRules.standing(structure, person.id(), one.id(), t).stream().anyMatch(side.rights()::contains)) {
          return true;
        }
        boolean barred = structure.walls().values().stream().anyMatch(wall -> LiteralWalls.bars(structure, wall, person, one, t));
        if (!barred && hasRole(structure, side.roles(), person, one, t)) {
          return true;
        }
      }
    }
    return false;
  }

  private static boolean hasRole(Structure structure, Set<String> roles, Person person, Place place, Instant t) {
    for (Place at = place; at != null; at = at.standsAlone() || at.parent() == null ? null : structure.places().get(at.parent())) {
      for (Grant grant : structure.grants().values()) {
        if (grant.place().equals(at.id()) && roles.contains(grant.role()) && grant.period().holdsAt(t) && (grant.types().isEmpty() || place.type() != null && grant.types().contains(place.type()))
            && LiteralRules.matches(structure, person, grant.subject(), t)) {
          return true;
        }
      }
    }
    return false;
  }
}
