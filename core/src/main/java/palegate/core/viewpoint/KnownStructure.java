package palegate.core.viewpoint;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.approvals.ApprovalRule;
import palegate.core.collections.PersonSet;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.questions.WallCoverage;
import palegate.core.separations.Separation;
import palegate.core.sharing.Pass;
import palegate.core.sharing.SharingRule;
import palegate.core.sharing.Shortlist;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/**
 * The structure as an asker may know it (section 9): a sound structure from which everything else is cut, so that whatever is asked of
 * it answers as if that did not exist. What is left means the same: whoever has rights at a place that the asker's duties cover has
 * the same ones here. Cutting twice is cutting once.
 */
final class KnownStructure {
  /** Where no more than one part in so many is cut, what is left is kept as the parts without it. */
  private static final int ONE_IN = 16;

  private final Asker asker;
  private final SnapshotAt at;
  private final Snapshot snapshot;
  private final Structure structure;
  private final BarringWalls barring;
  private final KnownPlaces places;
  private final Set<String> usedTypes = new HashSet<>();
  private KnownPeople people;
  /** By key and value of a label that walls ask for; null until one is asked for. */
  private Map<String, List<Integer>> carriers;

  private KnownStructure(Asker asker, SnapshotAt at) {
    this.asker = asker;
    this.at = at;
    snapshot = at.snapshot();
    structure = snapshot.structure();
    barring = new BarringWalls(asker, snapshot);
    places = new KnownPlaces(asker, at, barring);
  }

  /** The same structure if the asker may know all of it: then in O(walls), else in O(structure). */
  static Structure of(Asker asker, SnapshotAt at) {
    Structure structure = at.snapshot().structure();
    BarringWalls barring = new BarringWalls(asker, at.snapshot());
    boolean everywhere = knowsEveryPlaceByDuty(asker);
    boolean freely = (everywhere || asker.holdsAny(Duty.AUDIT, Duty.WALLS)) && structure.walls().values().stream().allMatch(wall -> barring.knows(wall))
        && Stream.of(structure, asker.snapshot().structure()).flatMap(known -> known.walls().values().stream()).noneMatch(wall -> wall.barsAt(asker.state().instant()) && barring.bars(wall));
    if (freely) {
      return structure;
    }
    KnownStructure known = new KnownStructure(asker, at);
    return known.cut(KnownPeople.all(asker, everywhere && !known.places.covered.isEmpty()));
  }

  static boolean knowsEveryPlaceByDuty(Asker asker) {
    return asker.held().stream().anyMatch(given -> given.duty().scope() == Duty.ScopeKind.PLACE && asker.holdsEverywhere(given.duty()));
  }

  private Structure cut(boolean everybody) {
    Parts<Place> knownPlaces = knownPlaces();
    Predicate<String> reaches = place -> places.reaching.get(snapshot.placeNumber(place));
    Parts<Pass> passes = kept(structure.passes(), Pass::id, pass -> reaches.test(pass.place()));
    // What was opened through a pass that is not known is a grant like others.
    Parts<Grant> grants = changed(kept(structure.grants(), Entry::id, grant -> reaches.test(grant.place())), Entry::id, grant -> grant.pass() == null || passes.containsKey(grant.pass()) ? grant : grant.copiedThroughNoPass());
    Parts<Withholding> withholdings = kept(structure.withholdings(), Entry::id, taken -> reaches.test(taken.place()));
    Parts<Oversight> oversights = kept(structure.oversights(), oversight -> oversight.id(), oversight -> places.onTheWay.get(snapshot.placeNumber(oversight.place())));
    List<Wall> walls = new ArrayList<>();
    structure.walls().values().forEach(wall -> walls.addAll(wallsOf(wall)));
    grants.values().forEach(grant -> usedTypes.addAll(grant.types()));
    withholdings.values().forEach(taken -> usedTypes.addAll(taken.types()));
    structure.types().keySet().stream().filter(type -> snapshot.documentsOf(type).anyMatch(places.covered::get)).forEach(usedTypes::add);
    if (!everybody) {
      people = new KnownPeople(structure);
      grants.values().forEach(grant -> {
        people.add(grant.subject());
        people.person(grant.sharedBy());
      });
      passes.values().forEach(pass -> {
        people.person(pass.maker());
        pass.audience().forEach(people::name);
      });
      withholdings.values().forEach(taken -> people.add(taken.subject()));
      oversights.values().forEach(oversight -> people.add(oversight.subject()));
      places.covered.stream().mapToObj(snapshot::place).forEach(place -> {
        people.person(place.owner());
        people.person(place.conditions().checkedOutBy());
      });
      administeredPeople();
      otherwisePeople();
      guardNames(walls);
      people.addTheirUnits();
    }
    structure.walls().values().forEach(wall -> walls.addAll(withoutAWord(wall)));
    walls.forEach(wall -> wall.barrier().scopes().forEach(scope -> usedTypes.addAll(scope.types())));
    return new Structure(everybody ? structure.units() : kept(structure.units(), Unit::id, unit -> people.units.contains(unit.id())),
        everybody ? structure.people() : kept(structure.people(), Person::id, person -> people.people.contains(person.id())),
        everybody ? structure.groups() : changed(kept(structure.groups(), Group::id, group -> people.groups.contains(group.id())), Group::id, people::known),
        structure.roles(), types(), knownPlaces, grants, withholdings, oversights, walls.equals(List.copyOf(structure.walls().values())) ? structure.walls() : Parts.of(walls, Wall::id),
        approvals(), kept(structure.duties(), DutyAssignment::id, this::knowsDuty),
        kept(structure.sharing(), SharingRule::place, rule -> reaches.test(rule.place())), passes,
        kept(structure.shortlists(), Shortlist::unit, this::knowsShortlist), kept(structure.separations(), Separation::id, this::knowsSeparation));
  }

