package palegate.core.findings;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.questions.WallCoverage;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Wall;

/**
 * Where a change may have altered what rules that look place by place find there: at the places that are others now or at which other entries
 * stand, at those whose entries name a group with other people in it, and above and below all of these; and at what walls cover, or types are
 * guarded, that name such a group. Roles, types, walls, units and whoever comes, goes or changes sides count everywhere.
 */
final class Touched {
  /** A kind of part, as far as a rule's findings may hang on it. */
  enum Kind { UNITS, PEOPLE, GROUPS, ROLES, TYPES, PLACES, ENTRIES, WALLS }

  private final Structure before;
  private final Snapshot after;
  private final boolean everywhere;
  private final Set<Kind> kinds;
  private final Set<String> changed;
  private final Set<String> groups;
  private final BitSet below = new BitSet();
  private final Set<String> above = new HashSet<>();

  private Touched(Structure before, Snapshot after, boolean everywhere, Set<Kind> kinds, Set<String> changed, Set<String> groups) {
    this.before = before;
    this.after = after;
    this.everywhere = everywhere;
    this.kinds = kinds;
    this.changed = changed;
    this.groups = groups;
  }

  /** O(changes), and O(entries + memberships) where groups are others. */
  static Touched between(Structure before, Snapshot after) {
    StructureDifference difference = StructureDifference.between(before, after.structure());
    Set<Kind> kinds = kinds(difference);
    Set<Subject> groups = difference.groups().isEmpty() ? Set.of() : groupsAround(difference);
    boolean everywhere = kinds.contains(Kind.UNITS) || kinds.contains(Kind.ROLES) || kinds.contains(Kind.TYPES) || kinds.contains(Kind.WALLS)
        || difference.people().stream().anyMatch(id -> countsAsAnother(before.people().get(id), after.structure().people().get(id)))
        || !difference.places().isEmpty() && namedBesideEntries(after.structure(), groups) || isConfined(after.structure(), groups);
    Touched touched = new Touched(before, after, everywhere, kinds, difference.places(), groups.stream().map(group -> ((Subject.OfGroup) group).id()).collect(Collectors.toSet()));
    if (!everywhere) {
      Set<String> places = new HashSet<>(difference.places());
      Stream.of(before, after.structure()).forEach(structure -> {
        difference.grants().forEach(id -> addPlace(structure.grants().get(id), places));
        difference.withholdings().forEach(id -> addPlace(structure.withholdings().get(id), places));
        difference.oversights().stream().map(structure.oversights()::get).filter(one -> one != null).forEach(one -> places.add(one.place()));
        if (!groups.isEmpty()) {
          structure.entries().filter(entry -> groups.contains(entry.subject())).forEach(entry -> places.add(entry.place()));
          structure.oversights().values().stream().filter(one -> groups.contains(one.subject())).forEach(one -> places.add(one.place()));
        }
      });
      // Those above come first: what stands below them is not gone through again for each.
      places.stream().sorted(Comparator.comparing(after::placeNumber)).forEach(place -> touched.add(place, before));
      touched.addGuardedBy(groups);
    }
    return touched;
  }

  private static Set<Kind> kinds(StructureDifference difference) {
    Set<Kind> kinds = new HashSet<>();
    Map.of(Kind.UNITS, difference.units(), Kind.PEOPLE, difference.people(), Kind.GROUPS, difference.groups(), Kind.ROLES, difference.roles(), Kind.TYPES, difference.types(),
        Kind.PLACES, difference.places(), Kind.WALLS, difference.walls()).forEach((kind, ids) -> {
          if (!ids.isEmpty()) {
            kinds.add(kind);
          }
        });
    if (!difference.grants().isEmpty() || !difference.withholdings().isEmpty()) {
      kinds.add(Kind.ENTRIES);
    }
    return kinds;
  }

  /** A new name alone lets nobody in or out. */
  private static boolean countsAsAnother(Person before, Person after) {
    return before == null || after == null || before.active() != after.active() || before.external() != after.external() || !Objects.equals(before.unit(), after.unit());
  }

  private static void addPlace(Entry entry, Set<String> places) {
    if (entry != null) {
      places.add(entry.place());
    }
  }

