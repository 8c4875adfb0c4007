package palegate.core.changes;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.Supplier;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.approvals.ApprovalRule;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.separations.Separation;
import palegate.core.sharing.Pass;
import palegate.core.sharing.SharingRule;
import palegate.core.sharing.Shortlist;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/**
 * What names what: whatever is still named must stay. Of things of one kind it is made once, in O(structure), when a draft first removes one, and
 * kept up with every further change of it, so that removing many things does not look through everything for each.
 */
final class References {
  /** How often a thing is named, and one of those that name it. */
  private static final class Uses {
    int count;
    Object example;
  }

  private enum Kind {
    ROLE, UNIT, GROUP, TYPE, PLACE
  }

  private final Map<Kind, Map<String, Uses>> uses = new EnumMap<>(Kind.class);
  private final Supplier<Structure> structure;

  /** @param structure as it is when it is asked for */
  References(Supplier<Structure> structure) {
    this.structure = structure;
  }

  /** A part of the structure has become another; null stands for one that was not there or is gone. */
  void replace(Object was, Object is) {
    if (was != null) {
      named(was, (kind, id) -> {
        if (uses.containsKey(kind)) {
          Uses found = uses.get(kind).get(id);
          found.count--;
          found.example = found.example == was ? null : found.example;
        }
      });
    }
    if (is != null) {
      named(is, (kind, id) -> {
        if (uses.containsKey(kind)) {
          add(uses.get(kind), id, is);
        }
      });
    }
  }

  private static void add(Map<String, Uses> uses, String id, Object by) {
    Uses found = uses.computeIfAbsent(id, any -> new Uses());
    found.count++;
    found.example = found.example == null ? by : found.example;
  }

  private Map<String, Uses> counted(Kind wanted) {
    Map<String, Uses> found = new HashMap<>();
    Structure all = structure.get();
    Stream.of(all.grants(), all.withholdings(), all.oversights(), all.types(), all.walls(), all.approvals(), all.duties(), all.groups(), all.units(), all.people(), all.places(), all.sharing(), all.passes(), all.shortlists(),
        all.separations()).flatMap(parts -> parts.values().stream()).forEach(part -> named(part, (kind, id) -> {
          if (kind == wanted) {
            add(found, id, part);
          }
        }));
    return found;
  }

  /** What still names a role, in words; null if nothing does. */
  String role(String id, Pending pending) {
    return words(Kind.ROLE, id, pending);
  }

  String unit(String id, Pending pending) {
    return words(Kind.UNIT, id, pending);
  }

  String group(String id, Pending pending) {
    return words(Kind.GROUP, id, pending);
  }

  String type(String id, Pending pending) {
    return words(Kind.TYPE, id, pending);
  }

  /** What names a place, besides what stands on it. */
  String place(String id, Pending pending) {
    return words(Kind.PLACE, id, pending);
  }

  private String words(Kind kind, String id, Pending pending) {
    Uses found = uses.computeIfAbsent(kind, this::counted).get(id);
    return found == null || found.count == 0 ? null : found.example == null ? "something names it" : words(kind, id, found.example, pending);
  }

  private static String words(Kind kind, String id, Object example, Pending pending) {
    if (example instanceof Entry entry) {
      return kind == Kind.TYPE ? "an entry at " + name(entry.place(), pending) + " is narrowed to it" : (example instanceof Grant ? "a grant at " : "an entry at ") + name(entry.place(), pending);
    }
    if (example instanceof Oversight oversight) {
      return "an oversight at " + name(oversight.place(), pending);
    }
    if (example instanceof DocumentType type) {
      return kind == Kind.PLACE ? type.name() + " may be used in it" : "a clearance of " + type.name();
    }
    if (example instanceof Wall) {
      return kind == Kind.PLACE || kind == Kind.TYPE ? "a wall hangs on it" : "a wall names it";
    }
    if (example instanceof ApprovalRule rule) {
      return "the rule of approval " + rule.name() + " names it";
    }
    if (example instanceof DutyAssignment given) {
      return "the duty " + given.duty().word() + " that is held " + (kind == Kind.PLACE ? "there" : "by or for it");
    }
    if (example instanceof SharingRule rule) {
      return "what " + name(rule.place(), pending) + " says about sharing";
    }
    if (example instanceof Pass pass) {
      return "a pass to " + name(pass.place(), pending);
    }
    if (example instanceof Shortlist) {
      return "a shortlist proposes it, or is its own";
    }
    if (example instanceof Separation separation) {
      return "the separation " + separation.name() + " names it";
    }
    if (example instanceof Group group) {
      return "it is a member of " + group.name();
    }
    if (example instanceof Unit unit) {
      return unit.name() + " is below it";
    }
    if (example instanceof Person person) {
      return person.name() + " sits in it";
    }
    Place place = (Place) example;
    return kind == Kind.ROLE ? "the ceiling of " + place.name() : kind == Kind.TYPE ? place.name() + " is one" : "the link " + place.name() + " shows it";
  }

