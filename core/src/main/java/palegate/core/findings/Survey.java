package palegate.core.findings;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BiFunction;
import java.util.function.BiPredicate;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.changes.GroupUses;
import palegate.core.collections.PersonSet;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.core.wallsatwork.WallGapClues;

/** A structure at an instant, as rules look at it, several of them side by side; what several need is made once. */
public final class Survey {
  private final SnapshotAt moment;
  /** Not that of the moment, which is shared by all instants at which the same holds: days go by meanwhile. */
  private final Instant now;
  private final Limits limits;
  private final Activity activity;
  private final Map<String, List<?>> made = new ConcurrentHashMap<>();
  private final Map<String, List<?>> before;
  private final Touched touched;
  private final Map<String, List<?>> kept = new ConcurrentHashMap<>();
  /** Whoever needs what is being made waits for it; what is made may need others, never itself. */
  private final Map<String, Object> making = new ConcurrentHashMap<>();

  Survey(Snapshot snapshot, Instant now, Limits limits) {
    this(snapshot, now, limits, Activity.UNKNOWN);
  }

  Survey(Snapshot snapshot, Instant now, Limits limits, Activity activity) {
    this(snapshot, now, limits, activity, Map.of(), null);
  }

  /**
   * @param before what was kept of a state before this one
   * @param touched what has been touched since; null if nothing was kept
   */
  Survey(Snapshot snapshot, Instant now, Limits limits, Map<String, List<?>> before, Touched touched) {
    this(snapshot, now, limits, Activity.UNKNOWN, before, touched);
  }

  private Survey(Snapshot snapshot, Instant now, Limits limits, Activity activity, Map<String, List<?>> before, Touched touched) {
    this.activity = activity;
    this.now = now;
    moment = snapshot.at(now);
    this.limits = limits;
    this.before = before;
    this.touched = touched;
  }

  /** What is kept for the next state. */
  Map<String, List<?>> kept() {
    return Map.copyOf(kept);
  }

  /** What hangs on some kinds of parts alone: kept while those stay the same. It must not hold on to the state. */
  @SuppressWarnings("unchecked")
  <T> List<T> whileSame(String name, Set<Touched.Kind> kinds, Supplier<List<T>> make) {
    return (List<T>) made(kept, name, () -> touched != null && before.containsKey(name) && touched.leaves(kinds) ? before.get(name) : make.get());
  }

  /** What was kept if it holds still, by what has been touched since; made anew otherwise. It must not hold on to the state. */
  @SuppressWarnings("unchecked")
  <T> T whileHolds(String name, BiPredicate<T, Touched> holds, Supplier<T> make) {
    return ((List<T>) made(kept, name, () -> {
      T known = touched == null || !before.containsKey(name) ? null : ((List<T>) before.get(name)).get(0);
      return List.of(known != null && holds.test(known, touched) ? known : make.get());
    })).get(0);
  }

  /** The same, made from what was kept where that does not hold: the maker is given it, or null. */
  @SuppressWarnings("unchecked")
  <T> T from(String name, BiFunction<T, Touched, T> make) {
    return ((List<T>) made(kept, name, () -> List.of(make.apply(touched == null || !before.containsKey(name) ? null : ((List<T>) before.get(name)).get(0), touched)))).get(0);
  }

  /** The places whose owners some people are, in no order. */
  List<Place> ownedBy(String name, Predicate<Person> some) {
    // Few are asked for, and there are fifty places to a person.
    Set<String> owners = structure().people().values().stream().filter(some).map(Person::id).collect(Collectors.toSet());
    return ofPlaces(name, Set.of(Touched.Kind.PEOPLE), place -> place.owner() != null && owners.contains(place.owner()));
  }

  /** The places of which something is so by what they themselves say, in no order: kept but for those that are others now. */
  List<Place> ofPlaces(String name, Predicate<Place> isSo) {
    return ofPlaces(name, Set.of(), isSo);
  }

  /** @param other kinds of parts that count as well */
  @SuppressWarnings("unchecked")
  private List<Place> ofPlaces(String name, Set<Touched.Kind> other, Predicate<Place> isSo) {
    return (List<Place>) made(kept, name, () -> {
      List<Place> known = touched == null || !touched.leaves(other) ? null : (List<Place>) before.get(name);
      return known != null && touched.changed().isEmpty() ? known : known == null ? structure().places().values().stream().filter(isSo).toList()
          : Stream.concat(known.stream().filter(place -> !touched.changed().contains(place.id())), touched.changed().stream().map(structure().places()::get).filter(place -> place != null && isSo.test(place))).toList();
    });
  }

  /**
   * What is found place by place: kept where nothing that it could hang on was touched. It must not hold on to the state.
   *
   * @param place at which one was found
   * @param look finds it at some places, in any order
   */
  @SuppressWarnings("unchecked")
  <T> List<T> byPlace(String name, Function<T, String> place, Function<IntStream, List<T>> look) {
    return (List<T>) made(kept, name, () -> {
      List<T> known = touched == null ? null : (List<T>) before.get(name);
      return known == null ? look.apply(snapshot().places()) : Stream.concat(known.stream().filter(one -> !touched.concerns(place.apply(one))), look.apply(touched.places()).stream()).toList();
    });
  }

