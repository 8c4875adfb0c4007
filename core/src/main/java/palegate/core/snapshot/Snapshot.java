package palegate.core.snapshot;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.structure.Structure;

/**
 * A structure with people and places numbered densely: people in byte order of their ids, places so
 * that everything below a place follows it directly. Immutable and safe to share.
 *
 * <p>What holds depends on the instant; {@link #at} gives the view of one. Between two instants at
 * which anything begins or ends the view is the same one, so it is made once and kept.
 */
public final class Snapshot {
  private static final int MOMENTS_KEPT = 8;

  private final Structure structure;
  private final Person[] people;
  private final Map<String, Integer> personNumbers;
  private final Place[] places;
  private final Map<String, Integer> placeNumbers;
  private final int[] parents;
  private final int[] ends;
  private final int[] depths;
  private final List<List<Entry>> ownEntries;
  private final List<Group> groupsInnerFirst;
  private final List<Unit> unitsLowerFirst;
  private final TreeSet<Instant> membershipBoundaries;
  private final TreeSet<Instant> boundaries;
  private final Map<Instant, Moment> moments = new HashMap<>();
  /** The snapshot that this one was made from, and the places that differ; null and empty if there is none. */
  private final Snapshot basis;
  private final int[] touched;
  /** How many of the places before each one stand alone. */
  private final int[] breaksBefore;

  private Snapshot(Structure structure) {
    this.structure = structure;
    people = structure.people().values().toArray(Person[]::new);
    Arrays.sort(people, (a, b) -> a.id().compareTo(b.id()));
    personNumbers = new HashMap<>(people.length * 2);
    for (int i = 0; i < people.length; i++) {
      personNumbers.put(people[i].id(), i);
    }
    int count = structure.places().size();
    places = new Place[count];
    parents = new int[count];
    ends = new int[count];
    depths = new int[count];
    placeNumbers = new HashMap<>(count * 2);
    numberPlaces();
    ownEntries = entriesByPlace();
    groupsInnerFirst = Nesting.innerFirst(structure.groups().values(), Group::id, Snapshot::subgroups);
    Map<String, List<String>> unitsBelow = new HashMap<>();
    for (Unit unit : structure.units().values()) {
      if (unit.parent() != null) {
        unitsBelow.computeIfAbsent(unit.parent(), any -> new ArrayList<>()).add(unit.id());
      }
    }
    unitsLowerFirst = Nesting.innerFirst(
        structure.units().values(), Unit::id, unit -> unitsBelow.getOrDefault(unit.id(), List.of()));
    membershipBoundaries = new TreeSet<>();
    structure.groups().values().forEach(
        group -> group.members().forEach(member -> addEnds(membershipBoundaries, member.period())));
    boundaries = findBoundaries();
    basis = null;
    touched = new int[0];
    breaksBefore = countBreaks(places);
  }

  private Snapshot(Snapshot basis, Structure structure, int[] touched) {
    this.structure = structure;
    this.basis = basis;
    this.touched = touched;
    people = basis.people;
    personNumbers = basis.personNumbers;
    parents = basis.parents;
    ends = basis.ends;
    depths = basis.depths;
    placeNumbers = basis.placeNumbers;
    groupsInnerFirst = basis.groupsInnerFirst;
    unitsLowerFirst = basis.unitsLowerFirst;
    membershipBoundaries = basis.membershipBoundaries;
    places = basis.places.clone();
    ownEntries = new ArrayList<>(basis.ownEntries);
    Set<String> ids = new HashSet<>();
    for (int place : touched) {
      ids.add(places[place].id());
      places[place] = structure.places().get(places[place].id());
      ownEntries.set(place, null);
    }
    addEntries(ownEntries, entry -> ids.contains(entry.place()));
    boundaries = findBoundaries();
    breaksBefore = countBreaks(places);
  }