  /** As {@link #kept}, without asking about each place by its id. O(known places) where they are few, else O(unknown ones + bits). */
  private Parts<Place> knownPlaces() {
    BitSet gone = new BitSet();
    snapshot.places().filter(place -> !places.known.get(place)).forEach(gone::set);
    if (gone.cardinality() <= structure.places().size() / ONE_IN) {
      Map<String, Place> without = new HashMap<>();
      gone.stream().forEach(place -> without.put(snapshot.place(place).id(), null));
      return structure.places().with(without);
    }
    return Parts.of(places.known.stream().mapToObj(snapshot::place).toList(), Place::id);
  }

  private boolean isKnown(String place) {
    return places.known.get(snapshot.placeNumber(place));
  }

  private boolean isKnown(Subject subject) {
    return people == null || subject instanceof Subject.BuiltIn || subject instanceof Subject.OfPerson && people.people.contains(subject.id())
        || subject instanceof Subject.OfGroup && people.groups.contains(subject.id()) || subject instanceof Subject.OfUnit && people.units.contains(subject.id());
  }

  private void administeredPeople() {
    asker.held().stream().filter(given -> given.duty() == Duty.PEOPLE).forEach(given -> people.unitAndBelow(given.unit()));
    if (asker.holds(Duty.PEOPLE)) {
      KnownPeople theirs = new KnownPeople(structure);
      asker.held().stream().filter(given -> given.duty() == Duty.PEOPLE).forEach(given -> theirs.unitAndBelow(given.unit()));
      people.groupsAround(theirs.people);
      structure.shortlists().values().stream().filter(list -> asker.administersUnit(structure, list.unit())).forEach(list -> list.audiences().forEach(audience -> people.name(audience.subject())));
    }
  }

  /** Oneself, and with whom one shares a group, unless a duty says who is known. */
  private void otherwisePeople() {
    people.person(asker.id());
    if (!asker.holds(Duty.PEOPLE) && places.covered.isEmpty() && asker.person() >= 0) {
      asker.snapshot().structure().groups().keySet().stream().map(Subject.OfGroup::new).filter(group -> asker.state().matches(asker.person(), group))
          .filter(group -> structure.groups().containsKey(group.id())).forEach(people::add);
    }
    asker.held().stream().filter(given -> given.place() == null || knowsPlace(given.place())).forEach(given -> {
      people.name(given.subject());
      people.unit(given.unit());
    });
  }

  private void guardNames(List<Wall> walls) {
    walls.forEach(wall -> {
      wall.barrier().subjects().forEach(people::name);
      wall.exceptions().forEach(exempt -> people.name(exempt.subject()));
    });
    if (asker.holds(Duty.TYPES) || !places.covered.isEmpty()) {
      structure.types().values().forEach(type -> type.clearances().forEach(clearance -> people.name(clearance.subject())));
    }
    if (asker.holds(Duty.SYSTEM)) {
      structure.duties().values().stream().filter(given -> given.place() == null || knowsPlace(given.place())).forEach(given -> {
        people.name(given.subject());
        people.unit(given.unit());
      });
    }
  }

  private boolean knowsPlace(String place) {
    return structure.places().containsKey(place) && isKnown(place);
  }