  /**
   * What is found group by group, by who is in it: kept for groups of which neither that nor anybody is another. It must not hold on to the state.
   *
   * @param group in which one was found
   */
  @SuppressWarnings("unchecked")
  <T> List<T> byGroup(String name, Function<T, String> group, Function<Group, Stream<T>> look) {
    return (List<T>) made(kept, name, () -> {
      List<T> known = touched == null || !touched.leaves(Set.of(Touched.Kind.PEOPLE, Touched.Kind.UNITS)) ? null : (List<T>) before.get(name);
      return known == null ? groups().flatMap(look).toList() : Stream.concat(known.stream().filter(one -> !touched.groups().contains(group.apply(one))),
          touched.groups().stream().map(structure().groups()::get).filter(one -> one != null).flatMap(look)).toList();
    });
  }

  /** What several rules look at is made once; the name is theirs alone. */
  @SuppressWarnings("unchecked")
  <T> List<T> once(String name, Supplier<List<T>> make) {
    return (List<T>) made(made, name, make::get);
  }

  private List<?> made(Map<String, List<?>> in, String name, Supplier<List<?>> make) {
    List<?> known = in.get(name);
    if (known == null) {
      synchronized (making.computeIfAbsent(name, any -> new Object())) {
        known = in.get(name);
        if (known == null) {
          known = make.get();
          in.put(name, known);
        }
      }
    }
    return known;
  }

  WallGapClues wallGapClues() {
    return once("clues to gaps of walls", () -> List.of(WallGapClues.of(snapshot()))).get(0);
  }

  GroupUses groupUses(String group) {
    return once("group uses", () -> List.of(new GroupUses.Register(structure(), now()))).get(0).of(group);
  }

  SnapshotAt moment() {
    return moment;
  }

  /** When all that is dated has begun and ended. */
  SnapshotAt atLast() {
    return once("at last", () -> {
      List<Instant> later = snapshot().boundariesAfter(now());
      return List.of(later.isEmpty() ? moment : snapshot().at(later.get(later.size() - 1)));
    }).get(0);
  }

  Activity activity() {
    return activity;
  }

  Limits limits() {
    return limits;
  }

  Snapshot snapshot() {
    return moment.snapshot();
  }

  Structure structure() {
    return moment.snapshot().structure();
  }

  Instant now() {
    return now;
  }

  /** The active people in a subject. */
  PersonSet people(Subject subject) {
    return moment.matching(subject).and(moment.active());
  }

  String name(Subject subject) {
    return SubjectNames.of(subject, structure());
  }

  String path(String place) {
    return snapshot().pathText(snapshot().placeNumber(place));
  }

  String role(String id) {
    return structure().roles().get(id).name();
  }

  /** Names of people, in order; no more than evidence may have, and how many more there are. */
  List<String> names(PersonSet people) {
    return cut(people.stream().mapToObj(snapshot()::person).map(Person::name).sorted().toList());
  }

  /** No more lines than evidence may have, and how many more there are. */
  List<String> cut(List<String> all) {
    return all.size() <= limits.evidenceAtMost() ? all : Stream.concat(all.stream().limit(limits.evidenceAtMost() - 1L), Stream.of("and " + (all.size() - limits.evidenceAtMost() + 1) + " more")).toList();
  }

  Stream<Grant> grants() {
    return whileSame("grants in order", Set.of(Touched.Kind.ENTRIES), () -> structure().grants().values().stream().sorted(Comparator.comparing(Grant::id)).toList()).stream();
  }

  Stream<Entry> entries() {
    return whileSame("entries in order", Set.of(Touched.Kind.ENTRIES), () -> structure().entries().sorted(Comparator.comparing(Entry::id)).toList()).stream();
  }

  Stream<Group> groups() {
    return whileSame("groups in order", Set.of(Touched.Kind.GROUPS), () -> structure().groups().values().stream().sorted(Comparator.comparing(Group::id)).toList()).stream();
  }

  List<Grant> grantsTo(Subject subject) {
    return once("grants by subject", () -> {
      Map<Subject, List<Grant>> bySubject = new HashMap<>();
      grants().forEach(grant -> bySubject.computeIfAbsent(grant.subject(), any -> new ArrayList<>()).add(grant));
      return List.of(bySubject);
    }).get(0).getOrDefault(subject, List.of());
  }

  /** The role with the most rights that lie within some; null if there is none. */
  Role most(Rights within) {
    return structure().roles().values().stream().filter(role -> within.containsAll(role.rights())).max(Comparator.comparing((Role role) -> role.rights().size()).thenComparing(Role::id, Comparator.reverseOrder())).orElse(null);
  }

  /** The role with the fewest rights that has one; null if there is none. */
  Role least(Right with) {
    return structure().roles().values().stream().filter(role -> role.rights().contains(with)).min(Comparator.comparing((Role role) -> role.rights().size()).thenComparing(Role::id)).orElse(null);
  }

  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.UK).withZone(ZoneOffset.UTC);
  private static final DateTimeFormatter MINUTE = DateTimeFormatter.ofPattern("d MMM uuuu, HH:mm 'UTC'", Locale.UK).withZone(ZoneOffset.UTC);

  static String day(Instant instant) {
    return DAY.format(instant);
  }

  /** An end as the last moment that counts. */
  static String end(Instant until) {
    return until.equals(until.truncatedTo(ChronoUnit.DAYS)) ? "with " + DAY.format(until.minusSeconds(1)) : "on " + MINUTE.format(until);
  }

  /** An id for an entry that comes in addition: always the same for the same one. */
  String newId(String like) {
    String id = like + "-2";
    for (int i = 3; structure().grants().containsKey(id) || structure().withholdings().containsKey(id) || structure().oversights().containsKey(id); i++) {
      id = like + "-" + i;
    }
    return id;
  }
}