  private Snapshot(Snapshot derived) {
    this.structure = derived.structure;
    people = derived.people;
    personNumbers = derived.personNumbers;
    places = derived.places;
    placeNumbers = derived.placeNumbers;
    parents = derived.parents;
    ends = derived.ends;
    depths = derived.depths;
    ownEntries = derived.ownEntries;
    groupsInnerFirst = derived.groupsInnerFirst;
    unitsLowerFirst = derived.unitsLowerFirst;
    membershipBoundaries = derived.membershipBoundaries;
    boundaries = derived.boundaries;
    basis = null;
    touched = new int[0];
    breaksBefore = derived.breaksBefore;
  }

  /** Compiles a sound structure; linear in its size. */
  public static Snapshot of(Structure structure) {
    return new Snapshot(structure);
  }

  /**
   * The snapshot of a structure that differs from this one's in the entries and breaks of some places
   * only. It shares whatever is the same, so its cost grows with what lies below those places; it
   * refers back to this snapshot until it is {@link #detached}.
   *
   * @param touched the ids of the places that may differ
   */
  public Snapshot next(Structure changed, Set<String> touched) {
    return new Snapshot(this, changed, touched.stream().mapToInt(placeNumbers::get).sorted().toArray());
  }

  /** The same snapshot, without what it was made from: for keeping. */
  public Snapshot detached() {
    return basis == null ? this : new Snapshot(this);
  }

  public Structure structure() {
    return structure;
  }

  /** What holds at an instant. The result is shared between all instants at which the same holds. */
  public Moment at(Instant instant) {
    Instant since = boundaries.floor(instant);
    Instant key = since == null ? Instant.MIN : since;
    synchronized (moments) {
      Moment kept = moments.get(key);
      if (kept == null) {
        if (moments.size() >= MOMENTS_KEPT) {
          moments.clear();
        }
        kept = basis == null ? Moment.of(this, instant) : Moment.derived(basis.at(instant), this, instant, touched);
        moments.put(key, kept);
      }
      return kept;
    }
  }

  public int personCount() {
    return people.length;
  }

  public Person person(int number) {
    return people[number];
  }

  /** The number of the person with this id, or -1. */
  public int personNumber(String id) {
    return personNumbers.getOrDefault(id, -1);
  }

  public int placeCount() {
    return places.length;
  }

  public Place place(int number) {
    return places[number];
  }

  /** The number of the place with this id, or -1. */
  public int placeNumber(String id) {
    return placeNumbers.getOrDefault(id, -1);
  }

  /** The number of the place above, or -1 for the repository. */
  public int parent(int place) {
    return parents[place];
  }

  /** One past the number of the last place below this one. */
  public int endOf(int place) {
    return ends[place];
  }

  /** How many places stand above this one. */
  public int depth(int place) {
    return depths[place];
  }

  /** How many places below this one stand alone. O(1). */
  public int breaksBelow(int place) {
    return breaksBefore[ends[place]] - breaksBefore[place + 1];
  }

  /** The numbers of the places directly below, in the order of their names. O(children). */
  public List<Integer> children(int place) {
    List<Integer> children = new ArrayList<>();
    for (int child = place + 1; child < ends[place]; child = ends[child]) {
      children.add(child);
    }
    return children;
  }

  /** From the repository down to the place itself. */
  public List<Integer> path(int place) {
    List<Integer> path = new ArrayList<>();
    for (int at = place; at >= 0; at = parents[at]) {
      path.add(0, at);
    }
    return path;
  }

  /** The names from the repository's children down, joined by " / "; the repository's own for itself. */
  public String pathText(int place) {
    List<Integer> path = path(place);
    if (path.size() == 1) {
      return places[place].name();
    }
    return String.join(" / ", path.stream().skip(1).map(at -> places[at].name()).toList());
  }

  /** The entries that stand at the place itself, grants first, each kind in order of its ids. */
  public List<Entry> ownEntries(int place) {
    List<Entry> own = ownEntries.get(place);
    return own == null ? List.of() : own;
  }