  private boolean knowsDuty(DutyAssignment given) {
    boolean own = asker.held().stream().anyMatch(held -> held.id().equals(given.id()));
    return (own || asker.holdsAny(Duty.SYSTEM, Duty.AUDIT) || people == null) && (given.place() == null || knowsPlace(given.place())) && isKnown(given.subject())
        && (given.unit() == null || people == null || people.units.contains(given.unit()));
  }

  /** The shortlist of whoever's unit one administers; of others, where everybody in it is known. */
  private boolean knowsShortlist(Shortlist list) {
    return people == null || asker.holdsAny(Duty.PEOPLE, Duty.AUDIT) && people.units.contains(list.unit()) && list.audiences().stream().allMatch(audience -> isKnown(audience.subject()));
  }

  private boolean knowsSeparation(Separation separation) {
    boolean theirs = asker.held().stream().anyMatch(given -> given.duty() == Duty.AUDIT || given.duty() == Duty.ACCESS && knowsPlace(given.place()));
    return theirs && separation.sides().stream().allMatch(side ->
        side.types().stream().allMatch(type -> knowsType(structure.types().get(type))) && side.groups().stream().allMatch(group -> people == null || people.groups.contains(group)));
  }

  /** What is left of a wall: nothing, if it bars the asker or covers nothing that they may know; of several scopes, each of the known ones as a screen. */
  private List<Wall> wallsOf(Wall wall) {
    if (asker.holds(Duty.WALLS) || !barring.knows(wall)) {
      return asker.holds(Duty.WALLS) ? List.of(wall) : List.of();
    }
    List<Wall> covering = new ArrayList<>();
    if (wall.barrier() instanceof Barrier.Sides sides) {
      List<Integer> known = IntStream.range(0, sides.sides().size()).filter(side -> coversAnything(sides.sides().get(side).scope(), false)).boxed().toList();
      boolean all = asker.holds(Duty.AUDIT) || known.size() == sides.sides().size();
      if (all && sides.scopes().stream().allMatch(scope -> scope.places().stream().allMatch(this::knowsPlace))) {
        covering.add(wall);
      } else {
        known.forEach(side -> covering.add(onlyKnown(BarringWalls.screen(wall, sides, side))));
      }
    } else if (coversAnything(wall.barrier().scopes().get(0), wall.barrier() instanceof Barrier.Confine) || asker.holds(Duty.AUDIT) && namesOnlyKnown(wall)) {
      covering.add(onlyKnown(wall));
    }
    return covering.size() == 1 ? covering : numbered(covering);
  }

  private boolean namesOnlyKnown(Wall wall) {
    return wall.barrier().scopes().get(0).places().stream().allMatch(this::knowsPlace);
  }

  /**
   * Of a wall that bars the asker on one side no word is left; but whom it keeps out of what the asker may know is kept out. So much is
   * left that somebody is: those people by name, as they are barred now.
   */
  private List<Wall> withoutAWord(Wall wall) {
    List<Wall> left = new ArrayList<>();
    if (barring.knows(wall) || !(wall.barrier() instanceof Barrier.Sides sides)) {
      return left;
    }
    for (int side : barring.open(wall)) {
      Scope scope = sides.sides().get(side).scope();
      List<Subject> others = here(at.matchingAny(BarringWalls.others(sides, side)).minus(at.matchingAny(wall.exceptions().stream().filter(one -> one.currentAt(at.instant())).map(Wall.Exempt::subject).toList())));
      if (!others.isEmpty() && coversAnything(scope, false)) {
        left.add(onlyKnown(new Wall("w-" + Integer.toHexString(wall.id().hashCode()) + "-" + side, "A wall", null, wall.state(), wall.period(), new Barrier.Screen(scope, others), List.of())));
      }
    }
    return left;
  }

  /** Of some people, those who are known, by name. */
  private List<Subject> here(PersonSet some) {
    return some.stream().mapToObj(snapshot::person).map(Person::id).filter(id -> people == null || people.people.contains(id)).sorted().<Subject>map(Subject.OfPerson::new).toList();
  }

  private static List<Wall> numbered(List<Wall> walls) {
    return walls.size() < 2 ? walls : IntStream.range(0, walls.size()).mapToObj(i -> {
      Wall wall = walls.get(i);
      return i == 0 ? wall : new Wall(wall.id() + ":" + i, wall.name(), wall.reason(), wall.state(), wall.period(), wall.barrier(), wall.exceptions());
    }).toList();
  }