  /** The groups that are others, and all that they are in, now or by a membership that has ended or is to begin. */
  private static Set<Subject> groupsAround(StructureDifference difference) {
    Map<String, List<String>> in = new HashMap<>();
    Stream.of(difference.before(), difference.after()).forEach(structure -> structure.groups().values().forEach(group -> takeGroups(group, in)));
    Set<Subject> found = new HashSet<>();
    Deque<String> open = new ArrayDeque<>(difference.groups());
    while (!open.isEmpty()) {
      String group = open.pop();
      if (found.add(new Subject.OfGroup(group))) {
        open.addAll(in.getOrDefault(group, List.of()));
      }
    }
    return found;
  }

  private static void takeGroups(Group group, Map<String, List<String>> in) {
    for (Membership membership : group.members()) {
      if (membership.member() instanceof Membership.GroupMember member) {
        in.computeIfAbsent(member.id(), any -> new ArrayList<>()).add(group.id());
      }
    }
  }

  private static boolean namedBesideEntries(Structure structure, Set<Subject> groups) {
    return !groups.isEmpty() && (structure.walls().values().stream().anyMatch(wall -> names(wall, groups)) || structure.types().values().stream().anyMatch(type -> clears(type, groups)));
  }

  private static boolean names(Wall wall, Set<Subject> groups) {
    return wall.barrier().subjects().stream().anyMatch(groups::contains) || wall.exceptions().stream().anyMatch(one -> groups.contains(one.subject()));
  }

  private static boolean clears(DocumentType type, Set<Subject> groups) {
    return type.clearances().stream().anyMatch(one -> groups.contains(one.subject()));
  }

  /** A confinement bars from everything else. */
  private static boolean isConfined(Structure structure, Set<Subject> groups) {
    return !groups.isEmpty() && structure.walls().values().stream().anyMatch(wall -> wall.barrier() instanceof Barrier.Confine && names(wall, groups));
  }

  /** What the walls cover that name one of the groups, and the documents of the types that clear one. O(places covered × depth). */
  private void addGuardedBy(Set<Subject> groups) {
    if (groups.isEmpty()) {
      return;
    }
    BitSet guarded = new BitSet();
    after.structure().walls().values().stream().filter(wall -> names(wall, groups)).flatMap(wall -> wall.barrier().scopes().stream()).forEach(scope -> guarded.or(WallCoverage.covered(after, scope)));
    after.structure().types().values().stream().filter(type -> clears(type, groups)).forEach(type -> after.documentsOf(type.id()).forEach(guarded::set));
    guarded.stream().forEach(number -> addAbove(after.place(number).id(), after.structure().places()));
    below.or(guarded);
  }

  private void add(String place, Structure before) {
    int number = after.placeNumber(place);
    if (number >= 0 && !below.get(number)) {
      after.below(number).forEach(below::set);
    }
    addAbove(place, after.structure().places());
    addAbove(place, before.places());
  }

  private void addAbove(String place, Parts<Place> places) {
    for (Place at = places.get(place); at != null && above.add(at.id()) && at.parent() != null;) {
      at = places.get(at.parent());
    }
  }

  /** Whether none of some kinds of parts is another. */
  boolean leaves(Set<Kind> some) {
    return some.stream().noneMatch(kinds::contains);
  }

  /** Whether something else may be found at any place at all. */
  boolean everywhere() {
    return everywhere;
  }

  /** The structure of the state before. */
  Structure before() {
    return before;
  }

  /** The places that came, went or became others themselves, by id. */
  Set<String> changed() {
    return changed;
  }

  /** The groups that came, went or became others, and all that hold one of them, by id. */
  Set<String> groups() {
    return groups;
  }

  /** Whether something else may be found at a place; at one that is not there any more as well. */
  boolean concerns(String place) {
    int number = after.placeNumber(place);
    return everywhere || number < 0 || below.get(number) || above.contains(place);
  }

  /** The places that are there and of which that is so. */
  IntStream places() {
    if (everywhere) {
      return after.places();
    }
    BitSet all = (BitSet) below.clone();
    above.stream().mapToInt(after::placeNumber).filter(number -> number >= 0).forEach(all::set);
    return all.stream();
  }
}