  /** The entries that reach the place, dates and narrowing aside, those of the place itself first. */
  public List<Entry> reachingEntries(int place) {
    List<Entry> reaching = new ArrayList<>();
    for (int at = place; at >= 0; at = places[at].standsAlone() ? -1 : parents[at]) {
      reaching.addAll(ownEntries(at));
    }
    return reaching;
  }

  List<Group> groupsInnerFirst() {
    return groupsInnerFirst;
  }

  List<Unit> unitsLowerFirst() {
    return unitsLowerFirst;
  }

  private void numberPlaces() {
    Map<String, List<Place>> below = new HashMap<>();
    Place root = null;
    for (Place place : structure.places().values()) {
      if (place.parent() == null) {
        root = place;
      } else {
        below.computeIfAbsent(place.parent(), any -> new ArrayList<>()).add(place);
      }
    }
    if (root == null) {
      return;
    }
    Deque<Place> open = new ArrayDeque<>();
    open.push(root);
    int next = 0;
    while (!open.isEmpty()) {
      Place place = open.pop();
      int number = next++;
      places[number] = place;
      placeNumbers.put(place.id(), number);
      parents[number] = place.parent() == null ? -1 : placeNumbers.get(place.parent());
      depths[number] = parents[number] < 0 ? 0 : depths[parents[number]] + 1;
      List<Place> children = new ArrayList<>(below.getOrDefault(place.id(), List.of()));
      children.sort(PlaceOrder.BY_KIND_AND_NAME);
      for (int i = children.size() - 1; i >= 0; i--) {
        open.push(children.get(i));
      }
    }
    for (int number = next - 1; number >= 0; number--) {
      ends[number] = Math.max(ends[number], number + 1);
      if (parents[number] >= 0) {
        ends[parents[number]] = Math.max(ends[parents[number]], ends[number]);
      }
    }
  }

  private List<List<Entry>> entriesByPlace() {
    List<List<Entry>> byPlace = new ArrayList<>(Collections.nCopies(places.length, null));
    addEntries(byPlace, entry -> true);
    return byPlace;
  }

  private void addEntries(List<List<Entry>> byPlace, Predicate<Entry> wanted) {
    Stream.<Entry>concat(
            structure.grants().values().stream().filter(wanted).sorted((a, b) -> a.id().compareTo(b.id())),
            structure.withholdings().values().stream().filter(wanted).sorted((a, b) -> a.id().compareTo(b.id())))
        .forEach(entry -> {
          int place = placeNumbers.get(entry.place());
          if (byPlace.get(place) == null) {
            byPlace.set(place, new ArrayList<>(2));
          }
          byPlace.get(place).add(entry);
        });
  }

  private TreeSet<Instant> findBoundaries() {
    TreeSet<Instant> found = new TreeSet<>(membershipBoundaries);
    structure.grants().values().forEach(grant -> addEnds(found, grant.period()));
    structure.withholdings().values().forEach(taken -> addEnds(found, taken.period()));
    return found;
  }

  private static int[] countBreaks(Place[] places) {
    int[] before = new int[places.length + 1];
    for (int place = 0; place < places.length; place++) {
      before[place + 1] = before[place] + (places[place].standsAlone() ? 1 : 0);
    }
    return before;
  }

  private static void addEnds(TreeSet<Instant> found, Period period) {
    if (period.from() != null) {
      found.add(period.from());
    }
    if (period.until() != null) {
      found.add(period.until());
    }
  }

  private static List<String> subgroups(Group group) {
    return group.members().stream().map(Membership::member)
        .filter(member -> member instanceof Membership.GroupMember)
        .map(Membership.Member::id).toList();
  }

  /** The role of a grant, and the named rights of a withholding. */
  public Rights rightsOf(Entry entry) {
    return entry instanceof Grant grant
        ? structure.roles().get(grant.role()).rights()
        : ((Withholding) entry).rights();
  }
}