  /** Whether any covered place is in a scope, or outside it. Only what is below a known place that meets one criterion is looked at, until one is found. */
  private boolean coversAnything(Scope scope, boolean outside) {
    if (outside) {
      return places.covered.stream().anyMatch(place -> !WallCoverage.covers(snapshot, scope, place));
    }
    IntStream tops = !scope.labels().isEmpty() ? carrying(scope.labels().entrySet().iterator().next())
        : scope.places().stream().filter(this::knowsPlace).mapToInt(snapshot::placeNumber);
    boolean byType = scope.labels().isEmpty() && scope.places().isEmpty();
    return byType ? scope.types().stream().anyMatch(type -> snapshot.documentsOf(type).anyMatch(places.covered::get))
        : tops.anyMatch(top -> snapshot.below(top).anyMatch(place -> places.covered.get(place) && WallCoverage.covers(snapshot, scope, place)));
  }

  /** The known places whose own label has one of some values: above a covered place that has it, there is always one of them. */
  private IntStream carrying(Map.Entry<String, Set<String>> label) {
    if (carriers == null) {
      carriers = new HashMap<>();
      Set<String> asked = structure.walls().values().stream().flatMap(wall -> wall.barrier().scopes().stream()).flatMap(scope -> scope.labels().keySet().stream()).collect(Collectors.toSet());
      places.known.stream().forEach(place -> snapshot.place(place).labels().forEach((key, value) -> {
        if (asked.contains(key)) {
          carriers.computeIfAbsent(key + "=" + value, any -> new ArrayList<>()).add(place);
        }
      }));
    }
    return label.getValue().stream().flatMap(value -> carriers.getOrDefault(label.getKey() + "=" + value, List.of()).stream()).mapToInt(Integer::intValue);
  }

  /** Of the places that a scope names, those that are known: the others cover nothing that is. */
  private Wall onlyKnown(Wall wall) {
    Scope scope = wall.barrier().scopes().get(0);
    Set<String> named = new HashSet<>(scope.places());
    named.removeIf(place -> !knowsPlace(place));
    if (named.size() == scope.places().size()) {
      return wall;
    }
    // Who is confined to what is not known is barred from all that is.
    boolean toNothing = named.isEmpty() && wall.barrier() instanceof Barrier.Confine;
    if (toNothing) {
      return new Wall(wall.id(), wall.name(), wall.reason(), wall.state(), wall.period(),
          new Barrier.Screen(Scope.ofPlaces(structure.repository().orElseThrow().id()), wall.barrier().subjects()), wall.exceptions());
    }
    Scope left = new Scope(named, scope.types(), scope.labels());
    Barrier barrier = wall.barrier() instanceof Barrier.Screen screen ? new Barrier.Screen(left, screen.subjects())
        : wall.barrier() instanceof Barrier.Seal seal ? new Barrier.Seal(left, seal.subjects()) : new Barrier.Confine(left, wall.barrier().subjects());
    return new Wall(wall.id(), wall.name(), wall.reason(), wall.state(), wall.period(), barrier, wall.exceptions());
  }

  private boolean knowsType(DocumentType type) {
    return asker.holdsAny(Duty.TYPES, Duty.AUDIT) || usedTypes.contains(type.id()) || type.libraries().isEmpty() || type.libraries().stream().anyMatch(this::knowsPlace);
  }

  private Parts<DocumentType> types() {
    return changed(kept(structure.types(), DocumentType::id, this::knowsType), DocumentType::id, type -> KnownParts.of(type, this::knowsPlace, this::isKnown));
  }

  /** Of the places that a rule names, those that are known; a rule of which none is left is not there. */
  private Parts<ApprovalRule> approvals() {
    return changed(kept(structure.approvals(), ApprovalRule::id, rule -> KnownParts.isKnown(rule, this::knowsPlace)), ApprovalRule::id, rule -> KnownParts.of(rule, this::knowsPlace));
  }

  /** The parts that are kept; where nearly all are, in what remains of the same parts, so that the next snapshot is made from the known one. */
  private static <T> Parts<T> kept(Parts<T> parts, Function<T, String> id, Predicate<T> wanted) {
    Map<String, T> gone = new HashMap<>();
    for (Map.Entry<String, T> part : parts.entrySet()) {
      if (!wanted.test(part.getValue())) {
        gone.put(part.getKey(), null);
        if (gone.size() > parts.size() / ONE_IN) {
          return Parts.of(parts.values().stream().filter(wanted).toList(), id);
        }
      }
    }
    return parts.with(gone);
  }

  private static <T> Parts<T> changed(Parts<T> parts, Function<T, String> id, Function<T, T> change) {
    Map<String, T> other = new LinkedHashMap<>();
    parts.forEach((key, part) -> {
      T now = change.apply(part);
      if (now != part) {
        other.put(key, now);
      }
    });
    return parts.with(other);
  }
}
