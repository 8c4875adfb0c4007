package palegate.core.findings;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Supplier;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.collections.PersonSet;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.core.wallsatwork.LabelsInUse;

/** A structure at an instant, as rules look at it; what several of them need is made once. */
public final class Survey {
  private final SnapshotAt moment;
  private final Limits limits;
  private final Map<String, List<?>> made = new HashMap<>();
  private Map<Subject, List<Grant>> grantsBySubject;

  public Survey(SnapshotAt moment, Limits limits) {
    this.moment = moment;
    this.limits = limits;
  }

  /** What several rules look at is made once; the name is theirs alone. */
  @SuppressWarnings("unchecked")
  <T> List<T> once(String name, Supplier<List<T>> make) {
    if (!made.containsKey(name)) {
      made.put(name, make.get());
    }
    return (List<T>) made.get(name);
  }

  LabelsInUse labelsInUse() {
    return once("labels in use", () -> List.of(LabelsInUse.of(snapshot()))).get(0);
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
    return moment.instant();
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
    return structure().grants().values().stream().sorted(Comparator.comparing(Grant::id));
  }

  Stream<Entry> entries() {
    return structure().entries().sorted(Comparator.comparing(Entry::id));
  }

  Stream<Group> groups() {
    return structure().groups().values().stream().sorted(Comparator.comparing(Group::id));
  }

  List<Grant> grantsTo(Subject subject) {
    if (grantsBySubject == null) {
      grantsBySubject = new LinkedHashMap<>();
      grants().forEach(grant -> grantsBySubject.computeIfAbsent(grant.subject(), any -> new ArrayList<>()).add(grant));
    }
    return grantsBySubject.getOrDefault(subject, List.of());
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