  private static String name(String place, Pending pending) {
    Place known = pending.place(place);
    return known == null ? place : known.name();
  }

  private static void named(Object part, BiConsumer<Kind, String> each) {
    if (part instanceof Place place) {
      each(Kind.ROLE, place.guards().ceiling(), each);
      each(Kind.TYPE, place.type(), each);
      each(Kind.PLACE, place.target(), each);
    } else if (part instanceof Entry entry) {
      subject(entry.subject(), each);
      entry.types().forEach(type -> each.accept(Kind.TYPE, type));
      each(Kind.ROLE, entry instanceof Grant grant ? grant.role() : null, each);
    } else if (part instanceof Oversight oversight) {
      subject(oversight.subject(), each);
    } else if (part instanceof Person person) {
      each(Kind.UNIT, person.unit(), each);
    } else if (part instanceof Unit unit) {
      each(Kind.UNIT, unit.parent(), each);
    } else if (part instanceof Group group) {
      group.members().stream().filter(member -> member.member() instanceof Membership.GroupMember).forEach(member -> each.accept(Kind.GROUP, member.member().id()));
    } else if (part instanceof DocumentType type) {
      type.libraries().forEach(library -> each.accept(Kind.PLACE, library));
      type.clearances().forEach(clearance -> {
        subject(clearance.subject(), each);
        each.accept(Kind.ROLE, clearance.role());
      });
    } else if (part instanceof Wall wall) {
      wall.barrier().subjects().forEach(subject -> subject(subject, each));
      wall.exceptions().forEach(exempt -> subject(exempt.subject(), each));
      wall.barrier().scopes().forEach(scope -> {
        scope.places().forEach(place -> each.accept(Kind.PLACE, place));
        scope.types().forEach(type -> each.accept(Kind.TYPE, type));
      });
    } else if (part instanceof DutyAssignment given) {
      subject(given.subject(), each);
      each(Kind.PLACE, given.place(), each);
      each(Kind.UNIT, given.unit(), each);
      each(Kind.ROLE, given.ceiling(), each);
    } else if (part instanceof SharingRule rule) {
      each(Kind.ROLE, rule.role(), each);
    } else if (part instanceof Pass pass) {
      each.accept(Kind.ROLE, pass.role());
      pass.audience().forEach(subject -> subject(subject, each));
    } else if (part instanceof Shortlist list) {
      each.accept(Kind.UNIT, list.unit());
      list.audiences().forEach(audience -> subject(audience.subject(), each));
    } else if (part instanceof Separation separation) {
      separation.sides().forEach(side -> {
        side.roles().forEach(role -> each.accept(Kind.ROLE, role));
        side.groups().forEach(group -> each.accept(Kind.GROUP, group));
        side.types().forEach(type -> each.accept(Kind.TYPE, type));
      });
    } else if (part instanceof ApprovalRule rule) {
      rule.when().places().forEach(place -> each.accept(Kind.PLACE, place));
    }
  }

  private static void subject(Subject subject, BiConsumer<Kind, String> each) {
    if (subject instanceof Subject.OfGroup) {
      each.accept(Kind.GROUP, subject.id());
    } else if (subject instanceof Subject.OfUnit) {
      each.accept(Kind.UNIT, subject.id());
    }
  }

  private static void each(Kind kind, String id, BiConsumer<Kind, String> each) {
    if (id != null) {
      each.accept(kind, id);
    }
  }
}
